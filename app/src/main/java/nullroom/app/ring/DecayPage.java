package nullroom.app.ring;

import java.util.List;
import java.util.Optional;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import nullroom.app.control.ArrivalPlot;
import nullroom.app.control.BandPlot;
import nullroom.app.control.DecayPlot;
import nullroom.app.control.TimeBars;
import nullroom.app.control.WhileShown;
import nullroom.app.shell.BookSession;
import nullroom.app.shell.StationContext;
import nullroom.core.acoustics.Octave;
import nullroom.core.plan.FigureReasons;
import nullroom.core.plan.Quantity;

/** Decay per octave, times against the goal, single arrivals. */
final class DecayPage {
  private static final double ARRIVALS_WIDTH = 250;
  private static final int COLUMNS = 4;

  private final VBox node;

  DecayPage(RingModel model, StationContext context) {
    DecayPlot decays = new DecayPlot(COLUMNS);
    TimeBars times = new TimeBars();
    times.plot().setAsks(context.asked()::set);
    BookSession session = context.session();
    ArrivalPlot arrivals = new ArrivalPlot();
    Label details = new Label();
    details.setId("ring-details");
    details.setWrapText(true);
    details.setMinHeight(Region.USE_PREF_SIZE);
    Runnable refresh =
        () -> {
          decays.show(model.bands());
          times.show(
              List.of(
                  new BandPlot.Series(
                      model.origin().label(),
                      model.origin(),
                      model.measuredSeconds(),
                      "now-bar",
                      b ->
                          FigureReasons.mean(
                              session.book(), Quantity.MEAN_T20, Octave.nominalHz(b))),
                  new BandPlot.Series(
                      session.book().here().byDescription().label(),
                      session.book().here().byDescription(),
                      model.predictedSeconds(),
                      "before-bar",
                      b -> Optional.of(FigureReasons.predicted(session.book(), b)))),
              model.goal());
          arrivals.show(stems(model), !model.bands().isEmpty());
          String words = model.details();
          details.setText(words);
          details.setManaged(!words.isEmpty());
        };
    HBox lower = new HBox(times.plot(), arrivals);
    HBox.setHgrow(times.plot(), Priority.ALWAYS);
    arrivals.setMinWidth(ARRIVALS_WIDTH);
    node = new VBox(decays, lower, details);
    node.getStyleClass().add("pictures");
    VBox.setVgrow(decays, Priority.ALWAYS);
    decays.setPrefHeight(260);
    times.plot().setPrefHeight(190);
    WhileShown.follow(node, refresh, context.session().revisionProperty(), context.units());
    refresh.run();
  }

  /** The arrivals as they are drawn. */
  static List<ArrivalPlot.Stem> stems(RingModel model) {
    return model.arrivals().stream()
        .map(a ->
            new ArrivalPlot.Stem(
                a.milliseconds(),
                a.levelDb(),
                a.name(),
                model.chosenProperty().get().filter(a::equals).isPresent()))
        .toList();
  }

  VBox node() {
    return node;
  }
}
