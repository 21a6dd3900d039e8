package nullroom.app.listen;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import nullroom.app.control.BandPlot;
import nullroom.app.control.FilePick;
import nullroom.app.shell.Desk;
import nullroom.app.shell.Station;
import nullroom.app.shell.StationFrame;

/** The noise station's nodes. */
public final class ListenView {
  private final Node node;

  /** A view of a model. */
  public ListenView(ListenModel model, Desk desk) {
    BandPlot plot =
        new BandPlot("octave level, dB SPL", figure -> String.format(Locale.ROOT, "%.0f", figure));
    plot.setAxis(0, 70, 10);
    Runnable refresh =
        () ->
            plot.show(
                List.of(
                    new BandPlot.Series(
                        "room, " + model.origin(),
                        model.measured() ? BandPlot.Origin.MEASURED : BandPlot.Origin.ASSUMED,
                        model.noise().toArray(),
                        "noise-bar")),
                model
                    .quietLine()
                    .map(q -> new BandPlot.Reference("quiet line", q.toArray(), Optional.empty())));
    desk.session().bookProperty().subscribe(refresh);
    refresh.run();
    Button listen = new Button("Listen for ten seconds");
    listen.setId("listen");
    listen.getStyleClass().add("action");
    listen.setOnAction(e -> model.listen());
    listen.disableProperty().bind(desk.work().runningProperty());
    Label hint = new Label("or drop a recording of the quiet room");
    hint.getStyleClass().add("soft");
    HBox controls = new HBox(listen, FilePick.button(model::open), hint);
    controls.getStyleClass().add("row");
    node = StationFrame.of(Station.LISTEN, model.say(), plot, controls, desk.work());
  }

  /** The nodes. */
  public Node node() {
    return node;
  }
}
