package nullroom.app.dress;

import java.io.File;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import nullroom.app.control.FigureTable;
import nullroom.app.control.FoldOut;
import nullroom.app.control.NumberField;
import nullroom.app.control.Row;
import nullroom.app.control.SameFocus;
import nullroom.app.control.WhileShown;
import nullroom.app.control.Wrapped;
import nullroom.app.shell.StationContext;
import nullroom.core.Figures;
import nullroom.core.acoustics.Octave;
import nullroom.core.book.AtHand;
import nullroom.core.plan.treatment.TreatmentPlan;
import nullroom.core.room.Patch;
import nullroom.core.room.Point;
import nullroom.core.room.Surface;

/** Plans by school side by side, and the steps of the one looked at. */
final class PlanPage {
  private static final double PICTURE_HEIGHT = 210;
  private static final double MOST_MONEY = 1e6;
  private static final double MOST_MINUTES = 1e4;

  private final PlanModel model;
  private final StationContext context;
  private final FoldOut foldOut = new FoldOut();
  private final FigureTable plans = new FigureTable("treatment-plans");
  private final FigureTable steps = new FigureTable("treatment-steps");
  private final Label words = new Wrapped("", "soft");
  private final Label cautions = new Wrapped("", "caution");
  private final VBox node;
  private final VBox controls;

  PlanPage(PlanModel model, StationContext context) {
    this.model = model;
    this.context = context;
    foldOut.setPrefHeight(PICTURE_HEIGHT);
    foldOut.setMinHeight(PICTURE_HEIGHT / 2);
    words.setId("plan-words");
    VBox below = new VBox(10, plans, words, steps, cautions);
    ScrollPane rows = new ScrollPane(below);
    rows.setFitToWidth(true);
    rows.setMinHeight(PICTURE_HEIGHT / 2);
    node = new VBox(10, foldOut, rows);
    VBox.setVgrow(foldOut, Priority.SOMETIMES);
    VBox.setVgrow(rows, Priority.ALWAYS);
    controls = form();
    WhileShown.follow(
        node,
        this::refresh,
        context.session().revisionProperty(),
        context.units(),
        model.madeProperty(),
        model.schoolProperty());
    refresh();
  }

  private VBox form() {
    NumberField money =
        limit("Money", "", MOST_MONEY, AtHand::budget, AtHand::withBudget, AtHand::withoutBudget);
    NumberField minutes =
        limit(
            "Minutes",
            "min",
            MOST_MINUTES,
            AtHand::minutes,
            AtHand::withMinutes,
            AtHand::withoutMinutes);
    Row limits =
        new Row(
            money,
            minutes,
            box("may drill", AtHand::drilling, AtHand::withDrilling),
            box("have a ladder", AtHand::ladder, AtHand::withLadder),
            box("may be in the picture", AtHand::inPicture, AtHand::withInPicture));
    limits.getStyleClass().add("fields");
    Button make = new Button("Plan it");
    make.setId("plan-make");
    make.getStyleClass().add("action");
    make.disableProperty().bind(context.work().runningProperty());
    make.setOnAction(e -> model.make());
    Button up = new Button("Put all of it up in the model");
    up.setId("plan-up");
    up.setOnAction(e -> context.work().attempt(model::putUp, () -> {}));
    Button read = new Button("What is at hand, from a file…");
    read.setOnAction(e -> {
      FileChooser chooser = new FileChooser();
      chooser.getExtensionFilters().add(new FileChooser.ExtensionFilter("Pieces", "*.json"));
      File file = chooser.showOpenDialog(read.getScene().getWindow());
      if (file != null) {
        context.work().attempt(() -> model.read(file.toPath()), () -> {});
      }
    });
    return new VBox(6, limits, new Row(make, up, read));
  }

  private NumberField limit(
      String name,
      String unit,
      double most,
      Function<AtHand, OptionalDouble> is,
      BiFunction<AtHand, Double, AtHand> set,
      UnaryOperator<AtHand> none) {
    NumberField field =
        new NumberField(name, unit, 0, most, m -> model.keepTo(hand -> set.apply(hand, m)));
    field.setOnNothing(() -> model.keepTo(none));
    model.handProperty().subscribe(hand -> field.show(is.apply(hand)));
    return field;
  }

