package nullroom.app.room;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.DoubleConsumer;
import java.util.function.Supplier;
import java.util.function.ToDoubleFunction;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import nullroom.app.control.Choice;
import nullroom.app.control.FoldAway;
import nullroom.app.control.FoldOut;
import nullroom.app.control.NumberField;
import nullroom.app.control.PlotPane;
import nullroom.app.control.RoomPlot;
import nullroom.app.control.Tint;
import nullroom.app.control.WhileShown;
import nullroom.app.shell.StationContext;
import nullroom.core.Figures;
import nullroom.core.acoustics.Material;
import nullroom.core.room.Finish;
import nullroom.core.room.Room;
import nullroom.core.room.RoomItem;
import nullroom.core.room.Surface;

/** The fold-out, and beside it sizes, materials and heights. */
final class FoldOutPage {
  private final RoomModel model;
  private final StationContext context;
  private static final double MATERIAL_WIDTH = 168;
  private static final double FORM_WIDTH = 282;

  private final FoldOut foldOut = new FoldOut();
  private final RoomPlot plot = new RoomPlot();
  private final HBox node;
  private final List<Runnable> refreshers = new ArrayList<>();

  FoldOutPage(RoomModel model, StationContext context) {
    this.model = model;
    this.context = context;
    foldOut.setAssumed(context.session().assumedProperty());
    plot.setAssumed(context.session().assumedProperty());
    foldOut.setItemHandler(model.itemHandler());
    plot.setItemHandler(model.itemHandler());
    context.units().subscribe(units -> foldOut.setLengths(units::length));
    refreshers.add(() -> {
      foldOut.show(model.room());
      plot.show(model.room());
    });
    VBox form = form();
    form.getStyleClass().add("form");
    ScrollPane scrolled = new ScrollPane(form);
    scrolled.setFitToWidth(true);
    scrolled.setMinWidth(FORM_WIDTH);
    scrolled.setMaxWidth(FORM_WIDTH);
    scrolled.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    StackPane picture = new StackPane(foldOut);
    VBox beside = new VBox(6, new FoldAway("the form", scrolled), scrolled);
    VBox.setVgrow(scrolled, Priority.ALWAYS);
    node = new HBox(picture, beside);
    node.getStyleClass().add("pictures");
    HBox.setHgrow(picture, Priority.ALWAYS);
    model
        .sightProperty()
        .subscribe(sight -> {
          sight.view().ifPresent(plot::setView);
          picture.getChildren().setAll(sight.view().isPresent() ? plot : foldOut);
        });
    WhileShown.follow(node, this::refresh, context.session().bookProperty());
    WhileShown.follow(
        node,
        this::tint,
        model.tintProperty(),
        model.trace().tracedProperty(),
        model.trace().framingProperty());
    refresh();
  }

  HBox node() {
    return node;
  }

  /** The picture shown, to be written to a file. */
  PlotPane picture() {
    return model.sightProperty().get().view().isPresent() ? plot : foldOut;
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
    foldOut.frame(model.trace().framingProperty().get());
  }

  private VBox form() {
    VBox form = new VBox(heading("Size"));
    number(form, "Length", 0.5, 30, room -> room.size().x(), metres -> model.setSize(0, metres));
    number(form, "Width", 0.5, 30, room -> room.size().y(), metres -> model.setSize(1, metres));
    number(form, "Height", 0.5, 10, room -> room.size().z(), metres -> model.setSize(2, metres));
    form.getChildren().add(heading("Materials"));
    Choice<Material> all = choice("walls", "all walls", model::walls, model::setWalls);
    all.setNothing("they differ");
    form.getChildren().add(material("all walls", all));
    VBox materials = new VBox(4);
    refreshers.add(() -> {
      if (materials.getChildren().size() != model.room().surfaces().size()) {
        materials.getChildren().clear();
        model.room().surfaces().forEach(s -> materials.getChildren().add(material(s)));
      }
    });
    form.getChildren().addAll(materials, heading("Light and cover"), new TagForm(model).node());
    form.getChildren().add(heading("Heights over the floor"));
    number(
        form,
        "Talker",
        0.2,
        3,
        r -> r.talker().orElseThrow().at().z(),
        z -> model.setHeight(RoomItem.talker(model.room()), z));
    number(
        form,
        "Microphone",
        0.05,
        3,
        r -> r.microphone().orElseThrow().at().z(),
        z -> model.setHeight(RoomItem.microphone(model.room()), z));
    form.getChildren().addAll(heading("Camera"), new CameraForm(model, context).node());
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
    context.units().subscribe(units -> field.setEntry(units.field()));
    refreshers.add(() -> field.show(read.applyAsDouble(model.room())));
    form.getChildren().add(field);
  }

  private HBox material(Surface surface) {
    return material(
        surface.label(),
        choice(
            surface.id(),
            surface.spoken(),
            () ->
                model.room().surfaces().contains(surface)
                    ? Optional.of(model.room().finishOf(surface))
                    : Optional.empty(),
            chosen -> model.setMaterial(surface, chosen)));
  }

  private Choice<Material> choice(
      String id, String of, Supplier<Optional<Finish>> now, Consumer<Finish> onChoice) {
    return MaterialChoice.of(
        "material-" + id,
        "material of " + of,
        model.materials(),
        MaterialsModel::forSurfaces,
        now,
        onChoice);
  }

  private static HBox material(String of, Choice<Material> choice) {
    choice.setMaxWidth(Double.MAX_VALUE);
    choice.setPrefWidth(MATERIAL_WIDTH);
    Label name = new Label(Figures.capital(of));
    name.getStyleClass().add("field-name");
    HBox row = new HBox(name, choice);
    row.getStyleClass().add("row");
    return row;
  }
}
