package nullroom.core.room;

import java.util.ArrayList;
import java.util.List;

/**
 * Simple polygons in a plane, corners either way round: whether they meet, lie in each other, and
 * what they share. x and y count.
 */
final class Polygons {
  /** Lines nearer than this touch. */
  static final double TOUCH_METRES = 0.001;

  private Polygons() {}

  /** Distance of a point from the line between two others. */
  private static double distance(Point p, Point a, Point b) {
    double dx = b.x() - a.x();
    double dy = b.y() - a.y();
    double length = dx * dx + dy * dy;
    double share =
        length == 0 ? 0 : Math.clamp(((p.x() - a.x()) * dx + (p.y() - a.y()) * dy) / length, 0, 1);
    return Math.hypot(p.x() - a.x() - share * dx, p.y() - a.y() - share * dy);
  }

  private static double side(Point a, Point b, Point p) {
    return (b.x() - a.x()) * (p.y() - a.y()) - (b.y() - a.y()) * (p.x() - a.x());
  }

  private static boolean cross(Point a, Point b, Point p, Point q) {
    return side(a, b, p) * side(a, b, q) < 0 && side(p, q, a) * side(p, q, b) < 0;
  }

  /** Whether the lines a-b and p-q cross or come nearer than {@link #TOUCH_METRES}. */
  static boolean touch(Point a, Point b, Point p, Point q) {
    return cross(a, b, p, q)
        || Math.min(
                Math.min(distance(a, p, q), distance(b, p, q)),
                Math.min(distance(p, a, b), distance(q, a, b)))
            < TOUCH_METRES;
  }

  /** Whether a polygon lies within another; it may reach beyond it by a millimetre. */
  static boolean holds(List<Point> outer, List<Point> inner) {
    for (Point p : inner) {
      if (!Outline.within(outer, p) && toEdge(outer, p) > TOUCH_METRES) {
        return false;
      }
    }
    for (Point p : outer) { // a corner that points inwards
      if (Outline.within(inner, p) && toEdge(inner, p) > TOUCH_METRES) {
        return false;
      }
    }
    for (int i = 0; i < inner.size(); i++) {
      Point a = inner.get(i);
      Point b = inner.get((i + 1) % inner.size());
      Point middle = a.plus(b.minus(a), 0.5);
      if (!Outline.within(outer, middle) && toEdge(outer, middle) > TOUCH_METRES) {
        return false;
      }
      for (int j = 0; j < outer.size(); j++) {
        Point c = outer.get(j);
        Point d = outer.get((j + 1) % outer.size());
        if (cross(a, b, c, d)
            && Math.min(distance(a, c, d), distance(b, c, d)) > TOUCH_METRES
            && Math.min(distance(c, a, b), distance(d, a, b)) > TOUCH_METRES) {
          return false;
        }
      }
    }
    return true;
  }

  private static double toEdge(List<Point> polygon, Point p) {
    double least = Double.POSITIVE_INFINITY;
    for (int i = 0; i < polygon.size(); i++) {
      least = Math.min(least, distance(p, polygon.get(i), polygon.get((i + 1) % polygon.size())));
    }
    return least;
  }

  /** Area that two polygons share. */
  static double shared(List<Point> one, List<Point> other) {
    double[] a0 = box(one);
    double[] b0 = box(other);
    double wide = Math.min(a0[2], b0[2]) - Math.max(a0[0], b0[0]);
    double high = Math.min(a0[3], b0[3]) - Math.max(a0[1], b0[1]);
    if (wide <= 0 || high <= 0) {
      return 0;
    }
    if (fills(one, a0) && fills(other, b0)) {
      return wide * high;
    }
    double sum = 0;
    List<List<Point>> parts = triangles(other);
    for (List<Point> a : triangles(one)) {
      for (List<Point> b : parts) {
        List<Point> left = a;
        for (int k = 0; k < 3 && left.size() > 2; k++) {
          Point from = b.get(k);
          Point to = b.get((k + 1) % 3);
          left = Outline.clip(left, p -> side(from, to, p));
        }
        sum += left.size() > 2 ? Math.abs(Outline.signedArea(left)) : 0;
      }
    }
    return sum;
  }

  /** Whether it is the box around it. */
  private static boolean fills(List<Point> polygon, double[] box) {
    double area = (box[2] - box[0]) * (box[3] - box[1]);
    return polygon.size() == 4 && Math.abs(Outline.signedArea(polygon)) > area * (1 - 1e-12);
  }

  private static double[] box(List<Point> polygon) {
    double[] box = {Double.MAX_VALUE, Double.MAX_VALUE, -Double.MAX_VALUE, -Double.MAX_VALUE};
    for (Point p : polygon) {
      box[0] = Math.min(box[0], p.x());
      box[1] = Math.min(box[1], p.y());
      box[2] = Math.max(box[2], p.x());
      box[3] = Math.max(box[3], p.y());
    }
    return box;
  }

  /** Triangles that make up a polygon, by cutting off ears, each counter-clockwise. */
  static List<List<Point>> triangles(List<Point> polygon) {
    List<Point> left = new ArrayList<>(Outline.counterClockwise(polygon));
    List<List<Point>> triangles = new ArrayList<>();
    while (left.size() > 3) {
      int ear = ear(left);
      int n = left.size();
      triangles.add(List.of(left.get((ear + n - 1) % n), left.get(ear), left.get((ear + 1) % n)));
      left.remove(ear);
    }
    triangles.add(List.copyOf(left));
    return triangles;
  }

  private static int ear(List<Point> polygon) {
    int n = polygon.size();
    for (int i = 0; i < n; i++) {
      Point a = polygon.get((i + n - 1) % n);
      Point b = polygon.get(i);
      Point c = polygon.get((i + 1) % n);
      boolean free = side(a, b, c) > 0;
      for (int k = 0; free && k < n; k++) {
        Point p = polygon.get(k);
        free =
            p == a
                || p == b
                || p == c
                || side(a, b, p) <= 0
                || side(b, c, p) <= 0
                || side(c, a, p) <= 0;
      }
      if (free) {
        return i;
      }
    }
    return 0; // all on one line
  }
}
