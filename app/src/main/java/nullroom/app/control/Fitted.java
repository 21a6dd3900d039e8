package nullroom.app.control;

import java.util.EnumSet;
import java.util.Set;
import javafx.scene.Node;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;

/** Fills its place with a page, which scrolls where the place is too small for it. */
public final class Fitted extends ScrollPane {
  /** Keys that scroll; a scroll pane would take space and arrows from the whole window, too. */
  private static final Set<KeyCode> SCROLLS =
      EnumSet.of(KeyCode.PAGE_UP, KeyCode.PAGE_DOWN, KeyCode.TAB);

  /** An empty one. */
  public Fitted() {
    setFitToWidth(true);
    setFitToHeight(true);
    setFocusTraversable(false);
    setMinSize(0, 0);
    getStyleClass().add("pages");
    addEventHandler(
        KeyEvent.KEY_PRESSED,
        e -> {
          if (getParent() != null && !SCROLLS.contains(e.getCode())) {
            getParent().fireEvent(e.copyFor(getParent(), getParent()));
            e.consume();
          }
        });
  }

  /** With a page. */
  public Fitted(Node page) {
    this();
    setContent(page);
  }
}
