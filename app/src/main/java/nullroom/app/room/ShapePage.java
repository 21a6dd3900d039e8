package nullroom.app.room;

import java.util.List;
import java.util.Locale;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import nullroom.app.control.Choice;
import nullroom.app.control.OutlinePlot;
import nullroom.app.control.WhileShown;
import nullroom.app.shell.StationContext;
import nullroom.core.Trouble;
import nullroom.core.room.Outline;
import nullroom.core.room.Point;
import nullroom.core.room.Surface;

/** The outline, typed or from a template, the ceiling, doors and windows. */
final class ShapePage {
  private static final double FORM_WIDTH = 300;
  private static final double USUAL_ALONG = 0.5;
  private static final double LIST_HEIGHT = 110;

  private final ShapeModel model;
  private final StationContext context;
  private final OutlinePlot outline = new OutlinePlot();
  private final TextArea corners = new TextArea();
  private ShapeModel.Typed typed = ShapeModel.Typed.CORNERS;
  private final TextField low = field("ceiling-low", "lowest height of the ceiling");
  private final TextField high = field("ceiling-high", "highest height of the ceiling");
  private final Choice<ShapeModel.Roof> roof =
      new Choice<>(
          "roof",
          "kind of ceiling",
          List.of(ShapeModel.Roof.values()),
          ShapeModel.Roof::label,
          chosen -> {});
  private final Label unit = new Label();
  private final PieceRows pieces;
  private final HBox node;

  ShapePage(ShapeModel model, StationContext context) {
    this.model = model;
    this.context = context;
    pieces = new PieceRows(model, context);
    corners.setId("corners");
    corners.setPrefRowCount(7);
    corners.setAccessibleText("the floor's outline, one corner or wall to a line, two numbers");
    outline.setOnChange(this::drawn);
    context
        .units()
        .subscribe(units -> {
          outline.setLengths(units::length);
          unit.setText(units.unit());
          heights();
        });
    Button apply = new Button("Make the room this shape");
    apply.setId("shape");
    apply.getStyleClass().add("action");
    apply.setOnAction(e -> apply());
    HBox heights = new HBox(6, new Label("low"), low, new Label("high"), high, unit);
    heights.getStyleClass().add("row");
    Label how = new Label(typed.explained());
    how.setWrapText(true);
    how.setMinHeight(Region.USE_PREF_SIZE);
    how.getStyleClass().add("soft");
    Choice<ShapeModel.Typed> way =
        new Choice<>(
            "typed",
            "how the outline is typed",
            List.of(ShapeModel.Typed.values()),
            ShapeModel.Typed::label,
            chosen -> {
              typed = chosen;
              how.setText(chosen.explained());
              corners.setText(model.typed(typed));
            });
    way.show(typed);
    VBox form =
        new VBox(
            6,
            heading("Outline of the floor"),
            drawing(context),
            templates(model),
            way,
            corners,
            how,
            heading("Ceiling"),
            roof,
            heights,
            apply);
    form.setMinWidth(FORM_WIDTH);
    form.setMaxWidth(FORM_WIDTH);
    VBox left = new VBox(8, outline, openings(), pieces());
    VBox.setVgrow(outline, Priority.ALWAYS);
    HBox.setHgrow(left, Priority.ALWAYS);
    node = new HBox(16, left, form);
    WhileShown.follow(node, this::refresh, context.session().bookProperty());
    refresh();
  }

  private FlowPane templates(ShapeModel model) {
    FlowPane templates = new FlowPane(6, 6);
    for (ShapeModel.Template t : ShapeModel.Template.values()) {
      Button button = new Button(t.label());
      button.setId("template-" + t.name().toLowerCase(Locale.ROOT));
      button.setOnAction(e -> corners.setText(model.typed(t, typed)));
      templates.getChildren().add(button);
    }
    return templates;
  }

  private HBox drawing(StationContext context) {
    Button anew = new Button("Draw it anew");
    anew.setId("draw-anew");
    anew.setOnAction(e -> outline.drawAnew());
    Button back = new Button("Leave it as it was");
    back.setId("draw-back");
    back.setOnAction(e -> {
      outline.giveUp();
      context.work().say("");
    });
    return new HBox(6, anew, back);
  }

  HBox node() {
    return node;
  }

  private ScrollPane pieces() {
    ScrollPane rows = new ScrollPane(pieces);
    rows.setFitToWidth(true);
    rows.setPrefViewportHeight(LIST_HEIGHT);
    return rows;
  }

  /** Corners came from the picture; what is no outline stays there until it is or is left. */
  private void drawn(List<Point> all) {
    said(() -> {
      try {
        model.apply(new Outline(all));
      } catch (IllegalArgumentException e) {
        throw new Trouble.BadField("outline", String.valueOf(e.getMessage()));
      }
    });
  }

  private static TextField field(String id, String name) {
    TextField field = new TextField();
    field.setId(id);
    field.setAccessibleText(name);
    field.setPrefColumnCount(4);
    return field;
  }

  private static Label heading(String words) {
    Label label = new Label(words);
    label.getStyleClass().add("heading");
    return label;
  }

  private FlowPane openings() {
    FlowPane row = new FlowPane(6, 6);
    TextField along = field("opening-along", "distance from the surface's first corner");
    context.units().subscribe(units -> along.setText(units.entry(USUAL_ALONG)));
    Choice<Surface> surface =
        new Choice<>(
            "opening-surface",
            "surface",
            context.session().book().room().surfaces(),
            Surface::label,
            s -> {});
    surface.show(Surface.wall(1));
    context
        .session()
        .bookProperty()
        .subscribe(book -> {
          Surface was = surface.getValue();
          surface.getItems().setAll(book.room().surfaces());
          surface.show(book.room().surfaces().contains(was) ? was : Surface.wall(1));
        });
    row.getChildren().addAll(new Label("On"), surface, new Label("at"), along);
    for (Opening kind : Opening.values()) {
      Button add = new Button(kind.label());
      add.setId("opening-" + kind.name().toLowerCase(Locale.ROOT));
      add.setOnAction(e -> said(() -> model.add(kind, surface.getValue(), number(along))));
      row.getChildren().add(add);
    }
    return row;
  }

  private void apply() {
    ShapeModel.Roof chosen = roof.getValue();
    said(() ->
        model.apply(
            corners.getText(),
            typed,
            chosen == null ? ShapeModel.Roof.FLAT : chosen,
            number(low),
            number(high)));
  }

  private void said(Runnable edit) {
    context.work().say("");
    context.work().attempt(edit, () -> {});
  }

  private double number(TextField field) {
    try {
      return context.units().get().parse(field.getText());
    } catch (NumberFormatException e) {
      throw new Trouble.BadField(
          field.getAccessibleText(), "“" + field.getText() + "” is no length");
    }
  }

  private void heights() {
    low.setText(context.units().get().entry(model.heights()[0]));
    high.setText(context.units().get().entry(model.heights()[1]));
  }

  private void refresh() {
    outline.show(context.session().book().room().outline());
    corners.setText(model.typed(typed));
    roof.show(model.roof());
    heights();
    pieces.refresh();
  }
}
