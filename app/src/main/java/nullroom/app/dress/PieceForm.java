package nullroom.app.dress;

import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.DoubleConsumer;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import nullroom.app.control.Choice;
import nullroom.app.control.NameField;
import nullroom.app.control.NumberField;
import nullroom.app.control.Row;
import nullroom.app.control.Wrapped;
import nullroom.app.shell.StationContext;
import nullroom.core.Figures;
import nullroom.core.book.TreatmentPiece;
import nullroom.core.room.Finish;

/** All that can be said of one piece; each change is an edit of the book. */
final class PieceForm {
  private static final double MOST_METRES = 20;
  private static final double NAME_WIDTH = 220;

  private final HandModel model;
  private final StationContext context;
  private final TreatmentPiece before;

  /** What is said now. */
  private String name;

  private int count;
  private boolean owned;
  private double price;
  private double minutes;
  private double width;
  private double height;
  private boolean turnable;
  private Finish finish;
  private TreatmentPiece.Hold hold;
  private OptionalDouble kilograms;
  private boolean coloured;

  PieceForm(TreatmentPiece piece, HandModel model, StationContext context) {
    this.model = model;
    this.context = context;
    before = piece;
    name = piece.name();
    count = piece.count();
    owned = piece.owned();
    price = piece.price();
    minutes = piece.minutes();
    width = piece.widthMetres();
    height = piece.heightMetres();
    turnable = piece.turnable();
    finish = piece.finish();
    hold = piece.hold();
    kilograms = piece.weightKg();
    coloured = piece.coloured();
  }

  /** Where it may go is kept as far as it can still be held there. */
  private void take() {
    Set<String> on = hold == before.hold() ? before.on() : Set.of();
    model.change(
        before,
        new TreatmentPiece(
            name, count, owned, price, minutes, width, height, turnable, finish, hold, on,
            kilograms, coloured));
  }

  List<Node> nodes() {
    NameField called =
        new NameField(
            "piece-name",
            "this piece",
            name,
            NAME_WIDTH,
            typed -> {
              name = typed.strip();
              context.work().attempt(this::take, () -> {});
            });
    Row first =
        new Row(
            called,
            number("How many", "", 1, 50, count, typed -> count = (int) Math.rint(typed)),
            length("Wide", width, typed -> width = typed),
            length("High", height, typed -> height = typed),
            box("may hang the other way", turnable, on -> turnable = on));
    NumberField weight =
        number("Weighs", "kg", 0, 1000, 0, typed -> kilograms = OptionalDouble.of(typed));
    weight.setOnNothing(() -> {
      kilograms = OptionalDouble.empty();
      take();
    });
    weight.show(kilograms);
    Row second =
        new Row(
            box("owned or lent", owned, on -> owned = on),
            number("Price", "", 0, 1e6, price, typed -> price = typed),
            number("Takes", "min", 0, 10_000, minutes, typed -> minutes = typed),
            weight,
            box("tints the light", coloured, on -> coloured = on));
    Row third = new Row(new Label("Made of"), material(), new Label("held by"), held());
    for (Row row : List.of(first, second, third)) {
      row.getStyleClass().add("fields");
    }
    return List.of(
        first, second, third, new Wrapped(Figures.capital(before.trace()) + ".", "soft"));
  }

  private NumberField number(
      String label, String unit, double low, double high, double is, DoubleConsumer taken) {
    NumberField field =
        new NumberField(
            label,
            unit,
            low,
            high,
            typed -> {
              taken.accept(typed);
              take();
            });
    field.show(is);
    return field;
  }

  private NumberField length(String label, double metres, DoubleConsumer taken) {
    NumberField field = number(label, "m", 0.05, MOST_METRES, metres, taken);
    field.setEntry(context.units().get().field());
    return field;
  }

  private CheckBox box(String label, boolean is, Consumer<Boolean> ticked) {
    CheckBox box = new CheckBox(label);
    box.setSelected(is);
    box.setOnAction(e -> {
      ticked.accept(box.isSelected());
      context.work().attempt(this::take, () -> {});
    });
    return box;
  }

  private Choice<Finish> material() {
    Choice<Finish> choice =
        new Choice<>(
            "piece-material",
            "what the piece is made of",
            model.finishes(),
            HandModel::nameOf,
            chosen -> {
              finish = chosen;
              context.work().attempt(this::take, () -> {});
            });
    choice.show(finish);
    return choice;
  }

  private Choice<TreatmentPiece.Hold> held() {
    Choice<TreatmentPiece.Hold> choice =
        new Choice<>(
            "piece-hold",
            "how the piece is held",
            List.of(TreatmentPiece.Hold.values()),
            TreatmentPiece.Hold::label,
            chosen -> {
              hold = chosen;
              context.work().attempt(this::take, () -> {});
            });
    choice.show(hold);
    return choice;
  }
}
