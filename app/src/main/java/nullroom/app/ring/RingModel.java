package nullroom.app.ring;

import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import nullroom.app.shell.Desk;
import nullroom.app.shell.Say;
import nullroom.core.acoustics.Octave;
import nullroom.core.measure.DecayReport;
import nullroom.core.predict.Goal;
import nullroom.core.predict.Statistics;
import nullroom.io.book.DecayMeasurement;
import nullroom.io.book.RoomBook;
import nullroom.io.device.AudioDevice;

/** What the reverberation station knows and can do. */
public final class RingModel {
  /** Five claps and their silences. */
  private static final double SECONDS = 12.5;

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
      return "Stand where you speak, clap once, wait two seconds, five times; or drop a recording of claps here.";
    }
    DecayReport report = book().decay().get().report();
    long missing = report.bands().stream().filter(b -> b.t20Seconds().isEmpty()).count();
    String claps = report.takes() == 1 ? "one clap" : report.takes() + " claps averaged";
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

  /** Measures a sound file of claps. */
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
