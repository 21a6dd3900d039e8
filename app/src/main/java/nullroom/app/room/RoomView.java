package nullroom.app.room;

import java.io.File;
import java.util.List;
import java.util.Locale;
import java.util.function.Supplier;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import nullroom.app.control.Choice;
import nullroom.app.control.PictureFile;
import nullroom.app.control.PlotPane;
import nullroom.app.control.Tint;
import nullroom.app.control.Wrapped;
import nullroom.app.shell.BookSession;
import nullroom.app.shell.PageParts;
import nullroom.app.shell.Pages;
import nullroom.app.shell.Station;
import nullroom.app.shell.StationContext;
import nullroom.app.shell.StationFrame;
import nullroom.app.words.Language;

/** The room station's nodes. */
public final class RoomView {
  private final Node node;

  /** A view of a model. */
  public RoomView(RoomModel model, StationContext context) {
    Pages<RoomPage> pages =
        new Pages<>(RoomPage.class, model.pageProperty(), page -> parts(page, model, context));
    node =
        StationFrame.of(
            Station.ROOM,
            model.say(),
            new VBox(
                notDescribed(model, context.session()),
                wasItThere(context.session()),
                pages.picture()),
            pages.controls(),
            context);
    VBox.setVgrow(pages.picture(), Priority.ALWAYS);
  }

  /** The question of what stood in the room when it was measured, where it arises. */
  private static Node wasItThere(BookSession session) {
    Label question = new Label();
    question.setWrapText(true);
    question.setMinHeight(Region.USE_PREF_SIZE);
    HBox.setHgrow(question, Priority.ALWAYS);
    Button there = new Button("Yes, it was so");
    there.setId("was-there");
    there.setOnAction(e -> session.wasThere());
    Button since = new Button("No, that is new since");
    since.setId("is-new");
    since.setOnAction(e -> session.isNew());
    for (Button button : List.of(there, since)) {
      button.setMinWidth(Region.USE_PREF_SIZE);
    }
    HBox row = new HBox(question, there, since);
    row.getStyleClass().addAll("row", "asked");
    session
        .describedProperty()
        .subscribe(asked -> {
          row.setVisible(asked.isPresent());
          row.setManaged(asked.isPresent());
          question.setText(
              asked
                  .map(d ->
                      "The room was measured before this: "
                          + String.join(", ", d.names()).toLowerCase(Locale.ROOT)
                          + ". Was it so when you measured? Then the measurement stands, and only the model moves.")
                  .orElse(""));
        });
    return row;
  }

  /** That nobody described the room, for as long as nobody did. */
  private static Node notDescribed(RoomModel model, BookSession session) {
    Label said =
        new Wrapped(
            "Type the room's length, width and height in the form, or its outline under Shape.");
    HBox.setHgrow(said, Priority.ALWAYS);
    Button right = new Button("It is so large");
    right.setId("is-described");
    right.setMinWidth(Region.USE_PREF_SIZE);
    right.setOnAction(e -> model.setDescribed());
    HBox row = new HBox(said, right);
    row.getStyleClass().addAll("row", "asked");
    session
        .assumedProperty()
        .subscribe(assumed -> {
          row.setVisible(assumed);
          row.setManaged(assumed);
        });
    return row;
  }

  private static PageParts parts(RoomPage page, RoomModel model, StationContext context) {
    return switch (page) {
      case FOLD_OUT -> {
        FoldOutPage foldOut = new FoldOutPage(model, context);
        yield new PageParts(foldOut.node(), files(model, foldOut::picture, context));
      }
      case SHAPE -> new PageParts(new ShapePage(model.shape(), context).node(), new HBox());
      case SET_UP -> new PageParts(new SetUpPage(model, context).node(), new HBox());
      case FURNITURE -> new PageParts(new FurniturePage(model, context).node(), new HBox());
      case SPOTS -> new PageParts(new SpotsPage(model, context).node(), new HBox());
      case PLACES -> new PageParts(new PlacesPage(model.places(), context).node(), new HBox());
      case MODEL -> new PageParts(new ModelPage(model.trace(), context).node(), new HBox());
      case MATERIALS -> new PageParts(new MaterialsPage(model, context).node(), new HBox());
    };
  }

  private static FlowPane files(
      RoomModel model, Supplier<PlotPane> picture, StationContext context) {
    Button open = new Button("Open a room file…");
    open.setOnAction(e -> {
      File file = chooser("Room", "*.json").showOpenDialog(open.getScene().getWindow());
      if (file != null) {
        context.work().attempt(() -> model.open(file.toPath()), () -> {});
      }
    });
    Button write = new Button("Write the room…");
    write.setOnAction(e -> {
      FileChooser chooser = chooser("Room", "*.json");
      chooser.setInitialFileName("room.json");
      File file = chooser.showSaveDialog(write.getScene().getWindow());
      if (file != null) {
        context.work().attempt(() -> model.write(file.toPath()), () -> {});
      }
    });
    Button save = new Button("Write the picture…");
    save.setOnAction(e -> {
      FileChooser chooser = chooser("Picture", "*.svg", "*.png");
      chooser.setInitialFileName("room.svg");
      File file = chooser.showSaveDialog(save.getScene().getWindow());
      if (file != null) {
        context.work().attempt(() -> PictureFile.write(picture.get(), file.toPath()), () -> {});
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
    chooser
        .getExtensionFilters()
        .add(new FileChooser.ExtensionFilter(Language.say(what), patterns));
    return chooser;
  }

  /** The nodes. */
  public Node node() {
    return node;
  }
}
