package nullroom.app.listen;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Supplier;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import nullroom.app.control.BandName;
import nullroom.app.control.BandPlot;
import nullroom.app.control.FigureTable;
import nullroom.app.control.FigureTable.Words;
import nullroom.app.control.FilePick;
import nullroom.app.control.Row;
import nullroom.app.control.WhileShown;
import nullroom.app.shell.BookSession;
import nullroom.app.shell.PageParts;
import nullroom.app.shell.StationContext;
import nullroom.core.Figures;
import nullroom.core.acoustics.NoiseRating;
import nullroom.core.book.HumTest;
import nullroom.core.book.NoiseMeasurement;
import nullroom.core.measure.noise.NoiseReport;
import nullroom.core.measure.noise.Scale;
import nullroom.core.plan.FigureReasons;
import nullroom.core.plan.Quantity;
import nullroom.core.plan.Why;
import nullroom.core.predict.Origin;
import nullroom.core.signal.Band;

/** The report of the room's noise: octaves against the quiet line, thirds, and its figures. */
final class ReportView {
  private static final double THIRDS_HEIGHT = 170;

  private final ListenModel model;
  private final BandPlot octaves =
      new BandPlot("octave level, dB SPL", figure -> Figures.say("%.0f", figure));
  private final BandPlot thirds =
      new BandPlot(
          "third octaves as the microphone gives them",
          figure -> Figures.say("%.0f", figure),
          Band.THIRDS);
  private final BookSession session;
  private final FigureTable figures;
  private final PageParts parts;

  ReportView(ListenModel model, StationContext context) {
    this.model = model;
    session = context.session();
    octaves.setAxis(0, 70, 10);
    thirds.setMinHeight(THIRDS_HEIGHT);
    thirds.setPrefHeight(THIRDS_HEIGHT);
    figures = new FigureTable("noise-figures", context.asked()::set);
    figures.getStyleClass().setAll("figures", "table-figures");
    octaves.setAsks(context.asked()::set);
    thirds.setAsks(context.asked()::set);
    VBox plots = new VBox(6, octaves, thirds);
    VBox.setVgrow(octaves, Priority.ALWAYS);
    HBox.setHgrow(plots, Priority.ALWAYS);
    HBox picture = new HBox(14, plots, figures);
    WhileShown.follow(picture, this::refresh, context.session().revisionProperty());
    refresh();
    parts = new PageParts(picture, controls(context));
  }

  PageParts parts() {
    return parts;
  }

  private void refresh() {
    octaves.show(
        List.of(
            new BandPlot.Series(
                "room, " + model.origin(),
                model.plotted(),
                model.noise().toArray(),
                "noise-bar",
                band -> FigureReasons.roomBand(session.book(), band))),
        model
            .quietLine()
            .map(q -> new BandPlot.Reference("quiet line", q.toArray(), Optional.empty())));
    Optional<NoiseMeasurement> measured = model.measurement();
    shown(thirds, measured.isPresent());
    shown(figures, measured.isPresent());
    measured.ifPresent(this::showFigures);
  }

  private void showFigures(NoiseMeasurement n) {
    NoiseReport r = n.report();
    double offset = n.scale().map(Scale::fullScaleDbSpl).orElse(0.0);
    double[] levels = new double[Band.THIRDS.size()];
    for (int i = 0; i < levels.length; i++) {
      levels[i] =
          i < r.thirds().size()
              ? r.thirds().get(i).leqDbfs().orElse(Double.NaN) + offset
              : Double.NaN;
    }
    thirds.setAxis(n.scale().isPresent() ? 0 : -120, n.scale().isPresent() ? 60 : 0, 20);
    thirds.show(
        List.of(
            new BandPlot.Series(
                "",
                Origin.Kind.heard(n.simulated()),
                levels,
                "noise-bar",
                band -> FigureReasons.third(session.book(), band))),
        Optional.empty());
    figures.show(List.of(), rows(n, r, offset));
  }

