package nullroom.core.predict;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import nullroom.core.Decibels;
import nullroom.core.room.Point;
import nullroom.core.room.Room;

/**
 * A mode of a rigid rectangular room: f = (c/2) sqrt((nx/Lx)^2 + (ny/Ly)^2 + (nz/Lz)^2) (Rayleigh).
 *
 * @param frequencyHz its frequency
 * @param nx order along x
 * @param ny order along y
 * @param nz order along z
 */
public record Mode(double frequencyHz, int nx, int ny, int nz) {
  /** Walls give way and tape measures err: modes lie within a twelfth of where they should. */
  private static final double NEAR = 1 / 12.0;

  /** In a real room no node is deeper. */
  private static final double DEEPEST_DB = -40;

  /**
   * Pressure of this mode at a place over its most, in dB: the product of |cos(n pi x / L)| along
   * the three directions (Rayleigh). 0 in corners; very low at its nodes.
   *
   * @param low the room's corner where all coordinates are least
   * @param size length, width and height
   */
  public double levelDb(Point at, Point low, Point size) {
    double shape =
        Math.cos(nx * Math.PI * (at.x() - low.x()) / size.x())
            * Math.cos(ny * Math.PI * (at.y() - low.y()) / size.y())
            * Math.cos(nz * Math.PI * (at.z() - low.z()) / size.z());
    return Math.max(DEEPEST_DB, Decibels.ofAmplitude(Math.abs(shape) + 1e-12));
  }

  /** axial, tangential or oblique, by the number of directions it moves in. */
  public String kind() {
    int directions = Integer.signum(nx) + Integer.signum(ny) + Integer.signum(nz);
    return directions == 1 ? "axial" : directions == 2 ? "tangential" : "oblique";
  }

  /**
   * Modes up to a frequency, ascending: of a box room, or of the box with the same plan and volume
   * where the ceiling slopes, which is near for the lowest ones only; empty where the plan is no
   * rectangle.
   */
  public static List<Mode> about(Room room, double upToHz) {
    Point size = room.size();
    return room.outline().isBox()
        ? of(
            new Point(size.x(), size.y(), room.volume() / room.outline().area()),
            room.air().speedOfSound(),
            upToHz)
        : List.of();
  }

  /** The mode nearest to a frequency, within a twelfth of it. */
  public static Optional<Mode> nearest(List<Mode> modes, double hz) {
    return modes.stream()
        .filter(m -> Math.abs(m.frequencyHz() - hz) <= hz * NEAR)
        .min(Comparator.comparingDouble(m -> Math.abs(m.frequencyHz() - hz)));
  }

  /** Modes of a box room up to a frequency, ascending; empty where the room is no box. */
  public static List<Mode> of(Room room, double upToHz) {
    return room.isBox() ? of(room.size(), room.air().speedOfSound(), upToHz) : List.of();
  }

  private static List<Mode> of(Point size, double speedOfSound, double upToHz) {
    List<Mode> modes = new ArrayList<>();
    double half = speedOfSound / 2;
    for (int x = 0; half * x / size.x() <= upToHz; x++) {
      for (int y = 0; half * y / size.y() <= upToHz; y++) {
        for (int z = 0; half * z / size.z() <= upToHz; z++) {
          double f = half * new Point(x / size.x(), y / size.y(), z / size.z()).length();
          if (f > 0 && f <= upToHz) {
            modes.add(new Mode(f, x, y, z));
          }
        }
      }
    }
    modes.sort(Comparator.comparingDouble(Mode::frequencyHz));
    return modes;
  }
}
