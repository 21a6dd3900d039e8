package nullroom.core.predict;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nullroom.core.room.Facet;
import nullroom.core.room.Finish;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.Screen;
import nullroom.core.room.Surface;

/**
 * A room's facets as plain arrays, for the many rays that are shot at them. Points lie in a polygon
 * as their shadows along its normal's longest axis lie in its shadow.
 */
final class RayGeometry {
  /** A ray leaves a facet by this much before it can meet another. */
  static final double CLEAR_METRES = 1e-7;

  /** What a piece of furniture costs a ray, in trials of a facet. */
  private static final int TRIALS_PER_GROUP = 3;

  /** What lies so near the end of a line of sight lies on it. */
  private static final double END_METRES = 1e-6;

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
  private final double[][] transmission;
  private final boolean open;

  /** Facets of what stands solid; both faces of free cloth come after them. */
  private final int solid;

  /** Facets of the room itself, which come first. */
  private final int own;

  private final RayGroup[] groups;

  /** A piece that lies on a facet, uppermost first. */
  @SuppressWarnings("ArrayRecordComponent") // never compared
  private record Laid(double[] us, double[] vs, double[] absorption, double[] scattering) {}

  /** What a ray meets; reused from ray to ray. */
  static final class Hit {
    int facet = -1;
    double distance;
    double[] absorption = new double[0];
    double[] scattering = new double[0];

    /** What goes through, of free cloth; empty for all else. */
    double[] transmission = new double[0];
  }

  RayGeometry(Room room) {
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
    transmission = new double[n][];
    List<Screen> screens = room.contents().screens();
    solid = n - 2 * screens.size();
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
      transmission[f] =
          f < solid ? new double[0] : screens.get((f - solid) / 2).cloth().transmission().toArray();
    }
    open = room.furniture().isEmpty() && convex();
    groups = RayGroup.of(room, facets, solid);
    own = groups.length == 0 ? solid : groups[0].from();
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
    for (int f = 0; f < solid; f++) {
      for (Facet other : facets.subList(0, solid)) {
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

  /** No way from facet to facet is longer, metres. */
  double longestWay() {
    double longest = 0;
    Point from = facets.getFirst().corners().getFirst();
    for (Facet facet : facets) {
      for (Point corner : facet.corners()) {
        longest = Math.max(longest, 2 * from.distanceTo(corner));
      }
    }
    return longest;
  }

  /** What one reflection is tried against, the way to the receiver counted. */
  int trials() {
    int pieces = 0;
    for (Laid[] on : laid) {
      pieces += on.length;
    }
    int cloth = offset.length - solid;
    return (open ? 1 : 2) * (own + TRIALS_PER_GROUP * groups.length) + 2 * cloth + pieces / own;
  }

  /** Surface of the enclosure that a facet is part of; empty for furniture. */
  Optional<Surface> surface(int facet) {
    return facets.get(facet).surface();
  }

  /** Name of the surface or of the thing that a facet is part of. */
  String name(int facet) {
    return facets.get(facet).name();
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
    return holds(facet, p.x(), p.y(), p.z());
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
    hit.transmission = transmission[facet];
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
    hit.facet = -1;
    hit.distance = Double.POSITIVE_INFINITY;
    meet(0, own, x, y, z, dx, dy, dz, hit);
    for (RayGroup group : groups) {
      if (group.met(x, y, z, dx, dy, dz)) {
        meet(group.from(), group.to(), x, y, z, dx, dy, dz, hit);
      }
    }
    meet(solid, offset.length, x, y, z, dx, dy, dz, hit);
    if (hit.facet < 0) {
      return false;
    }
    double t = hit.distance;
    finish(hit.facet, x + t * dx, y + t * dy, z + t * dz, hit);
    return true;
  }

  private void meet(
      int from, int to, double x, double y, double z, double dx, double dy, double dz, Hit hit) {
    for (int f = from; f < to; f++) {
      double towards = nx[f] * dx + ny[f] * dy + nz[f] * dz;
      if (towards >= 0) {
        continue;
      }
      double t = (offset[f] - nx[f] * x - ny[f] * y - nz[f] * z) / towards;
      if (t > CLEAR_METRES && t < hit.distance && holds(f, x + t * dx, y + t * dy, z + t * dz)) {
        hit.distance = t;
        hit.facet = f;
      }
    }
  }

  private boolean holds(int f, double x, double y, double z) {
    return within(us[f], vs[f], dropped[f] == 0 ? y : x, dropped[f] == 2 ? y : z);
  }

  /** Whether nothing stands between two points; facets that the points lie on do not count. */
  boolean sees(Point a, Point b) {
    return sees(a.x(), a.y(), a.z(), b);
  }

  /** The same from the coordinates of the first. */
  boolean sees(double x, double y, double z, Point b) {
    if (open) {
      return true;
    }
    double dx = b.x() - x;
    double dy = b.y() - y;
    double dz = b.z() - z;
    double length = Math.sqrt(dx * dx + dy * dy + dz * dz);
    if (length < CLEAR_METRES) {
      return true;
    }
    dx /= length;
    dy /= length;
    dz /= length;
    if (between(0, own, x, y, z, dx, dy, dz, length)) {
      return false;
    }
    for (RayGroup group : groups) {
      if (group.met(x, y, z, dx, dy, dz)
          && between(group.from(), group.to(), x, y, z, dx, dy, dz, length)) {
        return false;
      }
    }
    return true;
  }

  /** Whether not even free cloth stands between two points. */
  boolean clear(double x, double y, double z, Point b) {
    return sees(x, y, z, b) && !covered(x, y, z, b, new double[0]);
  }

  /**
   * Takes from a sound's energies what free cloth between two points keeps back.
   *
   * @param energy per octave, changed
   */
  void pass(double x, double y, double z, Point b, double[] energy) {
    if (solid < offset.length) {
      covered(x, y, z, b, energy);
    }
  }

  private boolean covered(double x, double y, double z, Point to, double[] energy) {
    boolean any = false;
    for (int f = solid; f < offset.length; f += 2) {
      double here = nx[f] * x + ny[f] * y + nz[f] * z - offset[f];
      double there = before(f, to);
      double t = here / (here - there);
      if (Math.abs(here) < END_METRES || Math.abs(there) < END_METRES || here * there > 0) {
        continue;
      }
      if (holds(f, x + t * (to.x() - x), y + t * (to.y() - y), z + t * (to.z() - z))) {
        any = true;
        for (int b = 0; b < energy.length; b++) {
          energy[b] *= transmission[f][b];
        }
      }
    }
    return any;
  }

  private boolean between(
      int from,
      int to,
      double x,
      double y,
      double z,
      double dx,
      double dy,
      double dz,
      double length) {
    for (int f = from; f < to; f++) {
      double towards = nx[f] * dx + ny[f] * dy + nz[f] * dz;
      if (towards == 0) {
        continue;
      }
      double t = (offset[f] - nx[f] * x - ny[f] * y - nz[f] * z) / towards;
      if (t > END_METRES
          && t < length - END_METRES
          && holds(f, x + t * dx, y + t * dy, z + t * dz)) {
        return true;
      }
    }
    return false;
  }

  /**
   * Whether a point lies behind a facet of the room's boundary, or something hides it from another.
   */
  boolean hides(double x, double y, double z, Point from) {
    if (!open) {
      return !clear(x, y, z, from);
    }
    for (int f = 0; f < solid; f++) {
      if (nx[f] * x + ny[f] * y + nz[f] * z < offset[f]) {
        return true;
      }
    }
    return covered(x, y, z, from, new double[0]);
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
