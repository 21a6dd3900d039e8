package nullroom.app.room;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import nullroom.app.control.BandPlot;
import nullroom.app.control.Choice;
import nullroom.app.control.NumberField;
import nullroom.app.control.Wrapped;
import nullroom.app.shell.StationContext;
import nullroom.app.shell.Units;
import nullroom.core.Figures;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Material;
import nullroom.core.acoustics.PorousLayer;
import nullroom.core.plan.FigureReasons;
import nullroom.core.predict.Origin;
import nullroom.core.room.Surface;
import org.jspecify.annotations.Nullable;

/** Materials searched and held side by side, and porous layers computed. */
final class MaterialsPage {
  private static final double LIST_WIDTH = 290;
  private static final double USUAL_RESISTIVITY = 12_000;

  private final MaterialsModel model;
  private final FurnitureModel furniture;
  private final StationContext context;
  private final BandPlot plot = new BandPlot("share taken up", a -> Figures.say("%.1f", a));
  private final Label source = new Label();
  private final Button forget = new Button("Forget this one of yours");
  private final HBox node;
  private Optional<Material> first = Optional.empty();
  private Optional<Material> before = Optional.empty();
  private double resistivity = USUAL_RESISTIVITY;
  private double thickness = 0.05;
  private double gap;

  MaterialsPage(RoomModel room, StationContext context) {
    model = room.materials();
    furniture = room.furniture();
    this.context = context;
    plot.setAsks(context.asked()::set);
    plot.setAxis(0, 1, 0.2);
    plot.setPrefHeight(200);
    source.setWrapText(true);
    source.setMinHeight(Region.USE_PREF_SIZE);
    source.getStyleClass().add("soft");
    TextField search = new TextField();
    search.setId("material-search");
    search.setPromptText("search: blanket, plaster, glass …");
    search.setAccessibleText("search materials");
    ListView<String> found = new ListView<>();
    found.setId("material-list");
    found.setPrefWidth(LIST_WIDTH);
    found.setCellFactory(list -> new Full());
    search
        .textProperty()
        .subscribe(text ->
            found.getItems().setAll(model.search(text).stream().map(Material::name).toList()));
    found
        .getSelectionModel()
        .selectedItemProperty()
        .subscribe(name -> {
          if (name != null) {
            before = first;
            first = model.all().stream().filter(m -> m.name().equals(name)).findFirst();
            show();
          }
        });
    VBox left = new VBox(8, search, found);
    left.setMinWidth(LIST_WIDTH);
    VBox.setVgrow(found, Priority.ALWAYS);
    model.follow(() ->
        found
            .getItems()
            .setAll(model.search(search.getText()).stream().map(Material::name).toList()));
    VBox right = new VBox(8, plot, source, layer(), own());
    HBox.setHgrow(right, Priority.ALWAYS);
    node = new HBox(16, left, right);
    show();
  }

  HBox node() {
    return node;
  }

  /** A name in as many lines as it takes. */
  private static final class Full extends ListCell<String> {
    Full() {
      setWrapText(true);
      setPrefWidth(0);
    }

    @Override
    protected void updateItem(@Nullable String name, boolean empty) {
      super.updateItem(name, empty);
      setText(empty ? null : name);
    }
  }

  private VBox layer() {
    Label head = new Wrapped("A layer of fibre, foam or cloth, computed (Miki 1990)");
    head.getStyleClass().add("heading");
    NumberField thick =
        new NumberField("Thick", "mm", 0.5, 500, mm -> set(() -> thickness = mm / 1000));
    NumberField air =
        new NumberField("Air behind", "mm", 0, 1000, mm -> set(() -> gap = mm / 1000));
    NumberField flow =
        new NumberField(
            "Resists", "Pa s/m²", 100, 500_000, sigma -> set(() -> resistivity = sigma));
    thick.show(1000 * thickness);
    air.show(1000 * gap);
    flow.show(resistivity);
    Choice<Surface> surface =
        new Choice<>(
            "layer-surface",
            "surface to clad with the layer",
            model.surfaces(),
            Surface::label,
            s -> {});
    surface.show(model.surfaces().getFirst());
    Button clad = new Button("Clad this surface with it");
    clad.setId("clad");
    clad.setOnAction(e -> said(() -> model.clad(surface.getValue(), current())));
    TextField area = new TextField("3");
    area.setId("hung-area");
    area.setPrefColumnCount(3);
    area.setAccessibleText("area of the layer hung free");
    Label unit = new Label();
    context.units().subscribe(units -> unit.setText(units.areaUnit()));
    Button hang = new Button("Hang it free in the room");
    hang.setId("hang-free");
    hang.setOnAction(e ->
        said(() -> model.hangFree(current(), context.units().get().squareMetres(number(area)))));
    FlowPane row = new FlowPane(6, 6, surface, clad, area, unit, hang);
    row.setAlignment(Pos.CENTER_LEFT);
    FlowPane fields = new FlowPane(12, 4, thick, air, flow);
    return new VBox(6, head, fields, row);
  }

