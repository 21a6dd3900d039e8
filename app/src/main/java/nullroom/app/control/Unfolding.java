package nullroom.app.control;

import java.util.List;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.Surface;

/**
 * Where everything of a room lies in a flat picture: the floor in the middle, each wall folded out
 * about its floor edge, the ceiling beyond.
 *
 * @param room unfolded
 * @param ceilingShift from the floor to the ceiling, in the plan
 * @param scale pixels per metre
 * @param originX of the plan in the picture
 * @param originY the same downwards
 */
record Unfolding(Room room, Point ceilingShift, double scale, double originX, double originY) {
  /** Between a wall and the ceiling beyond it. */
  private static final double GAP_METRES = 0.15;

  private static final double MARGIN = 10;

  /** Wider than this the ceiling lies to the right, else above. */
  private static final double WIDE = 1.25;

  /**
   * Into a picture of a size.
   *
   * @param zoom 1 shows all of it
   * @param panX shifts it
   * @param panY shifts it downwards
   */
  static Unfolding of(
      Room room, double width, double height, double zoom, double panX, double panY) {
    double[] xs = room.outline().span(0);
    double[] ys = room.outline().span(1);
    double wall = room.size().z();
    boolean wide = width / height > WIDE;
    double lengthX = xs[1] - xs[0];
    double lengthY = ys[1] - ys[0];
    double spanX = lengthX + 2 * wall + (wide ? lengthX + GAP_METRES : 0);
    double spanY = lengthY + 2 * wall + (wide ? 0 : lengthY + GAP_METRES);
    double fit = Math.min((width - 2 * MARGIN) / spanX, (height - 2 * MARGIN) / spanY);
    return new Unfolding(
        room,
        wide
            ? new Point(lengthX + wall + GAP_METRES, 0, 0)
            : new Point(0, lengthY + wall + GAP_METRES, 0),
        zoom * fit,
        panX + zoom * ((width - spanX * fit) / 2 + (wall - xs[0]) * fit),
        panY + zoom * (height - (height - spanY * fit) / 2 - (wall - ys[0]) * fit));
  }

  /** Across the picture. */
  double sx(double x) {
    return originX + x * scale;
  }

  /** Down the picture. */
  double sy(double y) {
    return originY - y * scale;
  }

  /** A place of the picture in the plan. */
  Point plan(double x, double y) {
    return new Point((x - originX) / scale, (originY - y) / scale, 0);
  }

  /** A point of a surface, in the surface's own axes, in the plan. */
  Point flat(Surface surface, Point at) {
    return switch (surface) {
      case Surface.Floor floor -> new Point(at.x(), at.y(), 0);
      case Surface.Ceiling above -> new Point(at.x(), at.y(), 0).plus(ceilingShift, 1);
      case Surface.Wall wall -> {
        Point along = along(wall);
        yield start(wall).plus(along, at.x()).plus(outwards(along), at.y());
      }
    };
  }

  /** A point of the plan in the axes of a surface that it is folded from. */
  Point local(Surface surface, Point plan) {
    return switch (surface) {
      case Surface.Floor floor -> plan;
      case Surface.Ceiling above -> plan.minus(ceilingShift);
      case Surface.Wall wall -> {
        Point from = plan.minus(start(wall));
        yield new Point(from.dot(along(wall)), from.dot(outwards(along(wall))), 0);
      }
    };
  }

  private Point start(Surface.Wall wall) {
    return room.enclosure().unbounded(wall, new Point(0, 0, 0));
  }

  /** Unit vector along a wall. */
  private Point along(Surface.Wall wall) {
    return room.enclosure().unbounded(wall, new Point(1, 0, 0)).minus(start(wall));
  }

  private static Point outwards(Point along) {
    return new Point(along.y(), -along.x(), 0);
  }

  /** Corners of a surface in the plan. */
  List<Point> corners(Surface surface) {
    return room.enclosure().polygon(surface).stream().map(c -> flat(surface, c)).toList();
  }

  /** The height of a wall over a place along it. */
  double height(Surface.Wall wall, double along) {
    return room.heightAt(room.enclosure().unbounded(wall, new Point(along, 0, 0)));
  }

  /** Corners of the picture, x and y by turns, of points in the plan. */
  double[] screen(List<Point> plan) {
    double[] points = new double[2 * plan.size()];
    for (int i = 0; i < plan.size(); i++) {
      points[2 * i] = sx(plan.get(i).x());
      points[2 * i + 1] = sy(plan.get(i).y());
    }
    return points;
  }
}
