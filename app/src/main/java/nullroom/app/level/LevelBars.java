package nullroom.app.level;

import javafx.scene.text.TextAlignment;
import nullroom.app.control.PlotPane;
import nullroom.core.Figures;
import nullroom.core.acoustics.VocalEffort;

/**
 * Where each vocal effort lands at the present gain: average to loudest peak on one dBFS scale, the
 * present one marked.
 */
final class LevelBars extends PlotPane {
  private static final double LEFT = 90;
  private static final double FIGURE_WIDTH = 30;
  private static final double LOWEST = -60;
  private static final double HIGHEST = 12;

  private final LevelModel model;

  LevelBars(LevelModel model) {
    super("level-bars");
    this.model = model;
  }

  private static double x(double dbfs, double width) {
    return LEFT
        + (Math.clamp(dbfs, LOWEST, HIGHEST) - LOWEST) / (HIGHEST - LOWEST) * (width - LEFT - 20);
  }

  @Override
  protected void draw(double width, double height) {
    double bottom = height - 24;
    rectangle(x(0, width), 20, x(HIGHEST, width) - x(0, width), bottom - 20, "beyond");
    text("clipped", (x(0, width) + x(HIGHEST, width)) / 2, 10, TextAlignment.CENTER, "axis");
    for (double tick = LOWEST; tick <= 0; tick += 10) {
      line(x(tick, width), 20, x(tick, width), bottom, "grid");
      text(Figures.say("%.0f", tick), x(tick, width), bottom + 12, TextAlignment.CENTER, "axis");
    }
    text("dBFS", LEFT - 24, bottom + 12, TextAlignment.RIGHT, "axis");
    double target = x(model.targetDbfs(), width);
    line(target, 20, target, bottom, "reference-line");
    text("peak target", target - 4, 10, TextAlignment.RIGHT, "axis");
    VocalEffort[] efforts = VocalEffort.values();
    double slot = (bottom - 20) / efforts.length;
    for (int i = 0; i < efforts.length; i++) {
      bar(efforts[i], 20 + i * slot, slot, width);
    }
  }

  private void bar(VocalEffort effort, double top, double slot, double width) {
    boolean now = effort == model.effort();
    double from = x(model.voiceDbfs(effort), width);
    double peak = model.peakDbfs(effort);
    double to = x(peak, width);
    double middle = top + slot / 2;
    double thick = Math.min(26, slot * 0.5);
    text(name(effort), LEFT - 10, middle, TextAlignment.RIGHT, now ? "figure" : "axis");
    rectangle(
        from,
        middle - thick / 2,
        to - from,
        thick,
        "bar",
        now ? "now-bar" : "before-bar",
        "predicted");
    line(
        to,
        middle - thick / 2 - 3,
        to,
        middle + thick / 2 + 3,
        peak > 0 ? "over-mark" : "peak-mark");
    double target = x(model.targetDbfs(), width);
    text(
        Figures.say("%.0f", peak),
        (target > to && target < to + FIGURE_WIDTH ? target : to) + 6,
        middle,
        TextAlignment.LEFT,
        "figure");
  }

  static String name(VocalEffort effort) {
    return Figures.capital(Figures.word(effort));
  }
}
