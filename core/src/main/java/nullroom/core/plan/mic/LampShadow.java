package nullroom.core.plan.mic;

import java.util.ArrayList;
import java.util.List;
import nullroom.core.room.Aim;
import nullroom.core.room.Furniture;
import nullroom.core.room.Point;
import nullroom.core.room.Room;

/** Where the shadow of a microphone falls that a lamp shines on. */
public final class LampShadow {
  /** A head and what is about it that must stay lit. */
  private static final double HEAD_METRES = 0.15;

  private static final double HEAD_BEHIND_LIPS_METRES = 0.09;
  private static final double HEAD_OVER_LIPS_METRES = 0.05;

  private LampShadow() {}

  /** One sentence for each lamp whose shadow is seen. */
  public static List<String> of(Room room) {
    Point microphone = room.requireMicrophone().at();
    List<String> all = new ArrayList<>();
    for (Furniture lamp : room.furniture()) {
      if (lamp.shines()) {
        String where = where(room, lamp.middle(), microphone);
        if (!where.isEmpty()) {
          all.add(
              "“"
                  + lamp.name()
                  + "” throws its shadow "
                  + where
                  + ": bring the boom in from the lamp’s other side, or put the lamp aside of the boom.");
        }
      }
    }
    return all;
  }

  private static String where(Room room, Point lamp, Point microphone) {
    Point way = microphone.minus(lamp);
    double metres = way.length();
    if (metres == 0) {
      return "";
    }
    Point head =
        room.requireTalker()
            .at()
            .plus(
                new Aim(room.requireTalker().aim().azimuthDegrees(), 0).direction(),
                -HEAD_BEHIND_LIPS_METRES)
            .plus(new Point(0, 0, 1), HEAD_OVER_LIPS_METRES);
    double along = head.minus(lamp).dot(way) / metres;
    if (along > metres && lamp.plus(way, along / metres).distanceTo(head) < HEAD_METRES) {
      return "on the face";
    }
    Aim beam = Aim.along(way);
    Point wall = microphone.plus(beam.direction(), room.reach(microphone, beam));
    return room.setUp().films(wall) ? "on what the picture shows behind" : "";
  }
}
