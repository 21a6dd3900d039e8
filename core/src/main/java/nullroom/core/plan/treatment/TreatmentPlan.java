package nullroom.core.plan.treatment;

import java.util.List;
import java.util.Optional;
import nullroom.core.acoustics.Bands;
import nullroom.core.predict.Margins;
import nullroom.core.room.Patch;
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

  /**
   * What a room is like.
   *
   * @param margins of it
   * @param late whether anything comes late, so that Clear means something
   * @param decaySeconds per octave
   * @param offDb from the goal
   */
  public record Figures(Margins margins, boolean late, Bands decaySeconds, double offDb) {}

  /**
   * One thing put up or turned.
   *
   * @param name for people
   * @param patch where it goes; empty of what is turned
   * @param to the state that it is turned to; empty of a piece
   * @param price to be paid
   * @param minutes it takes
   * @param owned whether it is there
   * @param aloneClearDb what it alone buys
   * @param addsClearDb what it buys at its turn
   * @param then the room with all up to it
   */
  public record Step(
      String name,
      Optional<Patch> patch,
      String to,
      double price,
      double minutes,
      boolean owned,
      double aloneClearDb,
      double addsClearDb,
      Figures then) {}
}
