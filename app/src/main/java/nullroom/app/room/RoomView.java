package nullroom.app.room;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import nullroom.app.control.Choice;
import nullroom.app.control.FoldOut;
import nullroom.app.control.NumberField;
import nullroom.app.shell.Desk;
import nullroom.app.shell.Station;
import nullroom.app.shell.StationFrame;
import nullroom.core.acoustics.Material;
import nullroom.core.acoustics.Materials;
import nullroom.core.room.Room;

/** The room station's nodes: the fold-out, and beside it sizes, materials and heights. */
public final class RoomView {
  private final Node node;
  private final RoomModel model;
  private final List<Runnable> refreshers = new ArrayList<>();

  /** A view of a model. */
  public RoomView(RoomModel model, Desk desk) {
    this.model = model;
    FoldOut foldOut = new FoldOut();
    foldOut.setMover((handle, x, y) -> quietly(desk, () -> model.move(handle, x, y)));
    refreshers.add(() -> foldOut.show(model.room()));
    VBox form = form();
    form.getStyleClass().add("form");
    HBox picture = new HBox(foldOut, form);
    picture.getStyleClass().add("pictures");
    HBox.setHgrow(foldOut, Priority.ALWAYS);
    desk.session().bookProperty().subscribe(this::refresh);
    refresh();
    node = StationFrame.of(Station.ROOM, model.say(), picture, new HBox(), desk.work());
  }

  private static void quietly(Desk desk, Runnable edit) {
    try {
      edit.run();
    } catch (nullroom.core.Trouble e) {
      desk.work().say(e.line());
    }
  }

  private void refresh() {
    refreshers.forEach(Runnable::run);
  }

  private VBox form() {
    VBox form = new VBox(heading("Size"));
    number(form, "Length", 0.5, 30, room -> room.size().x(), metres -> model.setSize(0, metres));
    number(form, "Width", 0.5, 30, room -> room.size().y(), metres -> model.setSize(1, metres));
    number(form, "Height", 0.5, 10, room -> room.size().z(), metres -> model.setSize(2, metres));
    form.getChildren().add(heading("Materials"));
    for (String surface : model.room().surfaceNames()) {
      form.getChildren().add(material(surface));
    }
    form.getChildren().add(heading("Heights over the floor"));
    number(
        form,
        "Talker",
        0.2,
        3,
        r -> r.talker().orElseThrow().at().z(),
        z -> model.setHeight(FoldOut.Handle.TALKER, z));
    number(
        form,
        "Microphone",
        0.05,
        3,
        r -> r.microphone().orElseThrow().at().z(),
        z -> model.setHeight(FoldOut.Handle.MICROPHONE, z));
    return form;
  }

  private static Label heading(String words) {
    Label label = new Label(words);
    label.getStyleClass().add("heading");
    return label;
  }

  private void number(
      VBox form,
      String name,
      double low,
      double high,
      java.util.function.ToDoubleFunction<Room> read,
      java.util.function.DoubleConsumer write) {
    NumberField field = new NumberField(name, "m", low, high, write);
    refreshers.add(() -> field.show(read.applyAsDouble(model.room())));
    form.getChildren().add(field);
  }

  private Node material(String surface) {
    Choice<Material> box =
        new Choice<>(
            "material-" + surface,
            "material of " + surface,
            RoomModel.surfaceMaterials(),
            Material::name,
            chosen -> model.setMaterial(surface, chosen.id()));
    refreshers.add(() -> box.show(Materials.find(model.materialId(surface)).orElse(null)));
    Label name =
        new Label(
            surface.startsWith("wall")
                ? "Wall " + surface.substring(4)
                : surface.equals("floor") ? "Floor" : "Ceiling");
    name.getStyleClass().add("field-name");
    HBox row = new HBox(name, box);
    row.getStyleClass().add("row");
    return row;
  }

  /** The nodes. */
  public Node node() {
    return node;
  }
}
