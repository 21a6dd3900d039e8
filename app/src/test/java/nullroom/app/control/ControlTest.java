package nullroom.app.control;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.event.ActionEvent;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.shape.Rectangle;
import javafx.scene.text.Text;
import nullroom.app.Fx;
import nullroom.app.TestBooks;
import nullroom.core.Trouble;
import nullroom.core.book.Goal;
import nullroom.core.book.Hearing;
import nullroom.core.measure.meter.LiveMeter;
import nullroom.core.measure.noise.SecondLevels;
import nullroom.core.measure.noise.Survey;
import nullroom.core.plan.Ladder;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Origin;
import nullroom.core.room.Patch;
import nullroom.core.room.Room;
import nullroom.core.room.Surface;
import nullroom.core.signal.Band;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** The drawn controls, laid out in a real scene. */
class ControlTest {
  @BeforeAll
  static void toolkit() {
    Fx.start();
  }

  private static List<String> texts(Scene scene) {
    return Fx.on(() ->
        scene.getRoot().lookupAll(".plot-text").stream()
            .filter(Node::isVisible)
            .map(node -> ((Text) node).getText())
            .toList());
  }

  private static LadderView ladder(Goal goal) {
    Heard heard = Hearing.quick(TestBooks.bedroom()).heard();
    LadderView ladder = Fx.on(LadderView::new);
    Fx.show(ladder, 280, 560);
    Ladder now = Ladder.of(heard, goal.targets());
    Fx.run(() -> ladder.show(now, now));
    return ladder;
  }

