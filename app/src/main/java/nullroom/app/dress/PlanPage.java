package nullroom.app.dress;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import nullroom.app.control.FigureTable;
import nullroom.app.control.RowChoice;
import nullroom.app.control.SameFocus;
import nullroom.app.control.WhileShown;
import nullroom.app.control.Wrapped;
import nullroom.app.shell.StationContext;
import nullroom.core.Figures;
import nullroom.core.plan.Why;
import nullroom.core.plan.treatment.LimitPrice;
import nullroom.core.plan.treatment.PlanReasons;
import nullroom.core.plan.treatment.TreatmentPlan;
import nullroom.core.plan.treatment.Whereabouts;

/** Plans by school side by side, the steps of the one looked at, and what the limits cost. */
final class PlanPage {
  private static final double WORTH_SAYING_DB = 0.05;
  private static final double SCHOOL_WIDTH = 190;
  private static final double WHERE_WIDTH = 300;
  private static final double WIDE_WHERE_WIDTH = 480;

  /** Octaves whose times are in the table of steps: 125 Hz to 4 kHz. */
  private static final int FIRST = 1;

  private static final int LAST = 6;

  private final PlanModel model;
  private final StationContext context;
  private final FigureTable plans;
  private final FigureTable steps;
  private final Label words = new Wrapped("", "soft");
  private final Label limits = new Wrapped("", "soft");
  private final Label cautions = new Wrapped("", "caution");
  private final VBox node;
  private final VBox controls;

  PlanPage(PlanModel model, StationContext context) {
    this.model = model;
    this.context = context;
    plans = new FigureTable("treatment-plans", context.asked()::set);
    steps = new FigureTable("treatment-steps", context.asked()::set);
    words.setId("plan-words");
    limits.setId("plan-limits");
    VBox below = new VBox(10, plans, words, limits, steps, cautions);
    ScrollPane rows = new ScrollPane(below);
    rows.setFitToWidth(true);
    node = new VBox(rows);
    VBox.setVgrow(rows, Priority.ALWAYS);
    controls = new PlanForm(model, context).node();
    WhileShown.follow(
        node,
        this::refresh,
        context.session().revisionProperty(),
        context.units(),
        model.madeProperty(),
        model.schoolProperty());
    refresh();
  }

  private void refresh() {
    Optional<PlanModel.Made> made = model.madeProperty().get();
    List<List<?>> rows = new ArrayList<>();
    made.ifPresent(m -> m.result().plans().forEach(p -> rows.add(row(p))));
    SameFocus.through(
        plans,
        () ->
            plans.show(
                rows.isEmpty()
                    ? List.of()
                    : List.of("plan", "off, dB", "Clear, dB", "traced", "money", "min"),
                rows));
    List<List<?>> order = new ArrayList<>();
    Optional<TreatmentPlan> plan = model.plan();
    plan.ifPresent(p -> p.steps().forEach(s -> order.add(step(order.size() + 1, s))));
    SameFocus.through(
        steps,
        () ->
            steps.show(
                order.isEmpty()
                    ? List.of()
                    : List.of("in this order", "adds, dB", "alone, dB", "money", "min", ""),
                order));
    words.setText(words(made, plan));
    limits.setText(made.map(m -> prices(m.result().limits())).orElse(""));
    cautions.setText(plan.map(p -> String.join(" ", p.cautions())).orElse(""));
  }

  private static String prices(List<LimitPrice> limits) {
    String dear =
        limits.stream()
            .filter(l -> l.costsDb() >= WORTH_SAYING_DB)
            .map(l -> Figures.say("%s costs %.1f dB", Figures.capital(l.limit()), l.costsDb()))
            .collect(Collectors.joining(". "));
    String cheap =
        limits.stream()
            .filter(l -> l.costsDb() < WORTH_SAYING_DB)
            .map(LimitPrice::limit)
            .collect(Collectors.joining(", "));
    return Stream.of(
            dear.isEmpty() ? "" : dear + ".",
            cheap.isEmpty() ? "" : "It costs nothing: " + cheap + ".")
        .filter(s -> !s.isEmpty())
        .collect(Collectors.joining(" "));
  }

