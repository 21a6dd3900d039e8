package nullroom.app.ring;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.stream.Stream;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.VBox;
import nullroom.app.control.BandName;
import nullroom.app.control.FigureTable;
import nullroom.app.control.WhileShown;
import nullroom.app.control.Wrapped;
import nullroom.app.shell.BookSession;
import nullroom.app.shell.StationContext;
import nullroom.core.Figures;
import nullroom.core.measure.decay.DecayReport;
import nullroom.core.plan.FigureReasons;
import nullroom.core.plan.Quantity;

/** Every figure of the last measurement, and a sentence for each that could not be had. */
final class FiguresPage {
  /**
   * A column.
   *
   * @param factor from the figure to what is shown
   */
  private record Column(
      String head,
      Quantity quantity,
      Function<DecayReport.BandDecay, OptionalDouble> figure,
      double factor,
      int digits) {}

  private static final List<Column> COLUMNS =
      List.of(
          new Column("EDT", Quantity.EDT, DecayReport.BandDecay::edtSeconds, 1, 2),
          new Column("T20", Quantity.T20, DecayReport.BandDecay::t20Seconds, 1, 2),
          new Column("±", Quantity.T20_CHANCE, DecayReport.BandDecay::t20DeviationSeconds, 2, 2),
          new Column("T30", Quantity.T30, DecayReport.BandDecay::t30Seconds, 1, 2),
          new Column("C50", Quantity.C50, DecayReport.BandDecay::c50Db, 1, 1),
          new Column("C80", Quantity.C80, DecayReport.BandDecay::c80Db, 1, 1),
          new Column("D50", Quantity.D50, DecayReport.BandDecay::d50Percent, 1, 0),
          new Column("Ts", Quantity.CENTRE_TIME, DecayReport.BandDecay::centreTimeSeconds, 1000, 0),
          new Column("over noise", Quantity.OVER_NOISE, DecayReport.BandDecay::inrDb, 1, 0),
          new Column("bent", Quantity.BENT, DecayReport.BandDecay::curvaturePercent, 1, 0),
          new Column(
              "not straight",
              Quantity.NOT_STRAIGHT,
              DecayReport.BandDecay::nonLinearityPermille,
              1,
              1));

  private static final String KEY =
      "Times in s, clarity C50 and C80 in dB, definition D50 in %, centre time Ts in ms, over noise in dB (T20 needs 35, T30 45), "
          + "bent in % (T30 over T20; over 10 is doubtful), not straight in ‰ (over 10 is doubtful), ± twice the standard deviation. "
          + "A dash: the measurement does not give it.";

  private final ScrollPane node;

  FiguresPage(RingModel model, StationContext context) {
    FigureTable table = new FigureTable("ring-figures", context.asked()::set);
    VBox notes = new VBox(4);
    Runnable refresh =
        () -> {
          table.show(
              Stream.concat(Stream.of("octave"), COLUMNS.stream().map(Column::head)).toList(),
              model.bands().stream().map(band -> cells(context.session(), band)).toList());
          notes.getChildren().setAll(new Wrapped(KEY, "soft"));
          model.warnings().forEach(w -> notes.getChildren().add(new Wrapped(w, "note")));
        };
    refresh.run();
    VBox all = new VBox(14, table, notes);
    node = new ScrollPane(all);
    node.setFitToWidth(true);
    node.getStyleClass().add("pages");
    WhileShown.follow(node, refresh, context.session().bookProperty());
  }

  private static List<Object> cells(BookSession session, DecayReport.BandDecay band) {
    List<Object> cells = new ArrayList<>(List.of(BandName.of(band.centreHz())));
    for (Column c : COLUMNS) {
      cells.add(
          new FigureTable.Figure(
              figure(c.figure().apply(band), c.factor(), c.digits()),
              () -> FigureReasons.decay(session.book(), c.quantity(), band.centreHz())));
    }
    return cells;
  }

  private static String figure(OptionalDouble figure, double factor, int digits) {
    return figure.isPresent()
        ? Figures.say("%." + digits + "f", factor * figure.getAsDouble())
        : "–";
  }

  ScrollPane node() {
    return node;
  }
}
