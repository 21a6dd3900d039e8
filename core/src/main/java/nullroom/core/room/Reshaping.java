package nullroom.core.room;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nullroom.core.Trouble;

/** A room given another shape, with as much of what it holds as still fits. */
final class Reshaping {
  /** Between lips and microphone where both had to move. */
  private static final double BESIDE_METRES = 0.3;

  private static final double SITTING_METRES = 1.25;
  private static final double HEAD_METRES = 1.35;
  private static final double WALL_METRES = 0.3;
  private static final double STEP_METRES = 0.1;

  private Reshaping() {}

  /**
   * Surfaces keep their finish by name, new ones get that of wall 1. What lies on a surface that is
   * gone or too small goes, and what stands outside; talker, microphone and camera move in.
   */
  static Room of(Room room, Outline outline, Ceiling ceiling) {
    Enclosure enclosure = new Enclosure(outline, ceiling);
    Map<Surface, Finish> finishes = new LinkedHashMap<>();
    for (Surface surface : enclosure.surfaces()) {
      boolean old = room.enclosure().has(surface);
      finishes.put(surface, room.finishOf(old ? surface : Surface.wall(1)));
    }
    Room bare =
        new Room(
            room.name(),
            enclosure,
            room.air(),
            new Finishes(finishes, Optional.empty()),
            Contents.NOTHING.withObjects(room.objects()),
            SetUp.NONE,
            new RoomNoise(room.noiseDbSpl(), List.of()));
    List<Patch> kept = room.patches().stream().filter(bare::carries).toList();
    return furnished(peopled(bare.withPatches(kept), room), room);
  }

  /** With the furniture and the noise sources that still fit. */
  private static Room furnished(Room shaped, Room before) {
    List<Furniture> kept = new ArrayList<>();
    for (Furniture piece : before.furniture()) {
      kept.add(piece);
      if (!fits(shaped, kept)) {
        kept.removeLast();
      }
    }
    Room furnished = shaped.withFurniture(kept);
    return before.noiseDbSpl().isEmpty()
        ? furnished
        : furnished.withNoise(
            before.noiseDbSpl().get(),
            before.sources().stream().filter(s -> shaped.holds(s.at())).toList());
  }

  private static boolean fits(Room room, List<Furniture> furniture) {
    try {
      room.withFurniture(furniture);
      return true;
    } catch (Trouble.BadField doesNot) {
      return false;
    }
  }

  private static Room peopled(Room shaped, Room before) {
    Point centre = inside(shaped);
    Room room = shaped;
    if (before.talker().isPresent()) {
      Talker talker = before.talker().get();
      room = room.withTalker(shaped.holds(talker.at()) ? talker : talker.movedTo(centre));
    }
    Point lips = room.talker().map(Talker::at).orElse(centre);
    if (before.microphone().isPresent()) {
      PlacedMicrophone microphone = before.microphone().get();
      boolean stays = shaped.holds(microphone.at()) && microphone.at().distanceTo(lips) > 0.02;
      room =
          room.withMicrophone(stays ? microphone : microphone.movedTo(beside(shaped, lips), lips));
    }
    return room.withCamera(
        before.camera().map(c -> shaped.holds(c.at()) ? c : c.movedTo(beside(shaped, lips), lips)));
  }

  /** A place with room around it: the point of a grid nearest to the middle of the floor. */
  private static Point inside(Room room) {
    double[] xs = room.outline().span(0);
    double[] ys = room.outline().span(1);
    Point middle = Outline.centre(room.outline().corners());
    Point best = room.outline().corners().getFirst();
    double least = Double.POSITIVE_INFINITY;
    for (double x = xs[0] + WALL_METRES; x < xs[1]; x += STEP_METRES) {
      for (double y = ys[0] + WALL_METRES; y < ys[1]; y += STEP_METRES) {
        Point p = new Point(x, y, 0);
        boolean free = room.outline().contains(p) && room.heightAt(p) > HEAD_METRES;
        if (free && p.distanceTo(middle) < least) {
          least = p.distanceTo(middle);
          best = new Point(x, y, SITTING_METRES);
        }
      }
    }
    return best;
  }

  private static Point beside(Room room, Point lips) {
    for (int degrees = 0; degrees < 360; degrees += 15) {
      Point p = lips.plus(new Aim(degrees, 0).direction(), BESIDE_METRES);
      if (room.holds(p)) {
        return p;
      }
    }
    return lips.plus(new Point(0, 0, -1), BESIDE_METRES);
  }

  static Room stretched(Room room, double x, double y, double z) {
    Outline floor;
    Ceiling above;
    try {
      floor =
          new Outline(
              room.outline().corners().stream()
                  .map(c -> new Point(c.x() * x, c.y() * y, 0))
                  .toList());
      above = room.ceiling().stretched(z);
    } catch (IllegalArgumentException e) {
      throw new Trouble.BadField("size", String.valueOf(e.getMessage()));
    }
    return new Room(
        room.name(),
        new Enclosure(floor, above),
        room.air(),
        room.finishes(),
        room.contents()
            .withFurniture(
                room.furniture().stream()
                    .map(f -> f.movedTo(stretched(f.corner(), x, y, z)))
                    .toList()),
        new SetUp(
            room.talker().map(t -> t.movedTo(stretched(t.at(), x, y, z))),
            room.microphone().map(m -> m.movedBy(stretched(m.at(), x, y, z).minus(m.at()))),
            room.camera().map(c -> c.movedBy(stretched(c.at(), x, y, z).minus(c.at())))),
        new RoomNoise(
            room.noiseDbSpl(),
            room.sources().stream()
                .map(s -> new NoiseSource(s.name(), stretched(s.at(), x, y, z), s.dbSplAtMetre()))
                .toList()));
  }

  private static Point stretched(Point p, double x, double y, double z) {
    return new Point(p.x() * x, p.y() * y, Math.min(p.z(), p.z() * z));
  }
}
