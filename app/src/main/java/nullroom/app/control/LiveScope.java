package nullroom.app.control;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.scene.shape.Polyline;
import javafx.scene.shape.Rectangle;
import javafx.scene.text.Text;
import javafx.scene.text.TextAlignment;
import nullroom.core.Figures;
import nullroom.core.measure.meter.LevelTrace;
import nullroom.core.measure.meter.LiveReading;
import nullroom.core.signal.Band;

/**
 * The input as it is heard now: the level in large figures, third octaves as bars, the last minute
 * as a line. What stands still is drawn once; what moves is moved, sixty times a second.
 */
public final class LiveScope extends PlotPane {
  private static final double LEFT = 44;
  private static final double RIGHT = 10;
  private static final double HEAD = 104;
  private static final double GAP = 44;

  private final List<Band> bands;
  private final List<Rectangle> bars = new ArrayList<>();
  private final List<Text> figures = new ArrayList<>();
  private final float[] levels = new float[(int) (LevelTrace.SECONDS * LevelTrace.RATE_HZ)];
  private Polyline trace = new Polyline();
  private double offset;
  private double lowest = -110;
  private double highest = 0;
  private boolean inAir;
  private OptionalDouble limit = OptionalDouble.empty();
  private double drawnWidth;
  private double barsFoot;
  private double barsTop;
  private double traceFoot;
  private double traceTop;

  /** A scope of these bands. */
  public LiveScope(List<Band> bands) {
    super("live-scope");
    setMinSize(420, 330); // large figures, bars and the trace, each with its scale
    this.bands = List.copyOf(bands);
  }

  /**
   * The scale of all levels.
   *
   * @param fullScale what full scale is in the air; empty for digital levels
   * @param quietest the A-level at which the room is quiet enough, in the same unit
   */
  public void setScale(OptionalDouble fullScale, OptionalDouble quietest) {
    inAir = fullScale.isPresent();
    offset = fullScale.orElse(0);
    lowest = inAir ? 0 : -110;
    highest = inAir ? 80 : 0;
    limit = quietest;
    redraw();
  }

  private double y(double level, double foot, double top) {
    return foot - (Math.clamp(level, lowest, highest) - lowest) / (highest - lowest) * (foot - top);
  }

  @Override
  protected void draw(double width, double height) {
    drawnWidth = width;
    double part = (height - HEAD - GAP - 24) / 2;
    barsTop = HEAD;
    barsFoot = HEAD + part;
    traceTop = barsFoot + GAP;
    traceFoot = traceTop + part;
    head(width);
    grid(width, barsFoot, barsTop);
    grid(width, traceFoot, traceTop);
    String unit = inAir ? "dB SPL" : "dBFS";
    text("third octaves, FAST, " + unit, LEFT, barsTop - 11, TextAlignment.LEFT, "axis-label");
    text(
        "A-level of the last minute, " + unit,
        LEFT,
        traceTop - 11,
        TextAlignment.LEFT,
        "axis-label");
    bars.clear();
    double slot = (width - LEFT - RIGHT) / bands.size();
    for (int i = 0; i < bands.size(); i++) {
      double x = LEFT + i * slot;
      bars.add(
          rectangle(x + slot * 0.12, barsFoot, slot * 0.76, 0, "bar", "noise-bar", "measured"));
      if (i % 3 == 1) {
        text(
            BandPlot.name(bands.get(i).nominalHz()),
            x + slot / 2,
            barsFoot + 12,
            TextAlignment.CENTER,
            "axis");
      }
    }
    for (int s = 0; s <= 60; s += 10) {
      double x = LEFT + (60 - s) / 60.0 * (width - LEFT - RIGHT);
      text(s == 0 ? "now" : "−" + s + " s", x, traceFoot + 12, TextAlignment.CENTER, "axis");
    }
    limit.ifPresent(l -> {
      line(
          LEFT,
          y(l, traceFoot, traceTop),
          width - RIGHT,
          y(l, traceFoot, traceTop),
          "reference-line");
      text(
          "quiet enough under this line",
          width - RIGHT,
          traceTop - 11,
          TextAlignment.RIGHT,
          "axis");
    });
    trace = polyline(new double[0], "trace");
  }

  /** Large figures: A, C, Z, held peak, and what else must be seen from across the room. */
  private void head(double width) {
    figures.clear();
    String[] names = {"A", "C", "Z", "peak, held 3 s"};
    double[] at = {0, 0.34, 0.52, 0.70};
    for (int i = 0; i < names.length; i++) {
      double x = LEFT + at[i] * (width - LEFT - RIGHT);
      text(names[i], x, 9, TextAlignment.LEFT, "axis-label");
      figures.add(
          text(
              "–", x, i == 0 ? 48 : 40, TextAlignment.LEFT, i == 0 ? "huge-figure" : "big-figure"));
    }
    figures.add(
        text("", LEFT + 0.34 * (width - LEFT - RIGHT), 72, TextAlignment.LEFT, "over-figure"));
  }

  private void grid(double width, double foot, double top) {
    for (double tick = lowest; tick <= highest; tick += 20) {
      line(LEFT, y(tick, foot, top), width - RIGHT, y(tick, foot, top), "grid");
      String name = Figures.say("%.0f", tick);
      text(name, LEFT - 6, y(tick, foot, top), TextAlignment.RIGHT, "axis");
    }
  }

  /** Moves everything to a reading; cheap enough for every frame. */
  public void move(LiveReading reading, Optional<LevelTrace> minute) {
    if (figures.isEmpty()) {
      return; // not laid out yet
    }
    figures.get(0).setText(level(reading.aDbfs(), offset) + (inAir ? " dBA" : ""));
    figures.get(1).setText(level(reading.cDbfs(), offset));
    figures.get(2).setText(level(reading.zDbfs(), offset));
    figures.get(3).setText(level(reading.peakDbfs(), 0) + " dBFS");
    figures
        .get(4)
        .setText(
            reading.silent()
                ? "Digital silence: is the input muted?"
                : reading.clippedSamples() > 0 ? "It clipped: turn the gain down." : "");
    List<OptionalDouble> thirds = reading.thirdsDbfs();
    for (int i = 0; i < bars.size(); i++) {
      double level = i < thirds.size() ? thirds.get(i).orElse(-300) + offset : lowest;
      double top = y(level, barsFoot, barsTop);
      bars.get(i).setY(top);
      bars.get(i).setHeight(barsFoot - top);
    }
    minute.ifPresent(this::moveTrace);
  }

  private void moveTrace(LevelTrace minute) {
    int count = minute.copy(levels);
    Double[] points = new Double[2 * count];
    for (int i = 0; i < count; i++) {
      points[2 * i] =
          LEFT + (levels.length - count + i + 1.0) / levels.length * (drawnWidth - LEFT - RIGHT);
      points[2 * i + 1] = y(levels[i] + offset, traceFoot, traceTop);
    }
    trace.getPoints().setAll(points);
  }

  private static String level(OptionalDouble dbfs, double offset) {
    return dbfs.isPresent() ? Figures.say("%.0f", dbfs.getAsDouble() + offset) : "–";
  }
}
