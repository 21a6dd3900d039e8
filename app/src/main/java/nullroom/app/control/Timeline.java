package nullroom.app.control;

import java.util.List;
import java.util.function.DoubleFunction;
import javafx.scene.input.KeyCode;
import javafx.scene.shape.Rectangle;
import javafx.scene.text.TextAlignment;
import nullroom.core.Decibels;
import nullroom.core.Figures;
import nullroom.core.measure.noise.Intrusion;
import nullroom.core.measure.noise.Survey;

/**
 * Levels over hours: for every column of the picture the mean and the highest, what broke in marked
 * under them, zoomed by wheel, drag or keys from a night to single seconds.
 */
public final class Timeline extends PlotPane {
  /**
   * What is drawn.
   *
   * @param survey its seconds, dBFS
   * @param spoilers what would have spoiled a take
   * @param offset added to levels: what full scale is in the air, 0 for digital levels
   * @param limit the highest level a take bears, lifted; NaN where that is not known
   * @param unit of the levels
   * @param clock names a moment, in seconds from the start
   */
  public record Content(
      Survey survey,
      List<Intrusion> spoilers,
      double offset,
      double limit,
      String unit,
      DoubleFunction<String> clock) {}

  /** Half of what the name of a tick takes. */
  private static final double NAME_HALF = 20;

  private static final double LEFT = 44;
  private static final double RIGHT = 10;
  private static final double TOP = 24;
  private static final double BOTTOM = 46;
  private static final double SHORTEST_SECONDS = 10;
  private static final double[] TICKS = {1, 5, 10, 30, 60, 300, 600, 1800, 3600, 7200, 14_400};

  /** Intrusions nearer than this on the picture are one mark. */
  private static final double LEAST_MARK = 3;

  private Content content =
      new Content(Survey.of(List.of()), List.of(), 0, Double.NaN, "", t -> "");
  private double from;
  private double to = 1;
  private double lowest;
  private double highest;
  private double dragged = Double.NaN;
  private boolean zoomed;

  /** An empty timeline. */
  public Timeline() {
    super("timeline");
    setFocusTraversable(true);
    setAccessibleText("levels over time; plus and minus zoom, arrows move, 0 shows all");
    setOnScroll(e -> zoom(e.getDeltaY() > 0 ? 0.8 : 1.25, seconds(e.getX())));
    setOnMousePressed(e -> {
      dragged = seconds(e.getX());
      requestFocus();
    });
    setOnMouseDragged(e -> shift(dragged - seconds(e.getX())));
    setOnMouseClicked(e -> {
      if (e.getClickCount() == 2) {
        all();
      }
    });
    setOnKeyPressed(e -> {
      double step = (to - from) / 5;
      boolean used = true;
      if (e.getCode() == KeyCode.LEFT) {
        shift(-step);
      } else if (e.getCode() == KeyCode.RIGHT) {
        shift(step);
      } else if (e.getCode() == KeyCode.PLUS
          || e.getCode() == KeyCode.EQUALS
          || e.getCode() == KeyCode.ADD) {
        zoom(0.5, (from + to) / 2);
      } else if (e.getCode() == KeyCode.MINUS || e.getCode() == KeyCode.SUBTRACT) {
        zoom(2, (from + to) / 2);
      } else if (e.getCode() == KeyCode.DIGIT0 || e.getCode() == KeyCode.NUMPAD0) {
        all();
      } else {
        used = false;
      }
      if (used) {
        e.consume();
      }
    });
  }

  /** What is shown; a part that was zoomed to stays. */
  public void show(Content shown) {
    content = shown;
    if (!zoomed) {
      from = 0;
      to = Math.max(1, shown.survey().seconds());
    }
    lowest = Double.POSITIVE_INFINITY;
    highest = Double.NEGATIVE_INFINITY;
    for (Survey.Row row : shown.survey().rows()) {
      lowest = Math.min(lowest, row.levels().laeqDbfs() + shown.offset());
      highest = Math.max(highest, row.levels().lafMaxDbfs() + shown.offset());
    }
    lowest = Math.max(highest - 90, lowest);
    lowest = Math.floor((lowest - 3) / 10) * 10;
    highest = Math.ceil((highest + 3) / 10) * 10;
    redraw();
  }

  /** Shows a stretch, in seconds from the start. */
  public void show(double fromSeconds, double toSeconds) {
    double length = content.survey().seconds();
    double span =
        Math.clamp(toSeconds - fromSeconds, SHORTEST_SECONDS, Math.max(SHORTEST_SECONDS, length));
    from = Math.clamp(fromSeconds, 0, Math.max(0, length - span));
    to = from + span;
    zoomed = span < length - 1;
    redraw();
  }

  private void all() {
    show(0, content.survey().seconds());
  }

  private void zoom(double factor, double around) {
    show(around - (around - from) * factor, around + (to - around) * factor);
  }

  private void shift(double seconds) {
    show(from + seconds, to + seconds);
  }

  private double seconds(double x) {
    return from + (x - LEFT) / Math.max(1, getWidth() - LEFT - RIGHT) * (to - from);
  }

  private double x(double seconds, double width) {
    return LEFT + (seconds - from) / (to - from) * (width - LEFT - RIGHT);
  }

  private double y(double level, double height) {
    double share = (Math.clamp(level, lowest, highest) - lowest) / (highest - lowest);
    return height - BOTTOM - share * (height - BOTTOM - TOP);
  }

