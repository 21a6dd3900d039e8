package nullroom.core.predict;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
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
  /** axial, tangential or oblique, by the number of directions it moves in. */
  public String kind() {
    int directions = Integer.signum(nx) + Integer.signum(ny) + Integer.signum(nz);
    return directions == 1 ? "axial" : directions == 2 ? "tangential" : "oblique";
  }

  /** Modes of a box room up to a frequency, ascending; empty where the room is no box. */
  public static List<Mode> of(Room room, double upToHz) {
    List<Mode> modes = new ArrayList<>();
    if (!room.isBox()) {
      return modes;
    }
    Point size = room.size();
    double half = room.air().speedOfSound() / 2;
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
