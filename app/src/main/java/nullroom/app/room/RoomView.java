package nullroom.app.room;

import java.io.File;
import java.util.List;
import java.util.function.Supplier;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.stage.FileChooser;
import nullroom.app.control.Choice;
import nullroom.app.control.PictureFile;
import nullroom.app.control.PlotPane;
import nullroom.app.shell.Desk;
import nullroom.app.shell.PageParts;
import nullroom.app.shell.Pages;
import nullroom.app.shell.Station;
import nullroom.app.shell.StationFrame;

/** The room station's nodes. */
public final class RoomView {
  private final Node node;

  /** A view of a model. */
  public RoomView(RoomModel model, Desk desk) {
    Pages<RoomPage> pages =
        new Pages<>(RoomPage.class, model.pageProperty(), page -> parts(page, model, desk));
    node =
        StationFrame.of(Station.ROOM, model.say(), pages.picture(), pages.controls(), desk.work());
  }

  private static PageParts parts(RoomPage page, RoomModel model, Desk desk) {
    return switch (page) {
      case FOLD_OUT -> {
        FoldOutPage foldOut = new FoldOutPage(model, desk);
        yield new PageParts(foldOut.node(), files(model, foldOut::picture, desk));
      }
      case SHAPE -> new PageParts(new ShapePage(model.shape(), desk).node(), new HBox());
      case FURNITURE -> new PageParts(new FurniturePage(model, desk).node(), new HBox());
      case SPOTS -> new PageParts(new SpotsPage(model, desk).node(), new HBox());
      case MODEL -> new PageParts(new ModelPage(model.trace(), desk).node(), new HBox());
      case MATERIALS -> new PageParts(new MaterialsPage(model, desk).node(), new HBox());
    };
  }

  private static FlowPane files(RoomModel model, Supplier<PlotPane> picture, Desk desk) {
    Button open = new Button("Open a room file…");
    open.setOnAction(e -> {
      File file = chooser("Room", "*.json").showOpenDialog(open.getScene().getWindow());
      if (file != null) {
        desk.work().attempt(() -> model.open(file.toPath()), () -> {});
      }
    });
    Button write = new Button("Write the room…");
    write.setOnAction(e -> {
      FileChooser chooser = chooser("Room", "*.json");
      chooser.setInitialFileName("room.json");
      File file = chooser.showSaveDialog(write.getScene().getWindow());
      if (file != null) {
        desk.work().attempt(() -> model.write(file.toPath()), () -> {});
      }
    });
    Button save = new Button("Write the picture…");
    save.setOnAction(e -> {
      FileChooser chooser = chooser("Picture", "*.svg", "*.png");
      chooser.setInitialFileName("room.svg");
      File file = chooser.showSaveDialog(save.getScene().getWindow());
      if (file != null) {
        desk.work().attempt(() -> PictureFile.write(picture.get(), file.toPath()), () -> {});
      }
    });
    Choice<Tint> tint =
        new Choice<>(
            "tint",
            "what the fold-out is tinted by",
            List.of(Tint.values()),
            Tint::label,
            model.tintProperty()::set);
    model.tintProperty().subscribe(now -> tint.show(now));
    Choice<Sight> sight =
        new Choice<>(
            "sight",
            "how the room is looked at",
            List.of(Sight.values()),
            Sight::label,
            model.sightProperty()::set);
    model.sightProperty().subscribe(now -> sight.show(now));
    Label key = new Label("Tint, 3 dB a step:");
    key.getStyleClass().add("soft");
    FlowPane row = new FlowPane(8, 6, sight, key, tint, open, write, save);
    row.setAlignment(Pos.CENTER_LEFT);
    return row;
  }

  private static FileChooser chooser(String what, String... patterns) {
    FileChooser chooser = new FileChooser();
    chooser.getExtensionFilters().add(new FileChooser.ExtensionFilter(what, patterns));
    return chooser;
  }

  /** The nodes. */
  public Node node() {
    return node;
  }
}
