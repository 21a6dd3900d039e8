package nullroom.app.dress;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.DoubleFunction;
import java.util.function.UnaryOperator;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleObjectProperty;
import nullroom.app.control.Typefaces;
import nullroom.app.shell.StationContext;
import nullroom.core.Figures;
import nullroom.core.Trouble;
import nullroom.core.book.AtHand;
import nullroom.core.book.Hearing;
import nullroom.core.book.RoomBook;
import nullroom.core.plan.treatment.TreatmentPlan;
import nullroom.core.plan.treatment.TreatmentPlanner;
import nullroom.core.plan.treatment.TreatmentSchool;
import nullroom.core.predict.FirstArrivals;
import nullroom.core.predict.Refinement;
import nullroom.core.predict.ReturnMap;
import nullroom.core.room.Patch;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.RoomItem;
import nullroom.io.report.HangingList;

/** Plans of what to hang where: made from what is at hand, looked at, changed by hand, put up. */
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
  private final HandModel hand;
  private final ReadOnlyObjectWrapper<Optional<Made>> made =
      new ReadOnlyObjectWrapper<>(Optional.empty());
  private final ObjectProperty<TreatmentSchool> school =
      new SimpleObjectProperty<>(TreatmentSchool.FREE);
  private final BooleanProperty before = new SimpleBooleanProperty();
  private final ReadOnlyObjectWrapper<Optional<Room>> dragged =
      new ReadOnlyObjectWrapper<>(Optional.empty());
  private final ReadOnlyObjectWrapper<Map<Room, ReturnMap>> returns =
      new ReadOnlyObjectWrapper<>(Map.of());

  PlanModel(StationContext context, HandModel hand) {
    this.context = context;
    this.hand = hand;
    school.subscribe(() -> dragged.set(Optional.empty()));
    made.subscribe(() -> dragged.set(Optional.empty()));
  }

  /** What is at hand, and what must be kept to. */
  public AtHand hand() {
    return hand.hand();
  }

  /** The plans made last. */
  public ReadOnlyObjectProperty<Optional<Made>> madeProperty() {
    return made.getReadOnlyProperty();
  }

  /** The school whose plan is looked at. */
  public ObjectProperty<TreatmentSchool> schoolProperty() {
    return school;
  }

  /** Whether the room is looked at as it is, instead of as it would be. */
  public BooleanProperty beforeProperty() {
    return before;
  }

  /** The room of the plan with pieces dragged elsewhere; empty where none was. */
  public ReadOnlyObjectProperty<Optional<Room>> draggedProperty() {
    return dragged.getReadOnlyProperty();
  }

  /** What comes back in rooms that were traced for it. */
  public ReadOnlyObjectProperty<Map<Room, ReturnMap>> returnsProperty() {
    return returns.getReadOnlyProperty();
  }

  /**
   * Keeps to something else.
   *
   * @throws Trouble.BadField for what cannot be
   */
  public void keepTo(UnaryOperator<AtHand> change) {
    hand.edit("Keep to other limits", change);
  }

  /** Plans for the room of now, off the FX thread. */
  public void make() {
    RoomBook book = context.session().book();
    AtHand now = hand.hand();
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

  private Room now() {
    return context.session().book().room();
  }

  /** Whether the room has changed since the plans were made, other than by their pieces. */
  public boolean stale() {
    return made.get().filter(m -> !m.of().equals(bare(m))).isPresent();
  }

  /** The room of now without what of the plan is up. */
  private Room bare(Made m) {
    List<Patch> rest = new ArrayList<>(now().patches());
    rest.removeAll(planned());
    Room room = now().withPatches(rest);
    return m.of().patches().equals(rest) ? room : now();
  }

  private List<Patch> planned() {
    return plan().stream()
        .flatMap(p -> p.steps().stream())
        .flatMap(s -> s.patch().stream())
        .toList();
  }

  /** Whether a step's piece is up in the model. */
  public boolean isUp(TreatmentPlan.Step step) {
    return step.patch().filter(now().patches()::contains).isPresent();
  }

  /** The room looked at: that of the plan, as it was dragged, or that of now. */
  public Room room() {
    return plan()
        .filter(p -> !stale() && !before.get())
        .map(p -> dragged.get().orElse(p.room()))
        .orElseGet(() -> made.get().filter(m -> !stale()).map(Made::of).orElseGet(this::now));
  }

  /** What the room looked at is like. */
  public TreatmentPlan.Figures figures() {
    RoomBook book = context.session().book();
    return TreatmentPlanner.figures(Hearing.quick(book), book.goal(), room());
  }

  /**
   * Drags a piece of the plan elsewhere; what was there all along stays.
   *
   * @throws Trouble.BadField where it does not fit there
   */
  public void drag(RoomItem item, Point to) {
    boolean ofPlan =
        item.kind() == RoomItem.Kind.PATCH
            && item.index() >= made.get().map(m -> m.of().patches().size()).orElse(0);
    if (plan().isPresent() && !stale() && !before.get() && ofPlan) {
      dragged.set(Optional.of(item.moved(room(), to)));
    }
  }

  /** Puts dragged pieces back to where the plan has them. */
  public void settle() {
    dragged.set(Optional.empty());
  }

  /** Where the first reflections of the room looked at are, and which surface they come from. */
  public List<FirstArrivals.Arrival> mirrors() {
    return FirstArrivals.of(room()).stream().filter(a -> a.surface().isPresent()).toList();
  }

  /** Traces what comes back, before and after, where that was not done yet. */
  public void traceReturns() {
    List<Room> rooms = new ArrayList<>();
    made.get().ifPresent(m -> rooms.add(m.of()));
    rooms.add(room());
    rooms.removeIf(returns.get()::containsKey);
    if (rooms.isEmpty() || context.work().runningProperty().get()) {
      return;
    }
    context
        .work()
        .start(
            "Tracing what comes back",
            progress -> {
              Map<Room, ReturnMap> found = new HashMap<>();
              for (Room room : rooms) {
                found.put(room, ReturnMap.of(room, Refinement.SEED, progress));
              }
              return found;
            },
            found -> {
              found.putAll(returns.get());
              returns.set(Map.copyOf(found));
            });
  }

  /** What comes back in the room looked at, or in the plan that it was dragged from. */
  public Optional<ReturnMap> returnsNow() {
    return Optional.ofNullable(returns.get().get(room()))
        .or(() ->
            plan()
                .filter(p -> dragged.get().isPresent() && !before.get())
                .flatMap(p -> Optional.ofNullable(returns.get().get(p.room()))));
  }

  /** What the plan looked at comes to, or that there is none. */
  String sayAnswer() {
    if (plan().isEmpty() || stale()) {
      return "No plan of this room as it is now: make one from what is at hand.";
    }
    TreatmentPlan p = plan().get();
    TreatmentPlan.Figures now = made.get().orElseThrow().result().before();
    if (p.steps().isEmpty()) {
      return p.notes().isEmpty() ? "Hang nothing more." : p.notes().getFirst();
    }
    String from =
        now().equals(made.get().orElseThrow().of())
            ? Figures.say("from %.1f ", context.session().heard().margins().clearDb())
            : "";
    String clear =
        now.late() && p.traced().late()
            ? Figures.say(": Clear %sto %.1f dB", from, p.traced().margins().clearDb())
            : "";
    return Figures.say(
        "%s, %s%s.%nMoney: %s%nWork: %.0f minutes",
        p.steps().size() == 1 ? "One thing" : p.steps().size() + " things",
        p.school().label(),
        clear,
        Figures.money(p.price()),
        p.minutes());
  }

  private TreatmentPlan fresh() {
    TreatmentPlan chosen =
        plan().orElseThrow(() -> new Trouble.BadField("plan", "there is none yet; make one"));
    if (stale()) {
      throw new Trouble.BadField("plan", "the room has changed since it was made; plan again");
    }
    return chosen;
  }

  /**
   * Puts all of the plan up in the model, as it was dragged.
   *
   * @throws Trouble.BadField where there is none, or the room has changed since
   */
  public void putUp() {
    TreatmentPlan chosen = fresh();
    Room room = dragged.get().orElse(chosen.room());
    if (room.equals(now())) {
      throw new Trouble.BadField("plan", "all of it is up already");
    }
    context.session().edit("Put up the plan “" + chosen.school().label() + "”", b -> b.with(room));
  }

  /**
   * Puts one piece of the plan up in the model, so that it can be measured by itself.
   *
   * @throws Trouble.BadField where the room has changed since
   */
  public void putUp(TreatmentPlan.Step step) {
    fresh();
    Patch patch =
        step.patch()
            .orElseThrow(() -> new Trouble.BadField(step.name(), "is turned or pushed in Room"));
    context.session().edit("Put up " + step.name(), b -> b.with(b.room().plus(patch)));
  }

  /**
   * Writes the hanging list of the plan looked at.
   *
   * @param lengths how lengths are said
   * @throws Trouble where there is no plan, or the file cannot be written
   */
  public void write(Path file, DoubleFunction<String> lengths) {
    TreatmentPlan chosen = fresh();
    Made known = made.get().orElseThrow();
    HangingList.write(known.of(), known.result().before(), chosen, lengths, Typefaces.get(), file);
    context.work().wrote(file);
  }
}
