package nullroom.core.room;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import nullroom.core.Trouble;
import org.jspecify.annotations.Nullable;

/**
 * What encloses a room: the floor's outline and what closes it above, with all that follows from
 * them, computed once. Floor and ceiling have the plan's axes; a wall's are metres along it from
 * its first corner and metres up.
 */
public final class Enclosure {
  private final Outline outline;
  private final Ceiling ceiling;
  private final List<Ceiling.Plane> planes;
  private final List<Surface> surfaces;
  private final List<List<Point>> walls;
  private final List<List<Point>> wallPolygons;

  /**
   * Closes an outline.
   *
   * @throws Trouble.BadField where the ceiling does not go with it
   */
  public Enclosure(Outline outline, Ceiling ceiling) {
    this.outline = outline;
    this.ceiling = ceiling;
    try {
      planes = List.copyOf(ceiling.planes(outline));
    } catch (IllegalArgumentException e) {
      throw new Trouble.BadField("ceiling", String.valueOf(e.getMessage()));
    }
    int count = outline.corners().size();
    List<Surface> all = new ArrayList<>(List.of(Surface.FLOOR, Surface.CEILING));
    IntStream.rangeClosed(1, count).mapToObj(Surface::wall).forEach(all::add);
    surfaces = Collections.unmodifiableList(all);
    walls = IntStream.range(0, count).mapToObj(this::wall).toList();
    wallPolygons =
        IntStream.range(0, count)
            .mapToObj(k -> walls.get(k).stream().map(c -> onWall(k, c)).toList())
            .toList();
  }

  /** The floor. */
  public Outline outline() {
    return outline;
  }

  /** What closes it above. */
  public Ceiling ceiling() {
    return ceiling;
  }

  /** Planes of the ceiling over the outline. */
  public List<Ceiling.Plane> planes() {
    return planes;
  }

  /** Floor, ceiling, and the walls in their order. */
  public List<Surface> surfaces() {
    return surfaces;
  }

  /** Whether a surface is one of these. */
  public boolean has(Surface surface) {
    return surfaces.contains(surface);
  }

  private Point start(int wall) {
    return outline.corners().get(wall);
  }

  private Point along(int wall) {
    List<Point> corners = outline.corners();
    return corners.get((wall + 1) % corners.size()).minus(corners.get(wall));
  }

  /** Corners of a wall in space, from the floor's on, one where the ridge crosses it. */
  private List<Point> wall(int wall) {
    Point a = start(wall);
    Point b = a.plus(along(wall), 1);
    List<Point> corners = new ArrayList<>(List.of(a, b));
    double[] ha = planes.stream().mapToDouble(s -> s.heightAt(a)).toArray();
    double[] hb = planes.stream().mapToDouble(s -> s.heightAt(b)).toArray();
    int lowA = lowest(ha);
    int lowB = lowest(hb);
    corners.add(new Point(b.x(), b.y(), hb[lowB]));
    if (lowA != lowB) {
      double share = (ha[lowB] - ha[lowA]) / (ha[lowB] - ha[lowA] + hb[lowA] - hb[lowB]);
      Point ridge = a.plus(along(wall), share);
      corners.add(new Point(ridge.x(), ridge.y(), planes.get(lowA).heightAt(ridge)));
    }
    corners.add(new Point(a.x(), a.y(), ha[lowA]));
    return List.copyOf(corners);
  }

  private static int lowest(double[] heights) {
    int low = 0;
    for (int i = 1; i < heights.length; i++) {
      low = heights[i] < heights[low] - 1e-12 ? i : low;
    }
    return low;
  }

  private Point onWall(int wall, Point at) {
    Point along = along(wall);
    return new Point(at.minus(start(wall)).dot(along) / along.length(), at.z(), 0);
  }

  /** Whether a point lies within. */
  public boolean holds(Point at) {
    return outline.contains(at) && at.z() >= 0 && at.z() <= heightAt(at);
  }

  /** Height of the ceiling over a point of the plan. */
  public double heightAt(Point p) {
    double lowest = Double.POSITIVE_INFINITY;
    for (Ceiling.Plane plane : planes) { // asked thousands of times
      lowest = Math.min(lowest, plane.heightAt(p));
    }
    return lowest;
  }

  /** Volume in cubic metres. */
  public double volume() {
    return planes.stream().mapToDouble(Ceiling.Plane::volume).sum();
  }

