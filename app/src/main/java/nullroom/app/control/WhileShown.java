package nullroom.app.control;

import java.util.List;
import javafx.beans.value.ObservableValue;
import javafx.scene.Node;

/**
 * Shows a changing state for as long as anybody can see it: a page that is not shown is brought up
 * to date once, when it is shown again.
 */
public final class WhileShown {
  private final Node node;
  private final Runnable refresh;
  private boolean stale;

  private WhileShown(Node node, Runnable refresh) {
    this.node = node;
    this.refresh = refresh;
  }

  /**
   * Refreshes with every change while a node is in a window.
   *
   * @param node of the page
   * @param refresh shows the state of now; not called at once
   * @param states that it shows
   */
  public static void follow(Node node, Runnable refresh, ObservableValue<?>... states) {
    WhileShown shown = new WhileShown(node, refresh);
    for (ObservableValue<?> state : List.of(states)) {
      state.subscribe((before, now) -> shown.changed());
    }
    node.sceneProperty().subscribe(shown::seen);
  }

  private void changed() {
    if (node.getScene() == null) {
      stale = true;
    } else {
      refresh.run();
    }
  }

  private void seen() {
    if (stale && node.getScene() != null) {
      stale = false;
      refresh.run();
    }
  }
}
