package nullroom.core.predict;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import nullroom.core.room.Point;
import nullroom.core.room.Room;

/**
 * Specular paths from a source to a receiver. Each facet mirrors the source; mirrors of mirrors
 * form a tree [1]. A mirror that lies behind the facet it would be mirrored in ends its branch. A
 * path counts where the line from the receiver to the mirror meets the facets in their order,
 * within them, with nothing between. In a box without furniture the mirrors are a lattice [2],
 * which holds every order at the cost of what is heard.
 *
 * <p>[1] J. Borish, J. Acoust. Soc. Am. 75 (1984) 1827. [2] J. B. Allen, D. A. Berkley, ibid. 65
 * (1979) 943.
 */
final class ImageSources {
  /** Up to so many facets, four mirrors are taken after each other; beyond, three, then two. */
  private static final int FEW_FACETS = 10;

  private static final int MANY_FACETS = 60;
  private static final int ORDER_OF_VERY_MANY = 2;
  private static final int ORDER = 4;
  private static final int ORDER_OF_MANY = 3;

  /**
   * A path.
   *
   * @param points where it is reflected, from the source on
   * @param facets in which
   * @param metres its whole length
   */
  record Path(List<Point> points, List<Integer> facets, double metres) {
    int order() {
      return facets.size();
    }
  }

  private final RayGeometry geometry;
  private final Point source;
  private final Point receiver;
  private final double longest;
  private final int order;
  private final List<Path> found = new ArrayList<>();

  private ImageSources(
      RayGeometry geometry, Point source, Point receiver, double longest, int order) {
    this.geometry = geometry;
    this.source = source;
    this.receiver = receiver;
    this.longest = longest;
    this.order = order;
  }

  /** The order that {@link #of} goes to by itself; without end in a plain box. */
  static int order(Room room, RayGeometry geometry) {
    if (plainBox(room)) {
      return Integer.MAX_VALUE;
    }
    return geometry.size() <= FEW_FACETS
        ? ORDER
        : geometry.size() <= MANY_FACETS ? ORDER_OF_MANY : ORDER_OF_VERY_MANY;
  }

  static boolean plainBox(Room room) {
    return room.isBox() && room.furniture().isEmpty() && room.contents().screens().isEmpty();
  }

  /**
   * Reflected paths no longer than {@code longest}, the shortest first.
   *
   * @param order of the last that are looked for
   */
  static List<Path> of(
      Room room, RayGeometry geometry, Point source, Point receiver, double longest, int order) {
    ImageSources all = new ImageSources(geometry, source, receiver, longest, order);
    if (plainBox(room)) {
      all.lattice(room);
    } else {
      all.tree(source, new int[order], 0);
    }
    all.found.sort(Comparator.comparingDouble(Path::metres));
    return all.found;
  }

  /** The same by the tree even in a box. */
  static List<Path> byTree(
      RayGeometry geometry, Point source, Point receiver, double longest, int order) {
    ImageSources all = new ImageSources(geometry, source, receiver, longest, order);
    all.tree(source, new int[order], 0);
    all.found.sort(Comparator.comparingDouble(Path::metres));
    return all.found;
  }

  private void tree(Point image, int[] facets, int depth) {
    if (depth == order) {
      return;
    }
    for (int f = 0; f < geometry.size(); f++) {
      if (depth > 0 && f == facets[depth - 1]
          || geometry.before(f, image) < RayGeometry.CLEAR_METRES) {
        continue;
      }
      Point mirrored = geometry.mirrored(f, image);
      facets[depth] = f;
      if (mirrored.distanceTo(receiver) <= longest && geometry.before(f, receiver) > 0) {
        visible(mirrored, facets, depth + 1);
      }
      tree(mirrored, facets, depth + 1);
    }
  }

