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
    Map<Surface, SurfaceTag> tags = new LinkedHashMap<>(room.finishes().tags());
    tags.keySet().removeIf(surface -> !enclosure.has(surface));
    for (Surface surface : enclosure.surfaces()) {
      boolean old = room.enclosure().has(surface);
      finishes.put(surface, room.finishOf(old ? surface : Surface.wall(1)));
    }
    Room bare =
        new Room(
            room.name(),
            enclosure,
            room.air(),
            new Finishes(finishes, Optional.empty(), tags),
            Contents.NOTHING.withObjects(room.objects()),
            SetUp.NONE,
            new RoomNoise(room.noiseDbSpl(), List.of()));
    List<Patch> kept = room.patches().stream().filter(bare::carries).toList();
    Room full = furnished(peopled(bare.withPatches(kept), room), room);
    return full.with(
        Carried.ridingAs(full.setUp(), room.setUp(), full.contents().furnitureNames()));
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
    Room furnished = hung(shaped.withFurniture(kept), before);
    return before.noiseDbSpl().isEmpty()
        ? furnished
        : furnished.withNoise(
            before.noiseDbSpl().get(),
            before.sources().stream().filter(s -> shaped.holds(s.at())).toList());
  }

  /** With the free cloth that still stands within. */
  private static Room hung(Room shaped, Room before) {
    List<Screen> kept = new ArrayList<>();
    for (Screen screen : before.screens()) {
      try {
        screen.check("screens", shaped.enclosure());
        kept.add(screen);
      } catch (Trouble.BadField reachesOut) {
        continue;
      }
    }
    return shaped.with(shaped.contents().withScreens(kept));
  }

  private static boolean fits(Room room, List<Furniture> furniture) {
    try {
      room.withFurniture(furniture);
      return true;
    } catch (Trouble.BadField doesNot) {
      return false;
    }
  }

  /** With all who were there: who would stand outside comes in, and what rides on them follows. */
  static Room peopled(Room shaped, Room before) {
    SetUp people = Carried.putDown(before.setUp(), before.contents().furnitureNames());
    for (int i = 0; i < people.talkers().size(); i++) {
      Talker talker = people.talkers().get(i).it();
      if (!shaped.holds(talker.at())) {
        Point centre = inside(shaped);
        boolean taken =
            people.all().anyMatch(m -> m.it().at().distanceTo(centre) < FreePlace.APART_METRES);
        people =
            people.withTalker(i, talker.movedTo(taken ? beside(shaped, people, centre) : centre));
      }
    }
    Point lips = people.talker().map(Talker::at).orElseGet(() -> inside(shaped));
    for (int i = 0; i < people.cameras().size(); i++) {
      Camera c = people.cameras().get(i).it();
      if (!shaped.holds(c.at())) {
        people = people.withCamera(i, c.movedTo(beside(shaped, people, lips), lips));
      }
    }
    for (int i = 0; i < people.loudspeakers().size(); i++) {
      PlacedLoudspeaker l = people.loudspeakers().get(i).it();
      if (!shaped.holds(l.at())) {
        people = people.withLoudspeaker(i, l.placed(beside(shaped, people, lips), l.aim()));
      }
    }
    for (int i = 0; i < people.microphones().size(); i++) {
      PlacedMicrophone m = people.microphones().get(i).it();
      if (!shaped.holds(m.at()) || m.at().distanceTo(lips) <= 0.02) {
        people = people.withMicrophone(i, m.movedTo(beside(shaped, people, lips), lips));
      }
    }
    return shaped.with(people);
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

  private static Point beside(Room room, SetUp people, Point lips) {
    return FreePlace.near(room, people, lips, BESIDE_METRES)
        .orElse(lips.plus(new Point(0, 0, -1), BESIDE_METRES));
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
                    .toList())
            .withScreens(
                room.screens().stream()
                    .map(s -> s.movedBy(stretched(s.middle(), x, y, 1).minus(s.middle())))
                    .toList()),
        room.setUp().moved(p -> stretched(p, x, y, z)),
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