  /** Area of a surface, of the slopes for a ceiling, square metres. */
  public double area(Surface surface) {
    return switch (surface) {
      case Surface.Floor floor -> outline.area();
      case Surface.Ceiling above -> planes.stream().mapToDouble(Ceiling.Plane::slopeArea).sum();
      case Surface.Wall wall -> Math.abs(Outline.signedArea(polygon(wall)));
    };
  }

  /** Area of a polygon on a surface, given in the surface's own axes, on the slope itself. */
  public double area(Surface surface, List<Point> corners) {
    return surface instanceof Surface.Ceiling
        ? planes.stream()
            .mapToDouble(p -> p.steepness() * Polygons.shared(p.corners(), corners))
            .sum()
        : Math.abs(Outline.signedArea(corners));
  }

  /** Corners of a wall in space. */
  List<Point> corners(Surface.Wall wall) {
    return walls.get(wall.number() - 1);
  }

  /** Corners of a surface in its own axes; a wall has one more where the ridge crosses it. */
  public List<Point> polygon(Surface surface) {
    return surface instanceof Surface.Wall wall
        ? wallPolygons.get(wall.number() - 1)
        : outline.corners();
  }

  /** Least and largest of a surface's first (0) or second (1) axis. */
  public double[] span(Surface surface, int axis) {
    return surface instanceof Surface.Wall wall
        ? new double[] {0, axis == 0 ? length(wall) : highest(wall)}
        : outline.span(axis);
  }

  private double highest(Surface.Wall wall) {
    return polygon(wall).stream().mapToDouble(Point::y).max().orElseThrow();
  }

  /** Length of a wall along the floor, metres. */
  public double length(Surface.Wall wall) {
    return along(wall.number() - 1).length();
  }

  /** A point of a surface in the surface's own axes. */
  public Point local(Surface surface, Point at) {
    return surface instanceof Surface.Wall wall
        ? onWall(wall.number() - 1, at)
        : new Point(at.x(), at.y(), 0);
  }

  /** A point in the plane of a surface, given in the surface's own axes. */
  public Point unbounded(Surface surface, Point local) {
    return switch (surface) {
      case Surface.Floor floor -> new Point(local.x(), local.y(), 0);
      case Surface.Ceiling above -> new Point(local.x(), local.y(), heightAt(local));
      case Surface.Wall wall -> {
        int k = wall.number() - 1;
        Point foot = start(k).plus(along(k), local.x() / length(wall));
        yield new Point(foot.x(), foot.y(), local.y());
      }
    };
  }

  /** A point of a surface, given in its own axes; empty where the surface ends before. */
  public Optional<Point> on(Surface surface, double u, double v) {
    Point there = unbounded(surface, new Point(u, v, 0));
    boolean within =
        surface instanceof Surface.Wall wall
            ? u >= 0 && u <= length(wall) && v >= 0 && v <= heightAt(there)
            : outline.contains(there);
    return within ? Optional.of(there) : Optional.empty();
  }

  /** Whether this is a rectangular box with a flat ceiling. */
  public boolean isBox() {
    return outline.isBox() && ceiling instanceof Ceiling.Flat;
  }

  /** Length, width and height of the box around it. */
  public Point size() {
    double[] xs = outline.span(0);
    double[] ys = outline.span(1);
    double top = outline.corners().stream().mapToDouble(this::heightAt).max().orElseThrow();
    if (ceiling instanceof Ceiling.Gable gable) {
      top = gable.ridgeMetres();
    }
    return new Point(xs[1] - xs[0], ys[1] - ys[0], top);
  }

  /** The pair of opposite sides that a surface goes with: 0 across x, 1 across y, 2 upright. */
  public int pairOf(Surface surface) {
    if (surface instanceof Surface.Wall wall) {
      Point along = along(wall.number() - 1);
      return Math.abs(along.x()) < Math.abs(along.y()) ? 0 : 1;
    }
    return 2;
  }

  @Override
  public boolean equals(@Nullable Object other) {
    return other instanceof Enclosure e && outline.equals(e.outline) && ceiling.equals(e.ceiling);
  }

  @Override
  public int hashCode() {
    return 31 * outline.hashCode() + ceiling.hashCode();
  }

  @Override
  public String toString() {
    return outline + " under " + ceiling;
  }

  /** Refuses a place outside, blaming a field. */
  void requireInside(String field, Point at) {
    if (!holds(at)) {
      throw new Trouble.BadField(field, "lies outside the room");
    }
  }
}
