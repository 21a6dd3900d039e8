package nullroom.app.ring;

import java.io.File;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import nullroom.app.control.ArrivalPlot;
import nullroom.app.control.BandPlot;
import nullroom.app.control.Choice;
import nullroom.app.control.DecayPlot;
import nullroom.app.control.FilePick;
import nullroom.app.control.TimeBars;
import nullroom.app.shell.Desk;
import nullroom.app.shell.Station;
import nullroom.app.shell.StationFrame;

/** The reverberation station's nodes. */
public final class RingView {
  private static final double ARRIVALS_WIDTH = 300;

  private final Node node;

  /** A view of a model. */
  public RingView(RingModel model, Desk desk) {
    DecayPlot decays = new DecayPlot();
    TimeBars times = new TimeBars();
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
                      "measured", BandPlot.Origin.MEASURED, model.measuredSeconds(), "now-bar"),
                  new BandPlot.Series(
                      "predicted",
                      BandPlot.Origin.PREDICTED,
                      model.predictedSeconds(),
                      "before-bar")),
              model.goal());
          arrivals.show(
              model.arrivals().stream()
                  .map(a -> new ArrivalPlot.Stem(a.milliseconds(), a.levelDb(), a.name()))
                  .toList(),
              !model.bands().isEmpty());
          String words = model.details();
          details.setText(words);
          details.setManaged(!words.isEmpty());
        };
    desk.session().bookProperty().subscribe(refresh);
    refresh.run();
    HBox lower = new HBox(times.plot(), arrivals);
    HBox.setHgrow(times.plot(), Priority.ALWAYS);
    arrivals.setMinWidth(ARRIVALS_WIDTH);
    VBox pictures = new VBox(decays, lower, details);
    pictures.getStyleClass().add("pictures");
    VBox.setVgrow(decays, Priority.ALWAYS);
    decays.setPrefHeight(260);
    times.plot().setPrefHeight(190);
    Button clap = new Button("Record five claps");
    clap.setId("clap");
    clap.getStyleClass().add("action");
    clap.setOnAction(e -> model.clap());
    clap.disableProperty().bind(desk.work().runningProperty());
    Button sweep = new Button("Play a sweep");
    sweep.setId("sweep");
    sweep.setOnAction(e -> model.sweep());
    sweep.disableProperty().bind(desk.work().runningProperty());
    Choice<Loudness> loudness =
        new Choice<>(
            "sweep-loudness",
            "how loud the sweep is played",
            List.of(Loudness.values()),
            Loudness::label,
            model::choose);
    model.loudnessProperty().subscribe(chosen -> loudness.show(chosen));
    Button write = new Button("Write the sweep…");
    write.setOnAction(e -> {
      FileChooser chooser = new FileChooser();
      chooser.setTitle("Write the sweep to play from a phone");
      chooser.setInitialFileName("sweep.wav");
      File file = chooser.showSaveDialog(write.getScene().getWindow());
      if (file != null) {
        model.write(file.toPath());
      }
    });
    Label caution =
        new Label(
            "Headphones off. Claps near the ear are loud; a sweep is harder on ears and small loudspeakers than speech: start very low, go up a step at a time.");
    caution.getStyleClass().add("caution");
    caution.setWrapText(true);
    HBox buttons = new HBox(clap, sweep, loudness, write, FilePick.button(model::open));
    buttons.getStyleClass().add("row");
    VBox controls = new VBox(buttons, caution);
    controls.getStyleClass().add("column");
    node = StationFrame.of(Station.RING, model.say(), pictures, controls, desk.work());
  }

  /** The nodes. */
  public Node node() {
    return node;
  }
}
