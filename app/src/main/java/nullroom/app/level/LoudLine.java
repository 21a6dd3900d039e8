package nullroom.app.level;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import nullroom.app.control.TakePlot;
import nullroom.app.shell.Desk;
import nullroom.core.Progress;
import nullroom.core.acoustics.Decibels;
import nullroom.core.measure.LiveReading;
import nullroom.core.measure.TakeChannel;
import nullroom.core.measure.TakeMeter;
import nullroom.core.measure.TakeReport;
import nullroom.core.predict.Margins;
import nullroom.core.room.PlacedMicrophone;
import nullroom.core.signal.SampleSource;
import nullroom.io.book.Levels;
import nullroom.io.device.AudioDevice;
import nullroom.io.device.AudioStream;
import nullroom.io.device.Recording;

/** Half a minute that finds the gain: a quiet line, a normal line, the loudest line. */
public final class LoudLine {
  private static final double STEP_SECONDS = 10;
  private static final List<String> STEPS =
      List.of(
          "Speak a quiet line.",
          "Speak as you will in the take.",
          "Speak or sing the loudest line of all.");

  /** The peak may miss its target by so much. */
  private static final double GOOD_DB = 1.5;

  /**
   * The meter of now.
   *
   * @param seconds since it began
   * @param peakDbfs of the last blocks
   * @param heldDbfs largest sample so far
   * @param truePeakDbtp largest between samples so far
   * @param momentaryLufs of the last 400 ms
   * @param live what a live meter shows, the FAST level among it
   */
  public record Reading(
      double seconds,
      double peakDbfs,
      double heldDbfs,
      double truePeakDbtp,
      OptionalDouble momentaryLufs,
      LiveReading live) {}

  /**
   * What came of it.
   *
   * @param report of the half minute
   * @param peakDbfs of the loudest line
   * @param changeDb that the gain should be turned
   * @param channels what is wrong between two channels; may be empty
   */
  public record Result(TakeReport report, double peakDbfs, double changeDb, String channels) {
    /** Whether the gain is right. */
    public boolean good() {
      return Math.abs(changeDb) <= GOOD_DB;
    }
  }

  private final ReadOnlyObjectWrapper<Optional<Reading>> reading =
      new ReadOnlyObjectWrapper<>(Optional.empty());
  private final ReadOnlyObjectWrapper<Optional<Result>> result =
      new ReadOnlyObjectWrapper<>(Optional.empty());
  private final Desk desk;
  private volatile Optional<LoudLineWatch> watching = Optional.empty();

  LoudLine(Desk desk) {
    this.desk = desk;
    desk.work()
        .runningProperty()
        .subscribe((was, on) -> {
          if (!on && !desk.live().runningProperty().get()) {
            desk.live().levelProperty().set(Optional.empty());
          }
        });
  }

  /** Where each line begins, for a picture. */
  static List<TakePlot.Flag> steps() {
    return List.of(
        new TakePlot.Flag(0, "the quiet line"),
        new TakePlot.Flag(STEP_SECONDS, "the normal line"),
        new TakePlot.Flag(2 * STEP_SECONDS, "the loudest line"));
  }

  /** What the input hears; empty before it began. */
  public ReadOnlyObjectProperty<Optional<Reading>> readingProperty() {
    return reading.getReadOnlyProperty();
  }

  /** What came of it last. */
  public ReadOnlyObjectProperty<Optional<Result>> resultProperty() {
    return result.getReadOnlyProperty();
  }

  /** Begins. */
  public void start() {
    reading.set(Optional.empty());
    result.set(Optional.empty());
    desk.watch(
        "The loud line",
        AudioDevice.Prompt.VOICE,
        STEP_SECONDS * STEPS.size(),
        "loud-line",
        this::watch,
        kept -> TakeMeter.measure(SampleSource.of(kept.samples()), Progress.NONE),
        this::done);
  }

  private Recording.Watch watch(AudioStream input) {
    LoudLineWatch made =
        new LoudLineWatch(
            input,
            now ->
                Platform.runLater(() -> {
                  reading.set(Optional.of(now));
                  desk.live().tell(now.live());
                }));
    watching = Optional.of(made);
    return made;
  }

