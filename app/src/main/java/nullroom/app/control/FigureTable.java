package nullroom.app.control;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.css.PseudoClass;
import javafx.geometry.HPos;
import javafx.scene.AccessibleRole;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.Labeled;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Region;
import nullroom.core.plan.Why;

/**
 * Rows of figures under heads, numbers to the right. A figure that can answer "why?" does so where
 * it is clicked; with the keyboard the table is one stop, arrows go from figure to figure and enter
 * asks.
 */
public final class FigureTable extends GridPane {
  /** Words no longer than this are not cut off. */
  private static final int SHORT = 24;

  private static final PseudoClass AT = PseudoClass.getPseudoClass("at");

  /**
   * A figure that answers.
   *
   * @param text of it
   * @param why where it comes from, for the book as it is then
   * @param styles of it
   */
  public record Figure(String text, Supplier<Optional<Why>> why, String... styles) {}

  private record Asking(int row, int column, Label label, Supplier<Optional<Why>> why) {}

  private final List<Asking> asking = new ArrayList<>();
  private Asks asks = Asks.NOBODY;
  private int at;

  /** An empty table. */
  public FigureTable(String id) {
    setId(id);
    getStyleClass().add("table");
    setAccessibleRole(AccessibleRole.TABLE_VIEW);
    addEventHandler(KeyEvent.KEY_PRESSED, this::key);
    focusedProperty().subscribe(this::mark);
  }

  /** An empty table whose figures answer. */
  public FigureTable(String id, Asks asks) {
    this(id);
    this.asks = asks;
  }

  /** Begins anew with these heads. */
  public void heads(List<String> heads) {
    getChildren().clear();
    asking.clear();
    setFocusTraversable(false);
    for (int c = 0; c < heads.size(); c++) {
      head(heads.get(c), c, 0);
    }
  }

  /** A head between rows. */
  public void head(String words) {
    head(words, 0, getRowCount());
  }

  private void head(String words, int column, int row) {
    Label head = new Label(words);
    head.getStyleClass().add("table-head");
    put(head, column, row);
  }

  /**
   * Adds a row.
   *
   * @param cells texts, figures that answer, or nodes such as buttons
   */
  public void row(List<?> cells) {
    int row = getRowCount();
    for (int c = 0; c < cells.size(); c++) {
      switch (cells.get(c)) {
        case Node node -> put(node, c, row);
        case Figure figure -> figure(figure, c, row);
        case Object text -> put(new Label(text.toString()), c, row);
      }
    }
    if (isFocused()) {
      mark();
    }
  }

  /** Adds a note under all columns. */
  public void below(Node note) {
    add(note, 0, getRowCount(), REMAINING, 1);
  }

  private void figure(Figure figure, int column, int row) {
    Label label = new Label(figure.text());
    label.getStyleClass().add("asking");
    label.getStyleClass().addAll(figure.styles());
    int index = asking.size();
    label.setOnMouseClicked(e -> {
      at = index;
      requestFocus();
      ask();
    });
    asking.add(new Asking(row, column, label, figure.why()));
    setFocusTraversable(true);
    put(label, column, row);
  }

  private void ask() {
    asks.why(asking.get(at).why());
  }

  private void key(KeyEvent e) {
    if (e.getTarget() != this || asking.isEmpty()) {
      return;
    }
    switch (e.getCode()) {
      case LEFT -> step(0, -1);
      case RIGHT -> step(0, 1);
      case UP -> step(-1, 0);
      case DOWN -> step(1, 0);
      case ENTER -> ask();
      default -> {
        return;
      }
    }
    e.consume();
  }

  /** To the nearest figure in a direction, if there is one. */
  private void step(int rows, int columns) {
    Asking now = asking.get(at);
    int best = at;
    int least = Integer.MAX_VALUE;
    for (int i = 0; i < asking.size(); i++) {
      int down = asking.get(i).row() - now.row();
      int across = asking.get(i).column() - now.column();
      int along = down * rows + across * columns;
      int beside = Math.abs(down * columns) + Math.abs(across * rows);
      if (along > 0 && along + 100 * beside < least) {
        least = along + 100 * beside;
        best = i;
      }
    }
    at = best;
    mark();
  }

  /** Shows where the keyboard is, and says it. */
  private void mark() {
    at = Math.clamp(at, 0, Math.max(0, asking.size() - 1));
    for (int i = 0; i < asking.size(); i++) {
      asking.get(i).label().pseudoClassStateChanged(AT, isFocused() && i == at);
    }
    setAccessibleText(
        asking.isEmpty() ? "" : words(asking.get(at)) + "; arrows: other figures, enter: why?");
  }

  private String words(Asking cell) {
    return text(cell.row(), 0) + " " + text(0, cell.column()) + " " + cell.label().getText();
  }

  private String text(int row, int column) {
    return getChildren().stream()
        .filter(n -> getRowIndex(n) == row && getColumnIndex(n) == column)
        .filter(Labeled.class::isInstance)
        .map(n -> ((Labeled) n).getText())
        .findFirst()
        .orElse("");
  }

  private void put(Node node, int column, int row) {
    if (node instanceof Labeled labeled && labeled.getText().length() <= SHORT) {
      labeled.setMinWidth(Region.USE_PREF_SIZE);
    }
    GridPane.setHalignment(node, column == 0 ? HPos.LEFT : HPos.RIGHT);
    add(node, column, row);
  }
}
