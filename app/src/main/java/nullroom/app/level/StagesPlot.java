package nullroom.app.level;

import java.util.List;
import javafx.scene.text.Text;
import javafx.scene.text.TextAlignment;
import nullroom.app.control.PlotPane;
import nullroom.core.Figures;
import nullroom.core.plan.ChainLink;
import nullroom.core.predict.Heard;

/**
 * What each link lets through, from its hiss up to where it overloads, as sound at the microphone,
 * with voice and loudest peak across all of them.
 */
final class StagesPlot extends PlotPane {
  private static final double LEFT = 150;
  private static final double NAME_WIDTH = LEFT - 14;
  private static final double LOWEST = -20;
  private static final double HIGHEST = 160;
  private static final double TOP = 22;
  private static final double SLOT = 46;
  private static final double BELOW = 26;

  private final StagesModel model;

  StagesPlot(StagesModel model) {
    super("level-bars");
    this.model = model;
  }

  private static double x(double dbSpl, double width) {
    return LEFT
        + (Math.clamp(dbSpl, LOWEST, HIGHEST) - LOWEST) / (HIGHEST - LOWEST) * (width - LEFT - 20);
  }

  @Override
  protected void draw(double width, double height) {
    List<ChainLink> links = model.links();
    double slot = Math.min(SLOT, (height - TOP - BELOW) / links.size());
    double bottom = TOP + links.size() * slot;
    for (double tick = LOWEST; tick <= HIGHEST; tick += 20) {
      line(x(tick, width), TOP, x(tick, width), bottom, "grid");
      text(Figures.say("%.0f", tick), x(tick, width), bottom + 12, TextAlignment.CENTER, "axis");
    }
    text("dB SPL", LEFT - 24, bottom + 12, TextAlignment.RIGHT, "axis");
    for (int i = 0; i < links.size(); i++) {
      link(links.get(i), TOP + (i + 0.5) * slot, slot, width);
    }
    Heard heard = model.heard();
    across("voice", heard.voiceDbSplA(), bottom, width, TextAlignment.RIGHT);
    across("your loudest", heard.peakDbSpl(), bottom, width, TextAlignment.LEFT);
  }

  /** In several lines where one has no room. */
  private void name(String name, double middle) {
    Text text = text(name, LEFT - 10, middle, TextAlignment.RIGHT, "figure");
    if (text.getLayoutBounds().getWidth() > NAME_WIDTH) {
      text.setWrappingWidth(NAME_WIDTH);
      text.setTextAlignment(TextAlignment.RIGHT);
      text.setX(LEFT - 10 - NAME_WIDTH);
    }
  }

  private void across(
      String name, double dbSpl, double bottom, double width, TextAlignment alignment) {
    double at = x(dbSpl, width);
    line(at, TOP, at, bottom, "reference-line");
    text(name, at + (alignment == TextAlignment.LEFT ? -4 : 4), 10, alignment, "axis");
  }

  private void link(ChainLink link, double middle, double slot, double width) {
    double thick = Math.min(18, slot * 0.5);
    double from = x(link.hissDbSplA(), width);
    double to = x(link.limitDbSpl(), width);
    boolean over = link.leftDb(model.heard()) < 0;
    name(link.name(), middle);
    rectangle(from, middle - thick / 2, to - from, thick, "bar", "now-bar", "predicted");
    if (link.limitDbSpl() < HIGHEST) {
      line(
          to, middle - thick / 2 - 3, to, middle + thick / 2 + 3, over ? "over-mark" : "peak-mark");
    }
  }
}
