package nullroom.app.control;

import javafx.scene.control.Button;
import javafx.scene.layout.Region;

/** The first cell of a row of a table: it names the thing, and pressed, has it looked at. */
public final class RowChoice extends Button {
  /**
   * A cell.
   *
   * @param words that it shows
   * @param chosen whether its thing is looked at now
   * @param look has it looked at
   */
  public RowChoice(String words, boolean chosen, Runnable look) {
    super(words);
    getStyleClass().addAll(chosen ? "chosen" : "choice", "plain");
    setMinWidth(Region.USE_PREF_SIZE);
    setAccessibleText("look at " + words);
    setOnAction(e -> look.run());
  }
}
