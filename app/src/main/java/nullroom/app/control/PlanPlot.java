package nullroom.app.control;

import java.util.List;
import java.util.Optional;
import javafx.scene.text.TextAlignment;
import nullroom.core.predict.ArrivalLocus;
import nullroom.core.room.Furniture;
import nullroom.core.room.Point;
import nullroom.core.room.Room;

/** The room from above with the talker, the microphone and a line of places over it. */
public final class PlanPlot extends PlotPane {
  private static final double MARGIN = 22;

  /** Labels of walls stand this far inside. */
  private static final double LABEL = 10;

  private Optional<Room> room = Optional.empty();
  private List<ArrivalLocus.Piece> lines = List.of();
  private Optional<Point> bounce = Optional.empty();
  private double scale;
  private double left;
  private double bottom;

  /** An empty plan. */
  public PlanPlot() {
    super("plan-plot");
  }

  /**
   * What is shown.
   *
   * @param places a line in plan coordinates
   * @param by where a path from the talker to the microphone bounces
   */
  public void show(Room shown, List<ArrivalLocus.Piece> places, Optional<Point> by) {
    room = Optional.of(shown);
    lines = List.copyOf(places);
    bounce = by;
    redraw();
  }

  @Override
  protected void draw(double width, double height) {
    room.ifPresent(r -> draw(r, width, height));
  }

  private void draw(Room r, double width, double height) {
    double[] xs = r.outline().span(0);
    double[] ys = r.outline().span(1);
    scale =
        Math.min((width - 2 * MARGIN) / (xs[1] - xs[0]), (height - 2 * MARGIN) / (ys[1] - ys[0]));
    left = (width - scale * (xs[1] - xs[0])) / 2 - scale * xs[0];
    bottom = height - (height - scale * (ys[1] - ys[0])) / 2 + scale * ys[0];
    text("from above, at the height of the voice", 2, 8, TextAlignment.LEFT, "axis-label");
    outline(r.outline().corners(), "surface", "floor");
    for (Furniture piece : r.furniture()) {
      outline(piece.plan(), "furniture");
      double x = piece.plan().stream().mapToDouble(Point::x).average().orElse(0);
      double y = piece.plan().stream().mapToDouble(Point::y).average().orElse(0);
      text(piece.name(), sx(x), sy(y), TextAlignment.CENTER, "piece-label");
    }
    List<Point> corners = r.outline().corners();
    for (int k = 0; k < corners.size(); k++) {
      Point along = corners.get((k + 1) % corners.size()).minus(corners.get(k));
      Point middle = corners.get(k).plus(along, 0.5);
      double length = along.length();
      text(
          String.valueOf(k + 1),
          sx(middle.x()) - LABEL * along.y() / length,
          sy(middle.y()) - LABEL * along.x() / length,
          TextAlignment.CENTER,
          "surface-label");
    }
    segments(
        lines.stream()
            .map(p ->
                new double[] {sx(p.from().x()), sy(p.from().y()), sx(p.to().x()), sy(p.to().y())})
            .toList(),
        "locus");
    if (r.talker().isPresent() && r.microphone().isPresent()) {
      people(r.talker().get().at(), r.microphone().get().at());
    }
  }

  private void people(Point talker, Point microphone) {
    bounce.ifPresent(by ->
        polyline(
            new double[] {
              sx(talker.x()),
              sy(talker.y()),
              sx(by.x()),
              sy(by.y()),
              sx(microphone.x()),
              sy(microphone.y())
            },
            "path"));
    rectangle(sx(talker.x()) - 6, sy(talker.y()) - 6, 12, 12, "handle", "talker");
    double x = sx(microphone.x());
    double y = sy(microphone.y());
    polygon(new double[] {x, y - 7, x + 7, y, x, y + 7, x - 7, y}, "handle", "microphone");
  }

  private void outline(List<Point> corners, String... styles) {
    double[] points = new double[2 * corners.size()];
    for (int i = 0; i < corners.size(); i++) {
      points[2 * i] = sx(corners.get(i).x());
      points[2 * i + 1] = sy(corners.get(i).y());
    }
    polygon(points, styles);
  }

  private double sx(double x) {
    return left + x * scale;
  }

  private double sy(double y) {
    return bottom - y * scale;
  }
}
