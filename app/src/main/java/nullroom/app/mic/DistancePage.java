package nullroom.app.mic;

import java.util.List;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import nullroom.app.control.Choice;
import nullroom.app.control.Row;
import nullroom.app.control.WhileShown;
import nullroom.app.control.Wrapped;
import nullroom.app.shell.StationContext;

/** Margins against distance, for the best microphones, the one looked at and the one in use. */
final class DistancePage {
  private final ObjectProperty<ZoneModel.Shown> shown =
      new SimpleObjectProperty<>(ZoneModel.Shown.WEAKEST);
  private final VBox node;

  DistancePage(RankModel model, StationContext context) {
    DistancePlot plot = new DistancePlot(model, shown::get, context.units());
    VBox.setVgrow(plot, Priority.ALWAYS);
    node =
        new VBox(
            6,
            plot,
            new Wrapped(
                "Each on its way from the lips through its best place, pointed at the lips, with the right gain at each distance,"
                    + " by the quick answer. A line bends down near the lips where it overloads, and far off where the room or"
                    + " the noise comes up to the voice.",
                "soft"));
    Runnable refresh =
        () -> {
          model.refresh();
          model.refreshDistances();
          plot.redraw();
        };
    WhileShown.follow(
        node,
        refresh,
        context.session().revisionProperty(),
        context.units(),
        model.rankingProperty(),
        model.chosenProperty(),
        model.distancesProperty(),
        shown);
    refresh.run();
  }

  Node node() {
    return node;
  }

  Node controls() {
    Choice<ZoneModel.Shown> which =
        new Choice<>(
            "distance-margin",
            "which margin is drawn",
            List.of(ZoneModel.Shown.values()),
            ZoneModel.Shown::label,
            shown::set);
    which.show(shown.get());
    return new Row(new Label("Lines of"), which);
  }
}
