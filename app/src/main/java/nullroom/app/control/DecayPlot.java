package nullroom.app.control;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import javafx.scene.text.TextAlignment;
import nullroom.core.Figures;
import nullroom.core.measure.decay.DecayReport;

/**
 * Decay curves as small multiples, one per band, each with its fitted line, the noise under it, its
 * time and how far that may be off by chance (twice its standard deviation).
 */
public final class DecayPlot extends PlotPane implements CopyMenu.Tabled {
  private static final double LOWEST_DB = -60;
  private static final double GAP = 10;

  /** ISO 3382-2:2008, Annex B. */
  private static final double STRAIGHT_PERMILLE = 10;

  /** Narrower cells leave out the unit. */
  private static final double WIDE = 150;

  private static final double HEAD = 18;

  /** Below the cells: the time of a cell, and what the lines mean. */
  private static final double FOOT = 46;

  /** With less, a band and its time do not stand beside each other. */
  private static final double LEAST_CELL = 123;

  private static final double LEAST_CELL_HEIGHT = 76;

  /** The time axis never shows less than this. */
  private static final double SHORTEST_SECONDS = 0.4;

  /** One band that rings on must not press all others together. */
  private static final double MOST_OVER_MIDDLE = 1.6;

  private final int columns;
  private List<DecayReport.BandDecay> bands = List.of();

  /** An empty plot with so many bands beside each other. */
  public DecayPlot(int columns) {
    super("decay-plot");
    this.columns = columns;
  }

  /** What is shown; bands without a curve keep their place and say so. */
  public void show(List<DecayReport.BandDecay> decays) {
    bands = List.copyOf(decays);
    int rows = Math.max(1, (bands.size() + columns - 1) / columns);
    setMinSize(columns * LEAST_CELL, rows * (LEAST_CELL_HEIGHT + GAP) + FOOT);
    redraw();
  }

  @Override
  public List<List<String>> figures() {
    List<List<String>> rows = new ArrayList<>(List.of(List.of("Hz", "T20, s", "give or take, s")));
    for (DecayReport.BandDecay b : bands) {
      rows.add(
          List.of(
              Figures.say("%.0f", b.centreHz()),
              said(b.t20Seconds()),
              b.t20Seconds().isPresent()
                  ? Figures.say("%.2f", 2 * b.t20DeviationSeconds().orElse(0))
                  : ""));
    }
    return rows;
  }

  private static String said(OptionalDouble seconds) {
    return seconds.isPresent() ? Figures.say("%.2f", seconds.getAsDouble()) : "";
  }

  @Override
  protected void draw(double width, double height) {
    int rows = (bands.size() + columns - 1) / columns;
    if (rows == 0) {
      text("No decay measured yet.", width / 2, height / 2, TextAlignment.CENTER, "axis");
      return;
    }
    double[] times =
        bands.stream()
            .map(DecayReport.BandDecay::t20Seconds)
            .flatMapToDouble(OptionalDouble::stream)
            .sorted()
            .toArray();
    double longest =
        times.length == 0
            ? 1
            : Math.min(times[times.length - 1], MOST_OVER_MIDDLE * times[times.length / 2]);
    double seconds = Math.max(SHORTEST_SECONDS, Math.ceil(longest * 10) / 10);
    double w = (width - 26 - GAP * (columns - 1)) / columns;
    double h = (height - FOOT - GAP * (rows - 1)) / rows;
    for (int i = 0; i < bands.size(); i++) {
      double x = 26 + i % columns * (w + GAP);
      double y = i / columns * (h + GAP);
      cell(bands.get(i), x, y, w, h, seconds, i % columns == 0);
    }
    text("0 s", 26, height - FOOT + 10, TextAlignment.LEFT, "axis");
    text(Figures.say("%.1f s", seconds), 26 + w, height - FOOT + 10, TextAlignment.RIGHT, "axis");
    text(
        "line: decay, dB    dashes: T20    dots: noise    ±: twice its deviation by chance",
        width,
        height - 20,
        TextAlignment.RIGHT,
        "axis");
    text("▲: not straight", width, height - 6, TextAlignment.RIGHT, "axis");
  }

