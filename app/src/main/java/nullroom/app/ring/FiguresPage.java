package nullroom.app.ring;

import java.util.List;
import java.util.OptionalDouble;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.VBox;
import nullroom.app.control.BandName;
import nullroom.app.control.FigureTable;
import nullroom.app.control.WhileShown;
import nullroom.app.control.Wrapped;
import nullroom.app.shell.StationContext;
import nullroom.core.Figures;
import nullroom.core.measure.decay.DecayReport;

/** Every figure of the last measurement, and a sentence for each that could not be had. */
final class FiguresPage {
  private static final List<String> HEADS =
      List.of(
          "octave",
          "EDT",
          "T20",
          "±",
          "T30",
          "C50",
          "C80",
          "D50",
          "Ts",
          "over noise",
          "bent",
          "not straight");

  private static final String KEY =
      "Times in s, clarity C50 and C80 in dB, definition D50 in %, centre time Ts in ms, over noise in dB (T20 needs 35, T30 45), "
          + "bent in % (T30 over T20; over 10 is doubtful), not straight in ‰ (over 10 is doubtful), ± twice the standard deviation. "
          + "A dash: the measurement does not give it.";

  private final ScrollPane node;

  FiguresPage(RingModel model, StationContext context) {
    FigureTable table = new FigureTable("ring-figures");
    VBox notes = new VBox(4);
    Runnable refresh =
        () -> {
          table.heads(HEADS);
          model.bands().forEach(band -> table.row(cells(band)));
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

  private static List<String> cells(DecayReport.BandDecay b) {
    return List.of(
        BandName.of(b.centreHz()),
        figure(b.edtSeconds(), 1, 2),
        figure(b.t20Seconds(), 1, 2),
        figure(b.t20DeviationSeconds(), 2, 2),
        figure(b.t30Seconds(), 1, 2),
        figure(b.c50Db(), 1, 1),
        figure(b.c80Db(), 1, 1),
        figure(b.d50Percent(), 1, 0),
        figure(b.centreTimeSeconds(), 1000, 0),
        figure(b.inrDb(), 1, 0),
        figure(b.curvaturePercent(), 1, 0),
        figure(b.nonLinearityPermille(), 1, 1));
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
