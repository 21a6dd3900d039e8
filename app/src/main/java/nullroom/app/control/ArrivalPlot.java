package nullroom.app.control;

import java.util.List;
import javafx.scene.text.TextAlignment;

/** Single arrivals of the first 50 ms as stems under the direct sound, with what sent them. */
public final class ArrivalPlot extends PlotPane {
  private static final double LONGEST_MS = 50;
  private static final double LOWEST_DB = -30;
  private static final double LEFT = 30;
  private static final double TOP = 24;
  private static final double BOTTOM = 18;
  private static final double LINE = 13;

  /**
   * One stem.
   *
   * @param milliseconds after the direct sound
   * @param levelDb re it
   * @param name what sent it; empty where that is not known
   * @param chosen drawn stronger
   */
  public record Stem(double milliseconds, double levelDb, String name, boolean chosen) {}

  private List<Stem> stems = List.of();
  private boolean measured;

  /** An empty plot. */
  public ArrivalPlot() {
    super("arrival-plot");
  }

  /**
   * What is shown.
   *
   * @param arrivals strongest first
   * @param known whether there is a measurement to have them
   */
  public void show(List<Stem> arrivals, boolean known) {
    stems = List.copyOf(arrivals);
    measured = known;
    redraw();
  }

  @Override
  protected void draw(double width, double height) {
    text("single arrivals, dB re direct sound", LEFT, 8, TextAlignment.LEFT, "axis-label");
    double w = width - LEFT - 6;
    double h = height - TOP - BOTTOM;
    rectangle(LEFT, TOP, w, h, "cell");
    for (int db = 0; db >= LOWEST_DB; db -= 10) {
      double y = TOP + h * db / LOWEST_DB;
      line(LEFT, y, LEFT + w, y, "grid");
      text(String.valueOf(db), LEFT - 4, y, TextAlignment.RIGHT, "axis");
    }
    for (int ms = 0; ms <= LONGEST_MS; ms += 10) {
      text(
          ms == LONGEST_MS ? ms + " ms" : String.valueOf(ms),
          LEFT + w * ms / LONGEST_MS,
          height - 6,
          ms == LONGEST_MS ? TextAlignment.RIGHT : TextAlignment.CENTER,
          "axis");
    }
    if (stems.isEmpty()) {
      text(
          measured ? "none stands out" : "not measured yet",
          LEFT + w / 2,
          TOP + h / 2,
          TextAlignment.CENTER,
          "axis");
      return;
    }
    double free = Double.NEGATIVE_INFINITY;
    for (Stem stem :
        stems.stream()
            .sorted((a, b) -> Double.compare(a.milliseconds(), b.milliseconds()))
            .toList()) {
      double x = LEFT + w * stem.milliseconds() / LONGEST_MS;
      double y = TOP + h * Math.clamp(stem.levelDb() / LOWEST_DB, 0, 1);
      line(
          x,
          TOP + h,
          x,
          y,
          stem.chosen() ? new String[] {"stem", "chosen"} : new String[] {"stem"});
      if (!stem.name().isEmpty()) {
        double at = Math.max(y - 7, TOP + 8);
        at = Math.abs(at - free) < LINE ? free + LINE : at;
        text(stem.name(), x + 4, at, TextAlignment.LEFT, "axis");
        free = at;
      }
    }
  }
}
