package nullroom.core.plan.mic;

import nullroom.core.book.Shelf;
import nullroom.core.room.Camera;
import nullroom.core.room.Room;

/** A camera that shows so much of the one who speaks. */
final class Shot {
  private Shot() {}

  /** Height of what the picture shows at the talker, metres (common practice). */
  private static double height(Shelf.Shot shot) {
    return switch (shot) {
      case FACE -> 0.35;
      case HEAD_AND_SHOULDERS -> 0.65;
      case WAIST -> 1.0;
      case WHOLE -> 2.1;
    };
  }

  /** Before the talker, zoomed so that the picture is so high. */
  static Camera camera(Room room, Shelf.Shot shot) {
    Camera usual = Camera.before(room);
    double metres = usual.at().distanceTo(room.requireTalker().at());
    return usual.showing(height(shot), metres);
  }
}
