package nullroom.app.control;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.Scene;
import javafx.scene.control.Slider;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.StackPane;
import javafx.scene.text.Text;
import javafx.stage.Stage;
import nullroom.app.Fx;
import nullroom.app.TestBooks;
import nullroom.core.Trouble;
import nullroom.core.predict.Goal;
import nullroom.core.predict.Heard;
import nullroom.core.room.Patch;
import nullroom.core.room.Room;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** The drawn controls, laid out in a real scene. */
class ControlTest {
  @BeforeAll
  static void toolkit() {
    Fx.start();
  }

  private static Scene show(Parent node, double width, double height) {
    return Fx.on(() -> {
      Scene scene = new Scene(new StackPane(node), width, height);
      Stage stage = new Stage();
      stage.setScene(scene);
      stage.show();
      scene.getRoot().applyCss();
      scene.getRoot().layout();
      return scene;
    });
  }

  private static List<String> texts(Scene scene) {
    return Fx.on(() ->
        scene.getRoot().lookupAll(".plot-text").stream()
            .filter(Node::isVisible)
            .map(node -> ((Text) node).getText())
            .toList());
  }

  @Test
  void theLadderSaysItsMarginsToEyesAndEars() {
    Heard heard = TestBooks.bedroom().heard();
    Ladder ladder = Fx.on(Ladder::new);
    Scene scene = show(ladder, 280, 560);
    Fx.run(() -> ladder.show(heard, heard, Goal.SPOKEN_ON_CAMERA.targets(), false, false));
    Fx.run(() -> scene.getRoot().layout());
    assertThat(texts(scene))
        .contains(
            "full scale", "loudest peak", "voice", "late room", "room noise", "mic self-noise")
        .anyMatch(t -> t.startsWith("Quiet"))
        .anyMatch(t -> t.startsWith("Clear"))
        .anyMatch(t -> t.startsWith("Safe"));
    assertThat(Fx.on(ladder::getAccessibleText))
        .startsWith("Ladder. Quiet")
        .contains("Clear", "Safe");
  }

  @Test
  void labelsOfTheLadderDoNotCoverEachOther() {
    Heard heard = TestBooks.bedroom().heard();
    Ladder ladder = Fx.on(Ladder::new);
    Scene scene = show(ladder, 280, 560);
    Fx.run(() -> ladder.show(heard, heard, Goal.SPOKEN_CLOSE.targets(), true, true));
    List<Text> labels =
        Fx.on(() ->
            scene.getRoot().lookupAll(".plot-text").stream()
                .map(node -> (Text) node)
                .filter(t -> t.getLayoutBounds().getWidth() > 0 && t.getText().length() > 4)
                .toList());
    for (Text a : labels) {
      for (Text b : labels) {
        if (a != b) {
          var one = a.getBoundsInParent();
          var other = b.getBoundsInParent();
          boolean beside = one.getMaxX() <= other.getMinX() || other.getMaxX() <= one.getMinX();
          double overlap =
              Math.min(one.getMaxY(), other.getMaxY()) - Math.max(one.getMinY(), other.getMinY());
          assertThat(beside || overlap < 6).as("%s over %s", a.getText(), b.getText()).isTrue();
        }
      }
    }
  }

  @Test
  void theFoldOutShowsEverySurfaceAndWhatLiesOnIt() {
    Room room =
        TestBooks.bedroom()
            .room()
            .plus(Patch.rectangle("curtain", "wall2", 0.5, 0.2, 1.5, 2, "blanket_100"));
    FoldOut foldOut = Fx.on(FoldOut::new);
    Scene scene = show(foldOut, 700, 500);
    Fx.run(() -> foldOut.show(room));
    Fx.run(() -> scene.getRoot().layout());
    for (String surface : room.surfaceNames()) {
      assertThat(Fx.on(() -> scene.lookup("#surface-" + surface))).as(surface).isNotNull();
    }
    assertThat(texts(scene))
        .contains("floor", "ceiling", "wall 2", "curtain", "talker", "microphone");
  }

  @Test
  void handlesMoveByArrowKeys() {
    Room room = TestBooks.bedroom().room();
    List<String> moves = new ArrayList<>();
    FoldOut foldOut = Fx.on(FoldOut::new);
    Scene scene = show(foldOut, 700, 500);
    Fx.run(() -> {
      foldOut.setMover(
          (handle, x, y) -> moves.add(String.format(Locale.ROOT, "%s %.2f %.2f", handle, x, y)));
      foldOut.show(room);
      scene.getRoot().layout();
    });
    List<Node> handles =
        Fx.on(() ->
            scene.getRoot().lookupAll("*").stream()
                .filter(n -> n.getId() != null && n.getId().startsWith("handle-"))
                .toList());
    assertThat(handles).hasSize(2);
    for (KeyCode key : new KeyCode[] {KeyCode.RIGHT, KeyCode.UP}) {
      Fx.run(() ->
          handles
              .getFirst()
              .fireEvent(
                  new KeyEvent(KeyEvent.KEY_PRESSED, "", "", key, false, false, false, false)));
    }
    assertThat(moves).hasSize(2);
    Set<String> who = moves.stream().map(m -> m.split(" ")[0]).collect(Collectors.toSet());
    assertThat(who).hasSize(1);
    assertThat(moves.get(0)).endsWith(who.contains("TALKER") ? "1.45 1.50" : "1.95 1.50");
    assertThat(moves.get(1)).endsWith(who.contains("TALKER") ? "1.40 1.55" : "1.90 1.55");
  }