  private void done(TakeReport report) {
    double peak = Decibels.ofAmplitude(report.channels().getFirst().peak());
    double target = -desk.session().book().goal().targets().get(Margins.Kind.SAFE);
    String channels = watching.map(LoudLineWatch::channelWords).orElse("");
    result.set(Optional.of(new Result(report, peak, target - peak, channels)));
  }

  /** What to do now. */
  public String now() {
    if (desk.work().runningProperty().get() && reading.get().isPresent()) {
      int step = (int) (reading.get().get().seconds() / STEP_SECONDS);
      return STEPS.get(Math.min(step, STEPS.size() - 1));
    }
    return result
        .get()
        .map(this::words)
        .orElse("A quiet line, a normal line, the loudest line; ten seconds each.");
  }

  private String words(Result r) {
    TakeChannel c = r.report().channels().getFirst();
    if (c.peak() == 0) {
      return "Nothing but digital silence came in: is the microphone muted?";
    }
    if (c.clippedRuns() > 0) {
      return "That was clipped: turn the gain down by at least 6 dB and do it again.";
    }
    if (c.flatTops() > 0) {
      return "Peaks are cut off under full scale: something before the converter is too loud. Turn down there, and do it again.";
    }
    if (r.good()) {
      return String.format(
              Locale.ROOT, "Good: the loudest line peaks at %.1f dBFS. Lock it.", r.peakDbfs())
          .replace('-', '−');
    }
    return String.format(
            Locale.ROOT,
            "The loudest line peaks at %.1f dBFS: turn the gain %s %.0f dB.",
            r.peakDbfs(),
            r.changeDb() < 0 ? "down by" : "up by",
            Math.abs(r.changeDb()))
        .replace("-", "−");
  }

  /** Warnings beside the level: channels, hum, offset. */
  public String besides() {
    return result
        .get()
        .map(r -> {
          TakeChannel c = r.report().channels().getFirst();
          StringBuilder words = new StringBuilder(r.channels());
          c.mains()
              .ifPresent(m ->
                  words.append(
                      String.format(Locale.ROOT, "There is hum at %.0f Hz. ", m.fundamentalHz())));
          words.append(Math.abs(c.dcOffset()) > 0.001 ? "The input has an offset. " : "");
          return words.toString();
        })
        .orElse("");
  }

  /** Turns the gain in the model by what is missing, in whole decibels, as was done at the dial. */
  public void turned() {
    result
        .get()
        .ifPresent(r ->
            desk.session()
                .edit(
                    "Turn the gain",
                    book -> {
                      PlacedMicrophone m = book.room().requireMicrophone();
                      double gain =
                          Math.clamp(m.capture().gainDb() + Math.floor(r.changeDb()), -20.0, 100.0);
                      return book.with(
                          book.room().withMicrophone(m.with(m.capture().withGainDb(gain))));
                    }));
  }

  /** Remembers the setting with the spot. */
  public void lock() {
    result
        .get()
        .ifPresent(r ->
            desk.session()
                .edit(
                    "Lock the gain",
                    book ->
                        book.with(
                            book.levels()
                                .with(
                                    new Levels.Locked(
                                        desk.now(),
                                        book.room().requireTalker().at(),
                                        book.room().requireMicrophone(),
                                        r.peakDbfs())))));
  }

  /** Whether the chain is still as it was when the gain was locked, in a sentence. */
  public String locked() {
    return desk.session()
        .book()
        .levels()
        .locked()
        .map(l ->
            l.changed(desk.session().book().room())
                .map(what ->
                    "The gain was locked on "
                        + l.taken().replace('T', ' ')
                        + "; since then "
                        + what
                        + " changed: speak the loudest line again.")
                .orElse(
                    String.format(
                            Locale.ROOT,
                            "Locked at %.0f dB of gain on %s, the loudest line at %.1f dBFS.",
                            l.microphone().capture().gainDb(),
                            l.taken().replace('T', ' '),
                            l.peakDbfs())
                        .replace(" -", " −")))
        .orElse("");
  }
}
