package nullroom.app.control;

import java.util.function.IntSupplier;
import javafx.scene.AccessibleRole;
import javafx.scene.Node;
import javafx.scene.input.KeyEvent;

/** Goes with the arrow keys over the figures of a picture that is one stop of the tab key. */
final class KeyCursor {
  private final Node node;
  private final IntSupplier rows;
  private final IntSupplier columns;
  private final Runnable moved;
  private final Runnable entered;
  private int row;
  private int column;

  /**
   * A cursor on the first figure.
   *
   * @param node that takes the focus
   * @param rows how many there are
   * @param columns of each
   * @param moved called when it has moved, or the focus has come or gone
   * @param entered called at the enter key
   */
  KeyCursor(Node node, IntSupplier rows, IntSupplier columns, Runnable moved, Runnable entered) {
    this.node = node;
    this.rows = rows;
    this.columns = columns;
    this.moved = moved;
    this.entered = entered;
    node.setFocusTraversable(true);
    node.setAccessibleRole(AccessibleRole.TABLE_VIEW);
    node.addEventHandler(KeyEvent.KEY_PRESSED, this::key);
    node.focusedProperty().subscribe((was, is) -> moved.run());
  }

  private void key(KeyEvent e) {
    int toRow = row();
    int toColumn = column();
    switch (e.getCode()) {
      case LEFT -> toColumn--;
      case RIGHT -> toColumn++;
      case UP -> toRow--;
      case DOWN -> toRow++;
      case ENTER -> entered.run();
      default -> {
        return;
      }
    }
    e.consume();
    row = within(toRow, rows.getAsInt());
    column = within(toColumn, columns.getAsInt());
    moved.run();
  }

  private static int within(int index, int count) {
    return Math.clamp(index, 0, Math.max(0, count - 1));
  }

  /** Where it is; within what there is now. */
  int row() {
    return within(row, rows.getAsInt());
  }

  /** Where it is; within what there is now. */
  int column() {
    return within(column, columns.getAsInt());
  }

  /** Whether it stands there and shows. */
  boolean shows(int atRow, int atColumn) {
    return node.isFocused() && atRow == row() && atColumn == column();
  }

  /** Says what is there. */
  void say(String words) {
    node.setAccessibleText(words + "; arrows: other figures, enter: why?");
  }
}
