package nullroom.app.listen;

import java.nio.file.Path;
import java.util.Collections;
import java.util.Comparator;
import java.util.Locale;
import java.util.Optional;
import nullroom.app.shell.Desk;
import nullroom.app.shell.Say;
import nullroom.core.acoustics.Bands;
import nullroom.core.measure.Intrusion;
import nullroom.core.measure.MainsHum;
import nullroom.core.measure.Tone;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Margins;
import nullroom.io.book.NoiseMeasurement;
import nullroom.io.book.RoomBook;
import nullroom.io.device.AudioDevice;

/** What the noise station knows and can do. */
public final class ListenModel {
  private static final double SECONDS = 10;

  private final Desk desk;
  private final Say say;

  /** A model on a desk. */
  public ListenModel(Desk desk) {
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

  /** Room noise as measured, or as assumed before. */
  public Bands noise() {
    return book()
        .noise()
        .map(NoiseMeasurement::octaveDbSpl)
        .orElse(book().room().noiseDbSpl().orElse(Heard.ASSUMED_NOISE_DB_SPL));
  }

  /** measured, simulated or assumed, for people. */
  public String origin() {
    return book()
        .noise()
        .map(n -> Desk.howKnown(n.sound()).toLowerCase(Locale.ROOT))
        .orElse("assumed");
  }

  /** Whether it was measured. */
  public boolean measured() {
    return book().noise().isPresent();
  }

  /** The highest spectrum of this shape at which Quiet still holds. */
  public Optional<Bands> quietLine() {
    return desk.session()
        .heardProperty()
        .get()
        .quietLine(noise(), book().goal().targets().quietDb());
  }

  private String sayAnswer() {
    Margins margins = book().heard().margins();
    double over = margins.over(book().goal().targets(), Margins.Kind.QUIET);
    String verdict =
        over >= 0
            ? "Yes, with " + decibels(over) + " to spare"
            : "Not yet: " + decibels(-over) + " too loud";
    return verdict
        + String.format(
            Locale.ROOT,
            " for “%s” with this microphone here.",
            book().goal().label().toLowerCase(Locale.ROOT))
        + (measured() ? "" : " This is a guess until you listen.");
  }

  /** Whole decibels, but never nought of them. */
  private static String decibels(double amount) {
    return String.format(Locale.ROOT, amount < 2 ? "%.1f dB" : "%.0f dB", amount);
  }

  private static String band(double hz) {
    return hz >= 1000 ? Math.round(hz / 1000) + " kHz" : Math.round(hz) + " Hz";
  }

  private String sayMeaning() {
    return book()
        .noise()
        .map(n ->
            String.format(
                    Locale.ROOT,
                    "%.0f dBA, NC-%d decided at %s. %s %s. Bars under the quiet line are no trouble; a bar that"
                        + " reaches it is what a listener hears in the pauses.",
                    n.laeqDbSpl(),
                    n.nc(),
                    band(n.ncBandHz()),
                    Desk.howKnown(n.sound()),
                    n.taken().replace('T', ' '))
                + found(n))
        .orElse(
            "Switch off what you can, keep still, and listen for ten seconds, or drop a recording of the quiet room here.");
  }

  /** What stands out of the noise, each with where to look for it. */
  private static String found(NoiseMeasurement n) {
    StringBuilder found = new StringBuilder();
    MainsHum.among(n.tones())
        .ifPresent(hum ->
            found.append(
                String.format(
                    Locale.ROOT,
                    " It hums with the %.0f Hz mains, %.0f dB over the noise around: try another socket, a shorter or balanced"
                        + " cable, no dimmer.",
                    hum.fundamentalHz(),
                    hum.prominenceDb())));
    n.tones().stream()
        .filter(t -> !t.mains())
        .max(Comparator.comparingDouble(Tone::prominenceDb))
        .ifPresent(t ->
            found.append(
                String.format(
                    Locale.ROOT,
                    " A tone at %.0f Hz stands out by %.0f dB: look for a fan, a pump or a charger.",
                    t.frequencyHz(),
                    t.prominenceDb())));
    if (!n.intrusions().isEmpty()) {
      Intrusion worst =
          Collections.max(n.intrusions(), Comparator.comparingDouble(Intrusion::riseDb));
      found.append(
          String.format(
              Locale.ROOT,
              " %s broke in, the worst after %.1f s by %.0f dB: listen again without it.",
              n.intrusions().size() == 1 ? "One sound" : n.intrusions().size() + " sounds",
              worst.startSeconds(),
              worst.riseDb()));
    }
    return found.toString();
  }

  private String sayFigure() {
    return book()
        .noise()
        .map(n -> String.format(Locale.ROOT, "%.0f dBA", n.laeqDbSpl()))
        .orElse("not heard yet");
  }

  /** Listens for ten seconds and keeps the result. */
  public void listen() {
    desk.record(
        "Listening for ten seconds",
        AudioDevice.Prompt.QUIET,
        SECONDS,
        "noise",
        this::measure,
        this::keep);
  }

  /** Measures a sound file of the quiet room. */
  public void open(Path file) {
    desk.open("Measuring " + file.getFileName(), file, "noise", this::measure, this::keep);
  }

  private NoiseMeasurement measure(Desk.Kept sound) {
    return NoiseMeasurement.of(sound.name(), desk.now(), sound.samples(), book().heard());
  }

  private void keep(NoiseMeasurement measured) {
    desk.session().edit("Measure the noise", book -> book.with(measured));
  }
}
