package nullroom.core.plan.treatment;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import nullroom.core.Figures;
import nullroom.core.book.AtHand;
import nullroom.core.book.TreatmentPiece;
import nullroom.core.room.Room;
import nullroom.core.room.Surface;

/**
 * A planning in which one limit is not kept to.
 *
 * @param limit that is let go, in words
 * @param room with it let go
 * @param hand with it let go
 */
record Relaxed(String limit, Room room, AtHand hand) {
  /** One for each limit in force that may stand in a piece's way. */
  static List<Relaxed> all(Room room, AtHand hand) {
    List<Relaxed> all = new ArrayList<>();
    hand.budget()
        .ifPresent(money ->
            all.add(
                new Relaxed(
                    "spending no more than " + Figures.money(money), room, hand.withoutBudget())));
    hand.minutes()
        .ifPresent(minutes ->
            all.add(
                new Relaxed(
                    Figures.say("taking no more than %.0f min", minutes),
                    room,
                    hand.withoutMinutes())));
    if (!hand.drilling() && any(hand, p -> p.hold() == TreatmentPiece.Hold.DRILL)) {
      all.add(new Relaxed("drilling nothing", room, hand.withDrilling(true)));
    }
    if (!hand.ladder() && any(hand, p -> p.isFor(Surface.CEILING))) {
      all.add(new Relaxed("leaving the ladder away", room, hand.withLadder(true)));
    }
    if (room.size().z() > hand.reachMetres() && any(hand, p -> p.isFor(Surface.wall(1)))) {
      all.add(
          new Relaxed(
              "hanging nothing higher than you reach",
              room,
              hand.withReach(Math.min(AtHand.HIGHEST_METRES, room.size().z()))));
    }
    if (!hand.inPicture() && !room.setUp().cameras().isEmpty()) {
      all.add(new Relaxed("keeping out of the picture", room, hand.withInPicture(true)));
    }
    for (Surface surface : room.surfaces()) {
      room.tagOf(surface)
          .filter(t -> !t.mayBeCovered())
          .ifPresent(t ->
              all.add(
                  new Relaxed(
                      "keeping " + surface.spoken() + " bare, as it " + t.label(),
                      room.tagged(surface, Optional.empty()),
                      hand)));
    }
    for (AtHand.KeepClear clear : hand.keepClear()) {
      List<AtHand.KeepClear> others = new ArrayList<>(hand.keepClear());
      others.remove(clear);
      all.add(
          new Relaxed(
              "keeping “"
                  + clear.patch().name()
                  + "” on "
                  + clear.patch().surface().spoken()
                  + " clear",
              room,
              hand.withKeepClear(others)));
    }
    return all;
  }

  private static boolean any(AtHand hand, Predicate<TreatmentPiece> which) {
    return hand.pieces().stream().anyMatch(which);
  }
}
