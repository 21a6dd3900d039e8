package nullroom.app.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.Control;
import javafx.scene.control.Labeled;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.Pane;
import javafx.scene.text.Text;
import nullroom.app.Fx;
import nullroom.app.shell.Command;
import nullroom.core.room.Finish;
import nullroom.core.room.Surface;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Walks the scene graph of every page of the demo in windows of all sizes. */
class EveryPageTest extends OnEveryPage {
  /** Lines of text may share this much of their height: above and below the letters is air. */
  private static final double LINE_SHARE = 0.5;

  /** So that the room station asks what it asks then, and there is a plan. */
  @BeforeAll
  void describe() {
    demo.go(demo.pages().stream().filter(p -> p.name().equals("Plan")).findFirst().orElseThrow());
    Fx.run(() -> ((Button) demo.scene().lookup("#plan-make")).fire());
    Fx.until(demo.composition.work().runningProperty(), false);
    Fx.run(() ->
        demo.composition
            .session()
            .describe(
                "Change the material of wall 1",
                room -> room.withFinish(Surface.wall(1), Finish.of("brick_unglazed"))));
  }

  @ParameterizedTest(name = "{0} x {1} at {2} %, lamp off: {3}")
  @CsvSource({
    "1024, 700, 100, false",
    "1280, 800, 100, true",
    "1920, 1080, 100, false",
    "2560, 1440, 100, true",
    "1280, 800, 200, false"
  })
  @DisplayName(
      "no label is cut, no control is out of sight, no two labels of a picture lie over each other")
  void walked(int width, int height, int percent, boolean lampOff) {
    demo.size(width, height, percent);
    Fx.run(() -> demo.composition.shell().setLampOff(lampOff));
    assertThat(Fx.on(() -> demo.scene().getWidth())).isEqualTo(width);
    List<String> wrong = new ArrayList<>();
    for (Command page : demo.pages()) {
      demo.go(page);
      Fx.run(() -> look(demo.scene(), page.group().label() + ", " + page.name(), wrong));
    }
    assertThat(wrong).isEmpty();
  }

  private static void look(Scene scene, String page, List<String> wrong) {
    for (Node node : scene.getRoot().lookupAll("*")) {
      if (!DemoWindow.isSeen(node)) {
        continue;
      }
      if (node instanceof Labeled labeled && !labeled.getText().isEmpty()) {
        String where = page + ": “" + labeled.getText() + "” ";
        if (labeled.lookup(".text") instanceof Text shown
            && shown.getText().endsWith(labeled.getEllipsisString())
            && !labeled.getText().endsWith(labeled.getEllipsisString())) {
          wrong.add(where + "is cut to “" + shown.getText() + "”");
        }
      }
      if (node instanceof Control && !(node instanceof ScrollPane) && !scrolls(node)) {
        Bounds at = node.localToScene(node.getBoundsInLocal());
        if (at.getMaxX() > scene.getWidth() + 1
            || at.getMaxY() > scene.getHeight() + 1
            || at.getMinX() < -1
            || at.getMinY() < -1) {
          wrong.add(
              page
                  + ": "
                  + node
                  + " reaches to "
                  + Math.round(at.getMaxX())
                  + ", "
                  + Math.round(at.getMaxY()));
        }
      }
      if (node instanceof Pane pane && !(pane.getParent() instanceof TextField)) {
        overlaps(pane, page, wrong);
      }
    }
  }

  private static void overlaps(Pane pane, String page, List<String> wrong) {
    List<Text> texts =
        pane.getChildren().stream()
            .filter(n -> n instanceof Text t && DemoWindow.isSeen(t) && !t.getText().isBlank())
            .map(Text.class::cast)
            .toList();
    for (int i = 0; i < texts.size(); i++) {
      Bounds a = texts.get(i).getBoundsInParent();
      for (Text other : texts.subList(i + 1, texts.size())) {
        Bounds b = other.getBoundsInParent();
        double w = Math.min(a.getMaxX(), b.getMaxX()) - Math.max(a.getMinX(), b.getMinX());
        double h = Math.min(a.getMaxY(), b.getMaxY()) - Math.max(a.getMinY(), b.getMinY());
        boolean stand = Math.min(a.getHeight(), b.getHeight()) * LINE_SHARE < h;
        if (w > 1 && stand) {
          wrong.add(
              page + ": “" + texts.get(i).getText() + "” lies over “" + other.getText() + "”");
        }
      }
      if (a.getMinX() < -1
          || a.getMaxX() > pane.getWidth() + 1
          || a.getMinY() < -2
          || a.getMaxY() > pane.getHeight() + 2) {
        wrong.add(
            page
                + ": “"
                + texts.get(i).getText()
                + "” leaves its picture "
                + pane.getClass().getSimpleName());
      }
    }
  }

  private static boolean scrolls(Node node) {
    for (Parent n = node.getParent(); n != null; n = n.getParent()) {
      if (n instanceof ScrollPane) {
        return true;
      }
    }
    return false;
  }
}
