package nullroom.core.plan;

import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import nullroom.core.Trouble;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Margins;
import nullroom.core.room.Movement;
import nullroom.core.room.Room;
import nullroom.core.room.Talker;

/**
 * What leaning and turning the head cost at worst.
 *
 * @param movement how far the talker moves
 * @param stated whether somebody said so; else it is what is usual
 * @param worst the least of each margin, where they sit and at the ends of their moving
 * @param voiceDb by so much the voice falls at worst, A-weighted; 0 or more
 */
public record Sway(Movement movement, boolean stated, Margins worst, double voiceDb) {
  /** Somebody who talks with their hands (common practice). */
  public static final Movement USUAL = new Movement(0.1, 30);

  /**
   * Of the pair judged, moving as stated, or as is usual where nothing is.
   *
   * @param hearing what is heard in a room
   */
  public static Sway of(Function<Room, Heard> hearing, Room room) {
    Talker talker = room.requireTalker();
    boolean stated = !talker.movement().equals(Movement.NONE);
    Movement movement = stated ? talker.movement() : USUAL;
    Heard still = hearing.apply(room);
    Margins worst = still.margins();
    double least = still.voiceDbSplA();
    for (Heard moved : moved(hearing, room, movement)) {
      Margins m = moved.margins();
      worst =
          new Margins(
              Math.min(worst.quietDb(), m.quietDb()),
              Math.min(worst.clearDb(), m.clearDb()),
              Math.min(worst.safeDb(), m.safeDb()));
      least = Math.min(least, moved.voiceDbSplA());
    }
    return new Sway(movement, stated, worst, still.voiceDbSplA() - least);
  }

  /** Where moving would take them through a wall they do not go. */
  private static List<Heard> moved(Function<Room, Heard> hearing, Room room, Movement movement) {
    return movement.ends().stream()
        .flatMap(end -> {
          try {
            return Optional.of(hearing.apply(room.with(room.setUp().at(end)))).stream();
          } catch (Trouble.BadField outside) {
            return Optional.<Heard>empty().stream();
          }
        })
        .toList();
  }
}
