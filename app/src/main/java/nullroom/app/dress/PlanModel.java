package nullroom.app.dress;

import java.nio.file.Path;
import java.util.EnumSet;
import java.util.Optional;
import java.util.function.UnaryOperator;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleObjectProperty;
import nullroom.app.shell.StationContext;
import nullroom.core.Trouble;
import nullroom.core.book.AtHand;
import nullroom.core.book.RoomBook;
import nullroom.core.plan.treatment.TreatmentPlan;
import nullroom.core.plan.treatment.TreatmentPlanner;
import nullroom.core.plan.treatment.TreatmentSchool;
import nullroom.core.room.Room;
import nullroom.io.book.PiecesFile;

/** Plans of what to hang where: made from what is at hand, looked at, put up. */
public final class PlanModel {
  /** More pieces are no evening's work. */
  private static final int MOST_PIECES = 12;

  /**
   * Plans and the room that they were made for.
   *
   * @param of the room as it was then
   * @param result the plans
   */
  public record Made(Room of, TreatmentPlanner.Result result) {}

  private final StationContext context;
  private final ObjectProperty<AtHand> hand = new SimpleObjectProperty<>(AtHand.USUAL);
  private final ReadOnlyObjectWrapper<Optional<Made>> made =
      new ReadOnlyObjectWrapper<>(Optional.empty());
  private final ObjectProperty<TreatmentSchool> school =
      new SimpleObjectProperty<>(TreatmentSchool.FREE);

  PlanModel(StationContext context) {
    this.context = context;
  }

  /** What is at hand, and what must be kept to. */
  public ObjectProperty<AtHand> handProperty() {
    return hand;
  }

  /** The plans made last. */
  public ReadOnlyObjectProperty<Optional<Made>> madeProperty() {
    return made.getReadOnlyProperty();
  }

  /** The school whose plan is looked at. */
  public ObjectProperty<TreatmentSchool> schoolProperty() {
    return school;
  }

  /**
   * Keeps to something else.
   *
   * @throws Trouble.BadField for what cannot be
   */
  public void keepTo(UnaryOperator<AtHand> change) {
    hand.set(change.apply(hand.get()));
  }

  /**
   * Takes what is at hand from a file.
   *
   * @throws Trouble naming what is wrong in it and where
   */
  public void read(Path file) {
    hand.set(PiecesFile.read(file));
    context
        .work()
        .say(
            "Read: "
                + hand.get().pieces().size()
                + " kinds of pieces from "
                + file.getFileName()
                + ".");
  }

  /** Plans for the room of now, off the FX thread. */
  public void make() {
    RoomBook book = context.session().book();
    AtHand now = hand.get();
    context
        .work()
        .start(
            "Planning what to hang",
            progress ->
                TreatmentPlanner.plan(
                    book, now, EnumSet.allOf(TreatmentSchool.class), MOST_PIECES, progress),
            result -> made.set(Optional.of(new Made(book.room(), result))));
  }

  /** The plan looked at. */
  public Optional<TreatmentPlan> plan() {
    return made.get()
        .flatMap(
            m -> m.result().plans().stream().filter(p -> p.school() == school.get()).findFirst());
  }

  /** Whether the room has changed since the plans were made. */
  public boolean stale() {
    return made.get().filter(m -> !m.of().equals(context.session().book().room())).isPresent();
  }

  /** The room of the plan looked at, else that of now. */
  public Room room() {
    return plan()
        .filter(p -> !stale())
        .map(TreatmentPlan::room)
        .orElseGet(() -> context.session().book().room());
  }

  /**
   * Puts all of the plan up in the model.
   *
   * @throws Trouble.BadField where there is none, or the room has changed since
   */
  public void putUp() {
    TreatmentPlan chosen =
        plan().orElseThrow(() -> new Trouble.BadField("plan", "there is none yet; make one"));
    if (stale()) {
      throw new Trouble.BadField("plan", "the room has changed since it was made; plan again");
    }
    context
        .session()
        .edit("Put up the plan “" + chosen.school().label() + "”", b -> b.with(chosen.room()));
  }
}
