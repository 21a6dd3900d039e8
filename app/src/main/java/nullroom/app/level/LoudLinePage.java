package nullroom.app.level;

import java.util.List;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import nullroom.app.control.FigureTable;
import nullroom.app.control.FilePick;
import nullroom.app.control.Row;
import nullroom.app.control.TakePlot;
import nullroom.app.control.WhileShown;
import nullroom.app.control.Wrapped;
import nullroom.app.shell.StationContext;
import nullroom.core.Figures;
import nullroom.core.measure.take.TakeChannel;
import nullroom.core.plan.Quantity;
import nullroom.core.plan.Why.Input;
import nullroom.core.predict.Origin;

/** The half minute, step by step, with its meter. */
final class LoudLinePage {
  private final LoudLine model;
  private final MeterBar meter;
  private final Label now = new Wrapped("", "answer");
  private final Label more = new Wrapped("", "note");
  private final FigureTable figures;
  private final Button turn = new Button("I turned it as told");
  private final Button lock = new Button("Lock it");
  private final TakePlot course = new TakePlot();
  private final VBox node;
  private final VBox controls;
  private final Row dial;
  private final LevelModel level;

  LoudLinePage(LevelModel level, StationContext context) {
    this.level = level;
    model = level.loudLine();
    figures = new FigureTable("loud-line-figures", context.asked()::set);
    meter = new MeterBar(level);
    now.setId("loud-line-now");
    Button start = new Button("Begin");
    start.setId("loud-line-start");
    start.getStyleClass().add("action");
    start.setOnAction(e -> model.start());
    start.disableProperty().bind(context.work().runningProperty());
    turn.setId("loud-line-turned");
    turn.setOnAction(e -> model.turned());
    lock.setId("loud-line-lock");
    lock.setOnAction(e -> model.lock());
    Label how =
        new Wrapped(
            "Half a minute: ten seconds of a quiet line, ten as you will speak, ten of the loudest line. Headphones down first.");
    how.getStyleClass().add("caution");
    node = new VBox(12, how, now, meter, figures, more, course);
    VBox.setVgrow(course, Priority.ALWAYS);
    node.getStyleClass().add("pictures");
    dial = new KnobRow(level, context).node();
    Button open = FilePick.button("… from a file", model::open);
    open.setId("loud-line-file");
    open.disableProperty().bind(context.work().runningProperty());
    controls = new VBox(6, new Row(start, open, turn, lock), dial);
    WhileShown.follow(
        node,
        this::refresh,
        model.readingProperty(),
        model.resultProperty(),
        context.work().runningProperty(),
        context.session().revisionProperty());
    refresh();
  }

  private void refresh() {
    now.setText(model.now());
    more.setText(model.more());
    meter.show(model.readingProperty().get());
    turn.setDisable(!model.toTurn());
    dial.setDisable(!level.turns());
    level.knob().say();
    lock.setDisable(!model.good());
    model
        .resultProperty()
        .get()
        .ifPresent(r ->
            course.show(
                r.report().channels().getFirst().frames(),
                TakeChannel.FRAME_SECONDS,
                Double.NaN,
                LoudLine.steps()));
    figures.show(
        List.of("sample peak", "true peak", "FAST, A", "momentary"),
        model.readingProperty().get().stream().map(LoudLinePage::cells).toList());
  }

  private static List<FigureTable.Figure> cells(LoudLine.Reading r) {
    return List.of(
        heard(Quantity.SAMPLE_PEAK, level(r.heldDbfs(), "dBFS")),
        heard(Quantity.TRUE_PEAK, level(r.truePeakDbtp(), "dBTP")),
        heard(Quantity.FAST_LEVEL, level(r.live().aDbfs().orElse(Double.NaN), "dBFS")),
        heard(Quantity.MOMENTARY, level(r.momentaryLufs().orElse(Double.NaN), "LUFS")));
  }

  /** A figure of what is heard now; nothing else may be made of it. */
  private static FigureTable.Figure heard(Quantity quantity, String figure) {
    Input input =
        new Input("sound", "of the loud line", new Origin(Origin.Kind.MEASURED, "heard just now"));
    return new FigureTable.Figure(
        figure,
        () -> figure.isEmpty() ? Optional.empty() : Optional.of(quantity.why("", figure, input)));
  }

  private static String level(double db, String unit) {
    return Double.isFinite(db) ? Figures.say("%.1f %s", db, unit) : "";
  }

  VBox node() {
    return node;
  }

  VBox controls() {
    return controls;
  }
}
