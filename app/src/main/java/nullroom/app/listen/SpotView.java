package nullroom.app.listen;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import nullroom.app.control.BandPlot;
import nullroom.app.control.Choice;
import nullroom.app.control.FilePick;
import nullroom.app.control.LevelRows;
import nullroom.app.control.Row;
import nullroom.app.control.WhileShown;
import nullroom.app.shell.PageParts;
import nullroom.app.shell.StationContext;
import nullroom.core.Figures;
import nullroom.core.measure.noise.Scale;
import nullroom.core.measure.noise.Spots;
import nullroom.core.predict.Origin;

/** Candidate places side by side. */
final class SpotView {
  private final SpotModel model;
  private final ListenModel listen;
  private final StationContext context;
  private final LevelRows rows = new LevelRows("No place was heard yet.");
  private final BandPlot spectra =
      new BandPlot("octaves at the microphone", figure -> Figures.say("%.0f", figure));
  private final PageParts parts;

  SpotView(SpotModel model, ListenModel listen, StationContext context) {
    this.model = model;
    this.listen = listen;
    this.context = context;
    rows.setAsks(context.asked()::set, model::why);
    spectra.setAsks(context.asked()::set);
    VBox picture = new VBox(14, rows, spectra);
    VBox.setVgrow(spectra, Priority.ALWAYS);
    WhileShown.follow(picture, this::refresh, context.session().revisionProperty());
    refresh();
    parts = new PageParts(picture, controls());
  }

  PageParts parts() {
    return parts;
  }

  private void refresh() {
    Optional<Scale> scale = model.scale();
    double offset = scale.map(Scale::fullScaleDbSpl).orElse(0.0);
    List<LevelRows.Row> bars = new ArrayList<>();
    for (Spots.Ranked r : model.ranked()) {
      bars.add(
          new LevelRows.Row(
              r.candidate().name(),
              r.candidate().laeqDb() + offset,
              scale.map(Scale::uncertaintyDb).orElse(0.0),
              Origin.Kind.heard(model.simulated(r.candidate().name())),
              Words.level(r.candidate().laeqDb(), scale),
              r.reason(),
              bars.isEmpty() ? "now-bar" : "noise-bar"));
    }
    showSpectra(scale, offset);
    OptionalDouble enough = listen.quietEnoughDbA();
    rows.show(
        scale.isPresent() ? "noise at the microphone, dBA" : "noise, dBFS A",
        bars,
        scale.isPresent() && enough.isPresent()
            ? Optional.of(new LevelRows.Line("quiet enough", enough.getAsDouble()))
            : Optional.empty());
  }

  /** The octaves of the best and the worst. */
  private void showSpectra(Optional<Scale> scale, double offset) {
    List<Spots.Ranked> ranked = model.ranked();
    spectra.setVisible(!ranked.isEmpty());
    spectra.setAxis(
        scale.isPresent() ? 0 : -120, scale.isPresent() ? 60 : 0, scale.isPresent() ? 10 : 20);
    List<BandPlot.Series> series = new ArrayList<>();
    for (Spots.Ranked r : ranked) {
      boolean best = series.isEmpty();
      if (best || r == ranked.getLast()) {
        r.candidate()
            .report()
            .octaveDbSpl(offset)
            .ifPresent(levels ->
                series.add(
                    new BandPlot.Series(
                        (best ? "best, " : "worst, ") + r.candidate().name(),
                        Origin.Kind.heard(model.simulated(r.candidate().name())),
                        levels.toArray(),
                        best ? "now-bar" : "before-bar",
                        band -> model.why(r.candidate().name(), band))));
      }
    }
    spectra.show(series, Optional.empty());
  }

  private VBox controls() {
    TextField place = new TextField();
    place.setId("spot-name");
    place.setPromptText("name of the place");
    place.setAccessibleText("name of the place");
    Button hear = new Button("Listen here for ten seconds");
    hear.setId("spot");
    hear.getStyleClass().add("action");
    hear.setOnAction(e -> context.work().attempt(() -> model.listen(place.getText()), () -> {}));
    hear.disableProperty().bind(context.work().runningProperty());
    Button file =
        FilePick.button("… or from a file", chosen -> model.open(chosen, place.getText()));
    file.setId("spot-file");
    file.disableProperty().bind(context.work().runningProperty());
    Row row = new Row(place, hear, file);
    Choice<String> which =
        new Choice<>("spot-choice", "a place heard", List.of(), name -> name, name -> {});
    Button record = new Button("Record there");
    record.setId("spot-choose");
    record.setOnAction(e -> Optional.ofNullable(which.getValue()).ifPresent(model::choose));
    Button drop = new Button("Drop it");
    drop.setId("spot-drop");
    drop.setOnAction(e -> Optional.ofNullable(which.getValue()).ifPresent(model::remove));
    Label hint = new Label("its noise becomes the room's");
    hint.getStyleClass().add("soft");
    record.setMinWidth(Region.USE_PREF_SIZE);
    drop.setMinWidth(Region.USE_PREF_SIZE);
    Row choose = new Row(which, record, drop, hint);
    Runnable show =
        () -> {
          List<String> names = model.ranked().stream().map(r -> r.candidate().name()).toList();
          which.getItems().setAll(names);
          which.show(names.isEmpty() ? null : names.getFirst());
          choose.setVisible(!names.isEmpty());
        };
    WhileShown.follow(choose, show, context.session().bookProperty());
    show.run();
    return new VBox(6, row, choose);
  }
}
