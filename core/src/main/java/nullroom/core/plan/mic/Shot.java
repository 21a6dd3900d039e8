package nullroom.core.plan.mic;

import java.util.Comparator;
import java.util.Optional;
import java.util.stream.Stream;
import nullroom.core.book.Shelf;
import nullroom.core.room.Camera;
import nullroom.core.room.Room;

/** How much of the one who speaks a picture shows. */
final class Shot {
  private Shot() {}

  /** Height of what the picture shows at the talker, metres (common practice). */
  static double height(Shelf.Shot shot) {
    return switch (shot) {
      case FACE -> 0.35;
      case HEAD_AND_SHOULDERS -> 0.65;
      case WAIST -> 1.0;
      case WHOLE -> 2.1;
    };
  }

  /** The one whose picture is nearest to so high. */
  static Shelf.Shot of(double heightMetres) {
    return Stream.of(Shelf.Shot.values())
        .min(Comparator.comparingDouble(s -> Math.abs(Math.log(heightMetres / height(s)))))
        .orElseThrow();
  }

  /** The next that shows less; empty for the face. */
  static Optional<Shelf.Shot> tighter(Shelf.Shot shot) {
    return shot.ordinal() == 0
        ? Optional.empty()
        : Optional.of(Shelf.Shot.values()[shot.ordinal() - 1]);
  }

  /** Before the talker, zoomed so that the picture is so high. */
  static Camera camera(Room room, Shelf.Shot shot) {
    Camera usual = Camera.before(room);
    double metres = usual.at().distanceTo(room.requireTalker().at());
    return usual.showing(height(shot), metres);
  }
}