  @Test
  void theLadderSaysItsMarginsToEyesAndEars() {
    LadderView ladder = ladder(Goal.SPOKEN_ON_CAMERA);
    Scene scene = Fx.on(ladder::getScene);
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
  void whatIsHeardMovesAlongTheLadder() {
    LadderView ladder = ladder(Goal.SPOKEN_CLOSE);
    Scene scene = Fx.on(ladder::getScene);
    Fx.run(() -> scene.getRoot().layout());
    Rectangle fast = (Rectangle) Fx.on(() -> scene.getRoot().lookup(".live-fast"));
    Rectangle held = (Rectangle) Fx.on(() -> scene.getRoot().lookup(".live-held"));
    assertThat(Fx.on(fast::isVisible)).isFalse();
    Fx.run(() -> ladder.showLevel(-40, -20));
    double low = Fx.on(fast::getY);
    assertThat(Fx.on(held::getY)).isLessThan(low);
    Fx.run(() -> ladder.showLevel(-30, -20));
    assertThat(Fx.on(fast::getY)).isLessThan(low);
    Fx.run(() -> ladder.showLevel(Double.NEGATIVE_INFINITY, Double.NEGATIVE_INFINITY));
    assertThat(Fx.on(fast::isVisible)).isFalse();
  }

  @Test
  void labelsOfTheLadderDoNotCoverEachOther() {
    LadderView ladder = ladder(Goal.SPOKEN_CLOSE);
    Scene scene = Fx.on(ladder::getScene);
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
            .plus(Patch.rectangle("curtain", Surface.wall(2), 0.5, 0.2, 1.5, 2, "blanket_100"));
    FoldOut foldOut = Fx.on(FoldOut::new);
    Scene scene = Fx.show(foldOut, 700, 500);
    Fx.run(() -> foldOut.show(room));
    Fx.run(() -> scene.getRoot().layout());
    for (Surface surface : room.surfaces()) {
      assertThat(Fx.on(() -> scene.lookup("#surface-" + surface))).as(surface.id()).isNotNull();
    }
    assertThat(texts(scene))
        .contains("floor", "ceiling", "wall 2", "curtain", "talker", "microphone");
  }

  @Test
  void handlesMoveByArrowKeys() {
    Room room = TestBooks.bedroom().room();
    List<String> moves = new ArrayList<>();
    FoldOut foldOut = Fx.on(FoldOut::new);
    Scene scene = Fx.show(foldOut, 700, 500);
    Fx.run(() -> {
      foldOut.setItemHandler((thing, to) ->
          moves.add(String.format(Locale.ROOT, "%s %.2f %.2f", thing.kind(), to.x(), to.y())));
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
    List<Surface> selected = new ArrayList<>();
    FoldOut foldOut = Fx.on(FoldOut::new);
    Scene scene = Fx.show(foldOut, 700, 500);
    Fx.run(() -> {
      foldOut.setOnSelect(selected::add);
      foldOut.show(TestBooks.bedroom().room());
      scene.getRoot().layout();
      Node wall = scene.lookup("#surface-wall3");
      Fx.mouse(wall, javafx.scene.input.MouseEvent.MOUSE_PRESSED);
    });
    assertThat(selected).containsExactly(Surface.wall(3));
  }

  @Test
  void barsLeaveOutWhatIsUnknown() {
    double[] figures = {Double.NaN, 0.4, 0.5, 0.6, 0.5, 0.4, 0.3, 0.2};
    BandPlot plot =
        Fx.on(() -> new BandPlot("time, s", v -> String.format(Locale.ROOT, "%.2f", v)));
    Scene scene = Fx.show(plot, 600, 300);
    Fx.run(() -> {
      plot.setAxis(0, 1, 0.2);
      plot.show(
          List.of(new BandPlot.Series("measured", Origin.Kind.MEASURED, figures, "now-bar")),
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
  void whatIsBeingTypedOutlivesAPageThatShowsTheSameAgain() {
    List<Double> taken = new ArrayList<>();
    NumberField field = Fx.on(() -> new NumberField("Depth", "m", 0, 10, taken::add));
    Fx.show(field, 300, 60);
    TextField text = (TextField) Fx.on(() -> field.lookup("#field-depth"));
    Fx.run(() -> {
      field.show(2);
      text.requestFocus();
      text.setText("3.");
      field.show(2); // as when tracing ends
      assertThat(text.getText()).isEqualTo("3.");
      text.appendText("4");
      text.fireEvent(new ActionEvent());
      assertThat(taken).containsExactly(3.4);
      field.show(5);
      assertThat(text.getText()).as("what is new is shown").isEqualTo("5");
      text.selectAll();
      field.show(5);
      assertThat(text.getSelectedText()).isEqualTo("5");
      text.setText("six");
      assertThat(field.isGood()).isFalse();
      field.show(5);
      assertThat(text.getText()).as("with its sentence").isEqualTo("six");
      assertThat(field.isGood()).isFalse();
    });
  }

  @Test
  void aDialTellsTheUserFromTheProgram() {
    List<Double> turned = new ArrayList<>();
    Dial dial = Fx.on(() -> new Dial("Gain", "dB", 0, 75, turned::add));
    Fx.show(dial, 400, 60);
    Fx.run(() -> dial.show(30));
    assertThat(turned).isEmpty();
    Slider slider = (Slider) Fx.on(() -> dial.lookup("#dial-gain"));
    assertThat(Fx.on(slider::getValue)).isEqualTo(30);
    Fx.run(() -> slider.setValue(42));
    assertThat(turned).containsExactly(42.0);
    TextField typed = (TextField) Fx.on(() -> dial.lookup("#field-gain"));
    Fx.run(() -> {
      typed.setText("17,5");
      typed.fireEvent(new ActionEvent());
      typed.setText("-1");
      typed.fireEvent(new ActionEvent());
    });
    assertThat(turned).containsExactly(42.0, 17.5);
    assertThat(Fx.on(() -> ((Label) dial.lookup(".field-trouble")).getText()))
        .isEqualTo("must lie between 0 and 75.");
  }

  private static Survey night() {
    List<Survey.Row> rows = new ArrayList<>();
    for (int i = 0; i < 7200; i++) {
      double level = -80 + (i == 3000 ? 30 : 0);
      rows.add(
          new Survey.Row(
              i, new SecondLevels(level, level + 1, level, level, level + 12, 0, List.of())));
    }
    return Survey.of(rows);
  }

  private static long count(Scene scene, String style) {
    return Fx.on(() -> {
      scene.getRoot().layout();
      return (long) scene.getRoot().lookupAll(style).size();
    });
  }

  @Test
  void theTimelineZoomsFromANightToSeconds() {
    Timeline timeline = Fx.on(Timeline::new);
    Scene scene = Fx.show(timeline, 700, 300);
    assertThat(texts(scene)).contains("Nothing heard yet.");
    Survey night = night();
    Fx.run(() ->
        timeline.show(
            new Timeline.Content(
                night,
                night.spoilers(-60),
                115,
                45,
                "A-level, dB SPL",
                t ->
                    String.format(
                        Locale.ROOT,
                        "%02d:%02d:%02d",
                        22 + (int) t / 3600,
                        (int) t / 60 % 60,
                        (int) t % 60))));
    assertThat(count(scene, ".spoiler")).isEqualTo(2); // the mark and its entry in the legend
    assertThat(texts(scene)).contains("22:00", "23:00", "spoils a take", "a take bears");
    Fx.run(() -> timeline.show(2995, 3005));
    assertThat(count(scene, ".spoiler")).isEqualTo(2);
    assertThat(texts(scene)).contains("22:50:00");
    Fx.run(() -> timeline.show(0, 600));
    assertThat(count(scene, ".spoiler")).isEqualTo(1);
    Fx.run(() -> press(timeline, KeyCode.DIGIT0));
    assertThat(count(scene, ".spoiler")).isEqualTo(2);
    Fx.run(() -> press(timeline, KeyCode.PLUS));
    Fx.run(() -> press(timeline, KeyCode.LEFT));
    Fx.run(() -> press(timeline, KeyCode.LEFT));
    Fx.run(() -> press(timeline, KeyCode.LEFT));
    assertThat(count(scene, ".spoiler")).isEqualTo(2);
    assertThat(texts(scene)).contains("22:00").doesNotContain("23:30");
  }

  private static void press(Node node, KeyCode code) {
    node.fireEvent(new KeyEvent(KeyEvent.KEY_PRESSED, "", "", code, false, false, false, false));
  }

  @Test
  void theScopeFollowsItsReadings() {
    LiveScope scope = Fx.on(() -> new LiveScope(Band.THIRDS));
    Scene scene = Fx.show(scope, 760, 540);
    LiveMeter meter = new LiveMeter(48_000, 1);
    Fx.run(() -> scope.move(meter.reading(), Optional.of(meter.trace())));
    assertThat(texts(scene)).contains("–");
    double[] block = new double[480];
    for (int b = 0; b < 300; b++) {
      for (int i = 0; i < block.length; i++) {
        block[i] = Math.sin(2 * Math.PI * 1000 * (b * 480 + i) / 48_000);
      }
      meter.add(block, block.length);
    }
    Fx.run(() -> scope.setScale(java.util.OptionalDouble.of(115), java.util.OptionalDouble.of(28)));
    Fx.run(() -> scene.getRoot().layout());
    Fx.run(() -> scope.move(meter.reading(), Optional.of(meter.trace())));
    assertThat(texts(scene))
        .contains("115 dBA", "quiet enough under this line")
        .anyMatch(t -> t.contains("dBFS"));
    for (int b = 0; b < 120; b++) {
      meter.add(new double[480], 480);
    }
    Fx.run(() -> scope.move(meter.reading(), Optional.of(meter.trace())));
    assertThat(texts(scene)).anyMatch(t -> t.contains("is the input muted?"));
  }

  @Test
  void rowsKeepTheirFiguresOffTheMark() {
    LevelRows rows = Fx.on(() -> new LevelRows("nothing"));
    Scene scene = Fx.show(rows, 700, 300);
    assertThat(texts(scene)).contains("nothing");
    Fx.run(() ->
        rows.show(
            "noise, dBA",
            List.of(
                new LevelRows.Row(
                    "under the gable", 30, 3, Origin.Kind.SIMULATED, "30 dBA", "quiet", "now-bar"),
                new LevelRows.Row(
                    "nowhere",
                    Double.NEGATIVE_INFINITY,
                    0,
                    Origin.Kind.ASSUMED,
                    "–",
                    "",
                    "now-bar")),
            Optional.of(new LevelRows.Line("quiet enough", 33.2))));
    Fx.run(() -> scene.getRoot().layout());
    assertThat(texts(scene)).contains("under the gable", "30 dBA", "quiet enough", "–");
    double figure =
        Fx.on(() ->
            scene.getRoot().lookupAll(".figure-strong").stream()
                .map(n -> (Text) n)
                .filter(t -> t.getText().equals("30 dBA"))
                .mapToDouble(Text::getX)
                .findFirst()
                .orElseThrow());
    double mark =
        Fx.on(() ->
            scene.getRoot().lookupAll(".reference-line").stream()
                .map(n -> (javafx.scene.shape.Line) n)
                .filter(l -> l.getStartX() == l.getEndX())
                .mapToDouble(javafx.scene.shape.Line::getStartX)
                .findFirst()
                .orElseThrow());
    assertThat(figure).isGreaterThan(mark);
  }
}
