package nullroom.core.room;

import java.util.ArrayList;
import java.util.List;

/** A simple polygon in the plan, corners counter-clockwise, in metres. z of its points is 0. */
public record Outline(List<Point> corners) {
  /** No home room is longer; above it, millimetres were typed for metres. */
  public static final double MAX_METRES = 100;

  /** Of an angle under a degree, which no two walls make. */
  private static final double SPIKE_COSINE = Math.cos(Math.toRadians(1));

  public Outline {
    corners = List.copyOf(corners);
    if (corners.size() < 3) {
      throw new IllegalArgumentException("an outline needs at least three corners");
    }
    for (Point c : corners) {
      if (Math.abs(c.x()) > MAX_METRES || Math.abs(c.y()) > MAX_METRES) {
        throw new IllegalArgumentException(
            "a corner lies farther than " + MAX_METRES + " m away: are these metres?");
      }
    }
    int n = corners.size();
    for (int i = 0; i < n; i++) {
      if (corners.get(i).distanceTo(corners.get((i + 1) % n)) < 0.01) {
        throw new IllegalArgumentException("wall" + (i + 1) + " is shorter than a centimetre");
      }
    }
    for (int i = 0; i < n; i++) {
      if (foldsBack(corners.get(i), corners.get((i + 1) % n), corners.get((i + 2) % n))) {
        throw new IllegalArgumentException(
            "wall" + ((i + 1) % n + 1) + " folds back on wall" + (i + 1));
      }
    }
    for (int i = 0; i < n; i++) {
      Point a = corners.get(i);
      Point b = corners.get((i + 1) % n);
      for (int j = i + 2; j < n; j++) {
        if ((j + 1) % n != i && Polygons.touch(a, b, corners.get(j), corners.get((j + 1) % n))) {
          throw new IllegalArgumentException(
              "wall" + (i + 1) + " crosses or touches wall" + (j + 1));
        }
      }
    }
    double signed = signedArea(corners);
    if (signed < 0) {
      throw new IllegalArgumentException("the corners run clockwise; list them counter-clockwise");
    }
    if (signed < 0.25) {
      throw new IllegalArgumentException("the floor is smaller than a quarter of a square metre");
    }
  }

  /** A rectangle with one corner at the origin. */
  public static Outline box(double lengthMetres, double widthMetres) {
    return of(0, 0, lengthMetres, 0, lengthMetres, widthMetres, 0, widthMetres);
  }

  /** An L that fills a box but for one quarter. */
  public static Outline ell(double l, double w) {
    return of(0, 0, l, 0, l, w / 2, l / 2, w / 2, l / 2, w, 0, w);
  }

  /** A box with an alcove a third of its length wide, within a length and a width. */
  public static Outline alcove(double l, double w) {
    double wall = 0.8 * w;
    return of(0, 0, l, 0, l, wall, 2 * l / 3, wall, 2 * l / 3, w, l / 3, w, l / 3, wall, 0, wall);
  }

  private static Outline of(double... xy) {
    List<Point> corners = new ArrayList<>();
    for (int i = 0; i < xy.length; i += 2) {
      corners.add(new Point(xy[i], xy[i + 1], 0));
    }
    return new Outline(corners);
  }

  /** Whether the way from b to c goes back along that from a to b: a spike, not a corner. */
  private static boolean foldsBack(Point a, Point b, Point c) {
    Point back = a.minus(b);
    Point on = c.minus(b);
    return back.dot(on) / (back.length() * on.length()) > SPIKE_COSINE;
  }

  static double signedArea(List<Point> corners) {
    double twice = 0;
    for (int i = 0; i < corners.size(); i++) {
      Point a = corners.get(i);
      Point b = corners.get((i + 1) % corners.size());
      twice += a.x() * b.y() - b.x() * a.y();
    }
    return twice / 2;
  }

  /** Corners the way an outline has them, whichever way they were drawn. */
  public static List<Point> counterClockwise(List<Point> drawn) {
    return signedArea(drawn) < 0 ? drawn.reversed() : drawn;
  }

  /** Floor area in square metres. */
  public double area() {
    return signedArea(corners);
  }

  /** Centre of area of a polygon in the plan, whichever way its corners run. */
  public static Point centre(List<Point> corners) {
    double x = 0;
    double y = 0;
    double six = 6 * signedArea(corners);
    for (int i = 0; i < corners.size(); i++) {
      Point a = corners.get(i);
      Point b = corners.get((i + 1) % corners.size());
      double w = a.x() * b.y() - b.x() * a.y();
      x += (a.x() + b.x()) * w / six;
      y += (a.y() + b.y()) * w / six;
    }
    return new Point(x, y, 0);
  }

  /** Whether a point lies inside, seen from above. */
  public boolean contains(Point p) {
    return within(corners, p);
  }

  /** Whether a point of the plan lies in a polygon. */
  public static boolean within(List<Point> corners, Point p) {
    boolean inside = false;
    for (int i = 0, j = corners.size() - 1; i < corners.size(); j = i++) {
      Point a = corners.get(i);
      Point b = corners.get(j);
      if ((a.y() > p.y()) != (b.y() > p.y())
          && p.x() < (b.x() - a.x()) * (p.y() - a.y()) / (b.y() - a.y()) + a.x()) {
        inside = !inside;
      }
    }
    return inside;
  }

  /** Smallest and largest coordinate along an axis, 0 for x and 1 for y. */
  public double[] span(int axis) {
    double low = Double.POSITIVE_INFINITY;
    double high = Double.NEGATIVE_INFINITY;
    for (Point c : corners) {
      double v = axis == 0 ? c.x() : c.y();
      low = Math.min(low, v);
      high = Math.max(high, v);
    }
    return new double[] {low, high};
  }

  /** Whether this is a rectangle with sides along the axes. */
  public boolean isBox() {
    if (corners.size() != 4) {
      return false;
    }
    double[] xs = span(0);
    double[] ys = span(1);
    return Math.abs(area() - (xs[1] - xs[0]) * (ys[1] - ys[0])) < 1e-9;
  }

  /**
   * The part of the polygon on one side of a line, by clipping (Sutherland and Hodgman 1974).
   *
   * @param height a function linear over the plan; where it is not negative is kept
   * @return corners, possibly fewer than three where nothing is left
   */
  static List<Point> clip(List<Point> corners, java.util.function.ToDoubleFunction<Point> height) {
    List<Point> kept = new ArrayList<>();
    for (int i = 0; i < corners.size(); i++) {
      Point a = corners.get(i);
      Point b = corners.get((i + 1) % corners.size());
      double ha = height.applyAsDouble(a);
      double hb = height.applyAsDouble(b);
      if (ha >= 0) {
        kept.add(a);
      }
      if ((ha > 0 && hb < 0) || (ha < 0 && hb > 0)) {
        kept.add(a.plus(b.minus(a), ha / (ha - hb)));
      }
    }
    return kept;
  }
}
