package nullroom.app.room;

import java.util.List;
import java.util.Locale;
import java.util.function.DoubleConsumer;
import java.util.stream.IntStream;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import nullroom.app.control.NumberField;
import nullroom.app.control.Row;
import nullroom.app.control.SameFocus;
import nullroom.app.shell.StationContext;
import nullroom.core.room.Patch;
import nullroom.core.room.Point;

/** What lies on surfaces, each with its place and size by numbers. */
final class PieceRows extends VBox {
  private static final double FURTHEST = 100;

  private final ShapeModel model;
  private final StationContext context;

  PieceRows(ShapeModel model, StationContext context) {
    super(6);
    this.model = model;
    this.context = context;
    context.units().subscribe(units -> refresh());
  }

  void refresh() {
    List<Patch> all = model.pieces();
    SameFocus.through(
        this,
        () ->
            getChildren()
                .setAll(IntStream.range(0, all.size()).mapToObj(i -> row(i, all.get(i))).toList()));
  }

  private Row row(int index, Patch p) {
    Label name = new Label(p.label() + " on " + p.surface().spoken());
    name.setMinWidth(Region.USE_PREF_SIZE);
    Point at = p.lowest();
    Row row =
        new Row(
            name,
            length(index, "from the corner", at.x(), u -> model.place(index, u, at.y())),
            length(index, "from below", at.y(), v -> model.place(index, at.x(), v)),
            length(index, "wide", p.width(), w -> model.resize(index, w, p.height())),
            length(index, "high", p.height(), h -> model.resize(index, p.width(), h)));
    row.getStyleClass().add("tight");
    p.otherwise()
        .ifPresent(o ->
            row.getChildren()
                .add(
                    plain(
                        "Make it " + o.then(),
                        "make the " + p.name() + " " + o.then(),
                        () -> model.turnOver(index))));
    row.getChildren().add(plain("Off", "take off the " + p.name(), () -> model.remove(index)));
    return row;
  }

  private NumberField length(int index, String name, double metres, DoubleConsumer typed) {
    NumberField field = new NumberField(name, "m", 0, FURTHEST, typed);
    field.setId("piece-" + index + "-" + name.toLowerCase(Locale.ROOT).replace(' ', '-'));
    field.setEntry(context.units().get().field());
    field.show(metres);
    return field;
  }

  private Button plain(String words, String name, Runnable action) {
    Button button = new Button(words);
    button.getStyleClass().add("plain");
    button.setAccessibleText(name);
    button.setOnAction(e -> context.work().attempt(action, () -> {}));
    return button;
  }
}