  private List<List<?>> rows(NoiseMeasurement n, NoiseReport r, double offset) {
    List<List<?>> rows = new ArrayList<>();
    rows.add(
        List.of(Words.head(n.scale().isPresent() ? "at the mic, dB SPL" : "at the mic, dBFS")));
    rows.add(row("LAeq", level(r.laeqDbfs(), offset), Quantity.LAEQ));
    rows.add(row("LCeq", level(r.lceqDbfs(), offset), Quantity.LCEQ));
    rows.add(row("LZeq", level(r.lzeqDbfs(), offset), Quantity.LZEQ));
    rows.add(row("LAFmax", level(r.laMaxFastDbfs(), offset), Quantity.LAF_MAX));
    rows.add(row("LA10", level(r.la10Dbfs(), offset), Quantity.LA10));
    rows.add(row("LA50", level(r.la50Dbfs(), offset), Quantity.LA50));
    rows.add(row("LA90", level(r.la90Dbfs(), offset), Quantity.LA90));
    rows.add(row("C − A", level(r.cMinusADb(), 0), Quantity.C_MINUS_A));
    n.scale()
        .ifPresent(s -> {
          String give = Figures.say("%.1f", s.uncertaintyDb());
          rows.add(row("give or take", give, Quantity.SCALE_DOUBT));
          rows.add(List.of(Words.head("the room itself")));
        });
    n.laeqDbSpl().ifPresent(a -> rows.add(row("dBA", Figures.say("%.1f", a), Quantity.ROOM_LEVEL)));
    n.nc().ifPresent(nc -> rows.add(row("NC", rating(nc), Quantity.NC)));
    n.nr().ifPresent(nr -> rows.add(row("NR", rating(nr), Quantity.NR)));
    n.roomDbSpl()
        .flatMap(room -> model.quietLine().map(line -> line.get(0) - room.get(0)))
        .ifPresent(over ->
            rows.add(
                row("to the quiet line", Figures.say("%+.1f dB", over), this::whyToQuietLine)));
    return rows;
  }

  private Optional<Why> whyToQuietLine() {
    return FigureReasons.toQuietLine(
        session.heard(), session.book().goal().targets(), model.noise());
  }

  private static String rating(NoiseRating rating) {
    return rating.rating() + " at " + BandName.of(rating.decidingBandHz());
  }

  private static String level(OptionalDouble dbfs, double offset) {
    return dbfs.isPresent() ? Figures.say("%.1f", dbfs.getAsDouble() + offset) : "–";
  }

  private List<Object> row(String name, String figure, Quantity quantity) {
    return row(name, figure, () -> FigureReasons.noise(session.book(), quantity));
  }

  private static List<Object> row(String name, String figure, Supplier<Optional<Why>> why) {
    return List.of(new Words(name, "soft"), new FigureTable.Figure(figure, why));
  }

  private VBox controls(StationContext context) {
    Button listen = new Button("Listen for ten seconds");
    listen.setId("listen");
    listen.getStyleClass().add("action");
    listen.setOnAction(e -> model.listen());
    listen.disableProperty().bind(context.work().runningProperty());
    Label hint = new Label("or drop a recording of the quiet room");
    hint.getStyleClass().add("soft");
    Row row = new Row(listen, FilePick.button(model::open), hint);
    return new VBox(6, row, chain(context), humTest(context));
  }

  /** What the measurement was made with, to be corrected. */
  private Row chain(StationContext context) {
    Label made = new Label();
    made.getStyleClass().add("soft");
    Button described = new Button();
    described.setId("chain-described");
    described.setOnAction(e -> model.chain().madeWithDescribed());
    Button unknown = new Button("Nobody knows: relative only");
    unknown.setId("chain-unknown");
    unknown.setOnAction(e -> model.chain().madeWithUnknown());
    Row row = new Row(made, described, unknown);
    Runnable show =
        () -> {
          Optional<NoiseMeasurement> noise = model.measurement();
          made.setText(
              noise.map(n -> "This recording was " + model.chain().words() + ".").orElse(""));
          described.setText("It was " + model.chain().described(true));
          shown(row, noise.isPresent());
          shown(described, model.chain().canTakeDescribedChain());
          shown(unknown, noise.filter(n -> !n.simulated() && n.chain().isPresent()).isPresent());
        };
    WhileShown.follow(row, show, context.session().bookProperty());
    show.run();
    return row;
  }

  private static void shown(Node node, boolean yes) {
    node.setVisible(yes);
    node.setManaged(yes);
  }

  private Row humTest(StationContext context) {
    Button covered = new Button("Test with the capsule covered");
    covered.setId("hum-covered");
    covered.setOnAction(e -> model.hum().test(HumTest.Way.COVERED));
    Button unplugged = new Button("… unplugged, cable left in");
    unplugged.setId("hum-terminated");
    unplugged.setOnAction(e -> model.hum().test(HumTest.Way.TERMINATED));
    Label caution =
        new Label("Speakers and phantom power off before you unplug; same gain as before.");
    caution.getStyleClass().add("caution");
    Button file =
        FilePick.button("… from a file", chosen -> model.hum().open(chosen, HumTest.Way.COVERED));
    file.setId("hum-file");
    Row row = new Row(new Label("Hum:"), covered, unplugged, file, caution);
    Runnable show =
        () -> {
          shown(row, model.hum().hum().isPresent());
        };
    WhileShown.follow(row, show, context.session().bookProperty());
    show.run();
    for (Button button : List.of(covered, unplugged, file)) {
      button.disableProperty().bind(context.work().runningProperty());
    }
    return row;
  }
}
