package nullroom.core.predict;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.Surface;

/**
 * Square cells over one surface, in its own axes, row by row; those at the edges reach beyond it.
 *
 * @param surface that it covers
 * @param columns along the first axis
 * @param rows along the second
 * @param u0 where the first column starts
 * @param v0 where the first row starts
 */
public record SurfaceGrid(Surface surface, int columns, int rows, double u0, double v0) {
  /** Edge of a cell. */
  public static final double CELL_METRES = 0.25;

  /** Over all surfaces of a room, in their order. */
  public static Map<Surface, SurfaceGrid> of(Room room) {
    Map<Surface, SurfaceGrid> grids = new LinkedHashMap<>();
    for (Surface surface : room.surfaces()) {
      grids.put(surface, of(room, surface));
    }
    return grids;
  }

  private static SurfaceGrid of(Room room, Surface surface) {
    double[] us = room.enclosure().span(surface, 0);
    double[] vs = room.enclosure().span(surface, 1);
    int columns = (int) Math.ceil((us[1] - us[0]) / CELL_METRES);
    int rows = (int) Math.ceil((vs[1] - vs[0]) / CELL_METRES);
    return new SurfaceGrid(surface, columns, rows, us[0], vs[0]);
  }

  /** How many there are. */
  public int cells() {
    return columns * rows;
  }

  /** Where a cell starts on the first axis. */
  public double u(int cell) {
    return u0 + cell % columns * CELL_METRES;
  }

  /** Where a cell starts on the second axis. */
  public double v(int cell) {
    return v0 + cell / columns * CELL_METRES;
  }

  /** The cell of a point of the surface. */
  int at(Room room, Point point) {
    Point local = room.enclosure().local(surface, point);
    int column = Math.clamp((int) ((local.x() - u0) / CELL_METRES), 0, columns - 1);
    return Math.clamp((int) ((local.y() - v0) / CELL_METRES), 0, rows - 1) * columns + column;
  }

  /** The middle of a cell, where that lies on the surface. */
  public Optional<Point> middle(Room room, int cell) {
    return room.enclosure().on(surface, u(cell) + CELL_METRES / 2, v(cell) + CELL_METRES / 2);
  }
}
