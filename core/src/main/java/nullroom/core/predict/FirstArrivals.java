package nullroom.core.predict;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import nullroom.core.acoustics.Octave;
import nullroom.core.room.Ceiling;
import nullroom.core.room.Finish;
import nullroom.core.room.Furniture;
import nullroom.core.room.Outline;
import nullroom.core.room.Patch;
import nullroom.core.room.Point;
import nullroom.core.room.Room;

/**
 * Where the voice reaches the microphone by one surface: the talker mirrored in each wall, the
 * floor, each slope of the ceiling and every face of furniture, where the mirrored ray meets that
 * surface (Allen and Berkley, J. Acoust. Soc. Am. 65 (1979) 943, first order). Levels by distance
 * and by absorption at 1 kHz alone.
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
    List<Point> corners = room.outline().corners();
    Point up = new Point(0, 0, 1);
    add(room, "floor", corners, new Point(0, 0, 0), up, talker, microphone, found);
    for (Ceiling.Plane slope : room.ceiling().planes(room.outline())) {
      Point on = new Point(0, 0, slope.atOrigin());
      Point normal = unit(new Point(-slope.slopeX(), -slope.slopeY(), 1));
      add(room, "ceiling", slope.corners(), on, normal, talker, microphone, found);
    }
    for (int k = 0; k < corners.size(); k++) {
      Point from = corners.get(k);
      Point along = corners.get((k + 1) % corners.size()).minus(from);
      double length = along.length();
      Point normal = new Point(-along.y() / length, along.x() / length, 0);
      add(room, "wall" + (k + 1), corners, from, normal, talker, microphone, found);
    }
    for (Furniture piece : room.furniture()) {
      for (Furniture.Side side : piece.sides()) {
        add(piece, side, talker, microphone, found);
      }
    }
    found.sort(Comparator.comparingDouble(Arrival::extraMetres));
    return found;
  }

  /** The paths that are that much longer than the direct one, within a tolerance; nearest first. */
  public static List<Arrival> matching(
      List<Arrival> arrivals, double extraMetres, double toleranceMetres) {
    return arrivals.stream()
        .filter(a -> Math.abs(a.extraMetres() - extraMetres) <= toleranceMetres)
        .sorted(Comparator.comparingDouble(a -> Math.abs(a.extraMetres() - extraMetres)))
        .toList();
  }

  /**
   * @param plan where in the plan a floor or ceiling lies
   */
  private static void add(
      Room room,
      String surface,
      List<Point> plan,
      Point on,
      Point normal,
      Point talker,
      Point microphone,
      List<Arrival> found) {
    Optional<Point> at = mirrored(on, normal, talker, microphone);
    if (at.isPresent() && touches(room, surface, plan, at.get())) {
      Optional<Patch> patch = patchAt(room, surface, at.get());
      found.add(
          arrival(
              surface,
              patch.map(Patch::name).orElse(surface),
              patch.map(Patch::finish).orElse(room.finishOf(surface)),
              at.get(),
              talker,
              microphone));
    }
  }

  /** By a face of furniture, seen from outside. */
  private static void add(
      Furniture piece, Furniture.Side side, Point talker, Point microphone, List<Arrival> found) {
    Point on = side.corners().get(0);
    Point across = side.corners().get(1).minus(on);
    Point up = side.corners().get(3).minus(on);
    Point normal = unit(across.cross(up));
    if (talker.minus(on).dot(normal) <= 0) {
      return;
    }
    Optional<Point> at = mirrored(on, normal, talker, microphone);
    if (at.isPresent()) {
      Point local = at.get().minus(on);
      double u = local.dot(across) / across.dot(across);
      double v = local.dot(up) / up.dot(up);
      if (u >= 0 && u <= 1 && v >= 0 && v <= 1) {
        found.add(
            arrival(piece.name(), piece.name(), piece.finish(), at.get(), talker, microphone));
      }
    }
  }

  private static Point unit(Point vector) {
    return new Point(0, 0, 0).plus(vector, 1 / vector.length());
  }

  /** Where the mirrored ray meets a plane; empty where one of both lies on it or behind it. */
  private static Optional<Point> mirrored(Point on, Point normal, Point talker, Point microphone) {
    double talkerOff = talker.minus(on).dot(normal);
    double microphoneOff = microphone.minus(on).dot(normal);
    if (talkerOff * microphoneOff <= 0) {
      return Optional.empty();
    }
    Point mirrored = talker.plus(normal, -2 * talkerOff);
    return Optional.of(
        mirrored.plus(microphone.minus(mirrored), talkerOff / (talkerOff + microphoneOff)));
  }

  private static Arrival arrival(
      String surface, String name, Finish finish, Point at, Point talker, Point microphone) {
    double path = talker.distanceTo(at) + at.distanceTo(microphone);
    double direct = talker.distanceTo(microphone);
    double kept = Math.max(1e-4, 1 - finish.absorption().get(Octave.HZ_1000));
    return new Arrival(
        surface, name, at, path - direct, 20 * Math.log10(direct / path) + 10 * Math.log10(kept));
  }

  private static boolean touches(Room room, String surface, List<Point> plan, Point at) {
    if (!surface.startsWith("wall")) {
      return Outline.within(plan, at);
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
    return new Point(at.x() - from.x(), at.y() - from.y(), 0).dot(step) / step.length();
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