  @Test
  void aClickOnASurfaceChoosesIt() {
    List<String> selected = new ArrayList<>();
    FoldOut foldOut = Fx.on(FoldOut::new);
    Scene scene = show(foldOut, 700, 500);
    Fx.run(() -> {
      foldOut.setOnSelect(selected::add);
      foldOut.show(TestBooks.bedroom().room());
      scene.getRoot().layout();
      Node wall = scene.lookup("#surface-wall3");
      javafx.scene.input.MouseEvent.fireEvent(
          wall,
          new javafx.scene.input.MouseEvent(
              javafx.scene.input.MouseEvent.MOUSE_PRESSED,
              0,
              0,
              0,
              0,
              javafx.scene.input.MouseButton.PRIMARY,
              1,
              false,
              false,
              false,
              false,
              true,
              false,
              false,
              true,
              false,
              true,
              null));
    });
    assertThat(selected).containsExactly("wall3");
  }

  @Test
  void barsLeaveOutWhatIsUnknown() {
    double[] figures = {Double.NaN, 0.4, 0.5, 0.6, 0.5, 0.4, 0.3, 0.2};
    BandPlot plot =
        Fx.on(() -> new BandPlot("time, s", v -> String.format(Locale.ROOT, "%.2f", v)));
    Scene scene = show(plot, 600, 300);
    Fx.run(() -> {
      plot.setAxis(0, 1, 0.2);
      plot.show(
          List.of(new BandPlot.Series("measured", BandPlot.Origin.MEASURED, figures, "now-bar")),
          Optional.empty());
      scene.getRoot().layout();
    });
    assertThat(texts(scene)).contains("0.60", "0.20", "1k", "8k").doesNotContain("NaN");
  }

  @Test
  void aNumberTakesCommaAndPointAndKeepsWhatIsWrong() {
    List<Double> taken = new ArrayList<>();
    NumberField field =
        Fx.on(() ->
            new NumberField(
                "Length",
                "m",
                1,
                10,
                metres -> {
                  if (metres == 7) {
                    throw new Trouble.BadField("length", "seven is too long for this rug");
                  }
                  taken.add(metres);
                }));
    TextField text = (TextField) Fx.on(() -> field.lookup("#field-length"));
    List<String> refused = new ArrayList<>();
    for (String typed : new String[] {"3,5", "4.25", "  6 ", "eleven", "11", "7", "NaN"}) {
      Fx.run(() -> {
        field.show(1);
        text.setText(typed);
        if (!field.isGood()) {
          refused.add(text.getText()); // as it was typed
        }
      });
    }
    assertThat(refused).containsExactly("eleven", "11", "7", "NaN");
    assertThat(taken).containsExactly(3.5, 4.25, 6.0);
  }

  @Test
  void aChoiceTellsTheUserFromTheProgram() {
    List<Goal> chosen = new ArrayList<>();
    Choice<Goal> choice =
        Fx.on(() -> new Choice<>("goal", "goal", List.of(Goal.values()), Goal::label, chosen::add));
    show(new StackPane(choice), 300, 100);
    Fx.run(() -> choice.show(Goal.SUNG_DRY));
    assertThat(chosen).isEmpty();
    Fx.run(() -> choice.setValue(Goal.SPOKEN_CLOSE));
    assertThat(chosen).containsExactly(Goal.SPOKEN_CLOSE);
    assertThat(choice.getConverter().fromString("Sung, dry")).isEqualTo(Goal.SUNG_DRY);
    Fx.run(() -> choice.show(null));
    assertThat(choice.getConverter().toString(null)).isEqualTo("own figures");
    assertThat(chosen).hasSize(1);
  }

  @Test
  void aDialTellsTheUserFromTheProgram() {
    List<Double> turned = new ArrayList<>();
    Dial dial = Fx.on(() -> new Dial("Gain", "dB", 0, 75, "%.0f", turned::add));
    show(dial, 400, 60);
    Fx.run(() -> dial.show(30));
    assertThat(turned).isEmpty();
    Slider slider = (Slider) Fx.on(() -> dial.lookup("#dial-gain"));
    assertThat(Fx.on(slider::getValue)).isEqualTo(30);
    Fx.run(() -> slider.setValue(42));
    assertThat(turned).containsExactly(42.0);
  }
}
