package nullroom.core.predict;

import java.util.ArrayList;
import java.util.List;
import nullroom.core.room.Facet;
import nullroom.core.room.Finish;
import nullroom.core.room.Point;
import nullroom.core.room.Room;

/**
 * A room's facets as plain arrays, for the many rays that are shot at them. Points lie in a polygon
 * as their shadows along its normal's longest axis lie in its shadow.
 */
final class Shell {
  /** A ray leaves a facet by this much before it can meet another. */
  static final double CLEAR_METRES = 1e-7;

  private final List<Facet> facets;
  private final double[] nx;
  private final double[] ny;
  private final double[] nz;
  private final double[] offset;
  private final int[] dropped;
  private final double[][] us;
  private final double[][] vs;
  private final Laid[][] laid;
  private final double[][] absorption;
  private final double[][] scattering;
  private final boolean open;

  /** A piece that lies on a facet, uppermost first. */
  @SuppressWarnings("ArrayRecordComponent") // never compared
  private record Laid(double[] us, double[] vs, double[] absorption, double[] scattering) {}

  /** What a ray meets; reused from ray to ray. */
  static final class Hit {
    int facet = -1;
    double distance;
    double[] absorption = new double[0];
    double[] scattering = new double[0];
  }

  Shell(Room room) {
    facets = Facet.of(room);
    int n = facets.size();
    nx = new double[n];
    ny = new double[n];
    nz = new double[n];
    offset = new double[n];
    dropped = new int[n];
    us = new double[n][];
    vs = new double[n][];
    laid = new Laid[n][];
    absorption = new double[n][];
    scattering = new double[n][];
    for (int f = 0; f < n; f++) {
      Facet facet = facets.get(f);
      Point normal = facet.normal();
      nx[f] = normal.x();
      ny[f] = normal.y();
      nz[f] = normal.z();
      offset[f] = normal.dot(facet.corners().getFirst());
      dropped[f] = longest(normal);
      us[f] = shadow(facet.corners(), dropped[f], 0);
      vs[f] = shadow(facet.corners(), dropped[f], 1);
      absorption[f] = absorption(facet.finish());
      scattering[f] = facet.finish().scattering().toArray();
      List<Laid> pieces = new ArrayList<>();
      for (Facet.Overlay patch : facet.patches()) {
        pieces.add(
            new Laid(
                shadow(patch.corners(), dropped[f], 0),
                shadow(patch.corners(), dropped[f], 1),
                absorption(patch.finish()),
                patch.finish().scattering().toArray()));
      }
      laid[f] = pieces.toArray(Laid[]::new);
    }
    open = room.furniture().isEmpty() && convex();
  }

  /** Coefficients of objects may pass one; a face can take up no more than all. */
  private static double[] absorption(Finish finish) {
    return finish.absorption().map(a -> Math.min(1, a)).toArray();
  }

  private static int longest(Point normal) {
    double x = Math.abs(normal.x());
    double y = Math.abs(normal.y());
    double z = Math.abs(normal.z());
    return x >= y && x >= z ? 0 : y >= z ? 1 : 2;
  }

  private static double[] shadow(List<Point> corners, int dropped, int axis) {
    return corners.stream()
        .mapToDouble(
            p -> axis == 0 ? (dropped == 0 ? p.y() : p.x()) : (dropped == 2 ? p.y() : p.z()))
        .toArray();
  }

  /** Whether no facet can hide another: all corners lie before or on every facet. */
  private boolean convex() {
    for (int f = 0; f < facets.size(); f++) {
      for (Facet other : facets) {
        for (Point corner : other.corners()) {
          if (before(f, corner) < -1e-6) {
            return false;
          }
        }
      }
    }
    return true;
  }

  int size() {
    return facets.size();
  }

  String surface(int facet) {
    return facets.get(facet).surface();
  }

  Point normal(int facet) {
    return facets.get(facet).normal();
  }

  /** Distance of a point before a facet's plane; negative behind it. */
  double before(int facet, Point p) {
    return nx[facet] * p.x() + ny[facet] * p.y() + nz[facet] * p.z() - offset[facet];
  }

