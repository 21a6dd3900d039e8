package nullroom.core.predict;

import static java.util.Objects.requireNonNull;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import nullroom.core.Decibels;
import nullroom.core.Progress;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Octave;
import nullroom.core.room.Facet;
import nullroom.core.room.Furniture;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.Surface;

/**
 * How much of this voice each patch of surface sends back to this microphone, by the same rays as
 * the response: all that reaches the patch and is not taken up there, as if it went on to the
 * microphone by Lambert's law. That is where something soft pays.
 *
 * @param grids by surface
 * @param surfaces by name, cell by cell of its grid
 * @param pieces of furniture as wholes, in the room's order
 */
public record ReturnMap(
    Map<Surface, SurfaceGrid> grids, Map<Surface, Returns> surfaces, List<Returns> pieces) {
  private static final int CLOTH = -2;
  private static final int RAYS = 6000;
  private static final double SECONDS = 0.35;

  /**
   * What comes back, over the direct sound, per square metre.
   *
   * @param early up to 50 ms after the direct sound
   * @param late the same later
   */
  @SuppressWarnings("ArrayRecordComponent") // never compared
  public record Returns(double[] early, double[] late) {
    private Returns(int cells) {
      this(new double[cells], new double[cells]);
    }

    /** One of both. */
    public double[] of(boolean isEarly) {
      return isEarly ? early : late;
    }
  }

  public ReturnMap {
    grids = Map.copyOf(grids);
    surfaces = Map.copyOf(surfaces);
    pieces = List.copyOf(pieces);
  }

  /**
   * Computes it; a part of a second.
   *
   * @param seed of the rays
   * @param progress may cancel
   * @throws nullroom.core.Trouble.BadField if talker or microphone is missing
   */
  public static ReturnMap of(Room room, long seed, Progress progress) {
    Map<Surface, SurfaceGrid> grids = SurfaceGrid.of(room);
    Map<Surface, Returns> surfaces = new LinkedHashMap<>();
    grids.forEach((surface, grid) -> surfaces.put(surface, new Returns(grid.cells())));
    List<Facet> facets = Facet.of(room);
    int[] pieceOf = pieceOf(room, facets.size());
    List<Returns> pieces = room.furniture().stream().map(f -> new Returns(1)).toList();
    double[] weight = weight(room);
    double perCell = 1 / (SurfaceGrid.CELL_METRES * SurfaceGrid.CELL_METRES);
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
          double sum = 0;
          for (int b = Octave.FIRST_VOICE; b < weight.length; b++) {
            sum += weight[b] * energy[b];
          }
          int piece = pieceOf[facet];
          if (piece == CLOTH) {
            return;
          }
          if (piece >= 0) {
            pieces.get(piece).of(seconds < early)[0] += sum / area(room.furniture().get(piece));
            return;
          }
          Surface surface = facets.get(facet).surface().orElseThrow();
          int cell = requireNonNull(grids.get(surface)).at(room, new Point(x, y, z));
          requireNonNull(surfaces.get(surface)).of(seconds < early)[cell] += sum * perCell;
        },
        progress);
    return new ReturnMap(grids, surfaces, pieces);
  }

  /** Octaves by the voice's energy in them, over its direct sound in all. */
  private static double[] weight(Room room) {
    Bands voice = room.requireTalker().voiceDbSpl();
    Bands straight = Heard.directGainDb(room);
    double[] weight = new double[Octave.COUNT];
    double direct = 0;
    for (int b = Octave.FIRST_VOICE; b < weight.length; b++) {
      weight[b] = Decibels.toEnergy(voice.get(b));
      direct += weight[b] * Decibels.toEnergy(straight.get(b));
    }
    for (int b = 0; b < weight.length; b++) {
      weight[b] /= direct;
    }
    return weight;
  }

  private static double area(Furniture piece) {
    return piece.sides().stream().mapToDouble(Furniture.Side::area).sum();
  }

  /** The piece of furniture that each facet belongs to, -1 for the room's own, else cloth. */
  private static int[] pieceOf(Room room, int facets) {
    int[] pieceOf = new int[facets];
    java.util.Arrays.fill(pieceOf, -1);
    int cloth = 2 * room.contents().screens().size();
    java.util.Arrays.fill(pieceOf, facets - cloth, facets, CLOTH);
    int next = facets - cloth - room.furniture().stream().mapToInt(f -> f.sides().size()).sum();
    for (int k = 0; k < room.furniture().size(); k++) {
      for (int side = 0; side < room.furniture().get(k).sides().size(); side++) {
        pieceOf[next++] = k;
      }
    }
    return pieceOf;
  }

  /** Energy that a surface sends back in all, over the direct sound. */
  public double total(Surface surface, boolean early) {
    Returns returns = requireNonNull(surfaces.get(surface));
    double cell = SurfaceGrid.CELL_METRES * SurfaceGrid.CELL_METRES;
    return cell * java.util.Arrays.stream(returns.of(early)).sum();
  }
}