  /** Keeps a path that meets its facets in order. */
  private void visible(Point image, int[] facets, int depth) {
    Point[] points = new Point[depth];
    Point from = receiver;
    Point towards = image;
    for (int k = depth - 1; k >= 0; k--) {
      double here = geometry.before(facets[k], from);
      double there = geometry.before(facets[k], towards);
      if (here < RayGeometry.CLEAR_METRES || there > -RayGeometry.CLEAR_METRES) {
        return;
      }
      Point at = from.plus(towards.minus(from), here / (here - there));
      if (!geometry.holds(facets[k], at)) {
        return;
      }
      points[k] = at;
      towards = geometry.mirrored(facets[k], towards);
      from = at;
    }
    Point before = source;
    for (Point at : points) {
      if (!geometry.sees(before, at)) {
        return;
      }
      before = at;
    }
    if (geometry.sees(before, receiver)) {
      List<Integer> met = Arrays.stream(facets, 0, depth).boxed().toList();
      found.add(new Path(List.of(points), met, image.distanceTo(receiver)));
    }
  }

  /** Mirrors (1 - 2p) s + 2 n L in each direction. */
  private void lattice(Room room) {
    double[] low = {room.outline().span(0)[0], room.outline().span(1)[0], 0};
    double[] size = {room.size().x(), room.size().y(), room.size().z()};
    double[] s = {source.x() - low[0], source.y() - low[1], source.z()};
    double[] r = {receiver.x() - low[0], receiver.y() - low[1], receiver.z()};
    int[][] facets = boxFacets();
    int[] most = new int[3];
    for (int axis = 0; axis < 3; axis++) {
      most[axis] = (int) Math.ceil(longest / (2 * size[axis])) + 1;
    }
    for (int i = -2 * most[0]; i <= 2 * most[0]; i++) {
      for (int j = -2 * most[1]; j <= 2 * most[1]; j++) {
        for (int k = -2 * most[2]; k <= 2 * most[2]; k++) {
          int[] cell = {i, j, k};
          int reflections = Math.abs(i) + Math.abs(j) + Math.abs(k);
          double[] way = new double[3];
          double squared = 0;
          for (int axis = 0; axis < 3; axis++) {
            way[axis] = image(cell[axis], s[axis], size[axis]) - r[axis];
            squared += way[axis] * way[axis];
          }
          if (reflections > 0 && reflections <= order && squared <= longest * longest) {
            found.add(latticePath(cell, way, r, size, low, facets, Math.sqrt(squared)));
          }
        }
      }
    }
  }

  /** Where the source is seen from cell 0 in a cell of mirrors along one direction. */
  private static double image(int cell, double s, double size) {
    return cell % 2 == 0 ? cell * size + s : cell * size + (size - s);
  }

  /** Facets at the low and the high end of each direction. */
  private int[][] boxFacets() {
    int[][] ends = new int[3][2];
    for (int f = 0; f < geometry.size(); f++) {
      Point n = geometry.normal(f);
      double[] normal = {n.x(), n.y(), n.z()};
      for (int axis = 0; axis < 3; axis++) {
        if (Math.abs(normal[axis]) > 0.5) {
          ends[axis][normal[axis] > 0 ? 0 : 1] = f;
        }
      }
    }
    return ends;
  }

  /** The straight line to the mirror, folded back into the box at each side it passes. */
  private Path latticePath(
      int[] cell, double[] way, double[] r, double[] size, double[] low, int[][] facets, double d) {
    record Crossing(double share, int facet) {}
    List<Crossing> crossings = new ArrayList<>();
    for (int axis = 0; axis < 3; axis++) {
      int step = Integer.signum(cell[axis]);
      for (int m = 0; m < Math.abs(cell[axis]); m++) {
        double side = step > 0 ? (m + 1) * size[axis] : -m * size[axis];
        int plane = step > 0 ? m + 1 : -m;
        int end = plane % 2 == 0 ? 0 : 1; // even planes are images of the low side
        crossings.add(new Crossing((side - r[axis]) / way[axis], facets[axis][end]));
      }
    }
    crossings.sort(Comparator.comparingDouble(Crossing::share).reversed());
    List<Point> points = new ArrayList<>();
    for (Crossing c : crossings) {
      double[] at = new double[3];
      for (int axis = 0; axis < 3; axis++) {
        at[axis] = low[axis] + folded(r[axis] + c.share() * way[axis], size[axis]);
      }
      points.add(new Point(at[0], at[1], at[2]));
    }
    return new Path(points, crossings.stream().map(Crossing::facet).toList(), d);
  }

  private static double folded(double x, double size) {
    double in = Math.abs(x) % (2 * size);
    return in > size ? 2 * size - in : in;
  }
}
