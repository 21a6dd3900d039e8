package nullroom.app.mic;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import nullroom.app.control.Dial;
import nullroom.app.control.FigureTable;
import nullroom.app.control.NumberField;
import nullroom.app.control.WhileShown;
import nullroom.app.control.Wrapped;
import nullroom.app.shell.StationContext;
import nullroom.core.Figures;
import nullroom.core.acoustics.MicrophoneType;
import nullroom.core.plan.Margin;
import nullroom.core.plan.Verdict;

/** Distance, angle, and all microphones side by side where this one is. */
final class HerePage {
  private static final double LEAST_ROWS_HEIGHT = 160;

  private final Node node;
  private final MicModel model;
  private final FigureTable table;
  private final Label targets = new Wrapped("", "soft");
  private final Map<MicrophoneType, Button> buttons = new HashMap<>();

  HerePage(MicModel model, StationContext context) {
    this.model = model;
    table = new FigureTable("mic-types", context.asked()::set);
    MicSide side = new MicSide(model, context.units());
    Dial distance =
        new Dial(
            "Distance", "m", 0.03, 2.5, metres -> say(context, () -> model.setDistance(metres)));
    Dial angle =
        new Dial(
            "Off the mouth’s axis",
            "°",
            0,
            180,
            degrees -> say(context, () -> model.setAngle(degrees)));
    angle.setEntry(new NumberField.Entry("°", d -> Figures.say("%.0f", d), NumberField::parse));
    context.units().subscribe(units -> distance.setEntry(units.nearField()));
    ScrollPane rows = new ScrollPane(table);
    rows.setFitToWidth(true);
    rows.setMinHeight(LEAST_ROWS_HEIGHT);
    VBox.setVgrow(rows, Priority.ALWAYS);
    VBox right = new VBox(distance, angle, rows, targets);
    right.getStyleClass().add("pictures");
    HBox picture = new HBox(side, right);
    picture.getStyleClass().add("pictures");
    HBox.setHgrow(side, Priority.ALWAYS);
    Runnable refresh =
        () -> {
          side.redraw();
          distance.show(model.distanceMetres());
          angle.show(model.angleDegrees());
          fill();
        };
    WhileShown.follow(picture, refresh, context.session().revisionProperty(), context.units());
    refresh.run();
    node = picture;
  }

  private static void say(StationContext context, Runnable edit) {
    try {
      edit.run();
      context.work().say("");
    } catch (nullroom.core.Trouble e) {
      context.work().warn("There the microphone would stand outside the room.");
    }
  }

  private void fill() {
    List<List<?>> rows = new ArrayList<>();
    model.choices().forEach(choice -> rows.add(row(choice)));
    if (!model.others().isEmpty()) {
      rows.add(List.of(FigureTable.Words.head("Generic types beside it")));
      model.others().forEach(choice -> rows.add(row(choice)));
    }
    targets.setText(
        Figures.say(
            "decibels, for targets of %.0f, %.0f, %.0f   ● met   ◆ close   ▲ short   ? cannot tell   each at its own right gain",
            model.targets().quietDb(), model.targets().clearDb(), model.targets().safeDb()));
    table.show(
        List.of(
            model.byShelf() ? "Your shelf at this spot" : "All types at this spot",
            "Quiet",
            "Clear",
            "Safe"),
        rows);
  }

  private List<Object> row(MicModel.Choice choice) {
    List<Object> cells = new ArrayList<>(List.of(button(choice)));
    for (Margin margin : choice.verdicts().all()) {
      Verdict verdict = margin.verdict();
      cells.add(
          new FigureTable.Figure(
              Figures.say("%.0f %s", margin.db(), verdict.sign()),
              () -> model.why(choice.type(), margin.name()),
              "cell",
              "margin-" + verdict.id()));
    }
    return cells;
  }

  /** Made once for each type: buttons cost more than all figures beside them. */
  private Button button(MicModel.Choice choice) {
    Button name = buttons.computeIfAbsent(choice.type(), this::button);
    name.setText(choice.type().label() + (choice.inUse() ? "  ✓" : ""));
    String look = choice.inUse() ? "chosen" : "choice";
    if (!name.getStyleClass().contains(look)) {
      name.getStyleClass().setAll("button", "plain", look);
    }
    return name;
  }

  private Button button(MicrophoneType type) {
    Button name = new Button();
    name.setMinWidth(Region.USE_PREF_SIZE);
    name.setOnAction(e -> model.setType(type));
    return name;
  }

  Node node() {
    return node;
  }
}
