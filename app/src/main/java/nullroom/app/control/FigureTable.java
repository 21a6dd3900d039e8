package nullroom.app.control;

import java.util.List;
import javafx.geometry.HPos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.Labeled;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Region;

/** Rows of figures under heads, numbers to the right. */
public final class FigureTable extends GridPane {
  /** Words no longer than this are not cut off. */
  private static final int SHORT = 24;

  /** An empty table. */
  public FigureTable(String id) {
    setId(id);
    getStyleClass().add("table");
  }

  /** Begins anew with these heads. */
  public void heads(List<String> heads) {
    getChildren().clear();
    for (int c = 0; c < heads.size(); c++) {
      Label head = new Label(heads.get(c));
      head.getStyleClass().add("table-head");
      put(head, c, 0);
    }
  }

  /**
   * Adds a row.
   *
   * @param cells texts, or nodes such as buttons
   */
  public void row(List<?> cells) {
    int row = getRowCount();
    for (int c = 0; c < cells.size(); c++) {
      if (cells.get(c) instanceof Node node) {
        put(node, c, row);
      } else {
        put(new Label(String.valueOf(cells.get(c))), c, row);
      }
    }
  }

  private void put(Node node, int column, int row) {
    if (node instanceof Labeled labeled && labeled.getText().length() <= SHORT) {
      labeled.setMinWidth(Region.USE_PREF_SIZE);
    }
    GridPane.setHalignment(node, column == 0 ? HPos.LEFT : HPos.RIGHT);
    add(node, column, row);
  }
}
