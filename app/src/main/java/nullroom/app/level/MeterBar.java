package nullroom.app.level;

import java.util.Optional;
import javafx.scene.text.TextAlignment;
import nullroom.app.control.PlotPane;
import nullroom.core.Figures;

/** One bar from far down to full scale: the level of now, its largest, and where it belongs. */
final class MeterBar extends PlotPane {
  private static final double LOWEST = -60;
  private static final double LEFT = 12;
  private static final double HEIGHT = 84;

  private final LevelModel model;
  private Optional<LoudLine.Reading> reading = Optional.empty();

  MeterBar(LevelModel model) {
    super("meter-bar");
    this.model = model;
    setMinHeight(HEIGHT);
    setMaxHeight(HEIGHT);
    setPrefHeight(HEIGHT);
  }

  void show(Optional<LoudLine.Reading> now) {
    reading = now;
    now.ifPresent(r ->
        setAccessibleText(Figures.say("peak %.0f, largest %.0f dBFS", r.peakDbfs(), r.heldDbfs())));
    redraw();
  }

  private static double x(double dbfs, double width) {
    return LEFT + (1 - Math.clamp(dbfs, LOWEST, 0) / LOWEST) * (width - 2 * LEFT);
  }

  @Override
  protected void draw(double width, double height) {
    double top = 24;
    double bottom = height - 22;
    rectangle(LEFT, top, width - 2 * LEFT, bottom - top, "meter-ground");
    double target = x(model.targetDbfs(), width);
    rectangle(target, top, x(0, width) - target, bottom - top, "beyond");
    for (double tick = LOWEST; tick <= 0; tick += 10) {
      line(x(tick, width), bottom, x(tick, width), bottom + 4, "ruler");
      text(Figures.say("%.0f", tick), x(tick, width), height - 8, TextAlignment.CENTER, "axis");
    }
    text("loudest line belongs here", target - 4, 10, TextAlignment.RIGHT, "axis");
    line(target, top - 6, target, bottom, "reference-line");
    reading.ifPresent(r -> {
      rectangle(
          LEFT,
          top + 6,
          x(r.peakDbfs(), width) - LEFT,
          bottom - top - 12,
          "bar",
          "now-bar",
          "measured");
      double held = x(r.heldDbfs(), width);
      line(held, top, held, bottom, r.heldDbfs() > model.targetDbfs() ? "over-mark" : "peak-mark");
    });
  }
}
