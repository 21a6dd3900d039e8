package nullroom.app.ring;

import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import nullroom.app.shell.Desk;
import nullroom.app.shell.Say;
import nullroom.core.acoustics.Decibels;
import nullroom.core.acoustics.Octave;
import nullroom.core.measure.DecayReport;
import nullroom.core.predict.FirstArrivals;
import nullroom.core.predict.Goal;
import nullroom.core.predict.Statistics;
import nullroom.core.signal.Samples;
import nullroom.core.signal.Sweep;
import nullroom.io.audio.WavWriter;
import nullroom.io.book.DecayMeasurement;
import nullroom.io.book.RoomBook;
import nullroom.io.device.AudioDevice;

/** What the reverberation station knows and can do. */
public final class RingModel {
  /** Five claps and their silences. */
  private static final double SECONDS = 12.5;

  /** Quiet before the sweep starts, and after it. */
  private static final double BEFORE_SECONDS = 0.5;

  private static final double AFTER_SECONDS = 3.5;

  private static final double SWEEP_RATE_HZ = 48_000;

  /** A measured arrival this near a mirrored path is taken for it. */
  private static final double SAME_PATH_METRES = 0.12;

  /**
   * An arrival after the direct sound.
   *
   * @param milliseconds behind it
   * @param levelDb re it
   * @param extraMetres longer
   * @param name of what it may have come from; empty where nothing in the room's description fits
   */
  public record Arrival(double milliseconds, double levelDb, double extraMetres, String name) {}

  private final ObjectProperty<Loudness> loudness = new SimpleObjectProperty<>(Loudness.VERY_LOW);
  private Loudness heard = Loudness.VERY_LOW;

  private final Desk desk;
  private final Say say;

  /** A model on a desk. */
  public RingModel(Desk desk) {
    this.desk = desk;
    say = Say.of(desk.session(), this::sayAnswer, this::sayMeaning, this::sayFigure);
  }

  /** The station's words. */
  public Say say() {
    return say;
  }

  private RoomBook book() {
    return desk.session().book();
  }

  /** Bands of the last measurement; empty before the first. */
  public List<DecayReport.BandDecay> bands() {
    return book().decay().map(d -> d.report().bands()).orElse(List.of());
  }

  /** Measured T20 per octave, NaN where there is none. */
  public double[] measuredSeconds() {
    double[] seconds = new double[Octave.COUNT];
    for (int i = 0; i < Octave.COUNT; i++) {
      double hz = Octave.nominalHz(i);
      seconds[i] =
          book()
              .decay()
              .flatMap(d -> d.report().band(hz))
              .map(DecayReport.BandDecay::t20Seconds)
              .stream()
              .flatMapToDouble(OptionalDouble::stream)
              .findFirst()
              .orElse(Double.NaN);
    }
    return seconds;
  }

  /** Times predicted for the room as described now. */
  public double[] predictedSeconds() {
    return Statistics.of(book().room()).seconds().toArray();
  }

  /** The goal whose band of times is shown. */
  public Goal goal() {
    return book().goal();
  }

  private double midSeconds() {
    return book()
        .decay()
        .flatMap(d -> d.report().tMidSeconds().stream().boxed().findFirst())
        .orElse(Statistics.of(book().room()).midSeconds());
  }

  private String sayAnswer() {
    double t = midSeconds();
    String source =
        book().decay().isPresent()
            ? ""
            : " That is predicted from the room’s description; clap to know.";
    String verdict =
        t > goal().longestSeconds()
            ? "Yes: %.2f s at mid frequencies, and “%s” wants %.2f to %.2f s."
            : t < goal().shortestSeconds()
                ? "No, it is drier than it need be: %.2f s at mid frequencies; “%s” is fine with %.2f to %.2f s."
                : "No: %.2f s at mid frequencies suits “%s”, which wants %.2f to %.2f s.";
    return String.format(
            Locale.ROOT,
            verdict,
            t,
            goal().label().toLowerCase(Locale.ROOT),
            goal().shortestSeconds(),
            goal().longestSeconds())
        + source;
  }

