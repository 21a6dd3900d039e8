package nullroom.core.room;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nullroom.core.Trouble;

/**
 * What encloses a room: the floor's outline and what closes it above. Its surfaces are the floor,
 * the ceiling and wall1, wall2, ..., wall k from corner k to corner k + 1.
 *
 * @param outline floor polygon
 * @param ceiling over it
 * @param planes of the ceiling over the outline
 */
record Hull(Outline outline, Ceiling ceiling, List<Ceiling.Plane> planes) {
  private static final String WALL = "wall";

  /**
   * Closes an outline.
   *
   * @throws Trouble.BadField where the ceiling does not go with it
   */
  Hull(Outline outline, Ceiling ceiling) {
    this(outline, ceiling, planes(ceiling, outline));
  }

  Hull {
    planes = List.copyOf(planes);
  }

  private static List<Ceiling.Plane> planes(Ceiling ceiling, Outline outline) {
    try {
      return ceiling.planes(outline);
    } catch (IllegalArgumentException e) {
      throw new Trouble.BadField("ceiling", String.valueOf(e.getMessage()));
    }
  }

  /** floor, ceiling, wall1, wall2, ... */
  List<String> surfaceNames() {
    List<String> names = new ArrayList<>(List.of("floor", "ceiling"));
    for (int k = 1; k <= outline.corners().size(); k++) {
      names.add(WALL + k);
    }
    return names;
  }

  private Point[] ends(String wall) {
    return ends(outline, wall);
  }

  /** The corner that a wall starts from, and the one it ends in. */
  private static Point[] ends(Outline outline, String wall) {
    int k = Integer.parseInt(wall.substring(WALL.length()));
    List<Point> corners = outline.corners();
    return new Point[] {corners.get(k - 1), corners.get(k % corners.size())};
  }

  boolean holds(Point at) {
    return outline.contains(at) && at.z() >= 0 && at.z() <= heightAt(at);
  }

  double heightAt(Point p) {
    return planes.stream().mapToDouble(plane -> plane.heightAt(p)).min().orElseThrow();
  }

  double volume() {
    return planes.stream().mapToDouble(Ceiling.Plane::volume).sum();
  }

  double area(String surface) {
    return switch (surface) {
      case "floor" -> outline.area();
      case "ceiling" -> planes.stream().mapToDouble(Ceiling.Plane::slopeArea).sum();
      default -> Math.abs(Outline.signedArea(polygon(surface)));
    };
  }

  /** Corners of a wall in space, from the floor's on, one where the ridge crosses it. */
  List<Point> wall(String wall) {
    Point a = ends(wall)[0];
    Point b = ends(wall)[1];
    List<Point> corners = new ArrayList<>(List.of(a, b));
    double[] ha = planes.stream().mapToDouble(s -> s.heightAt(a)).toArray();
    double[] hb = planes.stream().mapToDouble(s -> s.heightAt(b)).toArray();
    int lowA = lowest(ha);
    int lowB = lowest(hb);
    corners.add(new Point(b.x(), b.y(), hb[lowB]));
    if (lowA != lowB) {
      double share = (ha[lowB] - ha[lowA]) / (ha[lowB] - ha[lowA] + hb[lowA] - hb[lowB]);
      Point ridge = a.plus(b.minus(a), share);
      corners.add(new Point(ridge.x(), ridge.y(), planes.get(lowA).heightAt(ridge)));
    }
    corners.add(new Point(a.x(), a.y(), ha[lowA]));
    return corners;
  }

  private static int lowest(double[] heights) {
    int low = 0;
    for (int i = 1; i < heights.length; i++) {
      low = heights[i] < heights[low] - 1e-12 ? i : low;
    }
    return low;
  }

  /** Corners of a surface in its own axes. */
  List<Point> polygon(String surface) {
    return surface.startsWith(WALL)
        ? wall(surface).stream().map(c -> local(outline, surface, c)).toList()
        : outline.corners();
  }

  /** Area of a polygon on a surface, given in the surface's own axes, on the slope itself. */
  double area(String surface, List<Point> corners) {
    return surface.equals("ceiling")
        ? planes.stream()
            .mapToDouble(p -> p.steepness() * Polygons.shared(p.corners(), corners))
            .sum()
        : Math.abs(Outline.signedArea(corners));
  }

  private double wallLength(String wall) {
    return wallLength(outline, wall);
  }

  static double wallLength(Outline outline, String wall) {
    Point[] ends = ends(outline, wall);
    return ends[0].distanceTo(ends[1]);
  }

  /** A point of a surface in the surface's own axes. */
  static Point local(Outline outline, String surface, Point at) {
    if (!surface.startsWith(WALL)) {
      return new Point(at.x(), at.y(), 0);
    }
    Point[] ends = ends(outline, surface);
    Point along = ends[1].minus(ends[0]);
    return new Point(at.minus(ends[0]).dot(along) / along.length(), at.z(), 0);
  }

  /** A point in the plane of a surface, given in the surface's own axes. */
  Point unbounded(String surface, Point local) {
    if (!surface.startsWith(WALL)) {
      return new Point(local.x(), local.y(), surface.equals("floor") ? 0 : heightAt(local));
    }
    Point[] ends = ends(surface);
    Point foot = ends[0].plus(ends[1].minus(ends[0]), local.x() / wallLength(surface));
    return new Point(foot.x(), foot.y(), local.y());
  }

  Optional<Point> on(String surface, double u, double v) {
    Point there = unbounded(surface, new Point(u, v, 0));
    boolean within =
        surface.startsWith(WALL)
            ? u >= 0 && u <= wallLength(surface) && v >= 0 && v <= heightAt(there)
            : outline.contains(there);
    return within ? Optional.of(there) : Optional.empty();
  }

  boolean isBox() {
    return outline.isBox() && ceiling instanceof Ceiling.Flat;
  }

  /** Length, width and height of the box around it. */
  Point size() {
    double[] xs = outline.span(0);
    double[] ys = outline.span(1);
    double top = outline.corners().stream().mapToDouble(this::heightAt).max().orElseThrow();
    if (ceiling instanceof Ceiling.Gable gable) {
      top = gable.ridgeMetres();
    }
    return new Point(xs[1] - xs[0], ys[1] - ys[0], top);
  }

  /** The pair of opposite sides that a surface goes with: 0 across x, 1 across y, 2 upright. */
  int pairOf(String surface) {
    if (!surface.startsWith(WALL)) {
      return 2;
    }
    Point along = ends(surface)[1].minus(ends(surface)[0]);
    return Math.abs(along.x()) < Math.abs(along.y()) ? 0 : 1;
  }
}