  /** Figures of the user's own, as a material or as a thing in the room. */
  private VBox own() {
    Label head = new Wrapped("");
    context
        .units()
        .subscribe(units ->
            head.setText(
                "Your own, 63 Hz to 8 kHz: share taken up, or "
                    + units.areaUnit()
                    + " for a thing"));
    head.getStyleClass().add("heading");
    TextField name = new TextField();
    name.setId("own-name");
    name.setPromptText("name");
    name.setAccessibleText("name of your own material or thing");
    TextField figures = new TextField();
    figures.setId("own-figures");
    figures.setPromptText("0.1 0.1 0.2 0.4 0.6 0.7 0.7 0.7");
    figures.setAccessibleText("eight figures, 63 Hz to 8 kHz");
    HBox.setHgrow(figures, Priority.ALWAYS);
    Button keep = new Button("Keep as a material");
    keep.setId("keep-own");
    keep.setOnAction(
        e -> said(() -> model.keep(name.getText(), MaterialsModel.figures(figures.getText()))));
    Button put = new Button("Put in as a thing");
    put.setId("put-own");
    put.setOnAction(e ->
        said(() -> {
          Bands typed = MaterialsModel.figures(figures.getText());
          Units units = context.units().get();
          furniture.addLoose(name.getText(), Bands.from(b -> units.squareMetres(typed.get(b))));
        }));
    forget.setId("forget-own");
    forget.managedProperty().bind(forget.visibleProperty());
    forget.setOnAction(e ->
        first
            .filter(MaterialsModel::isOwn)
            .ifPresent(own -> {
              model.forget(own);
              first = Optional.empty();
              show();
            }));
    FlowPane actions = new FlowPane(6, 6, keep, put, forget);
    return new VBox(6, head, new HBox(6, name, figures), actions);
  }

  private void said(Runnable edit) {
    context.work().say("");
    context.work().attempt(edit, () -> {});
  }

  private static double number(TextField field) {
    try {
      return NumberField.parse(field.getText());
    } catch (NumberFormatException e) {
      throw new Trouble.BadField(
          field.getAccessibleText(), "“" + field.getText() + "” is no number");
    }
  }

  private void set(Runnable change) {
    change.run();
    show();
  }

  private PorousLayer current() {
    return new PorousLayer(resistivity, thickness, gap);
  }

  private void show() {
    forget.setVisible(first.filter(MaterialsModel::isOwn).isPresent());
    List<BandPlot.Series> series = new ArrayList<>();
    first.ifPresent(m -> series.add(series(m, "now-bar")));
    before.ifPresent(m -> series.add(series(m, "before-bar")));
    PorousLayer layer = current();
    series.add(
        new BandPlot.Series(
            "the layer below",
            Origin.Kind.PREDICTED,
            layer.absorption().toArray(),
            "noise-bar",
            band -> Optional.of(FigureReasons.layer(layer, band))));
    plot.show(series, Optional.empty());
    Material nearest = model.nearest(layer.absorption());
    source.setText(
        first.map(m -> m.name() + ": " + Figures.source(m.source()) + ". ").orElse("")
            + "Nearest to the layer: "
            + nearest.name()
            + ". Rooms for testing read up to 0.3 more than the layer around 1 kHz.");
  }

  private static BandPlot.Series series(Material material, String style) {
    String name = material.name();
    String label = name.length() > 26 ? name.substring(0, 25) + "…" : name;
    return new BandPlot.Series(
        label,
        Origin.Kind.MEASURED,
        material.absorption().toArray(),
        style,
        band -> Optional.of(FigureReasons.absorption(material, band)));
  }
}
