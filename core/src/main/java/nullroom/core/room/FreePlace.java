package nullroom.core.room;

import java.util.Optional;
import nullroom.core.Trouble;

/** Where somebody or something more finds a place in a room. */
public final class FreePlace {
  /** Nobody comes nearer to another. */
  static final double APART_METRES = 0.1;

  private static final double MOST_METRES = 3;
  private static final int STEP_DEGREES = 15;

  private FreePlace() {}

  /**
   * The nearest place at a height, inside a room and not in a piece of furniture, where nobody is
   * yet; none nearer than asked.
   *
   * @param people who is in it
   * @param about is looked around
   */
  static Optional<Point> near(Room room, SetUp people, Point about, double leastMetres) {
    for (double metres = leastMetres; metres < MOST_METRES; metres += APART_METRES) {
      for (int degrees = 0; degrees < 360; degrees += STEP_DEGREES) {
        Point p = about.plus(new Aim(degrees, 0).direction(), metres);
        boolean free = people.all().noneMatch(m -> m.it().at().distanceTo(p) < APART_METRES);
        if (free && room.isFree(p)) {
          return Optional.of(p);
        }
      }
    }
    return Optional.empty();
  }

  /**
   * The same about the talker of a room, or about the middle of its floor.
   *
   * @throws Trouble.BadField where there is none
   */
  public static Point near(Room room, double leastMetres) {
    Point middle = Outline.centre(room.outline().corners()).plus(new Point(0, 0, 1), 1.2);
    Point about = room.talker().map(Talker::at).orElse(middle);
    return near(room, room.setUp(), about, leastMetres)
        .orElseThrow(() -> new Trouble.BadField("set-up", "there is no free place for one more"));
  }
}
