package nullroom.app.ring;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.function.Function;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.VBox;
import nullroom.app.control.BandName;
import nullroom.app.control.Choice;
import nullroom.app.control.FigureTable;
import nullroom.app.control.Row;
import nullroom.app.control.WhileShown;
import nullroom.app.control.Wrapped;
import nullroom.app.shell.BookSession;
import nullroom.app.shell.StationContext;
import nullroom.core.Figures;
import nullroom.core.acoustics.Octave;
import nullroom.core.book.DecayMeasurement;
import nullroom.core.measure.decay.PositionAverage;
import nullroom.core.plan.FigureReasons;
import nullroom.core.plan.Quantity;
import nullroom.core.signal.Band;

/** Measurements at several places, their mean and spread, and what has changed since before. */
final class PlacesPage {
  private final PlacesModel model;
  private final RingModel ring;
  private final BookSession session;
  private final FigureTable average;
  private final FigureTable measurements;
  private final Label grade = new Wrapped("");
  private final Label change = new Wrapped("");
  private final ScrollPane node;

  PlacesPage(RingModel ring, StationContext context) {
    this.ring = ring;
    session = context.session();
    measurements = new FigureTable("ring-measurements", context.asked()::set);
    average = new FigureTable("ring-average", context.asked()::set);
    model = ring.places();
    refresh();
    VBox all = new VBox(12, next(), grade, average, change, measurements);
    node = new ScrollPane(all);
    node.setFitToWidth(true);
    node.getStyleClass().add("pages");
    WhileShown.follow(node, this::refresh, context.session().bookProperty());
  }

  ScrollPane node() {
    return node;
  }

  /** Where the next measurement will be. */
  private Row next() {
    Choice<String> source =
        new Choice<>(
            "source-place",
            "place of the source",
            PlacesModel.SOURCES,
            s -> "source at " + s,
            model.sourceProperty()::set);
    Choice<String> microphone =
        new Choice<>(
            "microphone-place",
            "place of the microphone",
            PlacesModel.MICROPHONES,
            m -> "microphone at " + m,
            model.microphoneProperty()::set);
    model.sourceProperty().subscribe(now -> source.show(now));
    model.microphoneProperty().subscribe(now -> microphone.show(now));
    TextField note = new TextField();
    note.setId("present-note");
    note.setPromptText("anything else in the room, or left out");
    note.setAccessibleText("what else was in the room");
    note.setPrefColumnCount(24);
    note.textProperty().bindBidirectional(model.noteProperty());
    Row row = new Row(new Label("Next:"), source, microphone, note);
    return row;
  }

  private void refresh() {
    grade.setText(model.grade());
    change.setText(ring.change());
    change.setManaged(!change.getText().isEmpty());
    List<String> heads = new ArrayList<>(List.of("mean of the places"));
    Octave.ALL.forEach(b -> heads.add(BandName.of(b.nominalHz())));
    List<List<?>> rows = new ArrayList<>();
    model
        .average()
        .ifPresent(a -> {
          rows.add(bands("T20, s", Quantity.MEAN_T20, a, b -> Figures.say("%.2f", b.seconds())));
          rows.add(bands("spread", Quantity.SPREAD, a, PlacesPage::spread));
          rows.add(
              bands(
                  "give or take",
                  Quantity.T20_CHANCE,
                  a,
                  b -> Figures.say("%.2f", 2 * b.deviationSeconds())));
          rows.add(bands("places", Quantity.PLACES, a, b -> String.valueOf(b.pairs())));
        });
    average.show(rows.isEmpty() ? List.of() : heads, rows);
    measurements.show(
        model.all().isEmpty()
            ? List.of()
            : List.of("measured", "place", "mid, s", "voice, s", "counts", ""),
        model.all().stream().map(this::cells).toList());
  }

  private static String spread(PositionAverage.Averaged band) {
    OptionalDouble spread = band.spreadSeconds();
    return spread.isPresent() ? Figures.say("%.2f", spread.getAsDouble()) : "–";
  }

  private List<Object> bands(
      String head,
      Quantity quantity,
      PositionAverage average,
      Function<PositionAverage.Averaged, String> figure) {
    List<Object> cells = new ArrayList<>(List.of(head));
    for (Band octave : Octave.ALL) {
      double hz = octave.nominalHz();
      cells.add(
          new FigureTable.Figure(
              average.band(hz).map(figure).orElse("–"),
              () -> FigureReasons.mean(session.book(), quantity, hz)));
    }
    return cells;
  }

  private List<Object> cells(DecayMeasurement d) {
    Button drop = new Button("Drop it");
    drop.getStyleClass().add("plain");
    drop.setAccessibleText("drop the measurement of " + d.taken() + " at " + d.at().pair());
    drop.setOnAction(e -> model.remove(d));
    Label when = new Label(d.taken().replace('T', ' ') + "  with " + shortened(d.at().present()));
    return List.of(
        when,
        d.at().pair(),
        mean(d, Quantity.T_MID, d.report().tMidSeconds()),
        mean(d, Quantity.T_VOICE, d.report().tVoiceSeconds()),
        model.counts(d) ? "now" : "before",
        drop);
  }

  private static FigureTable.Figure mean(
      DecayMeasurement d, Quantity quantity, OptionalDouble seconds) {
    return new FigureTable.Figure(
        RingWords.seconds(seconds), () -> FigureReasons.decay(d, quantity));
  }

  private static String shortened(String words) {
    return words.length() <= 60 ? words : words.substring(0, 58) + "…";
  }
}
