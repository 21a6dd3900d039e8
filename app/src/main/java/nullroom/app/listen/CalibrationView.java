package nullroom.app.listen;

import java.nio.file.Path;
import java.util.List;
import java.util.function.Consumer;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import nullroom.app.control.Choice;
import nullroom.app.control.FilePick;
import nullroom.app.control.NumberField;
import nullroom.app.control.Row;
import nullroom.app.control.Wrapped;
import nullroom.app.shell.PageParts;
import nullroom.app.shell.StationContext;
import nullroom.core.Figures;
import nullroom.core.acoustics.VocalEffort;
import nullroom.core.measure.noise.Calibration;

/** The ways to say what levels mean in the air. */
final class CalibrationView {
  private final CalibrationModel model;
  private final StationContext context;
  private final PageParts parts;

  CalibrationView(CalibrationModel model, StationContext context) {
    this.model = model;
    this.context = context;
    VBox ways = new VBox(data(), tone(), fullScale(), meter(), voice(), none());
    ways.getStyleClass().add("scale-ways");
    Label hint =
        new Wrapped(
            "A scale found at one gain holds at another, as long as the gain set in Level is the gain of the input.",
            "soft");
    parts = new PageParts(ways, hint);
  }

  PageParts parts() {
    return parts;
  }

  private static VBox way(String name, String what, Node... controls) {
    Label title = new Label(name);
    title.getStyleClass().add("move-name");
    Label text = new Wrapped(what, "soft");
    Row row = new Row(controls);
    VBox box = new VBox(3, title, text, row);
    box.getStyleClass().add("scale-way");
    return box;
  }

  private Button button(String id, String words, Runnable action) {
    Button button = new Button(words);
    button.setId(id);
    button.setOnAction(e -> context.work().attempt(action, () -> {}));
    button.disableProperty().bind(context.work().runningProperty());
    return button;
  }

  private Node data() {
    return way(
        "The data of microphone and input",
        "Sensitivity and gain as Mic and Level have them. Give or take 3 dB.",
        button("scale-data", "Use the data", () -> model.set(Calibration.BY_DATA)));
  }

  private Node tone() {
    double[] level = {94};
    NumberField field = new NumberField("Tone", "dB SPL", 60, 130, v -> level[0] = v);
    field.show(94);
    Consumer<Path> open =
        file ->
            context
                .work()
                .attempt(
                    () -> {
                      if (field.isGood()) {
                        model.setTone(file, level[0]);
                      }
                    },
                    () -> {});
    return way(
        "A calibrator's tone",
        "A recording of the tone through this microphone at this gain. Give or take 1 dB.",
        field,
        FilePick.button(open));
  }

  private Node fullScale() {
    double[] typed = {120, 1};
    NumberField full = new NumberField("Full scale", "dB SPL", 60, 180, v -> typed[0] = v);
    NumberField give = new NumberField("Give or take", "dB", 0, 20, v -> typed[1] = v);
    full.show(120);
    give.show(1);
    return way(
        "A known full scale",
        "The level of a sine that just reaches full scale at this gain.",
        full,
        give,
        button(
            "scale-full",
            "Set",
            () -> {
              if (full.isGood() && give.isGood()) {
                model.setFullScale(typed[0], typed[1]);
              }
            }));
  }

  private Node meter() {
    double[] typed = {35, 2};
    NumberField reading = new NumberField("It shows", "dBA", 10, 120, v -> typed[0] = v);
    NumberField give = new NumberField("It errs by", "dB", 0, 20, v -> typed[1] = v);
    reading.show(35);
    give.show(2);
    return way(
        "A borrowed meter",
        "Hold it beside the microphone in a steady noise. A class 2 meter errs by 1.5 dB, a telephone by 5 or more.",
        reading,
        give,
        button(
            "scale-meter",
            "Listen beside it for ten seconds",
            () -> {
              if (reading.isGood() && give.isGood()) {
                model.setMeter(typed[0], typed[1]);
              }
            }));
  }

  private Node voice() {
    double[] metres = {1};
    VocalEffort[] said = {VocalEffort.NORMAL};
    NumberField distance =
        new NumberField("Lips to microphone", "m", 0.1, 5, typed -> metres[0] = typed);
    context.units().subscribe(units -> distance.setEntry(units.field()));
    distance.show(metres[0]);
    Choice<VocalEffort> effort =
        new Choice<>(
            "scale-effort",
            "how loud you speak",
            List.of(VocalEffort.values()),
            Figures::word,
            e -> said[0] = e);
    effort.show(said[0]);
    return way(
        "Your own voice",
        "Talk straight at the microphone from a known distance. People of one effort differ: give or take 4 dB.",
        effort,
        distance,
        button(
            "scale-voice",
            "Listen to me for twelve seconds",
            () -> {
              if (distance.isGood()) {
                model.setVoice(said[0], metres[0]);
              }
            }),
        FilePick.button(file -> model.setVoice(file, said[0], metres[0])));
  }

  private Node none() {
    return way(
        "Not known",
        "Levels only compare with each other: before and after, on and off, here and there.",
        button("scale-none", "Relative only", () -> model.set(Calibration.UNKNOWN)));
  }
}