  private void cell(
      DecayReport.BandDecay band,
      double x,
      double y,
      double w,
      double h,
      double seconds,
      boolean first) {
    double hz = band.centreHz();
    String name =
        hz >= 1000
            ? Figures.say("%.2f", hz / 1000).replaceFirst("[.,]?0+$", "") + " kHz"
            : Figures.say("%.1f", hz).replaceFirst("[.,]0$", "") + " Hz";
    double top = y + HEAD;
    double plot = h - HEAD;
    rectangle(x, top, w, plot, "cell");
    for (int db = 0; db >= LOWEST_DB; db -= 20) {
      double at = top + plot * db / LOWEST_DB;
      line(x, at, x + w, at, "grid");
      if (first) {
        text(String.valueOf(db), x - 4, at, TextAlignment.RIGHT, "axis");
      }
    }
    text(name, x, y + 8, TextAlignment.LEFT, "axis-label");
    text(
        time(band, w),
        x + w,
        y + 8,
        TextAlignment.RIGHT,
        band.t20Seconds().isPresent() ? "figure" : "axis");
    double floor = -band.inrDb().orElse(0);
    if (floor < 0 && floor > LOWEST_DB) {
      line(x, top + plot * floor / LOWEST_DB, x + w, top + plot * floor / LOWEST_DB, "noise-floor");
    }
    if (band.t20Seconds().isEmpty()) {
      text("too near the noise", x + w / 2, top + 0.8 * plot, TextAlignment.CENTER, "axis");
      return;
    }
    fitLine(band, x, top, w, plot, seconds);
    curve(band, x, top, w, plot, seconds);
  }

  private static String time(DecayReport.BandDecay band, double width) {
    if (band.t20Seconds().isEmpty()) {
      return Figures.say("%.0f of 35 dB", band.inrDb().orElse(0));
    }
    double t20 = band.t20Seconds().getAsDouble();
    return band.nonLinearityPermille().orElse(0) > STRAIGHT_PERMILLE
        ? Figures.say("▲ %.2f s?", t20)
        : Figures.say(
            width < WIDE ? "%.2f ± %.2f" : "%.2f ± %.2f s",
            t20,
            2 * band.t20DeviationSeconds().orElse(0));
  }

  private void curve(
      DecayReport.BandDecay band, double x, double top, double w, double plot, double seconds) {
    int last = 0;
    while (last < band.curveDb().size()
        && band.curveDb().get(last) > LOWEST_DB
        && last * DecayReport.BandDecay.CURVE_STEP_SECONDS <= seconds) {
      last++;
    }
    double[] points = new double[2 * last];
    for (int i = 0; i < last; i++) {
      points[2 * i] = x + w * i * DecayReport.BandDecay.CURVE_STEP_SECONDS / seconds;
      points[2 * i + 1] = top + plot * Math.clamp(band.curveDb().get(i) / LOWEST_DB, 0, 1);
    }
    polyline(points, "curve");
  }

  /**
   * The T20 line from -5 to -25 dB, through the mean of the curve's points in that range, as a
   * least-squares line goes.
   */
  private void fitLine(
      DecayReport.BandDecay band, double x, double top, double w, double plot, double seconds) {
    double time = 0;
    double level = 0;
    int count = 0;
    for (int i = 0; i < band.curveDb().size() && band.curveDb().get(i) >= -25; i++) {
      if (band.curveDb().get(i) <= -5) {
        time += i * DecayReport.BandDecay.CURVE_STEP_SECONDS;
        level += band.curveDb().get(i);
        count++;
      }
    }
    double t20 = band.t20Seconds().orElse(0);
    if (count == 0 || t20 <= 0) {
      return;
    }
    double meanTime = time / count;
    double meanLevel = level / count;
    double from = Math.max(0, meanTime + t20 * (meanLevel + 5) / 60);
    double to = Math.min(seconds, meanTime + t20 * (meanLevel + 25) / 60);
    line(
        x + w * from / seconds,
        top + plot * (meanLevel - 60 / t20 * (from - meanTime)) / LOWEST_DB,
        x + w * to / seconds,
        top + plot * (meanLevel - 60 / t20 * (to - meanTime)) / LOWEST_DB,
        "fit");
  }
}
