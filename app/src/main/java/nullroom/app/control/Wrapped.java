package nullroom.app.control;

import javafx.scene.control.Label;
import javafx.scene.layout.Region;

/** Words that take as many lines as they need, and are never cut off. */
public final class Wrapped extends Label {
  /** Words of a style. */
  public Wrapped(String words, String... styles) {
    super(words);
    setWrapText(true);
    setMinHeight(Region.USE_PREF_SIZE);
    getStyleClass().addAll(styles);
  }
}
