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
import nullroom.app.control.FigureTable;
import nullroom.app.control.FoldOut;
import nullroom.app.control.NumberField;
import nullroom.app.shell.Desk;
import nullroom.core.Trouble;
import nullroom.core.room.Patch;

/** The outline, typed or from a template, the ceiling, doors and windows. */
final class ShapePage {
  private static final double FORM_WIDTH = 300;

  private final ShapeModel model;
  private final Desk desk;
  private final FoldOut foldOut = new FoldOut();
  private final TextArea corners = new TextArea();
  private final TextField low = field("ceiling-low", "lowest height of the ceiling in metres");
  private final TextField high = field("ceiling-high", "highest height of the ceiling in metres");
  private final Choice<ShapeModel.Roof> roof =
      new Choice<>(
          "roof",
          "kind of ceiling",
          List.of(ShapeModel.Roof.values()),
          ShapeModel.Roof::label,
          chosen -> {});
  private final FigureTable pieces = new FigureTable("surface-pieces");
  private final HBox node;

  ShapePage(ShapeModel model, Desk desk) {
    this.model = model;
    this.desk = desk;
    corners.setId("corners");
    corners.setPrefRowCount(7);
    corners.setAccessibleText("corners of the floor, one to a line, two numbers in metres");
    Button apply = new Button("Make the room this shape");
    apply.setId("shape");
    apply.getStyleClass().add("action");
    apply.setOnAction(e -> apply());
    FlowPane templates = new FlowPane(6, 6);
    for (ShapeModel.Template t : ShapeModel.Template.values()) {
      Button button = new Button(t.label());
      button.setId("template-" + t.name().toLowerCase(Locale.ROOT));
      button.setOnAction(e -> corners.setText(model.corners(t)));
      templates.getChildren().add(button);
    }
    HBox heights = new HBox(6, new Label("low"), low, new Label("high"), high, new Label("m"));
    heights.getStyleClass().add("row");
    Label how =
        new Label(
            "One corner to a line, x and y in metres, against the clock; wall 1 runs from the first to the second.");
    how.setWrapText(true);
    how.setMinHeight(Region.USE_PREF_SIZE);
    how.getStyleClass().add("soft");
    VBox form =
        new VBox(
            6,
            heading("Corners of the floor"),
            templates,
            corners,
            how,
            heading("Ceiling"),
            roof,
            heights,
            apply);
    form.setMinWidth(FORM_WIDTH);
    form.setMaxWidth(FORM_WIDTH);
    VBox left = new VBox(8, foldOut, openings(), new ScrollPane(pieces));
    VBox.setVgrow(foldOut, Priority.ALWAYS);
    HBox.setHgrow(left, Priority.ALWAYS);
    node = new HBox(16, left, form);
    desk.session().bookProperty().subscribe(this::refresh);
    refresh();
  }

  HBox node() {
    return node;
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
    TextField along = field("opening-along", "metres from the surface's first corner");
    along.setText("0.5");
    Choice<String> surface =
        new Choice<>(
            "opening-surface",
            "surface",
            desk.session().book().room().surfaceNames(),
            s -> s.replaceFirst("wall", "wall "),
            s -> {});
    surface.show("wall1");
    desk.session()
        .bookProperty()
        .subscribe(book -> {
          String was = surface.getValue();
          surface.getItems().setAll(book.room().surfaceNames());
          surface.show(book.room().surfaceNames().contains(was) ? was : "wall1");
        });
    row.getChildren().addAll(new Label("On"), surface, new Label("at"), along, new Label("m:"));
    for (ShapeModel.Opening kind : ShapeModel.Opening.values()) {
      Button add = new Button(kind.label());
      add.setId("opening-" + kind.name().toLowerCase(Locale.ROOT));
      add.setOnAction(
          e -> said(() -> model.add(kind, String.valueOf(surface.getValue()), number(along))));
      row.getChildren().add(add);
    }
    return row;
  }

  private void apply() {
    ShapeModel.Roof chosen = roof.getValue();
    said(() ->
        model.apply(
            corners.getText(),
            chosen == null ? ShapeModel.Roof.FLAT : chosen,
            number(low),
            number(high)));
  }

  private void said(Runnable edit) {
    desk.work().say("");
    desk.work().attempt(edit, () -> {});
  }

  private static double number(TextField field) {
    try {
      return NumberField.parse(field.getText());
    } catch (NumberFormatException e) {
      throw new Trouble.BadField(
          field.getAccessibleText(), "“" + field.getText() + "” is no number");
    }
  }

  private void refresh() {
    foldOut.show(desk.session().book().room());
    corners.setText(model.corners());
    roof.show(model.roof());
    low.setText(String.format(Locale.ROOT, "%.2f", model.heights()[0]));
    high.setText(String.format(Locale.ROOT, "%.2f", model.heights()[1]));
    List<Patch> all = model.pieces();
    pieces.heads(all.isEmpty() ? List.of() : List.of("on surfaces", "where", "m²", ""));
    for (int i = 0; i < all.size(); i++) {
      int index = i;
      Patch p = all.get(i);
      Button off = new Button("Off");
      off.getStyleClass().add("plain");
      off.setAccessibleText("take off the " + p.name());
      off.setOnAction(e -> model.remove(index));
      pieces.row(
          List.of(
              p.name(),
              p.surface().replaceFirst("wall", "wall "),
              String.format(Locale.ROOT, "%.1f", p.area()),
              off));
    }
  }
}