  /** A point mirrored in a facet's plane. */
  Point mirrored(int facet, Point p) {
    return p.plus(normal(facet), -2 * before(facet, p));
  }

  /** Whether a point of a facet's plane lies on the facet. */
  boolean holds(int facet, Point p) {
    double u = dropped[facet] == 0 ? p.y() : p.x();
    double v = dropped[facet] == 2 ? p.y() : p.z();
    return within(us[facet], vs[facet], u, v);
  }

  private static boolean within(double[] us, double[] vs, double u, double v) {
    boolean inside = false;
    for (int i = 0, j = us.length - 1; i < us.length; j = i++) {
      if ((vs[i] > v) != (vs[j] > v)
          && u < (us[j] - us[i]) * (v - vs[i]) / (vs[j] - vs[i]) + us[i]) {
        inside = !inside;
      }
    }
    return inside;
  }

  /** What a facet is made of at one of its points; the arrays are not to be changed. */
  void finish(int facet, double x, double y, double z, Hit hit) {
    hit.absorption = absorption[facet];
    hit.scattering = scattering[facet];
    double u = dropped[facet] == 0 ? y : x;
    double v = dropped[facet] == 2 ? y : z;
    for (Laid piece : laid[facet]) {
      if (within(piece.us, piece.vs, u, v)) {
        hit.absorption = piece.absorption;
        hit.scattering = piece.scattering;
        return;
      }
    }
  }

  /**
   * The first facet that a ray meets from its front.
   *
   * @param dx direction, a unit vector with {@code dy} and {@code dz}
   * @return whether there is one
   */
  boolean meet(double x, double y, double z, double dx, double dy, double dz, Hit hit) {
    double nearest = Double.POSITIVE_INFINITY;
    int found = -1;
    for (int f = 0; f < offset.length; f++) {
      double towards = nx[f] * dx + ny[f] * dy + nz[f] * dz;
      if (towards >= 0) {
        continue;
      }
      double t = (offset[f] - nx[f] * x - ny[f] * y - nz[f] * z) / towards;
      if (t > CLEAR_METRES && t < nearest) {
        double px = x + t * dx;
        double py = y + t * dy;
        double pz = z + t * dz;
        double u = dropped[f] == 0 ? py : px;
        double v = dropped[f] == 2 ? py : pz;
        if (within(us[f], vs[f], u, v)) {
          nearest = t;
          found = f;
        }
      }
    }
    if (found < 0) {
      return false;
    }
    hit.facet = found;
    hit.distance = nearest;
    finish(found, x + nearest * dx, y + nearest * dy, z + nearest * dz, hit);
    return true;
  }

  /** Whether nothing stands between two points; facets that the points lie on do not count. */
  boolean sees(Point a, Point b) {
    if (open) {
      return true;
    }
    double length = a.distanceTo(b);
    if (length < CLEAR_METRES) {
      return true;
    }
    double dx = (b.x() - a.x()) / length;
    double dy = (b.y() - a.y()) / length;
    double dz = (b.z() - a.z()) / length;
    double clear = 1e-6;
    for (int f = 0; f < offset.length; f++) {
      double towards = nx[f] * dx + ny[f] * dy + nz[f] * dz;
      if (towards == 0) {
        continue;
      }
      double t = (offset[f] - nx[f] * a.x() - ny[f] * a.y() - nz[f] * a.z()) / towards;
      if (t > clear && t < length - clear) {
        double px = a.x() + t * dx;
        double py = a.y() + t * dy;
        double pz = a.z() + t * dz;
        double u = dropped[f] == 0 ? py : px;
        double v = dropped[f] == 2 ? py : pz;
        if (within(us[f], vs[f], u, v)) {
          return false;
        }
      }
    }
    return true;
  }

  /** Distance from a point to the nearest facet's plane, as far as its foot lies on the facet. */
  double clearance(Point p) {
    double least = Double.POSITIVE_INFINITY;
    for (int f = 0; f < offset.length; f++) {
      double off = before(f, p);
      if (off > 0 && holds(f, p.plus(normal(f), -off))) {
        least = Math.min(least, off);
      }
    }
    return least;
  }
}
