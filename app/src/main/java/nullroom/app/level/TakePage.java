package nullroom.app.level;

import java.io.File;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import nullroom.app.control.Choice;
import nullroom.app.control.FigureTable;
import nullroom.app.control.FilePick;
import nullroom.app.control.NumberField;
import nullroom.app.control.TakePlot;
import nullroom.app.control.WhileShown;
import nullroom.app.control.Wrapped;
import nullroom.app.shell.StationContext;
import nullroom.core.Decibels;
import nullroom.core.Figures;
import nullroom.core.Trouble;
import nullroom.core.book.Brief;
import nullroom.core.book.Handover;
import nullroom.core.measure.take.TakeChannel;
import nullroom.core.measure.take.TakeReport;
import nullroom.core.plan.FigureReasons;
import nullroom.core.plan.Quantity;
import nullroom.core.plan.TakeCheck;
import nullroom.core.plan.Why;

/** A take's level over time with what was found, the checks, and the file to hand over. */
final class TakePage {
  private static final double PLOT_HEIGHT = 190;
  private static final double ADVICE_WIDTH = 350;
  private static final double BRIEF_WIDTH = 250;

  /** Checks as people call them. */
  private static final Map<String, String> NAMES =
      Map.ofEntries(
          Map.entry("clippingBefore", "cut off before"),
          Map.entry("dcOffset", "offset"),
          Map.entry("speechToNoise", "pauses"),
          Map.entry("dropouts", "drop-outs"),
          Map.entry("deadChannels", "dead channels"),
          Map.entry("truePeak", "true peak"),
          Map.entry("samplePeak", "sample peak"),
          Map.entry("noiseFloor", "noise floor"));

  private final TakeModel model;
  private final StationContext context;
  private final TakePlot plot = new TakePlot();
  private final FigureTable checks = new FigureTable("take-checks");
  private final FigureTable figures;
  private final Label found = new Wrapped("", "soft");
  private final Label delivery = new Wrapped("", "note");
  private final TextField from = time("take-from", "seconds from which it is kept", "0");
  private final TextField to = time("take-to", "seconds up to which it is kept; empty for all", "");
  private final Button write = new Button("Write the file to hand over…");
  private final VBox node;
  private final VBox controls;

  TakePage(LevelModel level, StationContext context) {
    model = level.take();
    figures = new FigureTable("take-figures", context.asked()::set);
    this.context = context;
    model.recall();
    plot.setMinHeight(PLOT_HEIGHT);
    plot.setOnFlag(
        index -> context.work().attempt(() -> model.hear(model.findings().get(index)), () -> {}));
    ScrollPane rows = new ScrollPane(checks);
    rows.setFitToWidth(true);
    HBox tables = new HBox(24, figures, rows);
    HBox.setHgrow(rows, Priority.ALWAYS);
    VBox.setVgrow(tables, Priority.ALWAYS);
    node = new VBox(8, plot, found, tables);
    node.getStyleClass().add("pictures");
    controls = new VBox(6, take(), brief(), delivery);
    WhileShown.follow(node, this::refresh, model.takeProperty(), context.session().bookProperty());
    refresh();
  }

  private static TextField time(String id, String name, String shown) {
    TextField field = new TextField(shown);
    field.setId(id);
    field.setAccessibleText(name);
    field.setPrefColumnCount(4);
    return field;
  }

  private FlowPane take() {
    Button record = new Button("Record a take");
    record.setId("take-record");
    record.getStyleClass().add("action");
    record.setOnAction(e -> model.record());
    Button open = FilePick.button(model::open);
    for (Button b : List.of(record, open)) {
      b.disableProperty().bind(context.work().runningProperty());
    }
    return new FlowPane(8, 6, record, open);
  }

  private FlowPane brief() {
    Choice<Brief> choice =
        new Choice<>(
            "brief", "what it is handed over as", model.briefs(), Brief::use, model::setBrief);
    choice.setNothing("nothing yet");
    choice.setPrefWidth(BRIEF_WIDTH);
    WhileShown.follow(
        choice,
        () -> {
          choice.offer(model.briefs());
          choice.show(model.brief().orElse(null));
        },
        context.session().bookProperty());
    choice.show(model.brief().orElse(null));
    write.setId("take-write");
    write.setOnAction(e -> {
      FileChooser chooser = new FileChooser();
      for (Handover.Format format : model.formats()) {
        chooser
            .getExtensionFilters()
            .add(new FileChooser.ExtensionFilter(format.name(), "*." + format.id()));
      }
      chooser.setInitialFileName(model.fileName());
      File file = chooser.showSaveDialog(write.getScene().getWindow());
      if (file != null) {
        context
            .work()
            .attempt(() -> model.export(file.toPath(), seconds(from, 0), seconds(to, 0)), () -> {});
      }
    });
    return new FlowPane(
        8,
        6,
        new Label("Hand it over as"),
        choice,
        new Label("from"),
        from,
        new Label("to"),
        to,
        new Label("s"),
        write);
  }

