package nullroom.app.level;

import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import nullroom.app.control.Choice;
import nullroom.app.control.Dial;
import nullroom.app.shell.Desk;
import nullroom.app.shell.Station;
import nullroom.app.shell.StationFrame;
import nullroom.core.acoustics.VocalEffort;
import nullroom.core.plan.Adviser;

/** The level station's nodes. */
public final class LevelView {
  private final Node node;

  /** A view of a model. */
  public LevelView(LevelModel model, Desk desk) {
    LevelBars bars = new LevelBars(model);
    Dial gain = new Dial("Gain", "dB", 0, Adviser.HIGHEST_GAIN_DB, "%.0f", model::setGain);
    Choice<VocalEffort> effort =
        new Choice<>(
            "effort",
            "how loud the voice is",
            List.of(VocalEffort.values()),
            e -> LevelBars.name(e) + ", " + Math.round(e.levelDbA()) + " dBA at 1 m",
            model::setEffort);
    Button set = new Button("Set the right gain");
    set.setId("set-gain");
    set.getStyleClass().add("action");
    set.setOnAction(e -> model.setGain(model.rightGainDb()));
    Label voice = new Label("Voice");
    voice.getStyleClass().add("field-name");
    HBox row = new HBox(voice, effort, set);
    row.getStyleClass().add("row");
    Runnable refresh =
        () -> {
          bars.redraw();
          gain.show(model.gainDb());
          effort.show(model.effort());
        };
    desk.session().revisionProperty().subscribe(refresh);
    refresh.run();
    Label caution =
        new Label("Turn headphones down before you turn gain up: sudden peaks harm hearing.");
    caution.getStyleClass().add("caution");
    node =
        StationFrame.of(
            Station.LEVEL, model.say(), bars, new VBox(6, gain, row, caution), desk.work());
  }

  /** The nodes. */
  public Node node() {
    return node;
  }
}
