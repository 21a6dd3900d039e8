package nullroom.core.plan.treatment;

import java.util.Optional;
import nullroom.core.book.TreatmentPiece;
import nullroom.core.predict.TreatedReply;
import nullroom.core.room.Patch;
import nullroom.core.room.Room;
import nullroom.core.room.RoomItem;

/**
 * One piece at one place, or one thing turned.
 *
 * @param kind number of the piece; those of one kind are alike
 * @param name for people
 * @param piece that is put there; empty of what is turned
 * @param patch where it goes; empty of what is turned
 * @param turn what is turned; empty of a piece
 * @param change what it changes
 * @param price still to be paid for it
 * @param minutes to put it up
 * @param returns what its place throws back, against other places; nought of what is turned
 */
record Placement(
    int kind,
    String name,
    Optional<TreatmentPiece> piece,
    Optional<Patch> patch,
    Optional<RoomItem> turn,
    TreatedReply.Change change,
    double price,
    double minutes,
    double returns) {
  /** Whether nothing is to be paid because it is there. */
  boolean owned() {
    return piece.map(TreatmentPiece::owned).orElse(true);
  }

  /** Whether it belongs to a furnished room: turned, laid or leant. */
  boolean furnishes() {
    return piece
        .map(p -> p.hold() == TreatmentPiece.Hold.LAY || p.hold() == TreatmentPiece.Hold.LEAN)
        .orElse(true);
  }

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

  /** Whether both are on one surface. */
  boolean beside(Placement other) {
    return patch.isPresent()
        && other.patch.isPresent()
        && patch.get().surface().equals(other.patch.get().surface());
  }

  /** Whether the same goes to the same place. */
  boolean isAs(Placement other) {
    return kind == other.kind && patch.equals(other.patch) && turn.equals(other.turn);
  }
}
