package nullroom.app.control;

import java.util.List;
import java.util.function.IntConsumer;
import javafx.scene.shape.Polygon;
import javafx.scene.text.TextAlignment;
import nullroom.core.Decibels;
import nullroom.core.Figures;

/**
 * A take over time: its level in tenths of a second as a filled outline, and a flag at everything
 * that was found, which can be pressed.
 */
public final class TakePlot extends PlotPane {
  private static final double LEFT = 40;
  private static final double BOTTOM = 22;
  private static final double TOP = 18;
  private static final double LOWEST_DBFS = -90;
  private static final int TICKS = 8;

  /**
   * A flag.
   *
   * @param seconds where it stands
   * @param words for people
   */
  public record Flag(double seconds, String words) {}

  /**
   * A stretch with a name.
   *
   * @param fromSeconds where it begins
   * @param toSeconds where it ends
   * @param label over it
   */
  public record Span(double fromSeconds, double toSeconds, String label) {}

  private List<Span> spans = List.of();
  private double[] frames = new double[0];
  private double frameSeconds = 0.1;
  private List<Flag> flags = List.of();
  private double floorDbfs = Double.NaN;
  private IntConsumer onFlag = index -> {};

  /** An empty picture. */
  public TakePlot() {
    super("take-plot");
  }

  /**
   * What is shown.
   *
   * @param meanSquares one for each frame
   * @param seconds of a frame
   * @param floor noise floor in dBFS, NaN where it is not known
   */
  public void show(double[] meanSquares, double seconds, double floor, List<Flag> found) {
    frames = meanSquares.clone();
    frameSeconds = seconds;
    floorDbfs = floor;
    flags = List.copyOf(found);
    setAccessibleText(
        Figures.say("a take of %.0f s with %d findings", frames.length * seconds, found.size()));
    redraw();
  }

  /** Marks stretches behind the outline. */
  public void setSpans(List<Span> marked) {
    spans = List.copyOf(marked);
    redraw();
  }

  /** What happens when a flag is pressed. */
  public void setOnFlag(IntConsumer action) {
    onFlag = action;
  }

  @Override
  protected void draw(double width, double height) {
    double base = height - BOTTOM;
    for (double level = 0; level >= LOWEST_DBFS; level -= 20) {
      double y = y(level, height);
      line(LEFT, y, width, y, "grid");
      text(Figures.say("%.0f", level), LEFT - 6, y, TextAlignment.RIGHT, "axis");
    }
    text("dBFS", LEFT - 6, 6, TextAlignment.RIGHT, "axis");
    if (frames.length == 0) {
      text("no take yet", width / 2, height / 2, TextAlignment.CENTER, "axis-label");
      return;
    }
    double seconds = frames.length * frameSeconds;
    for (int t = 0; t <= TICKS; t++) {
      double at = seconds * t / TICKS;
      text(
          Figures.say("%d:%02.0f", (int) (at / 60), at % 60),
          x(at, seconds, width),
          height - 8,
          t == TICKS ? TextAlignment.RIGHT : TextAlignment.CENTER,
          "axis");
    }
    for (Span s : spans) {
      double from = x(s.fromSeconds(), seconds, width);
      double to = x(s.toSeconds(), seconds, width);
      rectangle(from, TOP, Math.max(1, to - from), base - TOP, "take-span")
          .setMouseTransparent(true);
      if (widthOf(s.label(), "axis") < to - from) {
        text(s.label(), (from + to) / 2, TOP - 9, TextAlignment.CENTER, "axis-label");
      }
    }
    outline(width, height, base);
    if (!Double.isNaN(floorDbfs)) {
      double y = y(floorDbfs, height);
      line(LEFT, y, width, y, "reference-line");
      text("noise floor", LEFT + 4, y + 9, TextAlignment.LEFT, "axis");
    }
    for (int k = 0; k < flags.size(); k++) {
      flag(k, x(flags.get(k).seconds(), seconds, width), base);
    }
  }

  private void flag(int index, double x, double base) {
    line(x, TOP, x, base, "flag-pole").setMouseTransparent(true);
    Polygon flag = polygon(new double[] {x, TOP - 12, x + 12, TOP - 6, x, TOP}, "flag");
    flag.setId("flag-" + index);
    flag.setAccessibleText(flags.get(index).words());
    flag.setFocusTraversable(true);
    flag.setOnMousePressed(e -> onFlag.accept(index));
    flag.setOnKeyPressed(e -> {
      if (e.getCode() == javafx.scene.input.KeyCode.ENTER) {
        onFlag.accept(index);
      }
    });
  }

  /** The loudest frame of each pixel, and the base back to the start. */
  private void outline(double width, double height, double base) {
    int columns = (int) Math.clamp(width - LEFT, 2, frames.length);
    double[] points = new double[2 * (columns + 2)];
    for (int c = 0; c < columns; c++) {
      int from = (int) ((long) c * frames.length / columns);
      int to = Math.max(from + 1, (int) ((long) (c + 1) * frames.length / columns));
      double most = 0;
      for (int k = from; k < to; k++) {
        most = Math.max(most, frames[k]);
      }
      points[2 * c] = LEFT + (width - LEFT) * c / (columns - 1);
      points[2 * c + 1] = y(most > 0 ? Decibels.dbfs(most) : LOWEST_DBFS, height);
    }
    points[2 * columns] = width;
    points[2 * columns + 1] = base;
    points[2 * columns + 2] = LEFT;
    points[2 * columns + 3] = base;
    polygon(points, "take-outline").setMouseTransparent(true);
  }

  private static double x(double seconds, double all, double width) {
    return LEFT + seconds / all * (width - LEFT);
  }

  private static double y(double dbfs, double height) {
    double share = Math.clamp(dbfs, LOWEST_DBFS, 0) / LOWEST_DBFS;
    return TOP + share * (height - BOTTOM - TOP);
  }
}
