package nullroom.core.predict;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Decibels;
import nullroom.core.acoustics.Octave;
import nullroom.core.room.Facet;
import nullroom.core.room.Point;
import nullroom.core.room.Room;

/**
 * How much of this voice each patch of surface sends back to this microphone, by the same rays as
 * the response: all that reaches the patch and is not taken up there, as if it went on to the
 * microphone by Lambert's law. That is where something soft pays.
 *
 * @param grids by surface
 */
public record ReturnMap(Map<String, Grid> grids) {
  /** Edge of a cell. */
  public static final double CELL_METRES = 0.25;

  private static final int RAYS = 6000;
  private static final double SECONDS = 0.35;

  /**
   * The cells of one surface, in its own axes.
   *
   * @param columns along the first axis
   * @param rows along the second
   * @param u0 where the first column starts
   * @param v0 where the first row starts
   * @param early energy per square metre up to 50 ms after the direct sound, over the direct sound,
   *     row by row
   * @param late the same later
   */
  @SuppressWarnings("ArrayRecordComponent") // never compared
  public record Grid(int columns, int rows, double u0, double v0, double[] early, double[] late) {}

  public ReturnMap {
    grids = Map.copyOf(grids);
  }

  /**
   * Computes it; a few hundredths of a second.
   *
   * @param seed of the rays
   * @throws nullroom.core.Trouble.BadField if talker or microphone is missing
   */
  public static ReturnMap of(Room room, long seed) {
    Map<String, Grid> grids = new LinkedHashMap<>();
    for (String surface : room.surfaceNames()) {
      grids.put(surface, grid(room, surface));
    }
    List<Facet> facets = Facet.of(room);
    Bands voice = room.requireTalker().effort().levelsDbSpl();
    double[] weight = new double[Octave.COUNT];
    double direct = 0;
    Bands straight = Heard.directGainDb(room);
    for (int b = Octave.FIRST_VOICE; b < weight.length; b++) {
      weight[b] = Decibels.toEnergy(voice.get(b));
      direct += weight[b] * Decibels.toEnergy(straight.get(b));
    }
    double scale = 1 / direct / (CELL_METRES * CELL_METRES);
    double early =
        room.requireTalker().at().distanceTo(room.requireMicrophone().at())
                / room.air().speedOfSound()
            + Heard.EARLY_SECONDS;
    RoomResponse.collect(
        room,
        RAYS,
        seed,
        SECONDS,
        (facet, x, y, z, energy, seconds) -> {
          String surface = facets.get(facet).surface();
          Grid grid = grids.get(surface);
          if (grid != null) {
            double sum = 0;
            for (int b = Octave.FIRST_VOICE; b < weight.length; b++) {
              sum += weight[b] * energy[b];
            }
            add(room, surface, grid, x, y, z, seconds < early, sum * scale);
          }
        });
    return new ReturnMap(grids);
  }

  private static Grid grid(Room room, String surface) {
    double[] us = {0, 0};
    double[] vs = {0, room.size().z()};
    if (surface.startsWith("wall")) {
      us[1] = room.wallLength(surface);
    } else {
      us = room.outline().span(0);
      vs = room.outline().span(1);
    }
    int columns = (int) Math.ceil((us[1] - us[0]) / CELL_METRES);
    int rows = (int) Math.ceil((vs[1] - vs[0]) / CELL_METRES);
    return new Grid(
        columns, rows, us[0], vs[0], new double[columns * rows], new double[columns * rows]);
  }

  private static void add(
      Room room,
      String surface,
      Grid grid,
      double x,
      double y,
      double z,
      boolean early,
      double energy) {
    Point local = room.local(surface, new Point(x, y, z));
    int column = Math.clamp((int) ((local.x() - grid.u0()) / CELL_METRES), 0, grid.columns() - 1);
    int row = Math.clamp((int) ((local.y() - grid.v0()) / CELL_METRES), 0, grid.rows() - 1);
    (early ? grid.early() : grid.late())[row * grid.columns() + column] += energy;
  }

  /** Energy that a surface sends back in all, over the direct sound. */
  public double total(String surface, boolean early) {
    Grid grid = java.util.Objects.requireNonNull(grids.get(surface), surface);
    double sum = 0;
    for (double e : early ? grid.early() : grid.late()) {
      sum += e * CELL_METRES * CELL_METRES;
    }
    return sum;
  }
}
