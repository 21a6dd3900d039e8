package nullroom.app.control;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.css.PseudoClass;
import javafx.geometry.HPos;
import javafx.scene.AccessibleRole;
import javafx.scene.Node;
import javafx.scene.control.ButtonBase;
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
public final class FigureTable extends GridPane implements CopyMenu.Tabled {
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

  /** Narrower, words that go on in other lines are hard to read. */
  private static final double LEAST_WRAPPED = 110;

  private record Asking(int row, int column, Label label, Supplier<Optional<Why>> why) {}

  private final List<Asking> asking = new ArrayList<>();
  private List<List<Node>> shown = List.of();
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

  /**
   * A text with a look.
   *
   * @param styles of it
   */
  public record Words(String text, String... styles) {
    /** A head between rows. */
    public static Words head(String text) {
      return new Words(text, "table-head");
    }
  }

  /**
   * What is shown; of what was shown before, labels of the same look stay and change their words.
   *
   * @param heads over the columns; may be empty
   * @param rows of texts, figures that answer, or nodes such as buttons
   */
  public void show(List<String> heads, List<? extends List<?>> rows) {
    asking.clear();
    List<List<Node>> now = new ArrayList<>();
    now.add(nodes(0, heads.stream().map(Words::head).toList()));
    for (List<?> row : rows) {
      now.add(nodes(now.size(), row));
    }
    List<Node> all = now.stream().flatMap(List::stream).toList();
    if (!getChildren().equals(all)) {
      getChildren().setAll(all);
    }
    shown = now;
    setFocusTraversable(!asking.isEmpty());
    if (isFocused()) {
      mark();
    }
  }

  @Override
  public List<List<String>> figures() {
    return shown.stream()
        .map(row -> row.stream().map(FigureTable::words).filter(w -> !w.isEmpty()).toList())
        .filter(row -> !row.isEmpty())
        .toList();
  }

  private static String words(Node node) {
    return node instanceof Labeled labeled && !labeled.getStyleClass().contains("plain")
            || node instanceof RowChoice
        ? ((Labeled) node).getText()
        : "";
  }

  private List<Node> nodes(int row, List<?> cells) {
    List<Node> nodes = new ArrayList<>();
    for (int c = 0; c < cells.size(); c++) {
      Node node =
          switch (cells.get(c)) {
            case Node own -> own;
            case Figure figure -> figure(figure, row, c);
            case Words words -> label(row, c, words.text(), List.of(words.styles()));
            case Object text -> label(row, c, text.toString(), List.of());
          };
      GridPane.setConstraints(node, c, row);
      GridPane.setHalignment(node, c == 0 ? HPos.LEFT : HPos.RIGHT);
      whole(node);
      nodes.add(node);
    }
    return nodes;
  }

  /** Words that are short stand in one line; longer ones take as many as they need. */
  private static void whole(Node node) {
    if (node instanceof ButtonBase button && button.isWrapText()) {
      button.setMinHeight(Region.USE_PREF_SIZE); // it has its own width
    } else if (node instanceof Labeled labeled) {
      boolean isShort = labeled.getText().length() <= SHORT || labeled instanceof ButtonBase;
      labeled.setWrapText(!isShort);
      labeled.setMinWidth(isShort ? Region.USE_PREF_SIZE : LEAST_WRAPPED);
      labeled.setMinHeight(Region.USE_PREF_SIZE);
    }
  }

  /** The label that was there before if it has the look, else a new one. */
  private Label label(int row, int column, String text, List<String> styles) {
    List<String> look = new ArrayList<>(List.of("label"));
    look.addAll(styles);
    if (row < shown.size()
        && column < shown.get(row).size()
        && shown.get(row).get(column) instanceof Label before
        && before.getClass() == Label.class
        && before.getStyleClass().equals(look)) {
      before.setText(text);
      return before;
    }
    Label label = new Label(text);
    label.getStyleClass().setAll(look);
    return label;
  }

  private Label figure(Figure figure, int row, int column) {
    List<String> styles = new ArrayList<>(List.of("asking"));
    styles.addAll(List.of(figure.styles()));
    Label label = label(row, column, figure.text(), styles);
    int index = asking.size();
    label.setOnMouseClicked(e -> {
      at = index;
      requestFocus();
      ask();
    });
    asking.add(new Asking(row, column, label, figure.why()));
    return label;
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
    return column < shown.get(row).size() && shown.get(row).get(column) instanceof Labeled words
        ? words.getText()
        : "";
  }
}
