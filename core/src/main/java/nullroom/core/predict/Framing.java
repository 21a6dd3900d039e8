package nullroom.core.predict;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nullroom.core.room.Camera;
import nullroom.core.room.Furniture;
import nullroom.core.room.Outline;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.Surface;

/**
 * What a room's camera has in its picture: by surface which cells it sees, and which things. What
 * hangs there stays in the picture. Furniture and corners hide what is behind them.
 *
 * @param grids by surface
 * @param cells by surface, of its grid
 * @param pieces whether each piece of furniture is seen, in the room's order
 * @param talker whether the lips are
 * @param microphone whether it is
 */
@SuppressWarnings("ArrayRecordComponent") // never compared
public record Framing(
    Map<Surface, SurfaceGrid> grids,
    Map<Surface, boolean[]> cells,
    List<Boolean> pieces,
    boolean talker,
    boolean microphone) {
  private static final double MESH_METRES = 0.05;
  private static final int MOST_MESHES = 40;

  public Framing {
    grids = Map.copyOf(grids);
    cells = Map.copyOf(cells);
    pieces = List.copyOf(pieces);
  }

  /** Empty where the room has no camera. */
  public static Optional<Framing> of(Room room) {
    return room.camera().map(camera -> of(room, camera));
  }

  private static Framing of(Room room, Camera camera) {
    RayGeometry geometry = new RayGeometry(room);
    Map<Surface, boolean[]> cells = new LinkedHashMap<>();
    Map<Surface, SurfaceGrid> grids = SurfaceGrid.of(room);
    grids.forEach((surface, grid) -> {
      boolean[] seen = new boolean[grid.cells()];
      for (int k = 0; k < seen.length; k++) {
        seen[k] = grid.middle(room, k).filter(p -> sees(geometry, camera, p)).isPresent();
      }
      cells.put(surface, seen);
    });
    return new Framing(
        grids,
        cells,
        room.furniture().stream().map(f -> sees(geometry, camera, f)).toList(),
        room.talker().filter(t -> sees(geometry, camera, t.at())).isPresent(),
        room.microphone().filter(m -> sees(geometry, camera, m.at())).isPresent());
  }

  private static boolean sees(RayGeometry geometry, Camera camera, Furniture piece) {
    return piece.sides().stream().anyMatch(side -> sees(geometry, camera, side.corners()));
  }

  /** Whether any point of a fine mesh over a rectangle is seen. */
  private static boolean sees(RayGeometry geometry, Camera camera, List<Point> c) {
    Point along = c.get(1).minus(c.get(0));
    Point across = c.get(3).minus(c.get(0));
    int columns = meshes(along.length());
    int rows = meshes(across.length());
    for (int i = 0; i <= columns; i++) {
      for (int j = 0; j <= rows; j++) {
        Point p = c.get(0).plus(along, (double) i / columns).plus(across, (double) j / rows);
        if (sees(geometry, camera, p)) {
          return true;
        }
      }
    }
    return false;
  }

  private static int meshes(double metres) {
    return Math.clamp((int) (metres / MESH_METRES), 1, MOST_MESHES);
  }

  private static boolean sees(RayGeometry geometry, Camera camera, Point p) {
    return camera.frames(p) && geometry.clear(camera.at().x(), camera.at().y(), camera.at().z(), p);
  }

  /** Share of a surface's cells that is seen, 0 to 1. */
  public double share(Room room, Surface surface) {
    SurfaceGrid grid = java.util.Objects.requireNonNull(grids.get(surface));
    boolean[] seen = java.util.Objects.requireNonNull(cells.get(surface));
    int all = 0;
    int in = 0;
    for (int k = 0; k < seen.length; k++) {
      all += grid.middle(room, k).isPresent() ? 1 : 0;
      in += seen[k] ? 1 : 0;
    }
    return all == 0 ? 0 : (double) in / all;
  }

  /** Whether a piece hung over a cornered part of a surface would be in the picture. */
  public boolean shows(Surface surface, List<Point> corners) {
    SurfaceGrid grid = java.util.Objects.requireNonNull(grids.get(surface));
    boolean[] seen = java.util.Objects.requireNonNull(cells.get(surface));
    double half = SurfaceGrid.CELL_METRES / 2;
    for (int k = 0; k < seen.length; k++) {
      if (seen[k] && Outline.within(corners, new Point(grid.u(k) + half, grid.v(k) + half, 0))) {
        return true;
      }
    }
    return false;
  }
}
