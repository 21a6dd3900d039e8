package nullroom.core.predict;

import java.util.List;
import nullroom.core.room.Facet;
import nullroom.core.room.Point;
import nullroom.core.room.Room;

/**
 * A piece of furniture: its facets, and a sphere around it that most rays miss.
 *
 * @param from its first facet
 * @param to after its last
 * @param x of the sphere's middle
 */
record RayGroup(int from, int to, double x, double y, double z, double radiusSquared) {
  /** All of a room's, whose facets come last before {@code end}. */
  static RayGroup[] of(Room room, List<Facet> facets, int end) {
    RayGroup[] made = new RayGroup[room.furniture().size()];
    int to = end;
    for (int k = made.length - 1; k >= 0; k--) {
      int from = to - room.furniture().get(k).sides().size();
      Point low = new Point(Double.MAX_VALUE, Double.MAX_VALUE, Double.MAX_VALUE);
      Point high = new Point(-Double.MAX_VALUE, -Double.MAX_VALUE, -Double.MAX_VALUE);
      for (Facet facet : facets.subList(from, to)) {
        for (Point c : facet.corners()) {
          low =
              new Point(
                  Math.min(low.x(), c.x()), Math.min(low.y(), c.y()), Math.min(low.z(), c.z()));
          high =
              new Point(
                  Math.max(high.x(), c.x()), Math.max(high.y(), c.y()), Math.max(high.z(), c.z()));
        }
      }
      double radius = low.distanceTo(high) / 2 + RayGeometry.CLEAR_METRES;
      Point middle = low.plus(high.minus(low), 0.5);
      made[k] = new RayGroup(from, to, middle.x(), middle.y(), middle.z(), radius * radius);
      to = from;
    }
    return made;
  }

  /** Whether a ray comes by. */
  boolean met(double px, double py, double pz, double dx, double dy, double dz) {
    double tx = x - px;
    double ty = y - py;
    double tz = z - pz;
    double along = tx * dx + ty * dy + tz * dz;
    double apart = tx * tx + ty * ty + tz * tz;
    return apart - along * along <= radiusSquared && (along > 0 || apart <= radiusSquared);
  }
}
