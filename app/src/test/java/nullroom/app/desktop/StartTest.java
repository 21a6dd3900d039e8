package nullroom.app.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import nullroom.app.Fx;
import nullroom.app.TestBooks;
import nullroom.app.shell.Units;
import nullroom.core.acoustics.MicrophoneType;
import nullroom.core.book.Goal;
import nullroom.core.book.Hearing;
import nullroom.core.book.RoomBook;
import nullroom.core.predict.Origin;
import nullroom.core.room.FirstRoom;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.io.book.BookFolder;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The first start and what surrounds the window. */
class StartTest {
  @TempDir Path folder;
  private final List<Start.Way> chosen = new ArrayList<>();

  @BeforeAll
  static void toolkit() {
    Fx.start();
  }

  private Scene scene() {
    return Fx.on(() -> {
      Scene scene =
          Look.scene(new Start(Start.Offer.first(), Units.METRES, chosen::add).node(), 1280, 800);
      scene.getRoot().applyCss();
      scene.getRoot().layout();
      return scene;
    });
  }

  private static void type(Scene scene, String field, String text) {
    Fx.run(() -> ((TextField) scene.lookup("#field-" + field)).setText(text));
  }

  private static void press(Scene scene, String id) {
    Fx.run(() -> ((Button) scene.lookup("#" + id)).fire());
  }

  @Test
  void threeLengthsMakeARoom() {
    Scene scene = scene();
    type(scene, "length", "5,2");
    type(scene, "width", "3.1");
    press(scene, "begin");
    assertThat(chosen)
        .containsExactly(
            new Start.Way.NewRoom(
                "My room",
                Goal.SPOKEN_ON_CAMERA,
                Optional.empty(),
                List.of(Optional.of(5.2), Optional.of(3.1), Optional.empty())));
  }

  @Test
  @DisplayName("what was said is in the book; what was left open is taken for granted, and told so")
  void begun() {
    Optional<MicrophoneType> phone = MicrophoneType.find("phone_builtin");
    List<Optional<Double>> lengths = List.of(Optional.of(5.2), Optional.of(3.1), Optional.of(2.6));
    RoomBook all = Desktop.begun(new Start.Way.NewRoom("Attic", Goal.SUNG_DRY, phone, lengths));
    assertThat(all.here().described()).isTrue();
    assertThat(all.room().size().distanceTo(new Point(5.2, 3.1, 2.6))).isLessThan(1e-9);
    assertThat(MicrophoneType.in(all.room().requireMicrophone().capture(), MicrophoneType.ALL))
        .isEqualTo(phone);
    RoomBook some =
        Desktop.begun(
            new Start.Way.NewRoom(
                "Attic",
                Goal.SUNG_DRY,
                Optional.empty(),
                List.of(Optional.of(5.2), Optional.empty(), Optional.of(2.6))));
    assertThat(some.here().described()).isFalse();
    assertThat(some.room().size().distanceTo(new Point(5.2, 3, 2.6))).isLessThan(1e-9);
    assertThat(Hearing.quick(some).heard().basis().decay().kind()).isEqualTo(Origin.Kind.ASSUMED);
    RoomBook measuredOut = some.with(some.room().stretched(1, 1.1, 1));
    assertThat(measuredOut.here().described()).isTrue();
    assertThat(Hearing.quick(measuredOut).heard().basis().decay().kind())
        .isEqualTo(Origin.Kind.PREDICTED);
  }

  @Test
  void aWrongLengthIsSaidBesideItsFieldAndKept() {
    Scene scene = scene();
    type(scene, "height", "two");
    press(scene, "begin");
    type(scene, "length", "500");
    press(scene, "begin");
    assertThat(chosen).isEmpty();
    assertThat(Fx.on(() -> ((TextField) scene.lookup("#field-height")).getText())).isEqualTo("two");
    assertThat(
            Fx.on(() ->
                scene.getRoot().lookupAll(".field-trouble").stream()
                    .map(node -> ((Label) node).getText())
                    .toList()))
        .anyMatch(text -> text.contains("“two” is no number"))
        .anyMatch(text -> text.contains("between 0.50 and 30"));
  }

  @Test
  @DisplayName("Enter begins; on another button it presses that one")
  void enter() {
    Scene scene = scene();
    KeyEvent enter =
        new KeyEvent(KeyEvent.KEY_PRESSED, "", "", KeyCode.ENTER, false, false, false, false);
    Fx.run(() -> scene.lookup("#field-width").fireEvent(enter));
    Fx.run(() -> scene.lookup("#look").fireEvent(enter));
    assertThat(chosen)
        .containsExactly(
            new Start.Way.NewRoom(
                "My room",
                Goal.SPOKEN_ON_CAMERA,
                Optional.empty(),
                List.of(Optional.empty(), Optional.empty(), Optional.empty())),
            new Start.Way.Demo(false));
  }

  @Test
  void theDemoIsOneButton() {
    Scene scene = scene();
    press(scene, "look");
    assertThat(chosen).containsExactly(new Start.Way.Demo(false));
  }

  @Test
  void aNewRoomOfAnyAllowedSizeCanBeHeard() {
    for (double length : new double[] {0.6, 4, 30}) {
      for (double height : new double[] {0.5, 2.4, 10}) {
        Room room = FirstRoom.room().stretched(length / 4, 1, height / 2.4);
        RoomBook book = Desktop.newBook(room);
        assertThat(Hearing.quick(book).heard().margins().quietDb()).isFinite();
        assertThat(Desktop.simulated(book).sampleRateHz()).isEqualTo(48_000);
      }
    }
  }

  @Test
  void theDemoInWordsSaysVerdictAndMoves() {
    RoomBook demo = DemoBook.create(folder.resolve("demo"));
    List<String> lines = DemoText.of(demo);
    assertThat(lines.getFirst()).isEqualTo("The loft over the bakery, spoken, on camera");
    assertThat(lines)
        .anyMatch(l -> l.startsWith("noise") && l.contains("NC-") && l.contains("simulated"))
        .anyMatch(l -> l.matches("decay +\\d\\.\\d\\d s .*simulated.*"))
        .anyMatch(l ->
            l.matches(
                "Clear −?\\d+\\.\\d dB, give or take \\d\\.\\d, target 10: (met|close|short|cannot tell.*)"))
        .contains("next moves:");
    assertThat(lines.subList(lines.indexOf("next moves:") + 1, lines.size()))
        .hasSizeBetween(1, 3)
        .allMatch(l -> l.contains(" dB on Clear, cost "));
    // without measurements nothing is called measured
    assertThat(DemoText.of(TestBooks.bedroom())).noneMatch(l -> l.contains("measured"));
  }

  @Test
  void theSameDemoEveryTime() {
    RoomBook a = DemoBook.create(folder.resolve("a"));
    assertThat(DemoBook.create(folder.resolve("b"))).isEqualTo(a);
    assertThat(new BookFolder(folder.resolve("b")).sounds().file("simulated-claps-1.wav"))
        .hasSameBinaryContentAs(
            new BookFolder(folder.resolve("a")).sounds().file("simulated-claps-1.wav"));
  }
}
