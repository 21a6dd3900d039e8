package nullroom.app.dress;

import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.TextField;
import nullroom.app.control.Choice;
import nullroom.app.control.NumberField;
import nullroom.app.control.Row;
import nullroom.app.control.WhileShown;
import nullroom.app.shell.StationContext;
import nullroom.app.words.Language;
import nullroom.core.room.Surface;

/** A part of a surface to be kept clear: door swing, window, heater, lamp, detector, exit. */
final class KeepClearForm {
  private static final double MOST_METRES = 50;

  private final StationContext context;
  private final double[] place = {0, 0, 1, 2};
  private final Row row;

  KeepClearForm(HandModel model, StationContext context) {
    this.context = context;
    TextField why = new TextField(Language.say("door swings here"));
    why.setId("clear-why");
    why.setAccessibleText("why it is kept clear: door, window, heater, lamp, detector, exit");
    Choice<Surface> surface =
        new Choice<>(
            "clear-surface",
            "surface of which a part is kept clear",
            List.of(),
            Surface::label,
            s -> {});
    Button keep = new Button("Keep it clear");
    keep.setId("clear-add");
    keep.setOnAction(e ->
        context
            .work()
            .attempt(
                () ->
                    model.keepClear(
                        why.getText(), surface.getValue(), place[0], place[1], place[2], place[3]),
                () -> {}));
    row =
        new Row(
            why,
            surface,
            length("From the corner", 0),
            length("Up", 1),
            length("Width", 2),
            length("Height", 3),
            keep);
    row.getStyleClass().add("fields");
    WhileShown.follow(row, () -> offer(surface), context.session().revisionProperty());
    offer(surface);
  }

  private void offer(Choice<Surface> surface) {
    List<Surface> all = context.session().book().room().surfaces();
    if (!all.equals(surface.getItems())) {
      surface.offer(all);
      surface.show(all.stream().filter(Surface::isWall).findFirst().orElse(Surface.FLOOR));
    }
  }

  private NumberField length(String label, int which) {
    NumberField field = new NumberField(label, "m", 0, MOST_METRES, m -> place[which] = m);
    context.units().subscribe(units -> field.setEntry(units.field()));
    field.show(place[which]);
    return field;
  }

  Node node() {
    return row;
  }
}
