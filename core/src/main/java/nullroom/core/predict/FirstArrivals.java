package nullroom.core.predict;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import nullroom.core.acoustics.Octave;
import nullroom.core.room.Ceiling;
import nullroom.core.room.Finish;
import nullroom.core.room.Outline;
import nullroom.core.room.Patch;
import nullroom.core.room.Point;
import nullroom.core.room.Room;

/**
 * Where the voice reaches the microphone by one surface: the talker mirrored in each wall, the
 * floor and a flat ceiling, where the mirrored ray meets that surface (Allen and Berkley, J.
 * Acoust. Soc. Am. 65 (1979) 943, first order). Levels by distance and by absorption at 1 kHz
 * alone.
 */
public final class FirstArrivals {
  private FirstArrivals() {}

  /**
   * One path.
   *
   * @param surface that it meets
   * @param name of the piece on that surface it meets, or of the surface
   * @param at where
   * @param extraMetres longer than the direct path
   * @param levelDb re the direct sound
   */
  public record Arrival(
      String surface, String name, Point at, double extraMetres, double levelDb) {}

  /** All first-order paths, shortest first; empty without a talker or a microphone. */
  public static List<Arrival> of(Room room) {
    if (room.talker().isEmpty() || room.microphone().isEmpty()) {
      return List.of();
    }
    Point talker = room.talker().get().at();
    Point microphone = room.microphone().get().at();
    List<Arrival> found = new ArrayList<>();
    add(room, "floor", new Point(0, 0, 0), new Point(0, 0, 1), talker, microphone, found);
    if (room.ceiling() instanceof Ceiling.Flat) {
      Point top = new Point(0, 0, room.heightAt(talker));
      add(room, "ceiling", top, new Point(0, 0, 1), talker, microphone, found);
    }
    List<Point> corners = room.outline().corners();
    for (int k = 0; k < corners.size(); k++) {
      Point from = corners.get(k);
      Point along = corners.get((k + 1) % corners.size()).minus(from);
      double length = along.length();
      Point normal = new Point(-along.y() / length, along.x() / length, 0);
      add(room, "wall" + (k + 1), from, normal, talker, microphone, found);
    }
    found.sort(Comparator.comparingDouble(Arrival::extraMetres));
    return found;
  }

  /** The path that is that much longer than the direct one, within a tolerance. */
  public static Optional<Arrival> matching(
      List<Arrival> arrivals, double extraMetres, double toleranceMetres) {
    return arrivals.stream()
        .filter(a -> Math.abs(a.extraMetres() - extraMetres) <= toleranceMetres)
        .min(Comparator.comparingDouble(a -> Math.abs(a.extraMetres() - extraMetres)));
  }

  private static void add(
      Room room,
      String surface,
      Point on,
      Point normal,
      Point talker,
      Point microphone,
      List<Arrival> found) {
    double talkerOff = dot(talker.minus(on), normal);
    double microphoneOff = dot(microphone.minus(on), normal);
    if (talkerOff * microphoneOff <= 0) {
      return; // one of them lies on the surface or behind it
    }
    Point mirrored = talker.plus(normal, -2 * talkerOff);
    Point at = mirrored.plus(microphone.minus(mirrored), talkerOff / (talkerOff + microphoneOff));
    double path = mirrored.distanceTo(microphone);
    double direct = talker.distanceTo(microphone);
    if (!touches(room, surface, at)) {
      return;
    }
    Optional<Patch> patch = patchAt(room, surface, at);
    Finish finish = patch.map(Patch::finish).orElse(room.finishOf(surface));
    double kept = Math.max(1e-4, 1 - finish.absorption().get(Octave.HZ_1000));
    found.add(
        new Arrival(
            surface,
            patch.map(Patch::name).orElse(surface),
            at,
            path - direct,
            20 * Math.log10(direct / path) + 10 * Math.log10(kept)));
  }

  private static double dot(Point a, Point b) {
    return a.x() * b.x() + a.y() * b.y() + a.z() * b.z();
  }

  private static boolean touches(Room room, String surface, Point at) {
    if (!surface.startsWith("wall")) {
      return room.outline().contains(at);
    }
    List<Point> corners = room.outline().corners();
    int k = Integer.parseInt(surface.substring("wall".length())) - 1;
    double along = along(corners, k, at);
    double length = corners.get(k).distanceTo(corners.get((k + 1) % corners.size()));
    return along >= 0 && along <= length && at.z() >= 0 && at.z() <= room.heightAt(at) + 1e-6;
  }

  private static double along(List<Point> corners, int k, Point at) {
    Point from = corners.get(k);
    Point to = corners.get((k + 1) % corners.size());
    Point step = to.minus(from);
    return dot(new Point(at.x() - from.x(), at.y() - from.y(), 0), step) / step.length();
  }

  private static Optional<Patch> patchAt(Room room, String surface, Point at) {
    Point local =
        surface.startsWith("wall")
            ? new Point(
                along(
                    room.outline().corners(),
                    Integer.parseInt(surface.substring("wall".length())) - 1,
                    at),
                at.z(),
                0)
            : new Point(at.x(), at.y(), 0);
    // the piece put up last lies on top
    return room.patches().reversed().stream()
        .filter(p -> p.surface().equals(surface) && Outline.within(p.corners(), local))
        .findFirst();
  }
}
