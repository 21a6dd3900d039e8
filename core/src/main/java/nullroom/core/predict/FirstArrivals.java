package nullroom.core.predict;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import nullroom.core.Decibels;
import nullroom.core.acoustics.Octave;
import nullroom.core.room.Outline;
import nullroom.core.room.Patch;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.Surface;

/**
 * Where the voice reaches the microphone by one surface: the talker mirrored in each wall, the
 * floor, each slope of the ceiling and every face of furniture, where the mirrored ray meets that
 * surface and nothing hides it (Allen and Berkley, J. Acoust. Soc. Am. 65 (1979) 943, first order).
 * Levels by distance and by absorption at 1 kHz alone.
 */
public final class FirstArrivals {
  private FirstArrivals() {}

  /**
   * One path.
   *
   * @param surface that it meets; empty where it meets furniture
   * @param name of the piece on that surface it meets, or of the surface
   * @param at where
   * @param extraMetres longer than the direct path
   * @param levelDb re the direct sound
   */
  public record Arrival(
      Optional<Surface> surface, String name, Point at, double extraMetres, double levelDb) {}

  /** All first-order paths, shortest first; empty without a talker or a microphone. */
  public static List<Arrival> of(Room room) {
    if (room.talker().isEmpty() || room.microphone().isEmpty()) {
      return List.of();
    }
    Point talker = room.talker().get().at();
    Point microphone = room.microphone().get().at();
    double direct = talker.distanceTo(microphone);
    RayGeometry geometry = new RayGeometry(room);
    RayGeometry.Hit hit = new RayGeometry.Hit();
    List<Arrival> found = new ArrayList<>();
    for (ImageSources.Path path :
        ImageSources.byTree(geometry, talker, microphone, Double.POSITIVE_INFINITY, 1)) {
      int facet = path.facets().getFirst();
      Point at = path.points().getFirst();
      geometry.finish(facet, at.x(), at.y(), at.z(), hit);
      double kept = Math.max(1e-4, 1 - hit.absorption[Octave.HZ_1000]);
      found.add(
          new Arrival(
              geometry.surface(facet),
              geometry
                  .surface(facet)
                  .flatMap(s -> pieceAt(room, s, at))
                  .orElse(geometry.name(facet)),
              at,
              path.metres() - direct,
              Decibels.ofAmplitude(direct / path.metres()) + Decibels.ofEnergy(kept)));
    }
    return found;
  }

  /** The piece put up last lies on top. */
  private static Optional<String> pieceAt(Room room, Surface surface, Point at) {
    Point local = room.enclosure().local(surface, at);
    return room.patches().reversed().stream()
        .filter(p -> p.surface().equals(surface) && Outline.within(p.corners(), local))
        .map(Patch::name)
        .findFirst();
  }

  /** The paths that are that much longer than the direct one, within a tolerance; nearest first. */
  public static List<Arrival> matching(
      List<Arrival> arrivals, double extraMetres, double toleranceMetres) {
    return arrivals.stream()
        .filter(a -> Math.abs(a.extraMetres() - extraMetres) <= toleranceMetres)
        .sorted(Comparator.comparingDouble(a -> Math.abs(a.extraMetres() - extraMetres)))
        .toList();
  }
}
