package nullroom.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nullroom.core.Trouble;
import nullroom.core.book.Hearing;
import nullroom.core.book.RoomBook;
import nullroom.core.book.Spot;
import nullroom.core.predict.Basis;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Origin;
import nullroom.core.predict.Refinement;
import nullroom.core.room.Room;

/**
 * A place, or a spot in one, by its three margins, with the noise and the decay that are known
 * there.
 *
 * @param place name of the place
 * @param spot name of the spot; empty for where talker and microphone are now
 * @param here whether they are there now
 * @param ladder there; empty where talker or microphone no longer fit
 */
public record Compared(String place, String spot, boolean here, Optional<Ladder> ladder) {
  /**
   * The place of a book and its spots.
   *
   * @param book at that place
   * @param refinement what tracing that room found beyond the quick answer
   */
  public static List<Compared> of(RoomBook book, Optional<Refinement> refinement) {
    List<Compared> all = new ArrayList<>();
    String place = book.here().name();
    boolean atSpot = book.spots().stream().anyMatch(s -> s.isIn(book.room()));
    if (!atSpot) {
      all.add(new Compared(place, "", true, Optional.of(ladder(book, refinement))));
    }
    for (Spot spot : book.spots()) {
      all.add(
          new Compared(place, spot.name(), spot.isIn(book.room()), ladder(book, spot, refinement)));
    }
    return all;
  }

  /** The ladder at a spot; empty where talker or microphone no longer fit there. */
  public static Optional<Ladder> ladder(RoomBook book, Spot spot, Optional<Refinement> refinement) {
    Room there;
    try {
      there = spot.in(book.room());
    } catch (Trouble.BadField doesNotFit) {
      return Optional.empty();
    }
    return Optional.of(ladder(book.with(there), refinement));
  }

  private static Ladder ladder(RoomBook book, Optional<Refinement> refinement) {
    Heard heard = Hearing.of(book, refinement).heard();
    return Ladder.of(heard, book.goal().targets());
  }

  /** Where its noise and its decay come from. */
  public List<Origin> origins() {
    return ladder
        .map(l -> l.heard().basis())
        .map((Basis b) -> List.of(b.noise().origin(), b.decay()))
        .orElse(List.of());
  }

  /** How far its weakest margin is over its target; the least there is where nothing fits. */
  public double overDb() {
    return ladder.map(l -> l.verdicts().weakest().overDb()).orElse(Double.NEGATIVE_INFINITY);
  }
}
