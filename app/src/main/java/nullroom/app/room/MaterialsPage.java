package nullroom.app.room;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import nullroom.app.control.BandPlot;
import nullroom.app.control.Choice;
import nullroom.app.control.NumberField;
import nullroom.app.shell.Desk;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Material;
import nullroom.core.acoustics.Materials;
import nullroom.core.acoustics.PorousLayer;

/** Materials searched and held side by side, and porous layers computed. */
final class MaterialsPage {
  private static final double LIST_WIDTH = 290;
  private static final double USUAL_RESISTIVITY = 12_000;

  private final MaterialsModel model;
  private final BandPlot plot =
      new BandPlot("share taken up", a -> String.format(Locale.ROOT, "%.1f", a));
  private final Label source = new Label();
  private final HBox node;
  private Optional<Material> first = Optional.empty();
  private Optional<Material> before = Optional.empty();
  private double resistivity = USUAL_RESISTIVITY;
  private double thickness = 0.05;
  private double gap;

  MaterialsPage(MaterialsModel model, Desk desk) {
    this.model = model;
    plot.setAxis(0, 1, 0.2);
    plot.setPrefHeight(240);
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
            first = Materials.all().stream().filter(m -> m.name().equals(name)).findFirst();
            show();
          }
        });
    VBox left = new VBox(8, search, found);
    left.setMinWidth(LIST_WIDTH);
    VBox.setVgrow(found, Priority.ALWAYS);
    VBox right = new VBox(8, plot, source, layer(desk));
    HBox.setHgrow(right, Priority.ALWAYS);
    node = new HBox(16, left, right);
    show();
  }

  HBox node() {
    return node;
  }

  private VBox layer(Desk desk) {
    Label head = new Label("A layer of fibre, foam or cloth, computed (Miki 1990)");
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
    Choice<String> surface =
        new Choice<>(
            "layer-surface",
            "surface to clad with the layer",
            model.surfaces(),
            s -> s.replaceFirst("wall", "wall "),
            s -> {});
    surface.show(model.surfaces().getFirst());
    Button clad = new Button("Clad this surface with it");
    clad.setId("clad");
    clad.setOnAction(e ->
        desk.work()
            .attempt(() -> model.clad(String.valueOf(surface.getValue()), current()), () -> {}));
    HBox row = new HBox(surface, clad);
    row.getStyleClass().add("row");
    VBox fields = new VBox(4, thick, air, flow);
    return new VBox(6, head, fields, row);
  }

  private void set(Runnable change) {
    change.run();
    show();
  }

  private PorousLayer current() {
    return new PorousLayer(resistivity, thickness, gap);
  }

  private void show() {
    List<BandPlot.Series> series = new ArrayList<>();
    first.ifPresent(m -> series.add(series(m.name(), m.absorption(), "now-bar")));
    before.ifPresent(m -> series.add(series(m.name(), m.absorption(), "before-bar")));
    PorousLayer layer = current();
    series.add(
        new BandPlot.Series(
            "the layer below",
            BandPlot.Origin.PREDICTED,
            layer.absorption().toArray(),
            "noise-bar"));
    plot.show(series, Optional.empty());
    Material nearest = model.nearest(layer.absorption());
    source.setText(
        first.map(m -> m.name() + ": " + m.source() + ". ").orElse("")
            + "Nearest to the layer in the table: "
            + nearest.name()
            + ". Rooms for testing read up to 0.3 more than the layer around 1 kHz.");
  }

  private static BandPlot.Series series(String name, Bands absorption, String style) {
    String label = name.length() > 26 ? name.substring(0, 25) + "…" : name;
    return new BandPlot.Series(label, BandPlot.Origin.MEASURED, absorption.toArray(), style);
  }
}
