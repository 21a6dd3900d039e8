package nullroom.app.room;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.DoubleConsumer;
import java.util.function.ToDoubleFunction;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import nullroom.app.control.Choice;
import nullroom.app.control.FoldOut;
import nullroom.app.control.NumberField;
import nullroom.app.shell.Desk;
import nullroom.core.acoustics.Material;
import nullroom.core.acoustics.Materials;
import nullroom.core.room.Room;

/** The fold-out, and beside it sizes, materials and heights. */
final class FoldOutPage {
  private final RoomModel model;
  private final Desk desk;
  private final FoldOut foldOut = new FoldOut();
  private final HBox node;
  private final List<Runnable> refreshers = new ArrayList<>();

  FoldOutPage(RoomModel model, Desk desk) {
    this.model = model;
    this.desk = desk;
    foldOut.setMover(
        (handle, x, y) -> desk.work().attempt(() -> model.move(handle, x, y), () -> {}));
    desk.units().subscribe(units -> foldOut.setLengths(units::length));
    refreshers.add(() -> foldOut.show(model.room()));
    VBox form = form();
    form.getStyleClass().add("form");
    node = new HBox(foldOut, form);
    node.getStyleClass().add("pictures");
    HBox.setHgrow(foldOut, Priority.ALWAYS);
    desk.session().bookProperty().subscribe(this::refresh);
    model.tintProperty().subscribe(this::tint);
    model.trace().tracedProperty().subscribe(this::tint);
    refresh();
  }

  HBox node() {
    return node;
  }

  /** The picture, to be written to a file. */
  FoldOut picture() {
    return foldOut;
  }

  private void refresh() {
    refreshers.forEach(Runnable::run);
    tint();
  }

  private void tint() {
    Tint by = model.tintProperty().get();
    foldOut.tint(
        by == Tint.NOTHING
            ? Optional.empty()
            : model.trace().tracedProperty().get().map(TraceModel.Traced::returns),
        by == Tint.EARLY);
  }

  private VBox form() {
    VBox form = new VBox(heading("Size"));
    number(form, "Length", 0.5, 30, room -> room.size().x(), metres -> model.setSize(0, metres));
    number(form, "Width", 0.5, 30, room -> room.size().y(), metres -> model.setSize(1, metres));
    number(form, "Height", 0.5, 10, room -> room.size().z(), metres -> model.setSize(2, metres));
    form.getChildren().add(heading("Materials"));
    VBox materials = new VBox(4);
    refreshers.add(() -> {
      if (materials.getChildren().size() != model.room().surfaceNames().size()) {
        materials.getChildren().clear();
        model.room().surfaceNames().forEach(s -> materials.getChildren().add(material(s)));
      }
    });
    form.getChildren().addAll(materials, heading("Heights over the floor"));
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
      ToDoubleFunction<Room> read,
      DoubleConsumer write) {
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
    Runnable show =
        () -> {
          if (model.room().surfaceNames().contains(surface)) {
            box.show(Materials.find(model.materialId(surface)).orElse(null));
          }
        };
    desk.session().bookProperty().subscribe(show);
    show.run();
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
}
