package nullroom.app.room;

import java.util.List;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import nullroom.app.control.Choice;
import nullroom.app.control.NumberField;
import nullroom.app.control.WhileShown;
import nullroom.app.shell.StationContext;
import nullroom.core.Figures;
import nullroom.core.predict.Framing;
import nullroom.core.room.Camera;
import nullroom.core.room.PictureShape;
import nullroom.core.room.RoomItem;

/** The camera: there or not, its lens, its picture and its height. */
final class CameraForm {
  private final RoomModel model;
  private final NumberField lens;
  private final NumberField height;
  private final Choice<PictureShape> shape;
  private final Button there = new Button();
  private final Label words = new Label();
  private final VBox node = new VBox(4);

  CameraForm(RoomModel model, StationContext context) {
    this.model = model;
    lens = new NumberField("Lens", "mm", 8, 1200, model::setFocal);
    height =
        new NumberField(
            "Camera", "m", 0.05, 3, z -> model.setHeight(RoomItem.camera(model.room()), z));
    context.units().subscribe(units -> height.setEntry(units.field()));
    shape =
        new Choice<>(
            "camera-shape",
            "shape of the picture",
            List.of(PictureShape.values()),
            PictureShape::label,
            chosen -> model.setAspect(chosen.ratio()));
    there.setId("camera");
    there.setOnAction(e ->
        context.work().attempt(() -> model.setCamera(model.room().camera().isEmpty()), () -> {}));
    words.setWrapText(true);
    words.setMinHeight(Region.USE_PREF_SIZE);
    words.getStyleClass().add("soft");
    Label name = new Label("Picture");
    name.getStyleClass().add("field-name");
    HBox row = new HBox(name, shape);
    row.getStyleClass().add("row");
    node.getChildren().setAll(there, lens, row, height, words);
    lens.managedProperty().bind(lens.visibleProperty());
    row.visibleProperty().bind(lens.visibleProperty());
    row.managedProperty().bind(lens.visibleProperty());
    height.visibleProperty().bind(lens.visibleProperty());
    height.managedProperty().bind(lens.visibleProperty());
    WhileShown.follow(
        node, this::refresh, context.session().bookProperty(), model.trace().framingProperty());
    refresh();
  }

  VBox node() {
    return node;
  }

  private void refresh() {
    Optional<Camera> camera = model.room().camera();
    lens.setVisible(camera.isPresent());
    there.setText(camera.isPresent() ? "Take the camera out" : "Put up a camera");
    camera.ifPresent(c -> {
      lens.show(c.focalMillimetres());
      height.show(c.at().z());
      shape.show(PictureShape.of(c.aspectRatio()).orElse(null));
    });
    words.setText(
        camera
            .map(c ->
                Figures.say(
                        "Takes in %.0f° by %.0f°, the lens told as for a picture 36 mm long. ",
                        c.widthDegrees(), c.heightDegrees())
                    + model.trace().framingProperty().get().map(CameraForm::seen).orElse(""))
            .orElse("With a camera the fold-out strokes what stays in its picture."));
  }

  private static String seen(Framing framing) {
    return (framing.talker() ? "" : "You are not in the picture. ")
        + (framing.microphone()
            ? "The microphone is in the picture."
            : "The microphone is out of the picture.");
  }
}
