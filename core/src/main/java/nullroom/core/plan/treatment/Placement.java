package nullroom.core.plan.treatment;

import java.util.Optional;
import nullroom.core.predict.TreatedReply;
import nullroom.core.room.Patch;
import nullroom.core.room.Room;
import nullroom.core.room.RoomItem;

/**
 * One piece at one place, or one thing turned.
 *
 * @param kind number of the piece; those of one kind are alike
 * @param name for people
 * @param patch where it goes; empty of what is turned
 * @param turn what is turned; empty of a piece
 * @param change what it changes
 * @param price still to be paid for it
 * @param minutes to put it up
 * @param owned whether nothing is to be paid because it is there
 * @param furnishes whether it belongs to a furnished room: turned, laid or leant
 */
record Placement(
    int kind,
    String name,
    Optional<Patch> patch,
    Optional<RoomItem> turn,
    TreatedReply.Change change,
    double price,
    double minutes,
    boolean owned,
    boolean furnishes) {
  /** A room with it up. */
  Room in(Room room) {
    return patch.map(room::plus).orElseGet(() -> turn.orElseThrow().switched(room));
  }

  /** Whether both cannot be: two of one thing turned, or pieces that lie on each other. */
  boolean against(Placement other) {
    if (turn.isPresent() || other.turn.isPresent()) {
      return turn.isPresent() && turn.equals(other.turn);
    }
    return patch.orElseThrow().overlaps(other.patch.orElseThrow());
  }
}
