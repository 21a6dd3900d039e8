package nullroom.app;

import static com.tngtech.archunit.core.domain.JavaClass.Predicates.resideInAPackage;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.fields;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.base.DescribedPredicate;
import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import com.tngtech.archunit.library.Architectures;
import com.tngtech.archunit.library.Architectures.LayeredArchitecture;
import java.util.List;
import javafx.beans.Observable;

/** The arrows of the house: core, io, app; and within core each floor uses only floors below it. */
@AnalyzeClasses(packages = "nullroom", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
  /** From the bottom up: each may be used by all that stand after it, and by nothing before it. */
  private static final List<String> FLOORS_UP =
      List.of(
          "nullroom.core",
          "nullroom.core.signal",
          "nullroom.core.acoustics",
          "nullroom.core.measure..",
          "nullroom.core.room",
          "nullroom.core.predict",
          "nullroom.core.book",
          "nullroom.core.plan",
          "nullroom.io..",
          "nullroom.app..");

  @ArchTest static final ArchRule FLOORS = floors();

  private static ArchRule floors() {
    LayeredArchitecture rule =
        Architectures.layeredArchitecture().consideringOnlyDependenciesInLayers();
    for (String floor : FLOORS_UP) {
      rule = rule.layer(floor).definedBy(floor);
    }
    for (int i = 0; i + 1 < FLOORS_UP.size(); i++) {
      rule =
          rule.whereLayer(FLOORS_UP.get(i))
              .mayOnlyBeAccessedByLayers(
                  FLOORS_UP.subList(i + 1, FLOORS_UP.size()).toArray(String[]::new));
    }
    return rule.whereLayer(FLOORS_UP.getLast()).mayNotBeAccessedByAnyLayer();
  }

  @ArchTest
  static final ArchRule CORE_HAS_NO_CYCLES =
      slices().matching("nullroom.core.(**)").should().beFreeOfCycles();

  @ArchTest
  static final ArchRule IO_HAS_NO_CYCLES =
      slices().matching("nullroom.io.(**)").should().beFreeOfCycles();

  @ArchTest
  static final ArchRule APP_HAS_NO_CYCLES =
      slices().matching("nullroom.app.(**)").should().beFreeOfCycles();

  @ArchTest
  static final ArchRule CORE_COMPUTES_ONLY =
      noClasses()
          .that()
          .resideInAPackage("nullroom.core..")
          .should()
          .dependOnClassesThat()
          .resideInAnyPackage(
              "javafx..",
              "javax.sound..",
              "tools.jackson..",
              "java.nio.file..",
              "java.time..",
              "java.util.logging..",
              "org.slf4j..");

  @ArchTest
  static final ArchRule CORE_HAS_NO_CLOCK =
      noClasses()
          .that()
          .resideInAPackage("nullroom.core..")
          .should()
          .callMethod(System.class, "nanoTime")
          .orShould()
          .callMethod(System.class, "currentTimeMillis")
          .orShould()
          .accessField(System.class, "out")
          .orShould()
          .accessField(System.class, "err")
          .orShould()
          .callMethod(Math.class, "random");

  @ArchTest
  static final ArchRule CORE_HAS_NO_MUTABLE_STATICS =
      fields()
          .that()
          .areDeclaredInClassesThat()
          .resideInAPackage("nullroom.core..")
          .and()
          .areStatic()
          .should()
          .beFinal();

  @ArchTest
  static final ArchRule ONE_MAKER_OF_A_HEARD =
      noClasses()
          .that(
              DescribedPredicate.not(
                  resideInAPackage("nullroom.core.predict")
                      .or(named("nullroom.core.book.Hearing"))
                      .or(resideInAPackage("nullroom.bench"))))
          .should()
          .callConstructorWhere(
              DescribedPredicate.describe(
                  "of Heard",
                  call -> call.getTargetOwner().getName().equals("nullroom.core.predict.Heard")))
          .orShould()
          .callMethodWhere(
              DescribedPredicate.describe(
                  "Heard.of",
                  call ->
                      call.getTargetOwner().getName().equals("nullroom.core.predict.Heard")
                          && call.getName().equals("of")));

  private static DescribedPredicate<JavaClass> named(String name) {
    return DescribedPredicate.describe(
        "are " + name, c -> c.getName().equals(name) || c.getName().startsWith(name + "$"));
  }

  @ArchTest
  static final ArchRule IO_HAS_NO_WINDOW =
      noClasses()
          .that()
          .resideInAPackage("nullroom.io..")
          .should()
          .dependOnClassesThat()
          .resideInAPackage("javafx..");

  @ArchTest
  static final ArchRule IO_COMPUTES_NO_ACOUSTICS =
      noClasses()
          .that()
          .resideInAPackage("nullroom.io..")
          .should()
          .dependOnClassesThat(
              DescribedPredicate.describe(
                  "compute sound or rooms",
                  c ->
                      List.of(
                                  "Fft",
                                  "Butterworth",
                                  "Biquads",
                                  "RoomResponse",
                                  "Statistics",
                                  "SyntheticRoom",
                                  "ReflectedSound")
                              .contains(c.getSimpleName())
                          && c.getPackageName().startsWith("nullroom.core")))
          .orShould()
          .callMethod(Math.class, "log10", double.class)
          .orShould()
          .callMethod(Math.class, "exp", double.class)
          .orShould()
          .callMethod(Math.class, "sin", double.class)
          .orShould()
          .callMethod(Math.class, "cos", double.class);

  /** What holds properties to be watched is a model, and knows no nodes. */
  @ArchTest
  static final ArchRule MODELS_HAVE_NO_NODES =
      noClasses()
          .that(
              DescribedPredicate.describe(
                  "offer properties to stations and are no nodes",
                  c ->
                      c.getPackageName().startsWith("nullroom.app.")
                          && !c.getPackageName().equals("nullroom.app.control")
                          && !c.getPackageName().equals("nullroom.app.desktop")
                          && c.getMethods().stream()
                              .anyMatch(m ->
                                  m.getName().endsWith("Property")
                                      && m.getRawReturnType().isAssignableTo(Observable.class))
                          && !c.isAssignableTo(javafx.scene.Node.class)
                          && !c.getSimpleName().equals("MainWindow")
                          && !c.getSimpleName().equals("Rail")))
          .should()
          .dependOnClassesThat()
          .resideInAnyPackage("javafx.scene..", "javafx.stage..");

  @ArchTest
  static final ArchRule COMMANDS_KNOW_NO_WINDOW =
      classes()
          .that()
          .resideInAPackage("nullroom.app.cli")
          .should()
          .onlyDependOnClassesThat(
              DescribedPredicate.not(
                  resideInAPackage("javafx..").or(resideInAPackage("nullroom.app.shell"))));
}
