package nullroom.app.level;

import java.time.LocalDate;
import java.util.List;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.scene.control.DatePicker;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import nullroom.app.control.Choice;
import nullroom.app.control.NumberField;
import nullroom.app.control.WhileShown;
import nullroom.app.control.Wrapped;
import nullroom.app.shell.StationContext;
import nullroom.core.Figures;
import nullroom.core.Trouble;
import nullroom.core.book.Brief;
import nullroom.core.book.Handover;

/** The user's own brief, field by field; every change is kept at once. */
final class OwnBriefForm {
  private static final double MINUTE = 60;
  private static final double LONGEST_MINUTES = 24 * 60;
  private static final List<Integer> BITS = List.of(16, 24, 32);
  private static final List<Double> RATES = List.of(0.0, 44_100.0, 48_000.0, 96_000.0);

  private final TakeModel model;
  private final TextField use = text("own-use", "name of your brief", 16);
  private final TextField pattern = text("own-name", "pattern of the file name", 22);
  private final NumberField loudness;
  private final NumberField tolerance;
  private final NumberField peak;
  private final NumberField floor;
  private final NumberField shortest;
  private final NumberField longest;
  private final Choice<Integer> channels;
  private final Choice<Handover.Format> format;
  private final Choice<Integer> bits;
  private final Choice<Double> rate;
  private final DatePicker due = new DatePicker();
  private final Label trouble = new Wrapped("", "field-trouble");
  private final Label file = new Wrapped("", "note");
  private final VBox node;
  private Brief shown;
  private boolean showing;

  OwnBriefForm(TakeModel model, StationContext context) {
    this.model = model;
    shown = model.own();
    loudness =
        new NumberField("Loudness", "LUFS", -60, -5, v -> sound(v, tolerance(), peak(), floor()));
    tolerance =
        new NumberField("within", "LU", 0.1, 10, v -> sound(loudness(), v, peak(), floor()));
    peak =
        new NumberField(
            "Highest true peak", "dBTP", -30, 0, v -> sound(loudness(), tolerance(), v, floor()));
    floor =
        new NumberField(
            "Highest floor",
            "dBFS",
            -120,
            -20,
            v -> sound(loudness(), tolerance(), peak(), OptionalDouble.of(v)));
    floor.setOnNothing(() -> sound(loudness(), tolerance(), peak(), OptionalDouble.empty()));
    shortest = length("At least", v -> lasting(v, file().longestSeconds()));
    longest = length("at most", v -> lasting(file().shortestSeconds(), v));
    format =
        new Choice<>(
            "own-format",
            "format of the file",
            List.of(Handover.Format.values()),
            Handover.Format::name,
            f -> file(f, file().bits(), file().rateHz()));
    bits =
        new Choice<>(
            "own-bits",
            "word length of the file",
            BITS,
            b -> b == 32 ? "32 bit float" : b + " bit",
            b -> file(file().format(), b, file().rateHz()));
    rate =
        new Choice<>(
            "own-rate",
            "sampling rate of the file",
            RATES,
            r -> r == 0 ? "rate of the take" : Figures.say("%.1f kHz", r / 1000),
            r ->
                file(
                    file().format(),
                    file().bits(),
                    r == 0 ? OptionalDouble.empty() : OptionalDouble.of(r)));
    channels =
        new Choice<>(
            "own-channels",
            "channels of the file",
            List.of(0, 1),
            c -> c == 1 ? "one channel" : "channels of the take",
            c -> keep(shown.withChannels(c == 1 ? OptionalInt.of(1) : OptionalInt.empty())));
    names();
    node = rows();
    node.getStyleClass().add("fields");
    WhileShown.follow(node, this::refresh, context.session().bookProperty(), model.takeProperty());
    refresh();
  }

  private VBox rows() {
    return new VBox(
        6,
        new FlowPane(12, 6, new Label("Name"), use, loudness, tolerance, peak, floor),
        new FlowPane(12, 6, new Label("File"), format, bits, rate, channels, shortest, longest),
        new FlowPane(12, 6, new Label("File name"), pattern, new Label("due on"), due),
        trouble,
        file);
  }

  /** What files are called, and when they are due. */
  private void names() {
    due.setId("own-due");
    due.setAccessibleText("day on which it is due");
    due.setPrefWidth(130);
    due.valueProperty()
        .subscribe((was, day) -> named(file().namePattern(), day == null ? "" : day.toString()));
    committed(use, text -> keep(text, shown, file()), () -> shown.use());
    committed(pattern, text -> named(text, file().due()), () -> file().namePattern());
  }

