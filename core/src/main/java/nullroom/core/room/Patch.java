package nullroom.core.room;

import java.util.List;
import java.util.Optional;

/**
 * A piece of something on a surface: a rug, a window, a hung blanket.
 *
 * @param name for people
 * @param surface that it lies on
 * @param corners in the surface's own axes (x and y of the points): plan for floor and ceiling; for
 *     a wall, metres along it from its first corner and metres up. Either direction of turn
 * @param finish what it is made of
 * @param otherwise what it can be turned into, where it can: a door shut or open
 */
public record Patch(
    String name,
    Surface surface,
    List<Point> corners,
    Finish finish,
    Optional<Alternative> otherwise) {
  /** Pieces that were cut to meet may share a hair's breadth, square metres. */
  private static final double MOST_SHARED = 0.005;

  /** A piece that stays as it is. */
  public Patch(String name, Surface surface, List<Point> corners, Finish finish) {
    this(name, surface, corners, finish, Optional.empty());
  }

  public Patch {
    corners = List.copyOf(corners);
    if (corners.size() < 3 || Math.abs(Outline.signedArea(corners)) < 1e-6) {
      throw new IllegalArgumentException("patch '" + name + "' has no area");
    }
  }

  /** A rectangle on a surface. */
  public static Patch rectangle(
      String name,
      Surface surface,
      double x,
      double y,
      double width,
      double height,
      String materialId) {
    return new Patch(
        name,
        surface,
        List.of(
            new Point(x, y, 0),
            new Point(x + width, y, 0),
            new Point(x + width, y + height, 0),
            new Point(x, y + height, 0)),
        Finish.of(materialId));
  }

  /** The same piece, which can be turned into something else. */
  public Patch or(Alternative other) {
    return new Patch(name, surface, corners, finish, Optional.of(other));
  }

  /** Area in the surface's own axes, square metres. */
  public double area() {
    return Math.abs(Outline.signedArea(corners));
  }

  /** The least of its coordinates, in its surface's own axes: where one measures it from. */
  public Point lowest() {
    return new Point(
        corners.stream().mapToDouble(Point::x).min().orElseThrow(),
        corners.stream().mapToDouble(Point::y).min().orElseThrow(),
        0);
  }

  /** How far it reaches along its surface's first axis, metres. */
  public double width() {
    var along = corners.stream().mapToDouble(Point::x).summaryStatistics();
    return along.getMax() - along.getMin();
  }

  /** How far it reaches along its surface's second axis, metres. */
  public double height() {
    var up = corners.stream().mapToDouble(Point::y).summaryStatistics();
    return up.getMax() - up.getMin();
  }

  /** Whether it lies on another piece. */
  public boolean overlaps(Patch other) {
    return surface.equals(other.surface) && Polygons.shared(corners, other.corners) > MOST_SHARED;
  }

  /** Its name with the state it is in. */
  public String label() {
    return otherwise.map(o -> name + ", " + o.now()).orElse(name);
  }

  /** The same piece in its other state; itself where it has none. */
  public Patch turned() {
    return otherwise
        .map(o -> new Patch(name, surface, corners, o.finish(), Optional.of(o.turned(finish))))
        .orElse(this);
  }

  /** The same piece shifted over its surface. */
  public Patch movedBy(double along, double up) {
    Point shift = new Point(along, up, 0);
    return new Patch(
        name, surface, corners.stream().map(c -> c.plus(shift, 1)).toList(), finish, otherwise);
  }
}
