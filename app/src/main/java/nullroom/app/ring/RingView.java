package nullroom.app.ring;

import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import nullroom.app.control.BandPlot;
import nullroom.app.control.DecayPlot;
import nullroom.app.control.FilePick;
import nullroom.app.control.TimeBars;
import nullroom.app.shell.Desk;
import nullroom.app.shell.Station;
import nullroom.app.shell.StationFrame;

/** The reverberation station's nodes. */
public final class RingView {
  private final Node node;

  /** A view of a model. */
  public RingView(RingModel model, Desk desk) {
    DecayPlot decays = new DecayPlot();
    TimeBars times = new TimeBars();
    Runnable refresh =
        () -> {
          decays.show(model.bands());
          times.show(
              List.of(
                  new BandPlot.Series(
                      "measured", BandPlot.Origin.MEASURED, model.measuredSeconds(), "now-bar"),
                  new BandPlot.Series(
                      "predicted",
                      BandPlot.Origin.PREDICTED,
                      model.predictedSeconds(),
                      "before-bar")),
              model.goal());
        };
    desk.session().bookProperty().subscribe(refresh);
    refresh.run();
    VBox pictures = new VBox(decays, times.plot());
    pictures.getStyleClass().add("pictures");
    VBox.setVgrow(decays, Priority.ALWAYS);
    decays.setPrefHeight(260);
    times.plot().setPrefHeight(190);
    Button clap = new Button("Record five claps");
    clap.setId("clap");
    clap.getStyleClass().add("action");
    clap.setOnAction(e -> model.clap());
    clap.disableProperty().bind(desk.work().runningProperty());
    Label caution = new Label("Claps near the ear are loud: hold your hands away, headphones off.");
    caution.getStyleClass().add("caution");
    HBox controls = new HBox(clap, FilePick.button(model::open), caution);
    controls.getStyleClass().add("row");
    node = StationFrame.of(Station.RING, model.say(), pictures, controls, desk.work());
  }

  /** The nodes. */
  public Node node() {
    return node;
  }
}
