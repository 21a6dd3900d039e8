package nullroom.core.room;

import java.util.List;

/** What surfaces are called by someone who stands in the talker's place. */
public final class Sides {
  /** Walls more than this oblique are to the side. */
  private static final double AHEAD = Math.cos(Math.toRadians(45));

  private Sides() {}

  /** A name such as "wall 2 behind you". */
  public static String named(Room room, Surface surface) {
    return surface instanceof Surface.Wall wall
        ? room.talker()
            .map(t -> surface.label() + " " + side(room, wall.number(), t))
            .orElse(surface.label())
        : surface.label();
  }

  private static String side(Room room, int k, Talker talker) {
    List<Point> corners = room.outline().corners();
    Point a = corners.get(k - 1);
    Point along = corners.get(k % corners.size()).minus(a);
    Point out = new Point(along.y() / along.length(), -along.x() / along.length(), 0);
    Point aim = talker.aim().direction();
    Point ahead = new Point(aim.x(), aim.y(), 0);
    double cosine = ahead.length() == 0 ? 0 : out.dot(ahead) / ahead.length();
    if (Math.abs(cosine) >= AHEAD) {
      return cosine > 0 ? "ahead of you" : "behind you";
    }
    return ahead.cross(out).z() > 0 ? "to your left" : "to your right";
  }
}