  @Override
  protected void draw(double width, double height) {
    if (content.survey().rows().isEmpty()) {
      text("Nothing heard yet.", width / 2, height / 2, TextAlignment.CENTER, "axis");
      return;
    }
    axes(width, height);
    columns(width, height);
    if (Double.isFinite(content.limit())) {
      line(
          LEFT,
          y(content.limit(), height),
          width - RIGHT,
          y(content.limit(), height),
          "reference-line");
    }
    marks(width, height);
    legend(width);
  }

  private void axes(double width, double height) {
    for (double level = lowest; level <= highest; level += 10) {
      line(LEFT, y(level, height), width - RIGHT, y(level, height), "grid");
      String name = Figures.say("%.0f", level);
      text(name, LEFT - 6, y(level, height), TextAlignment.RIGHT, "axis");
    }
    double wanted = (to - from) / Math.max(1, (width - LEFT) / 90);
    double tick = TICKS[TICKS.length - 1];
    for (int i = TICKS.length - 1; i >= 0; i--) {
      tick = TICKS[i] >= wanted ? TICKS[i] : tick;
    }
    double offset = tick >= 60 ? clockOffset(tick) : 0;
    for (double at = Math.ceil((from + offset) / tick) * tick - offset; at <= to; at += tick) {
      line(x(at, width), TOP, x(at, width), height - BOTTOM + 22, "grid");
      boolean last = x(at, width) > width - NAME_HALF;
      text(
          name(at),
          last ? width : x(at, width),
          height - BOTTOM + 34,
          last ? TextAlignment.RIGHT : TextAlignment.CENTER,
          "axis");
    }
  }

  /** Ticks fall on full minutes and hours of the clock. */
  private double clockOffset(double tick) {
    String[] parts = content.clock().apply(0).split(":", -1);
    double seconds = 0;
    for (String part : parts) {
      seconds = seconds * 60 + Integer.parseInt(part);
    }
    return (parts.length == 3 ? seconds : seconds * 60) % tick;
  }

  private String name(double at) {
    String clock = content.clock().apply(at);
    return to - from > 1200 && clock.length() > 5 ? clock.substring(0, 5) : clock;
  }

  /** For every column of the picture the range from mean to highest, and the mean. */
  private void columns(double width, double height) {
    List<Survey.Row> rows = content.survey().rows();
    for (double left = LEFT; left < width - RIGHT; left++) {
      double end = seconds(left + 1);
      int i = index(seconds(left));
      double most = Double.NEGATIVE_INFINITY;
      double energy = 0;
      int count = 0;
      while (i < rows.size() && rows.get(i).startSeconds() < end) {
        most = Math.max(most, rows.get(i).levels().lafMaxDbfs());
        energy += Decibels.toEnergy(rows.get(i).levels().laeqDbfs());
        count++;
        i++;
      }
      if (count > 0) {
        double top = y(most + content.offset(), height);
        double mean = y(Decibels.ofEnergy(energy / count) + content.offset(), height);
        rectangle(left, top, 1, Math.max(1, mean - top), "span");
        rectangle(left, mean, 1, height - BOTTOM - mean, "level");
      }
    }
  }

  /** The first second that reaches beyond a moment. */
  private int index(double seconds) {
    List<Survey.Row> rows = content.survey().rows();
    int low = 0;
    int high = rows.size();
    while (low < high) {
      int middle = (low + high) / 2;
      if (rows.get(middle).startSeconds() + 1 <= seconds) {
        low = middle + 1;
      } else {
        high = middle;
      }
    }
    return low;
  }

  private void marks(double width, double height) {
    double last = Double.NEGATIVE_INFINITY;
    for (Intrusion i : content.survey().intrusions()) {
      double end = i.startSeconds() + i.durationSeconds();
      boolean spoils = content.spoilers().contains(i);
      double x0 = x(i.startSeconds(), width);
      if (end < from || i.startSeconds() > to || (!spoils && x0 - last < LEAST_MARK)) {
        continue;
      }
      last = x0;
      double x1 = Math.min(width - RIGHT, Math.max(x0 + LEAST_MARK, x(end, width)));
      Rectangle mark =
          rectangle(
              Math.max(LEFT, x0),
              height - BOTTOM + (spoils ? 4 : 12),
              x1 - Math.max(LEFT, x0),
              spoils ? 16 : 8,
              spoils ? "spoiler" : "intrusion");
      hint(
          mark,
          content.clock().apply(i.startSeconds())
              + Figures.say(
                  ", %.0f s, %.0f dB over the background", i.durationSeconds(), i.riseDb()));
    }
  }

  private void legend(double width) {
    text(content.unit(), LEFT, 9, TextAlignment.LEFT, "axis-label");
    double x = width - RIGHT;
    x = entry("spoils a take", "spoiler", x);
    x = entry("breaks in", "intrusion", x);
    if (Double.isFinite(content.limit())) {
      x = entry("a take bears", "", x);
      line(x + 14, 9, x + 26, 9, "reference-line");
    }
    x = entry("highest", "span", x);
    entry("mean", "level", x);
  }

  private double entry(String words, String style, double x) {
    double left =
        x - text(words, x, 9, TextAlignment.RIGHT, "axis").getLayoutBounds().getWidth() - 18;
    if (!style.isEmpty()) {
      rectangle(left + 2, 4, 12, 10, style);
    }
    return left - 12;
  }
}
