package nullroom.app.mic;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Supplier;
import javafx.beans.value.ObservableValue;
import javafx.scene.text.TextAlignment;
import nullroom.app.control.PlotPane;
import nullroom.app.shell.Units;
import nullroom.core.Figures;
import nullroom.core.plan.mic.MicPlanner;
import nullroom.core.predict.Margins;

/**
 * What is over or under the weakest target against distance, a line for each of a few microphones.
 */
final class DistancePlot extends PlotPane {
  private static final double NEAR_METRES = 0.05;
  private static final double FAR_METRES = 3;
  private static final double[] TICKS = {0.05, 0.1, 0.2, 0.5, 1, 2};
  private static final double LEAST_LOWEST = -12;
  private static final double STEP = 6;
  private static final double HIGHEST = 12;
  private static final double LEFT = 44;
  private static final double RIGHT = 12;
  private static final double TOP = 12;
  private static final double BELOW = 34;
  private static final double ROW = 17;

  private final RankModel model;
  private double lowest = LEAST_LOWEST;
  private final Supplier<ZoneModel.Shown> shown;
  private final ObservableValue<Units> units;

  DistancePlot(RankModel model, Supplier<ZoneModel.Shown> shown, ObservableValue<Units> units) {
    super("distance-plot");
    this.model = model;
    this.shown = shown;
    this.units = units;
  }

  private static double x(double metres, double width) {
    return LEFT
        + Math.log(metres / NEAR_METRES)
            / Math.log(FAR_METRES / NEAR_METRES)
            * (width - LEFT - RIGHT);
  }

  private double y(double db, double bottom) {
    return TOP + (HIGHEST - Math.clamp(db, lowest, HIGHEST)) / (HIGHEST - lowest) * (bottom - TOP);
  }

  @Override
  protected void draw(double width, double height) {
    Optional<Map<String, List<MicPlanner.AtDistance>>> all = model.distancesProperty().get();
    int count = all.map(Map::size).orElse(0);
    double bottom = height - BELOW - count * ROW;
    lowest =
        all.orElse(Map.of()).values().stream()
            .flatMap(List::stream)
            .mapToDouble(d -> STEP * Math.floor(over(d) / STEP))
            .reduce(LEAST_LOWEST, Math::min);
    rectangle(LEFT, TOP, width - LEFT - RIGHT, y(0, bottom) - TOP, "zone-clean");
    for (double db = lowest; db <= HIGHEST; db += STEP) {
      line(LEFT, y(db, bottom), width - RIGHT, y(db, bottom), "grid");
      text(
          db == 0 ? "0" : Figures.say("%+.0f", db),
          LEFT - 6,
          y(db, bottom),
          TextAlignment.RIGHT,
          "axis");
    }
    for (double metres : TICKS) {
      line(x(metres, width), TOP, x(metres, width), bottom, "grid");
      text(
          units.getValue().near(metres),
          x(metres, width),
          bottom + 12,
          TextAlignment.CENTER,
          "axis");
    }
    line(LEFT, y(0, bottom), width - RIGHT, y(0, bottom), "reference-line");
    text(
        "dB over the target of " + shown.get().label(),
        LEFT + 4,
        TOP + 8,
        TextAlignment.LEFT,
        "axis");
    int k = 0;
    for (var each : all.orElse(Map.of()).entrySet()) {
      line(each.getKey(), each.getValue(), k++, width, bottom);
    }
  }

  private void line(
      String name, List<MicPlanner.AtDistance> along, int k, double width, double bottom) {
    List<double[]> points = new ArrayList<>();
    for (MicPlanner.AtDistance d : along) {
      if (d.metres() <= FAR_METRES) {
        points.add(new double[] {d.metres(), over(d)});
      }
    }
    double[] drawn = new double[2 * points.size()];
    for (int i = 0; i < points.size(); i++) {
      drawn[2 * i] = x(points.get(i)[0], width);
      drawn[2 * i + 1] = y(points.get(i)[1], bottom);
    }
    String look = "line-" + (k + 1);
    polyline(drawn, "curve", look);
    double y = bottom + BELOW + (k - 0.5) * ROW + 4;
    polyline(new double[] {LEFT, y, LEFT + 34, y}, "curve", look, "key");
    text(name + ": " + until(points), LEFT + 42, y, TextAlignment.LEFT, "figure");
    OptionalDouble enough = enough(points);
    if (enough.isPresent()) {
      double at = x(enough.getAsDouble(), width);
      rectangle(at - 4, y(0, bottom) - 4, 8, 8, "enough-mark", look + "-mark");
    }
  }

  private double over(MicPlanner.AtDistance d) {
    Margins targets = model.targets();
    Margins m = d.margins();
    return switch (shown.get()) {
      case WEAKEST -> m.over(targets, m.weakest(targets));
      case QUIET -> m.over(targets, Margins.Kind.QUIET);
      case CLEAR -> m.over(targets, Margins.Kind.CLEAR);
      case SAFE -> m.over(targets, Margins.Kind.SAFE);
    };
  }

  private String until(List<double[]> points) {
    OptionalDouble enough = enough(points);
    if (enough.isPresent()) {
      return "enough up to " + units.getValue().near(enough.getAsDouble());
    }
    boolean never = points.stream().allMatch(p -> p[1] < 0);
    return points.isEmpty()
        ? "no place in this direction"
        : never ? "enough nowhere in this direction" : "enough as far as it is drawn";
  }

  /** The furthest distance up to which the weakest margin meets its target. */
  private static OptionalDouble enough(List<double[]> points) {
    for (int i = points.size() - 1; i > 0; i--) {
      double[] a = points.get(i - 1);
      double[] b = points.get(i);
      if (a[1] >= 0 && b[1] < 0) {
        double share = a[1] / (a[1] - b[1]);
        return OptionalDouble.of(a[0] * Math.pow(b[0] / a[0], share));
      }
    }
    return OptionalDouble.empty();
  }
}
