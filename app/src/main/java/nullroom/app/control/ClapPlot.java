package nullroom.app.control;

import java.util.List;
import javafx.scene.text.TextAlignment;
import nullroom.core.acoustics.Octave;
import nullroom.core.measure.decay.ClapWatch;

/** Claps as they come: for each, how far it stood over the noise per octave, and its verdict. */
public final class ClapPlot extends PlotPane {
  private static final double NEEDED_DB = 35;
  private static final double MOST_DB = 80;
  private static final double GAP = 14;
  private static final double LEFT = 30;
  private static final double HEAD = 36;
  private static final double FOOT = 18;

  private final int shown;
  private List<ClapWatch.Clap> claps = List.of();

  /**
   * An empty plot.
   *
   * @param shown the last so many have a place
   */
  public ClapPlot(int shown) {
    super("clap-plot");
    this.shown = shown;
  }

  /** What is shown, oldest first. */
  public void show(List<ClapWatch.Clap> heard) {
    claps = List.copyOf(heard);
    redraw();
  }

  @Override
  protected void draw(double width, double height) {
    double w = (width - LEFT - GAP * (shown - 1)) / shown;
    double h = height - HEAD - FOOT;
    text("over the noise, dB", LEFT, 8, TextAlignment.LEFT, "axis-label");
    for (int db = 0; db <= MOST_DB; db += 20) {
      text(
          String.valueOf(db), LEFT - 4, HEAD + h * (1 - db / MOST_DB), TextAlignment.RIGHT, "axis");
    }
    int first = Math.max(0, claps.size() - shown);
    for (int k = 0; k < shown; k++) {
      double x = LEFT + k * (w + GAP);
      rectangle(x, HEAD, w, h, "cell");
      double needed = HEAD + h * (1 - NEEDED_DB / MOST_DB);
      line(x, needed, x + w, needed, "reference-line");
      if (first + k < claps.size()) {
        clap(first + k, x, w, h);
      }
    }
    text(
        "35 dB is what a time needs; bars from 63 Hz to 8 kHz",
        LEFT,
        height - 6,
        TextAlignment.LEFT,
        "axis");
  }

  private void clap(int index, double x, double w, double h) {
    ClapWatch.Clap clap = claps.get(index);
    boolean good = clap.verdict() == ClapWatch.Verdict.GOOD;
    text(
        (index + 1) + ": " + clap.verdict().label() + (good ? " ●" : " ▲"),
        x,
        HEAD - 10,
        TextAlignment.LEFT,
        good ? "axis-label" : "axis");
    double each = w / Octave.COUNT;
    for (int i = 0; i < clap.inrDb().size(); i++) {
      double share = Math.clamp(clap.inrDb().get(i).orElse(0) / MOST_DB, 0, 1);
      boolean enough = clap.inrDb().get(i).orElse(0) >= NEEDED_DB;
      rectangle(
          x + i * each + 2,
          HEAD + h * (1 - share),
          each - 4,
          h * share,
          "bar",
          enough ? "now-bar" : "noise-bar",
          "measured");
    }
  }
}
