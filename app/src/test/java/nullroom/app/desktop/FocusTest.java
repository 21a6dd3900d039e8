package nullroom.app.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import javafx.geometry.Bounds;
import javafx.geometry.Rectangle2D;
import javafx.scene.Node;
import javafx.scene.SnapshotParameters;
import javafx.scene.TraversalDirection;
import javafx.scene.image.PixelReader;
import javafx.scene.image.WritableImage;
import javafx.scene.paint.Color;
import nullroom.app.Fx;
import nullroom.app.shell.Command;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Where the keyboard is can be seen (WCAG 2.4.7), reached and left, on every page. */
class FocusTest extends OnEveryPage {
  /** A frame has at least so many pixels. */
  private static final int LEAST_PIXELS = 12;

  private static final double LEAST_CONTRAST = 3;

  private List<Node> focusable() {
    return demo.scene().getRoot().lookupAll("*").stream()
        .filter(n -> n.isFocusTraversable() && !n.isDisabled() && DemoWindow.isSeen(n))
        .toList();
  }

  @ParameterizedTest
  @ValueSource(booleans = {false, true})
  @DisplayName("each kind of control shows that it has the keyboard, by three to one")
  void seen(boolean lampOff) {
    Fx.run(() -> demo.composition.shell().setLampOff(lampOff));
    Set<String> kinds = new HashSet<>();
    List<String> wrong = new ArrayList<>();
    for (Command page : demo.pages()) {
      demo.go(page);
      Fx.run(() -> {
        for (Node node : focusable()) {
          String kind = node.getClass().getSimpleName() + node.getStyleClass();
          if (kinds.add(kind)) {
            demo.composition.shell().root().requestFocus();
            WritableImage without = picture(node);
            node.requestFocus();
            WritableImage with = picture(node);
            int changed = changed(without, with);
            if (changed < LEAST_PIXELS) {
              wrong.add(page.name() + ": " + kind + " " + changed + " of it changes");
            }
          }
        }
      });
    }
    Fx.run(() -> demo.composition.shell().setLampOff(false));
    assertThat(kinds).hasSizeGreaterThan(15);
    assertThat(wrong).isEmpty();
  }

  private WritableImage picture(Node node) {
    demo.layOut();
    Node shown = node.getParent() == null ? node : node.getParent();
    Bounds at = shown.localToParent(node.getBoundsInParent());
    SnapshotParameters part = new SnapshotParameters();
    part.setFill(
        demo.composition.shell().isLampOff() ? Color.web("#1d1c1a") : Color.web("#f1eee7"));
    part.setViewport(
        new Rectangle2D(
            at.getMinX() - 4,
            at.getMinY() - 4,
            Math.clamp(at.getWidth() + 8, 1, 1280),
            Math.clamp(at.getHeight() + 8, 1, 800)));
    return shown.snapshot(part, null);
  }

  private static int changed(WritableImage a, WritableImage b) {
    PixelReader before = a.getPixelReader();
    PixelReader after = b.getPixelReader();
    int count = 0;
    for (int y = 0; y < Math.min(a.getHeight(), b.getHeight()); y++) {
      for (int x = 0; x < Math.min(a.getWidth(), b.getWidth()); x++) {
        if (ContrastTest.contrast(before.getColor(x, y), after.getColor(x, y)) >= LEAST_CONTRAST) {
          count++;
        }
      }
    }
    return count;
  }

  @Test
  @DisplayName("Tab reaches every control of every page and comes around again")
  void reached() {
    List<String> wrong = new ArrayList<>();
    for (Command page : demo.pages()) {
      demo.go(page);
      Fx.run(() -> {
        Set<Node> all = new LinkedHashSet<>(focusable());
        Set<Node> visited = new HashSet<>();
        demo.composition.shell().root().requestFocus();
        for (int i = 0; i < all.size() + 5; i++) {
          demo.scene().getFocusOwner().requestFocusTraversal(TraversalDirection.NEXT);
          visited.add(demo.scene().getFocusOwner());
        }
        all.removeAll(visited);
        if (!all.isEmpty()) {
          wrong.add(page.group() + " " + page.name() + ": " + all);
        }
      });
    }
    assertThat(wrong).isEmpty();
  }
}
