package nullroom.app.control;

import java.util.ArrayList;
import java.util.List;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.Parent;

/** Keeps the keyboard where it is while the nodes there are made anew. */
public final class SameFocus {
  private SameFocus() {}

  /**
   * Makes nodes anew; if one of them had the focus, the one in its place gets it.
   *
   * @param within what they are in
   * @param rebuild makes them
   */
  public static void through(Parent within, Runnable rebuild) {
    Node owner = within.getScene() == null ? null : within.getScene().getFocusOwner();
    int at = owner == null ? -1 : stops(within).indexOf(owner);
    rebuild.run();
    if (at >= 0 && !stops(within).contains(owner)) {
      Platform.runLater(() -> { // the toolkit is still on its way from one node to another
        List<Node> now = stops(within);
        if (at < now.size()) {
          now.get(at).requestFocus();
        }
      });
    }
  }

  private static List<Node> stops(Parent within) {
    List<Node> found = new ArrayList<>();
    collect(within, found);
    return found;
  }

  private static void collect(Parent parent, List<Node> found) {
    for (Node child : parent.getChildrenUnmodifiable()) {
      if (child.isFocusTraversable()) {
        found.add(child);
      } else if (child instanceof Parent inner) {
        collect(inner, found);
      }
    }
  }
}
