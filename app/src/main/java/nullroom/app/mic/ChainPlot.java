package nullroom.app.mic;

import java.util.List;
import java.util.function.Supplier;
import javafx.scene.text.TextAlignment;
import nullroom.app.control.PlotPane;
import nullroom.core.Figures;
import nullroom.core.plan.mic.ChainLevel;

/**
 * The chain from the lips to the file: a box for each station with its level, noise and limit in
 * its own unit, and under it what lies between noise and limit as sound at the microphone.
 */
final class ChainPlot extends PlotPane {
  private static final double LOWEST = -10;
  private static final double HIGHEST = 150;
  private static final double BOX_HEIGHT = 92;
  private static final double GAP = 14;
  private static final double LEFT = 40;
  private static final double BELOW = 20;

  private final Supplier<List<ChainLevel>> levels;
  private final Supplier<Double> peak;

  ChainPlot(Supplier<List<ChainLevel>> levels, Supplier<Double> peak) {
    super("chain-plot");
    this.levels = levels;
    this.peak = peak;
    setMinHeight(240);
  }

  @Override
  protected void draw(double width, double height) {
    List<ChainLevel> all = levels.get();
    if (all.isEmpty()) {
      return;
    }
    double slot = (width - LEFT) / all.size();
    double top = BOX_HEIGHT + 34;
    for (double db = 0; db <= HIGHEST; db += 30) {
      double y = y(db, top, height);
      line(LEFT, y, width, y, "grid");
      text(Figures.say("%.0f", db), LEFT - 6, y, TextAlignment.RIGHT, "axis");
    }
    text("dB SPL at the microphone", LEFT, top - 12, TextAlignment.LEFT, "axis");
    across(all, slot, top, height);
    for (int k = 0; k < all.size(); k++) {
      box(all.get(k), LEFT + k * slot, slot - GAP, k + 1 < all.size());
      bar(all.get(k), LEFT + k * slot, slot - GAP, top, height);
    }
  }

  private static double y(double db, double top, double height) {
    return top
        + (HIGHEST - Math.clamp(db, LOWEST, HIGHEST)) / (HIGHEST - LOWEST) * (height - top - BELOW);
  }

  private void across(List<ChainLevel> all, double slot, double top, double height) {
    double from = LEFT + slot;
    double to = LEFT + all.size() * slot - GAP;
    double voice = y(all.get(1).voice(), top, height);
    double loudest = y(peak.get(), top, height);
    line(from, voice, to, voice, "reference-line");
    text("voice", from - 6, voice, TextAlignment.RIGHT, "axis");
    line(from, loudest, to, loudest, "peak-mark");
    text("loudest", from - 6, loudest, TextAlignment.RIGHT, "axis");
  }

  private void box(ChainLevel level, double x, double width, boolean more) {
    rectangle(x, 4, width, BOX_HEIGHT, "chain-box");
    if (more) {
      line(x + width, 4 + BOX_HEIGHT / 2, x + width + GAP, 4 + BOX_HEIGHT / 2, "ruler");
    }
    double middle = x + width / 2;
    text(level.name(), middle, 16, TextAlignment.CENTER, "figure-strong");
    text(level.unit(), middle, 32, TextAlignment.CENTER, "axis");
    row("voice", level.voice(), x, width, 50);
    row("noise", level.noise(), x, width, 66);
    row("limit", level.limit(), x, width, 82);
  }

  private void row(String name, double db, double x, double width, double y) {
    text(name, x + 6, y, TextAlignment.LEFT, "axis");
    text(
        Double.isNaN(db) ? "none" : Figures.say("%.0f", db),
        x + width - 6,
        y,
        TextAlignment.RIGHT,
        "figure");
  }

  private void bar(ChainLevel level, double x, double width, double top, double height) {
    if (Double.isNaN(level.noise())) {
      return;
    }
    double noise = y(level.noise() - level.atMicrophoneDbSpl(), top, height);
    double thick = Math.min(26, width * 0.4);
    double from = x + (width - thick) / 2;
    boolean limited = !Double.isNaN(level.limit());
    double limit = limited ? y(level.limit() - level.atMicrophoneDbSpl(), top, height) : top;
    rectangle(from, limit, thick, noise - limit, "bar", "now-bar", "predicted");
    if (limited) {
      line(from - 4, limit, from + thick + 4, limit, "peak-mark");
    }
  }
}