  private CheckBox box(String name, Predicate<AtHand> is, BiFunction<AtHand, Boolean, AtHand> set) {
    CheckBox box = new CheckBox(name);
    box.setOnAction(e -> model.keepTo(hand -> set.apply(hand, box.isSelected())));
    model.handProperty().subscribe(hand -> box.setSelected(is.test(hand)));
    return box;
  }

  private void refresh() {
    foldOut.show(model.room());
    Optional<PlanModel.Made> made = model.madeProperty().get();
    List<List<?>> rows = new ArrayList<>();
    made.ifPresent(m -> m.result().plans().forEach(p -> rows.add(row(p))));
    SameFocus.through(
        plans,
        () ->
            plans.show(
                rows.isEmpty()
                    ? List.of()
                    : List.of("plan", "off, dB", "Clear, dB", "traced", "1 kHz, s", "money", "min"),
                rows));
    List<List<?>> order = new ArrayList<>();
    Optional<TreatmentPlan> plan = model.plan();
    plan.ifPresent(p -> p.steps().forEach(s -> order.add(step(order.size() + 1, s))));
    steps.show(
        order.isEmpty() ? List.of() : List.of("in this order", "adds, dB", "alone, dB"), order);
    words.setText(words(made, plan));
    cautions.setText(plan.map(p -> String.join(" ", p.cautions())).orElse(""));
  }

  private String words(Optional<PlanModel.Made> made, Optional<TreatmentPlan> plan) {
    if (made.isEmpty()) {
      return "Five ways to dress this room with what a usual household has, or with what a file says: by the figures alone, and"
          + " as four schools would. Off is how far the room is from the goal in Clear and decay.";
    }
    if (model.stale()) {
      return "The room has changed since these plans were made: plan again.";
    }
    Stream<String> known =
        plan.stream()
            .flatMap(p ->
                Stream.concat(
                    Stream.of(p.boundInWords(made.get().result().before())), p.notes().stream()));
    return String.join(
        " ",
        Stream.concat(
                Stream.concat(
                    Stream.of(
                        Figures.say(
                            "Now it is %.2f dB off, with %.1f dB of Clear.",
                            made.get().result().before().offDb(),
                            made.get().result().before().margins().clearDb())),
                    known),
                made.get().result().warnings().stream())
            .toList());
  }

  private List<Object> row(TreatmentPlan plan) {
    Button name = new Button(plan.school().label());
    name.getStyleClass().add(plan.school() == model.schoolProperty().get() ? "chosen" : "choice");
    name.getStyleClass().add("plain");
    name.setMinWidth(Region.USE_PREF_SIZE);
    name.setId("plan-" + plan.school().id());
    name.setOnAction(e -> model.schoolProperty().set(plan.school()));
    return List.of(
        name,
        Figures.say("%.2f", plan.after().offDb()),
        clear(plan.after()),
        clear(plan.traced()),
        Figures.say("%.2f", plan.after().decaySeconds().get(Octave.HZ_1000)),
        Figures.say("%.0f", plan.price()),
        Figures.say("%.0f", plan.minutes()));
  }

  private static String clear(TreatmentPlan.Figures figures) {
    return figures.late() ? Figures.say("%.1f", figures.margins().clearDb()) : "–";
  }

  private List<Object> step(int number, TreatmentPlan.Step step) {
    String where =
        step.patch()
            .map(p -> step.name() + " on " + p.surface().spoken() + place(p))
            .orElseGet(() -> step.name() + ": " + step.to());
    return List.of(
        number + "  " + where,
        Figures.say("%+.1f", step.addsClearDb()),
        Figures.say("%+.1f", step.aloneClearDb()));
  }

  /** Measured from the surface's first corner, which a wall shares with the one before it. */
  private String place(Patch patch) {
    Point corner = patch.corners().getFirst();
    String along = context.units().get().length(corner.x());
    String up = context.units().get().length(corner.y());
    if (!(patch.surface() instanceof Surface.Wall wall)) {
      return ", " + along + " and " + up + " from the corner of walls 1 and " + walls();
    }
    int before = wall.number() == 1 ? walls() : wall.number() - 1;
    return ", " + along + " from the corner with wall " + before + ", " + up + " up";
  }

  private int walls() {
    return context.session().book().room().outline().corners().size();
  }

  Node node() {
    return node;
  }

  Node controls() {
    return controls;
  }
}