  private static double seconds(TextField field, double otherwise) {
    try {
      return field.getText().isBlank() ? otherwise : NumberField.parse(field.getText());
    } catch (NumberFormatException e) {
      throw new Trouble.BadField(
          field.getAccessibleText(), "“" + field.getText() + "” is no number");
    }
  }

  private void refresh() {
    List<TakeModel.Finding> findings = model.findings();
    write.setDisable(model.takeProperty().get().isEmpty());
    model
        .takeProperty()
        .get()
        .ifPresent(t -> {
          TakeChannel c = t.report().channels().getFirst();
          plot.show(
              c.frames(),
              TakeChannel.FRAME_SECONDS,
              c.noiseFloorDbfs().orElse(Double.NaN),
              findings.stream()
                  .map(f -> new TakePlot.Flag(f.moment().startSeconds(), f.words()))
                  .toList());
          figures(t.report(), c);
        });
    found.setText(
        model.takeProperty().get().isEmpty()
            ? "Record a take, open one, or drop a file here."
            : findings.isEmpty()
                ? "Nothing was found at any single moment."
                : findings.size()
                    + (findings.size() == 1 ? " thing was" : " things were")
                    + " found; press a flag to hear it: "
                    + String.join(
                        ", ", findings.stream().limit(4).map(TakeModel.Finding::words).toList())
                    + (findings.size() > 4 ? ", …" : "."));
    List<TakeCheck> verdicts = model.verdicts();
    List<List<?>> rows = new ArrayList<>();
    for (TakeCheck v : verdicts) {
      Label advice = new Wrapped(v.advice());
      advice.setPrefWidth(ADVICE_WIDTH);
      advice.setMinWidth(ADVICE_WIDTH);
      rows.add(List.of(NAMES.getOrDefault(v.check(), v.check()), outcome(v), advice));
    }
    checks.show(rows.isEmpty() ? List.of() : List.of("check", "", ""), rows);
    delivery.setText(
        model
            .delivery()
            .map(d -> (d.words() + " " + model.due()).strip())
            .orElse(
                model.brief().isEmpty()
                    ? "Choose what it is handed over as, and the gain that brings it there is worked out."
                    : ""));
  }

  /** A shape and a word. */
  private static String outcome(TakeCheck v) {
    return switch (v.outcome()) {
      case PASS -> "● pass";
      case CLOSE -> "◆ close";
      case FAIL -> "▲ fail";
    };
  }

  private void figures(TakeReport report, TakeChannel c) {
    figures.show(
        List.of("figures", ""),
        List.of(
            row(
                "peak, dBFS",
                OptionalDouble.of(Decibels.ofAmplitude(c.peak())),
                Quantity.SAMPLE_PEAK),
            row(
                "true peak, dBTP",
                OptionalDouble.of(Decibels.ofAmplitude(report.truePeak())),
                Quantity.TRUE_PEAK),
            row("loudness, LUFS", report.loudness().integratedLufs(), Quantity.LOUDNESS),
            row("range, LU", report.loudness().rangeLu(), Quantity.LOUDNESS_RANGE),
            row("speech, dBFS", c.activeSpeechDbfs(), Quantity.ACTIVE_SPEECH),
            row("spoken, % of time", c.activityPercent(), Quantity.SPOKEN),
            row("noise floor, dBFS", c.noiseFloorDbfs(), Quantity.FLOOR),
            row("the same, A", c.noiseFloorDbfsA(), Quantity.FLOOR_A),
            row("speech to noise, dB", c.speechToNoiseDb(), Quantity.SPEECH_TO_NOISE)));
  }

  private List<Object> row(String name, OptionalDouble figure, Quantity quantity) {
    String text =
        figure.isPresent() && Double.isFinite(figure.getAsDouble())
            ? Figures.say("%.1f", figure.getAsDouble())
            : "–";
    return List.of(name, new FigureTable.Figure(text, () -> why(quantity)));
  }

  private Optional<Why> why(Quantity quantity) {
    return model
        .takeProperty()
        .get()
        .flatMap(t ->
            FigureReasons.take(t.report(), t.report().channels().getFirst(), t.sound(), quantity));
  }

  VBox node() {
    return node;
  }

  VBox controls() {
    return controls;
  }
}
