package nullroom.core.plan.treatment;

import java.util.List;
import java.util.Optional;
import nullroom.core.acoustics.Bands;
import nullroom.core.book.TreatmentPiece;
import nullroom.core.predict.Margins;
import nullroom.core.room.Patch;
import nullroom.core.room.Point;
import nullroom.core.room.Room;

/**
 * A plan of what to put up, in its order.
 *
 * @param school that it follows
 * @param steps in the order to hang
 * @param after by the quick answer
 * @param traced by tracing
 * @param price to be paid
 * @param minutes to put all up
 * @param boundOffDb under which no plan of these pieces can come, on these places
 * @param proved whether this one reaches it
 * @param room with all of it up
 * @param cautions what can fall, burn or be in the way
 * @param notes what else is to be known
 */
public record TreatmentPlan(
    TreatmentSchool school,
    List<Step> steps,
    Figures after,
    Figures traced,
    double price,
    double minutes,
    double boundOffDb,
    boolean proved,
    Room room,
    List<String> cautions,
    List<String> notes) {
  public TreatmentPlan {
    steps = List.copyOf(steps);
    cautions = List.copyOf(cautions);
    notes = List.copyOf(notes);
  }

  /** The same with other steps, some of which came before. */
  TreatmentPlan after(List<Step> others, double moreMinutes) {
    return new TreatmentPlan(
        school,
        others,
        after,
        traced,
        price,
        minutes + moreMinutes,
        boundOffDb,
        proved,
        room,
        cautions,
        notes);
  }

  /**
   * What a room is like.
   *
   * @param margins of it
   * @param late whether anything comes late, so that Clear means something
   * @param decaySeconds per octave
   * @param offDb from the goal
   */
  public record Figures(Margins margins, boolean late, Bands decaySeconds, double offDb) {}

  /** How far its bound lies under it, as a share of what could be gained at most; 0 to 1. */
  public double gap(double beforeOffDb) {
    double most = beforeOffDb - boundOffDb;
    return most <= 0 ? 0 : Math.clamp((after.offDb() - boundOffDb) / most, 0, 1);
  }

  /** What is known of how much better a plan could be. */
  public String boundInWords(Figures before) {
    if (pushes()) {
      return "How near another place of the furniture would come was not worked out.";
    }
    return proved
        ? "No plan of these pieces comes nearer to the goal."
        : nullroom.core.Figures.say(
            "No plan of these pieces can come under %.2f dB off: at most %.1f %% of what can be gained is missing.",
            boundOffDb, 100 * gap(before.offDb()));
  }

  private boolean pushes() {
    return steps.stream().anyMatch(s -> s.pushedTo().isPresent());
  }

  /**
   * One thing put up or turned.
   *
   * @param name for people
   * @param piece that is put up; empty of what is turned or pushed
   * @param patch where it goes; empty of what is turned or pushed
   * @param to the state that it is turned to; empty of a piece
   * @param pushedTo where a piece of furniture's lowest corner is pushed to; empty of all else
   * @param price to be paid
   * @param minutes it takes
   * @param owned whether it is there
   * @param aloneClearDb what it alone buys
   * @param addsClearDb what it buys at its turn
   * @param then the room with all up to it
   */
  public record Step(
      String name,
      Optional<TreatmentPiece> piece,
      Optional<Patch> patch,
      String to,
      Optional<Point> pushedTo,
      double price,
      double minutes,
      boolean owned,
      double aloneClearDb,
      double addsClearDb,
      Figures then) {}
}
