package nullroom.app;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import com.tngtech.archunit.library.Architectures;

/** The arrows of the house: core, io, app; and within core each floor uses only floors below it. */
@AnalyzeClasses(packages = "nullroom", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
  @ArchTest
  static final ArchRule FLOORS =
      Architectures.layeredArchitecture()
          .consideringOnlyDependenciesInLayers()
          .layer("signal")
          .definedBy("nullroom.core.signal")
          .layer("acoustics")
          .definedBy("nullroom.core.acoustics")
          .layer("measure")
          .definedBy("nullroom.core.measure")
          .layer("room")
          .definedBy("nullroom.core.room")
          .layer("predict")
          .definedBy("nullroom.core.predict")
          .layer("plan")
          .definedBy("nullroom.core.plan")
          .layer("io")
          .definedBy("nullroom.io..")
          .layer("app")
          .definedBy("nullroom.app..")
          .whereLayer("app")
          .mayNotBeAccessedByAnyLayer()
          .whereLayer("io")
          .mayOnlyBeAccessedByLayers("app")
          .whereLayer("plan")
          .mayOnlyBeAccessedByLayers("io", "app")
          .whereLayer("predict")
          .mayOnlyBeAccessedByLayers("plan", "io", "app")
          .whereLayer("room")
          .mayOnlyBeAccessedByLayers("predict", "plan", "io", "app")
          .whereLayer("measure")
          .mayOnlyBeAccessedByLayers("room", "predict", "plan", "io", "app");

  @ArchTest
  static final ArchRule CORE_COMPUTES_ONLY =
      noClasses()
          .that()
          .resideInAPackage("nullroom.core..")
          .should()
          .dependOnClassesThat()
          .resideInAnyPackage(
              "javafx..", "javax.sound..", "tools.jackson..", "java.nio.file..", "java.time..");

  @ArchTest
  static final ArchRule IO_HAS_NO_WINDOW =
      noClasses()
          .that()
          .resideInAPackage("nullroom.io..")
          .should()
          .dependOnClassesThat()
          .resideInAPackage("javafx..");

  @ArchTest
  static final ArchRule MODELS_HAVE_NO_NODES =
      noClasses()
          .that()
          .haveSimpleNameEndingWith("Model")
          .should()
          .dependOnClassesThat()
          .resideInAnyPackage("javafx.scene..", "javafx.stage..");
}