  private String words(Optional<PlanModel.Made> made, Optional<TreatmentPlan> plan) {
    if (made.isEmpty()) {
      return "Five ways to dress this room with what is at hand: by the figures alone, and as four schools would. Off is how"
          + " far the room is from the goal in Clear and decay.";
    }
    if (model.stale()) {
      return "The room has changed since these plans were made: plan again.";
    }
    TreatmentPlan.Figures before = made.get().result().before();
    Stream<String> now =
        Stream.of(
            before.late()
                ? Figures.say(
                    "Now it is %.2f dB off, with %.1f dB of Clear.",
                    before.offDb(), before.margins().clearDb())
                : Figures.say("Now it is %.2f dB off.", before.offDb()));
    Stream<String> known =
        plan.stream()
            .flatMap(p -> Stream.concat(Stream.of(p.boundInWords(before)), p.notes().stream()));
    return Stream.of(now, known, made.get().result().warnings().stream())
        .flatMap(s -> s)
        .collect(Collectors.joining(" "));
  }

  private List<Object> row(TreatmentPlan plan) {
    RowChoice name =
        new RowChoice(
            plan.school().label(),
            plan.school() == model.schoolProperty().get(),
            () -> model.schoolProperty().set(plan.school()));
    name.setMinWidth(SCHOOL_WIDTH);
    name.setPrefWidth(SCHOOL_WIDTH);
    name.setWrapText(true);
    name.setAlignment(Pos.CENTER_LEFT);
    name.setId("plan-" + plan.school().id());
    return List.of(
        name,
        figure(Figures.say("%.2f", plan.after().offDb()), () -> PlanReasons.off(plan)),
        clear(plan.after(), () -> PlanReasons.clear(plan, false)),
        clear(plan.traced(), () -> PlanReasons.clear(plan, true)),
        figure(Figures.money(plan.price()), () -> PlanReasons.price(plan)),
        figure(Figures.say("%.0f", plan.minutes()), () -> PlanReasons.minutes(plan)));
  }

  private static FigureTable.Figure figure(String text, Supplier<Why> why) {
    return new FigureTable.Figure(text, () -> Optional.of(why.get()));
  }

  private static Object clear(TreatmentPlan.Figures figures, Supplier<Why> why) {
    return figures.late() ? figure(Figures.say("%.1f", figures.margins().clearDb()), why) : "–";
  }

  /** Times by octave as they are then. */
  private static String times(TreatmentPlan.Figures then) {
    return IntStream.rangeClosed(FIRST, LAST)
        .mapToObj(b -> Figures.say("%.2f", then.decaySeconds().get(b)))
        .collect(Collectors.joining("  ", "then ", " s from 125 Hz to 4 kHz"));
  }

  private List<Object> step(int number, TreatmentPlan.Step step) {
    List<Object> cells = new ArrayList<>();
    String where =
        Whereabouts.of(context.session().book().room(), step, context.units().get()::length);
    Wrapped what = new Wrapped(number + "  " + where + "\n" + times(step.then()));
    what.setPrefWidth(WIDE_WHERE_WIDTH);
    what.setMinWidth(WHERE_WIDTH);
    cells.add(what);
    cells.add(
        figure(Figures.say("%+.1f", step.addsClearDb()), () -> PlanReasons.step(step, false)));
    cells.add(
        figure(Figures.say("%+.1f", step.aloneClearDb()), () -> PlanReasons.step(step, true)));
    cells.add(Figures.money(step.price()));
    cells.add(Figures.say("%.0f", step.minutes()));
    Button up = new Button(model.isUp(step) ? "up" : "Put up");
    up.getStyleClass().add("plain");
    up.setId("plan-up-" + number);
    up.setAccessibleText("put up " + step.name() + " alone, in the model");
    up.setDisable(step.patch().isEmpty() || model.isUp(step));
    up.setOnAction(e -> context.work().attempt(() -> model.putUp(step), this::refresh));
    cells.add(up);
    return cells;
  }

  Node node() {
    return node;
  }

  Node controls() {
    return controls;
  }
}
