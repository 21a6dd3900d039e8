package nullroom.app.room;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nullroom.core.Figures;
import nullroom.core.Trouble;
import nullroom.core.room.Alternative;
import nullroom.core.room.Finish;
import nullroom.core.room.Outline;
import nullroom.core.room.Patch;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.Surface;

/** What can be let into a surface, or laid on one, in usual sizes. */
public enum Opening {
  DOOR("door", "door_solid", 0, 0.85, 2.0, "shut", "open", "opening_free"),
  WINDOW(
      "window", "glass_double_10", 0.9, 1.2, 1.2, "bare", "curtain drawn", "curtain_medium_draped"),
  SKYLIGHT("skylight", "glass_double_10", 0, 0.8, 1.0, "bare", "blind drawn", "curtain_light"),
  WARDROBE_FRONT("wardrobe front", "door_hollow", 0, 1.8, 2.1, "shut", "open", "wardrobe_open"),
  CURTAIN("curtain", "curtain_medium_draped", 0, 1.6, 2.2, "", "", ""),
  RUG("rug", "rug_on_wood", 0, 2.0, 1.4, "", "", "");

  private final String label;
  private final String material;
  private final double up;
  private final double width;
  private final double height;
  private final Optional<Alternative> otherwise;

  Opening(
      String label,
      String material,
      double up,
      double width,
      double height,
      String now,
      String then,
      String otherMaterial) {
    this.label = label;
    this.material = material;
    this.up = up;
    this.width = width;
    this.height = height;
    otherwise =
        then.isEmpty()
            ? Optional.empty()
            : Optional.of(new Alternative(now, then, Finish.of(otherMaterial)));
  }

  /** A piece is moved on in such steps until it lies on no other. */
  private static final double ASIDE_METRES = 0.05;

  /** Name for people. */
  public String label() {
    return label;
  }

  /**
   * A room with one of it more: where it is asked for, or beside what is there already.
   *
   * @throws Trouble.BadField where it fits nowhere
   */
  Room in(Room room, Surface surface, double along) {
    boolean wall = surface.isWall();
    List<Point> corners =
        Patch.rectangle(label, surface, along, wall ? up : along, width, height, material)
            .corners();
    Patch asked = new Patch(label, surface, corners, Finish.of(material), otherwise);
    check(room, asked);
    for (double aside = 0; aside < Outline.MAX_METRES; aside += ASIDE_METRES) {
      for (double by : new double[] {aside, -aside}) {
        Patch there = asked.movedBy(by, 0);
        if (room.hasPlaceFor(there)) {
          return room.plus(there);
        }
      }
    }
    throw new Trouble.BadField(label, "finds no free place on " + surface.spoken());
  }

  /** The room with the lowest corner of a piece so far along its surface and so far up. */
  static Room placed(Room room, int index, double along, double up) {
    Patch was = room.patches().get(index);
    Patch there = was.movedBy(along - was.lowest().x(), up - was.lowest().y());
    check(room, there);
    List<Patch> all = new ArrayList<>(room.patches());
    all.set(index, there);
    return room.withPatches(all);
  }

  /** The room with a piece on a surface as wide and high as told. */
  static Room resized(Room room, int index, double width, double height) {
    Patch was = room.patches().get(index);
    double u = was.corners().stream().mapToDouble(Point::x).min().orElseThrow();
    double v = was.corners().stream().mapToDouble(Point::y).min().orElseThrow();
    List<Point> corners =
        List.of(
            new Point(u, v, 0),
            new Point(u + width, v, 0),
            new Point(u + width, v + height, 0),
            new Point(u, v + height, 0));
    Patch sized;
    try {
      sized = new Patch(was.name(), was.surface(), corners, was.finish(), was.otherwise());
    } catch (IllegalArgumentException e) {
      throw new Trouble.BadField(was.name(), String.valueOf(e.getMessage()));
    }
    check(room, sized);
    List<Patch> all = new ArrayList<>(room.patches());
    all.set(index, sized);
    return room.withPatches(all);
  }

  private static void check(Room room, Patch patch) {
    if (!room.carries(patch)) {
      throw new Trouble.BadField(
          patch.name(),
          Figures.say(
              "%.2f m wide and %.2f m high does not fit on %s there",
              patch.width(), patch.height(), patch.surface()));
    }
  }
}
