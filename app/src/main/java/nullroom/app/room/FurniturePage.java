package nullroom.app.room;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import nullroom.app.control.Choice;
import nullroom.app.control.FigureTable;
import nullroom.app.control.FoldOut;
import nullroom.app.control.NumberField;
import nullroom.app.shell.Desk;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Material;
import nullroom.core.acoustics.Materials;
import nullroom.core.room.Finish;
import nullroom.core.room.Furniture;

/** What stands in the room, piece by piece. */
final class FurniturePage {
  private static final List<String> HEADS =
      List.of("piece", "x", "y", "lift", "long", "wide", "high", "turn °", "material", "");

  private static final double PICTURE_HEIGHT = 230;

  private final FurnitureModel model;
  private final Desk desk;
  private final FigureTable table = new FigureTable("furniture");
  private final FoldOut foldOut = new FoldOut();
  private final VBox node;

  FurniturePage(FurnitureModel model, Desk desk) {
    this.model = model;
    this.desk = desk;
    FlowPane add = new FlowPane(6, 6);
    Label put = new Label("Put up:");
    add.getChildren().add(put);
    for (Piece kind : Piece.values()) {
      Button button = new Button(kind.label());
      button.setId("add-" + kind.name().toLowerCase(Locale.ROOT));
      button.setOnAction(e -> desk.work().attempt(() -> model.add(kind), () -> {}));
      add.getChildren().add(button);
    }
    foldOut.setPrefHeight(PICTURE_HEIGHT);
    ScrollPane rows = new ScrollPane(table);
    rows.setFitToWidth(true);
    VBox.setVgrow(rows, Priority.ALWAYS);
    Label key =
        new Label(
            "Metres from the first corner of the floor; lift is the height of the underside. Tall furniture must be fixed to a wall so that it cannot fall.");
    key.setWrapText(true);
    key.getStyleClass().add("caution");
    node = new VBox(8, add, foldOut, rows, key);
    VBox.setVgrow(foldOut, Priority.ALWAYS);
    desk.session().bookProperty().subscribe(this::refresh);
    refresh();
  }

  VBox node() {
    return node;
  }

  private void refresh() {
    foldOut.show(desk.session().book().room());
    List<Furniture> all = model.all();
    table.heads(all.isEmpty() ? List.of() : HEADS);
    for (int i = 0; i < all.size(); i++) {
      table.row(row(i, all.get(i)));
    }
  }

  private List<Object> row(int index, Furniture piece) {
    List<Object> cells = new ArrayList<>(List.of(piece.name()));
    double[] figures = FurnitureModel.figures(piece);
    for (int f = 0; f < figures.length; f++) {
      cells.add(field(index, f, figures[f], piece.name()));
    }
    Choice<Material> material =
        new Choice<>(
            "furniture-material-" + index,
            "material of the " + piece.name(),
            List.copyOf(Materials.all()),
            Material::name,
            chosen -> model.setMaterial(index, chosen.id()));
    material.show(
        piece.finish() instanceof Finish.Listed listed ? Materials.get(listed.materialId()) : null);
    material.setPrefWidth(150);
    Button out = new Button("Out");
    out.setAccessibleText("take the " + piece.name() + " out");
    out.setOnAction(e -> model.remove(index));
    cells.add(material);
    cells.add(new HBox(out));
    return cells;
  }

  private TextField field(int index, int figure, double number, String name) {
    String shown = String.format(Locale.ROOT, figure == 6 ? "%.0f" : "%.2f", number);
    TextField field = new TextField(shown);
    field.setPrefColumnCount(3);
    field.setAccessibleText(HEADS.get(figure + 1) + " of the " + name);
    field.setId("furniture-" + index + "-" + figure);
    field.setOnAction(e -> {
      try {
        double typed = NumberField.parse(field.getText());
        model.change(index, figure, typed);
        desk.work().say("");
      } catch (NumberFormatException wrong) {
        desk.work().say("“" + field.getText() + "” is no number.");
      } catch (Trouble wrong) {
        desk.work().say(wrong.line());
      }
    });
    return field;
  }
}
