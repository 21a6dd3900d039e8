package nullroom.app.level;

import java.util.Arrays;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import javafx.util.StringConverter;
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
    ComboBox<VocalEffort> effort = new ComboBox<>();
    effort.getItems().setAll(VocalEffort.values());
    effort.setId("effort");
    effort.setConverter(
        new StringConverter<>() {
          @Override
          public String toString(VocalEffort e) {
            return e == null
                ? ""
                : LevelBars.name(e) + ", " + Math.round(e.levelDbA()) + " dBA at 1 m";
          }

          @Override
          public VocalEffort fromString(String text) {
            return Arrays.stream(VocalEffort.values())
                .filter(e -> toString(e).equals(text))
                .findFirst()
                .orElseThrow();
          }
        });
    effort.setOnAction(e -> {
      if (effort.getValue() != null && effort.getValue() != model.effort()) {
        model.setEffort(effort.getValue());
      }
    });
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
          effort.setValue(model.effort());
        };
    desk.session().bookProperty().subscribe(refresh);
    refresh.run();
    Label caution =
        new Label("Turn headphones down before you turn gain up: sudden peaks harm hearing.");
    caution.getStyleClass().add("caution");
    node =
        StationFrame.of(
            Station.LEVEL,
            model.answer(),
            bars,
            model.meaning(),
            new VBox(6, gain, row, caution),
            desk.work());
  }

  /** The nodes. */
  public Node node() {
    return node;
  }
}
