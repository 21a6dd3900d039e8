package nullroom.app.dress;

import java.util.OptionalDouble;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.layout.VBox;
import nullroom.app.control.FileButton;
import nullroom.app.control.NumberField;
import nullroom.app.control.Row;
import nullroom.app.control.WhileShown;
import nullroom.app.shell.StationContext;
import nullroom.core.book.AtHand;

/** The limits of a plan, and what is done with it. */
final class PlanForm {
  private static final double MOST_MONEY = 1e6;
  private static final double MOST_MINUTES = 1e4;

  private final PlanModel model;
  private final StationContext context;
  private final Row limits = new Row();
  private final VBox node;

  PlanForm(PlanModel model, StationContext context) {
    this.model = model;
    this.context = context;
    limits.getStyleClass().add("fields");
    limit("Money", "", MOST_MONEY, AtHand::budget, AtHand::withBudget, AtHand::withoutBudget);
    limit(
        "Minutes",
        "min",
        MOST_MINUTES,
        AtHand::minutes,
        AtHand::withMinutes,
        AtHand::withoutMinutes);
    reach();
    box("may drill", AtHand::drilling, AtHand::withDrilling);
    box("have a ladder", AtHand::ladder, AtHand::withLadder);
    box("may be in the picture", AtHand::inPicture, AtHand::withInPicture);
    box("may push furniture", AtHand::moves, AtHand::withMoves);
    node = new VBox(6, limits, actions());
  }

  private Row actions() {
    Button make = new Button("Plan it");
    make.setId("plan-make");
    make.getStyleClass().add("action");
    make.disableProperty().bind(context.work().runningProperty());
    make.setOnAction(e -> model.make());
    Button up = new Button("Put all of it up in the model");
    up.setId("plan-up");
    up.setOnAction(e -> context.work().attempt(model::putUp, () -> {}));
    Button list =
        FileButton.write(
            "Print the hanging list…",
            "hanging-list.pdf",
            "PDF",
            file ->
                context
                    .work()
                    .attempt(() -> model.write(file, context.units().get()::length), () -> {}),
            "*.pdf");
    list.setId("plan-list");
    return new Row(make, up, list);
  }

  private void reach() {
    NumberField field =
        new NumberField(
            "Reach up to", "m", 0.2, AtHand.HIGHEST_METRES, m -> model.keepTo(h -> h.withReach(m)));
    context.units().subscribe(units -> field.setEntry(units.field()));
    follow(() -> field.show(model.hand().reachMetres()));
    limits.getChildren().add(field);
  }

  private void follow(Runnable show) {
    WhileShown.follow(limits, show, context.session().bookProperty());
    show.run();
  }

  private void limit(
      String name,
      String unit,
      double most,
      Function<AtHand, OptionalDouble> is,
      BiFunction<AtHand, Double, AtHand> set,
      UnaryOperator<AtHand> none) {
    NumberField field =
        new NumberField(name, unit, 0, most, m -> model.keepTo(hand -> set.apply(hand, m)));
    field.setOnNothing(() -> model.keepTo(none));
    follow(() -> field.show(is.apply(model.hand())));
    limits.getChildren().add(field);
  }

  private void box(String name, Predicate<AtHand> is, BiFunction<AtHand, Boolean, AtHand> set) {
    CheckBox box = new CheckBox(name);
    box.setOnAction(e -> model.keepTo(hand -> set.apply(hand, box.isSelected())));
    follow(() -> box.setSelected(is.test(model.hand())));
    limits.getChildren().add(box);
  }

  VBox node() {
    return node;
  }
}