  private String sayMeaning() {
    if (book().decay().isEmpty()) {
      return "Stand where you speak, clap once, wait two seconds, five times; or play a sweep, or drop a recording of either here.";
    }
    DecayReport report = book().decay().get().report();
    long missing = report.bands().stream().filter(b -> b.t20Seconds().isEmpty()).count();
    String claps = RingWords.takes(report);
    String first =
        Desk.howKnown(book().decay().get().sound())
            + " "
            + book().decay().get().taken().replace('T', ' ')
            + " from "
            + claps
            + ".";
    return missing == 0
        ? first + " Every octave stands far enough over the noise for its time."
        : first + " " + report.warnings().getFirst();
  }

  private String sayFigure() {
    return book().decay().isPresent()
        ? String.format(Locale.ROOT, "%.2f s", midSeconds())
        : String.format(Locale.ROOT, "about %.1f s", midSeconds());
  }

  /** Records claps and keeps the result. */
  public void clap() {
    desk.record(
        "Recording claps", AudioDevice.Prompt.CLAPS, SECONDS, "claps", this::measure, this::keep);
  }

  /** How loud the next sweep is; very low at every start. */
  public ObjectProperty<Loudness> loudnessProperty() {
    return loudness;
  }

  /** Chooses a loudness: after what was heard last, one step up at most. */
  public void choose(Loudness wanted) {
    Loudness most = heard.louder();
    loudness.set(wanted);
    if (wanted.ordinal() > most.ordinal()) {
      loudness.set(most);
      desk.work().say("One step at a time: play it “" + most.label() + "” first and listen to it.");
    }
  }

  /** Plays a sweep, records it and keeps the result. */
  public void sweep() {
    Loudness now = loudness.get();
    Samples series =
        Sweep.USUAL.series(SWEEP_RATE_HZ, 1, AFTER_SECONDS, Decibels.toAmplitude(now.peakDbfs()));
    desk.record(
        "Playing a sweep, " + now.label(),
        AudioDevice.Prompt.SWEEP,
        BEFORE_SECONDS + Sweep.USUAL.seconds() + AFTER_SECONDS,
        Optional.of(series),
        "sweep",
        this::measure,
        this::keep);
    heard = now;
  }

  /** Writes the sweep to a file, to be played from something else. */
  public void write(Path file) {
    desk.work()
        .start(
            "Writing the sweep",
            progress -> {
              WavWriter.write24(
                  file,
                  Sweep.USUAL.series(
                      SWEEP_RATE_HZ,
                      1,
                      AFTER_SECONDS,
                      Decibels.toAmplitude(Loudness.LOUD.peakDbfs())));
              return file;
            },
            written ->
                desk.work()
                    .say(
                        "Written: "
                            + written.getFileName()
                            + ". Play it from the talker’s place, quietly at first; record it at the microphone and open the recording here."));
  }

  /** Single arrivals of the last measurement, strongest first, with what may have sent them. */
  public List<Arrival> arrivals() {
    List<FirstArrivals.Arrival> paths = FirstArrivals.of(book().room());
    double speed = book().room().air().speedOfSound();
    return book().decay().stream()
        .flatMap(d -> d.report().reflections().stream())
        .map(r -> {
          double extra = r.extraPathMetres(speed);
          String name =
              FirstArrivals.matching(paths, extra, SAME_PATH_METRES)
                  .map(a -> a.name().replaceFirst("^wall(?=\\d)", "wall "))
                  .orElse("");
          return new Arrival(1000 * r.delaySeconds(), r.levelDb(), extra, name);
        })
        .toList();
  }

  /** What the response means for speech, what comes back first, and what has changed. */
  public String details() {
    return (RingWords.response(book(), arrivals()) + " " + RingWords.change(book())).trim();
  }

  /** Measures a sound file of claps, a sweep or switched-off noise. */
  public void open(Path file) {
    desk.open("Measuring " + file.getFileName(), file, "claps", this::measure, this::keep);
  }

  private DecayMeasurement measure(Desk.Kept sound) {
    return DecayMeasurement.of(sound.name(), desk.now(), sound.samples(), book().room());
  }

  private void keep(DecayMeasurement measured) {
    desk.session().edit("Measure the decay", book -> book.with(measured));
  }
}
