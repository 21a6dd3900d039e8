package nullroom.app.control;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.scene.shape.Rectangle;
import javafx.scene.text.Text;
import javafx.scene.text.TextAlignment;
import nullroom.core.Figures;
import nullroom.core.plan.Why;
import nullroom.core.predict.Origin;

/** Levels as bars lying under each other, each with a name, a figure and a remark. */
public final class LevelRows extends PlotPane implements CopyMenu.Tabled {
  /**
   * One bar.
   *
   * @param name before it
   * @param level where it ends; minus infinity draws none
   * @param give how far the level may be off, drawn as a line through its end; 0 for none
   * @param origin how it is known; a mere bound is assumed
   * @param figure after it
   * @param remark under it
   * @param style of the bar
   * @param detail said when the bar is pointed at; may be empty
   */
  public record Row(
      String name,
      double level,
      double give,
      Origin.Kind origin,
      String figure,
      String remark,
      String style,
      String detail) {

    /** A bar without more to say. */
    public Row(
        String name,
        double level,
        double give,
        Origin.Kind origin,
        String figure,
        String remark,
        String style) {
      this(name, level, give, origin, figure, remark, style, "");
    }
  }

  /** A line down across all bars. */
  public record Line(String label, double level) {}

  private static final double LEAST_LEFT = 110;
  private static final double MOST_LEFT = 240;
  private static final double RIGHT = 110;
  private static final double TOP = 42;
  private static final double MOST_ROW = 58;

  /** Lower, a remark lies over the bar of the next row. */
  private static final double LEAST_ROW = 40;

  private final String empty;
  private String axisLabel = "";
  private List<Row> rows = List.of();
  private Optional<Line> mark = Optional.empty();
  private Consumer<String> asked = name -> {};
  private Optional<KeyCursor> cursor = Optional.empty();
  private double left = LEAST_LEFT;
  private double markAt = Double.NEGATIVE_INFINITY;

  /**
   * An empty picture.
   *
   * @param empty said while there is no bar
   */
  public LevelRows(String empty) {
    super("level-rows");
    this.empty = empty;
  }

  /**
   * Lets every bar answer "why?": where it is clicked, and with the keyboard.
   *
   * @param answer for the bar of a name; empty once there is none
   */
  public void setAsks(Asks asks, Function<String, Optional<Why>> answer) {
    asked = name -> asks.why(() -> answer.apply(name));
    cursor =
        Optional.of(
            new KeyCursor(
                this,
                () -> rows.size(),
                () -> 1,
                this::moved,
                () ->
                    cursor
                        .filter(c -> !rows.isEmpty())
                        .ifPresent(c -> asked.accept(rows.get(c.row()).name()))));
  }

  @Override
  public List<List<String>> figures() {
    return rows.stream().map(r -> List.of(r.name(), r.figure(), r.remark())).toList();
  }

  private void moved() {
    if (!rows.isEmpty()) {
      cursor.ifPresent(c -> {
        Row row = rows.get(c.row());
        c.say(row.name() + " " + row.figure() + ", " + row.remark());
      });
    }
    redraw();
  }

  /** What is shown. */
  public void show(String axis, List<Row> bars, Optional<Line> line) {
    axisLabel = axis;
    rows = List.copyOf(bars);
    mark = line;
    setMinHeight(TOP + Math.max(2, rows.size()) * LEAST_ROW + 6);
    redraw();
  }

  @Override
  protected double computePrefHeight(double width) {
    return TOP + Math.max(2, rows.size()) * MOST_ROW + 6;
  }

  @Override
  protected void draw(double width, double height) {
    if (rows.isEmpty()) {
      text(empty, width / 2, height / 2, TextAlignment.CENTER, "axis");
      return;
    }
    double most = ends(1);
    double least = ends(-1);
    double from = Math.floor((Math.max(least, most - 60) - 5) / 10) * 10;
    double to = Math.ceil((most + 2) / 10) * 10;
    left = LEAST_LEFT;
    for (Row r : rows) {
      left = Math.clamp(widthOf(r.name(), "row-name") + 14, left, MOST_LEFT);
    }
    double scale = (width - left - RIGHT) / (to - from);
    double row = Math.min(MOST_ROW, (height - TOP - 4) / rows.size());
    text(axisLabel, 0, 9, TextAlignment.LEFT, "axis-label");
    for (double tick = from; tick <= to; tick += 10) {
      double x = left + (tick - from) * scale;
      line(x, TOP - 4, x, TOP + rows.size() * row, "grid");
      String name = Figures.say("%.0f", tick);
      text(name, x, TOP - 12, TextAlignment.CENTER, "axis");
    }
    markAt =
        mark.map(m -> left + (Math.clamp(m.level(), from, to) - from) * scale)
            .orElse(Double.NEGATIVE_INFINITY);
    for (int i = 0; i < rows.size(); i++) {
      int index = i;
      if (cursor.filter(c -> c.shows(index, 0)).isPresent()) {
        rectangle(1, TOP + i * row, width - 2, row - 4, "cursor");
      }
      draw(rows.get(i), TOP + i * row, row, from, scale);
    }
    mark.ifPresent(m -> {
      line(markAt, TOP - 4, markAt, TOP + rows.size() * row, "reference-line");
      Text label = text(m.label(), width - 4, 9, TextAlignment.RIGHT, "axis");
      double before = width - 10 - label.getLayoutBounds().getWidth();
      line(before - 14, 9, before, 9, "reference-line");
    });
  }

  private double ends(int sign) {
    OptionalDouble mostOf =
        rows.stream()
            .filter(r -> Double.isFinite(r.level()))
            .mapToDouble(r -> sign * r.level() + (sign > 0 ? r.give() : 0))
            .max();
    double bars = mostOf.orElse(0);
    double all = mark.map(m -> Math.max(bars, sign * m.level())).orElse(bars);
    return sign * all;
  }

  private void draw(Row r, double y, double height, double from, double scale) {
    double bar = Math.min(20, height * 0.44);
    double middle = y + bar / 2 + 3;
    text(r.name(), left - 10, middle, TextAlignment.RIGHT, "row-name");
    double end = left;
    if (Double.isFinite(r.level())) {
      end = left + Math.max(2, (r.level() - from) * scale);
      Rectangle drawn =
          rectangle(left, y + 3, end - left, bar, "bar", r.style(), r.origin().label());
      drawn.setOnMouseClicked(e -> asked.accept(r.name()));
      if (!r.detail().isEmpty()) {
        hint(drawn, r.detail());
      }
      if (r.give() > 0) {
        line(end - r.give() * scale, middle, end + r.give() * scale, middle, "give");
        end += r.give() * scale;
      }
    }
    Text figure = text(r.figure(), end + 8, middle, TextAlignment.LEFT, "figure-strong");
    double reach = end + 12 + figure.getLayoutBounds().getWidth();
    if (markAt > end && markAt < reach) {
      figure.setX(markAt + 8);
    }
    text(r.remark(), left, y + bar + 13, TextAlignment.LEFT, "axis");
  }
}
