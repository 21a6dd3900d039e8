package nullroom.app.level;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.Label;
import javafx.scene.control.TextArea;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import nullroom.app.control.Choice;
import nullroom.app.control.FigureTable;
import nullroom.app.control.NumberField;
import nullroom.app.control.Wrapped;
import nullroom.app.shell.StationContext;
import nullroom.core.Figures;
import nullroom.core.plan.FileRoom;
import nullroom.core.plan.Quantity;
import nullroom.core.plan.Restarts;
import nullroom.core.plan.Why;
import nullroom.core.plan.Why.Input;
import nullroom.core.predict.Origin;

/** How long files, cards, cameras and batteries last, and when to restart which. */
final class FilesPage {
  private static final double GIGABYTE = 1e9;
  private static final double RECORDERS_WIDTH = 260;

  private double rate = 48_000;
  private int bits = 24;
  private int channels = 1;
  private double cardGigabytes = 32;
  private double megabits = 40;
  private double clipMinutes = 30;
  private double batteryMinutes = 90;
  private double session = 60;
  private final FigureTable table;
  private final TextArea recorders = new TextArea("camera left 15\ncamera right 15\nrecorder 180");
  private final Label restarts = new Wrapped("");
  private final VBox node;

  FilesPage(StationContext context) {
    table = new FigureTable("files", context.asked()::set);
    Choice<Double> rates =
        new Choice<>(
            "rate",
            "sampling rate",
            List.of(44_100.0, 48_000.0, 96_000.0),
            r -> Figures.say("%.1f kHz", r / 1000),
            r -> set(() -> rate = r));
    rates.show(rate);
    Choice<Integer> words =
        new Choice<>(
            "bits", "word length", List.of(16, 24, 32), b -> b + " bit", b -> set(() -> bits = b));
    words.show(bits);
    Choice<Integer> tracks =
        new Choice<>(
            "tracks",
            "channels",
            List.of(1, 2, 4),
            c -> c == 1 ? "1 track" : c + " tracks",
            c -> set(() -> channels = c));
    tracks.show(channels);
    FlowPane sound = new FlowPane(8, 6, rates, words, tracks);
    FlowPane fields =
        new FlowPane(
            16,
            6,
            field("Card left", "GB", 0.01, 10_000, cardGigabytes, v -> cardGigabytes = v),
            field("Camera", "Mbit/s", 1, 2000, megabits, v -> megabits = v),
            field("Clip limit", "min", 1, 10_000, clipMinutes, v -> clipMinutes = v),
            field("Battery", "min", 1, 10_000, batteryMinutes, v -> batteryMinutes = v),
            field("Session", "min", 1, 2000, session, v -> session = v));
    recorders.setId("recorders");
    recorders.setPrefRowCount(4);
    recorders.setMinWidth(RECORDERS_WIDTH);
    recorders.setMaxWidth(RECORDERS_WIDTH);
    recorders.setAccessibleText("recorders, one to a line, each with the minutes it runs");
    recorders.textProperty().subscribe(this::show);
    Label heading = new Label("Recorders, and the minutes each runs");
    heading.getStyleClass().add("heading");
    VBox left = new VBox(6, heading, recorders);
    left.setMinWidth(RECORDERS_WIDTH);
    HBox below = new HBox(16, left, restarts);
    HBox.setHgrow(restarts, javafx.scene.layout.Priority.ALWAYS);
    node = new VBox(12, sound, fields, table, below);
    node.getStyleClass().add("pictures");
    show();
  }

  private NumberField field(
      String name,
      String unit,
      double low,
      double high,
      double shown,
      java.util.function.DoubleConsumer write) {
    NumberField field = new NumberField(name, unit, low, high, v -> set(() -> write.accept(v)));
    field.show(shown);
    return field;
  }

  private void set(Runnable change) {
    change.run();
    show();
  }

  private void show() {
    FileRoom file = new FileRoom(rate, bits, channels);
    String sound = Figures.say("%.1f kHz, %d bits, %d tracks", rate / 1000, bits, channels);
    String film = Figures.say("%.0f Mbit/s", megabits);
    double camera = FileRoom.cameraMinutes(megabits);
    table.show(
        List.of("how long", "minutes"),
        List.of(
            row("until the card is full", file.minutes(cardGigabytes * GIGABYTE), sound),
            row("until a file holds 4 GiB", file.minutes(FileRoom.FOUR_GIB), sound),
            row("until the camera’s file holds 4 GiB", camera, film),
            row(
                "until the camera stops by its own limit or at 4 GiB",
                Math.min(clipMinutes, camera),
                film),
            List.of("until the battery is empty", minutes(batteryMinutes))));
    try {
      restarts.setText(words(Restarts.plan(recorders(recorders.getText()), session)));
    } catch (IllegalArgumentException e) {
      restarts.setText(String.valueOf(e.getMessage()) + ".");
    }
  }

  private List<Object> row(String name, double minutes, String rate) {
    Input input = new Input("rate", rate, Origin.assumed("as set here"));
    Why why = Quantity.RECORDING_TIME.why(", " + name, minutes(minutes) + " minutes", input);
    return List.of(name, new FigureTable.Figure(minutes(minutes), () -> Optional.of(why)));
  }

  private static String minutes(double minutes) {
    return Figures.say(minutes < 100 ? "%.1f" : "%.0f", minutes);
  }

  /** One to a line, its name and then its minutes. */
  static List<Restarts.Recorder> recorders(String typed) {
    List<Restarts.Recorder> all = new ArrayList<>();
    for (String line : typed.strip().split("\\R")) {
      String text = line.strip();
      int space = text.lastIndexOf(' ');
      if (!text.isEmpty()) {
        try {
          all.add(
              new Restarts.Recorder(
                  text.substring(0, Math.max(0, space)).strip(),
                  NumberField.parse(text.substring(space + 1))));
        } catch (NumberFormatException e) {
          throw new IllegalArgumentException(
              "“" + text + "” needs a name and the minutes it runs, such as “camera 15”", e);
        }
      }
    }
    return all;
  }

  private static String words(List<Restarts.Restart> plan) {
    if (plan.isEmpty()) {
      return "Nothing has to be restarted in this session.";
    }
    List<String> parts = new ArrayList<>();
    plan.forEach(r -> parts.add(Figures.say("%s at %.0f min", r.recorder(), r.minutes())));
    return "Restart "
        + String.join(", ", parts)
        + ". Never two at once, each a minute before it stops.";
  }

  VBox node() {
    return node;
  }
}