  private static TextField text(String id, String name, int columns) {
    TextField field = new TextField();
    field.setId(id);
    field.setAccessibleText(name);
    field.setPrefColumnCount(columns);
    return field;
  }

  private void committed(TextField field, Consumer<String> heard, Supplier<String> before) {
    Runnable commit =
        () -> {
          if (!field.getText().equals(before.get())) {
            attempt(() -> heard.accept(field.getText()));
          }
        };
    field.setOnAction(e -> commit.run());
    field
        .focusedProperty()
        .subscribe((had, has) -> {
          if (had && !has) {
            commit.run();
          }
        });
  }

  private void attempt(Runnable change) {
    try {
      trouble.setText("");
      change.run();
    } catch (Trouble e) {
      trouble.setText(e.line());
    }
  }

  private NumberField length(String name, Consumer<OptionalDouble> write) {
    NumberField field =
        new NumberField(
            name, "min", 0, LONGEST_MINUTES, v -> write.accept(OptionalDouble.of(v * MINUTE)));
    field.setOnNothing(() -> write.accept(OptionalDouble.empty()));
    return field;
  }

  private double loudness() {
    return shown.integratedLufs().orElseThrow();
  }

  private double tolerance() {
    return shown.toleranceLu().orElseThrow();
  }

  private double peak() {
    return shown.truePeakDbtp().orElseThrow();
  }

  private OptionalDouble floor() {
    return shown.floorDbfs();
  }

  private Handover file() {
    return shown.handover();
  }

  private void sound(double lufs, double within, double truePeak, OptionalDouble noise) {
    keep(
        Brief.own(shown.use(), lufs, within, truePeak, noise, file())
            .withChannels(shown.channels()));
  }

  private void lasting(OptionalDouble least, OptionalDouble most) {
    Handover f = file();
    keep(
        shown.use(),
        shown,
        new Handover(f.format(), f.bits(), f.rateHz(), least, most, f.namePattern(), f.due()));
  }

  private void file(Handover.Format kind, int word, OptionalDouble hz) {
    Handover f = file();
    attempt(() ->
        keep(
            shown.use(),
            shown,
            new Handover(
                kind,
                word,
                hz,
                f.shortestSeconds(),
                f.longestSeconds(),
                f.namePattern(),
                f.due())));
    refresh();
  }

  private void named(String name, String day) {
    Handover f = file();
    keep(
        shown.use(),
        shown,
        new Handover(
            f.format(), f.bits(), f.rateHz(), f.shortestSeconds(), f.longestSeconds(), name, day));
  }

  private void keep(String name, Brief sound, Handover handover) {
    keep(
        Brief.own(
                name,
                sound.integratedLufs().orElseThrow(),
                sound.toleranceLu().orElseThrow(),
                sound.truePeakDbtp().orElseThrow(),
                sound.floorDbfs(),
                handover)
            .withChannels(sound.channels()));
  }

  private void keep(Brief own) {
    if (!showing && !own.equals(shown)) {
      model.setOwn(own);
    }
  }

  private void refresh() {
    showing = true;
    shown = model.own();
    use.setText(shown.use());
    pattern.setText(file().namePattern());
    loudness.show(loudness());
    tolerance.show(tolerance());
    peak.show(peak());
    floor.show(floor());
    shortest.show(minutes(file().shortestSeconds()));
    longest.show(minutes(file().longestSeconds()));
    format.show(file().format());
    bits.show(file().bits());
    rate.show(file().rateHz().orElse(0));
    channels.show(shown.mono() ? 1 : 0);
    due.setValue(file().due().isEmpty() ? null : LocalDate.parse(file().due()));
    file.setText(
        (model.brief().isEmpty()
                    ? "Nothing is chosen yet; a change here chooses your own."
                    : "The file is called " + model.fileName() + ". " + model.due())
                .strip()
            + " In its name {take}, {room} and {date} stand for those.");
    showing = false;
  }

  private static OptionalDouble minutes(OptionalDouble seconds) {
    return seconds.isPresent()
        ? OptionalDouble.of(seconds.getAsDouble() / MINUTE)
        : OptionalDouble.empty();
  }

  VBox node() {
    return node;
  }
}
