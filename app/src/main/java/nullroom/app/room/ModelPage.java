package nullroom.app.room;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Supplier;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import nullroom.app.control.BandName;
import nullroom.app.control.BandPlot;
import nullroom.app.control.FigureTable;
import nullroom.app.control.TimeBars;
import nullroom.app.control.WhileShown;
import nullroom.app.control.Wrapped;
import nullroom.app.shell.StationContext;
import nullroom.app.shell.Units;
import nullroom.core.Figures;
import nullroom.core.acoustics.Octave;
import nullroom.core.book.DecayMeasurement;
import nullroom.core.plan.FigureReasons;
import nullroom.core.plan.Quantity;
import nullroom.core.plan.Why;
import nullroom.core.plan.Why.Input;
import nullroom.core.predict.Origin;
import nullroom.core.predict.Tuning;
import nullroom.core.room.Surface;

/** Predicted, traced and measured times in one chart, and the description tuned to them. */
final class ModelPage {
  private static final double CHART_HEIGHT = 210;

  private final TraceModel model;
  private final StationContext context;
  private final TimeBars times = new TimeBars();
  private final Label words = new Wrapped("");
  private final HBox tracing = new HBox(6);
  private final Label blame = new Wrapped("");
  private final FigureTable changes = new FigureTable("model-changes", this::ask);
  private final FigureTable modes = new FigureTable("model-modes", this::ask);
  private final Button tune = new Button("Take the tuned materials over");
  private final ScrollPane node;

  ModelPage(TraceModel model, StationContext context) {
    this.model = model;
    this.context = context;
    times.plot().setAsks(this::ask);
    times.plot().setPrefHeight(CHART_HEIGHT);
    times.plot().setMinHeight(CHART_HEIGHT);
    tune.setId("tune");
    tune.setOnAction(e -> model.takeOver());
    Button stop = new Button("Stop tracing");
    stop.setId("stop-tracing");
    stop.setOnAction(e -> model.stop());
    Button again = new Button("Trace it again");
    again.setId("trace-again");
    again.setOnAction(e -> model.refresh());
    tracing.getChildren().setAll(stop, again);
    tracing.managedProperty().bind(tracing.visibleProperty());
    VBox all = new VBox(10, words, tracing, times.plot(), blame, changes, tune, modes);
    node = new ScrollPane(all);
    node.setFitToWidth(true);
    node.getStyleClass().add("pages");
    WhileShown.follow(
        node,
        this::refresh,
        context.session().bookProperty(),
        context.units(),
        model.tracedProperty());
    refresh();
  }

  private void ask(Supplier<Optional<Why>> answer) {
    context.asked().set(answer);
  }

  ScrollPane node() {
    return node;
  }

  private void refresh() {
    words.setText(model.words());
    tracing.setVisible(model.now().isEmpty());
    showTimes();
    showModes();
    showTuning();
  }

  private void showTimes() {
    List<BandPlot.Series> series = new ArrayList<>();
    double[] measured = model.measured().stream().mapToDouble(t -> t.orElse(Double.NaN)).toArray();
    Origin.Kind origin =
        Origin.Kind.heard(
            context.session().book().decay().filter(DecayMeasurement::simulated).isPresent());
    series.add(
        new BandPlot.Series(
            origin.label(),
            origin,
            measured,
            "now-bar",
            b ->
                FigureReasons.mean(
                    context.session().book(), Quantity.MEAN_T20, Octave.nominalHz(b))));
    series.add(
        new BandPlot.Series(
            "statistics",
            context.session().book().here().byDescription(),
            model.predictedSeconds(),
            "before-bar",
            b -> Optional.of(FigureReasons.predicted(context.session().book(), b))));
    series.add(
        new BandPlot.Series(
            "traced",
            context.session().book().here().byDescription(),
            model.tracedSeconds(),
            "noise-bar",
            model::whyTraced));
    times.show(series, context.session().book().goal());
  }

  private void showModes() {
    List<List<?>> modeRows = new ArrayList<>();
    for (TraceModel.ModeHere mode : model.modes()) {
      modeRows.add(
          List.of(
              mode(Quantity.MODE, Figures.say("%.0f Hz", mode.mode().frequencyHz()), mode),
              mode.mode().kind(),
              mode(Quantity.MODE_LEVEL, level(mode.talkerDb()), mode),
              mode(Quantity.MODE_LEVEL, level(mode.microphoneDb()), mode)));
    }
    modes.show(
        modeRows.isEmpty()
            ? List.of()
            : List.of("lowest modes", "kind", "at talker", "at microphone"),
        modeRows);
  }

  private void showTuning() {
    Optional<Tuning> tuning = model.tuning();
    tune.setDisable(tuning.isEmpty());
    blame.setText(
        tuning
            .map(t ->
                t.blame()
                    .orElse(
                        "The description fits within what tables are good for; the changes below would make it meet the measurement."))
            .orElse(
                "Nothing was measured yet: clap in Ring, and the description can be held against it."));
    List<String> heads = new ArrayList<>(List.of("times its absorption"));
    Octave.ALL.forEach(b -> heads.add(BandName.of(b.nominalHz())));
    List<List<?>> rows = new ArrayList<>();
    tuning.ifPresent(t -> {
      for (Surface surface : context.session().book().room().surfaces()) {
        List<Object> row = new ArrayList<>(List.of(surface.label()));
        for (int b = 0; b < Octave.COUNT; b++) {
          row.add(
              tuned(
                  Quantity.TUNED,
                  surface.label(),
                  Figures.say("%.2f", t.changeOf(surface).get(b)),
                  b));
        }
        rows.add(row);
      }
      Units units = context.units().get();
      List<Object> row = new ArrayList<>(List.of("still missing, " + units.areaUnit()));
      for (int b = 0; b < Octave.COUNT; b++) {
        row.add(
            tuned(
                Quantity.MISSING,
                "the room",
                Figures.say("%.1f", units.area(t.missingArea().get(b))),
                b));
      }
      rows.add(row);
    });
    changes.show(rows.isEmpty() ? List.of() : heads, rows);
  }

  private static String level(double db) {
    return Figures.say("%.0f dB", db);
  }

  private static FigureTable.Figure mode(Quantity quantity, String figure, TraceModel.ModeHere at) {
    Input input =
        new Input("mode", at.mode().kind(), Origin.predicted("from the room as described"));
    String where = Figures.say(" of %.0f Hz", at.mode().frequencyHz());
    return new FigureTable.Figure(figure, () -> Optional.of(quantity.why(where, figure, input)));
  }

  private FigureTable.Figure tuned(Quantity quantity, String of, String figure, int band) {
    double hz = Octave.nominalHz(band);
    return new FigureTable.Figure(
        figure,
        () ->
            FigureReasons.mean(context.session().book(), Quantity.MEAN_T20, hz)
                .map(time ->
                    quantity.why(
                        Figures.say(" of %s at %.0f Hz", of, hz),
                        figure,
                        time.inputs(),
                        OptionalDouble.empty())));
  }
}
