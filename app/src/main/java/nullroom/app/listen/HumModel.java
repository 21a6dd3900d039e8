package nullroom.app.listen;

import java.nio.file.Path;
import java.util.Optional;
import nullroom.app.shell.StationContext;
import nullroom.core.Figures;
import nullroom.core.Progress;
import nullroom.core.book.HumTest;
import nullroom.core.measure.noise.HumPath;
import nullroom.core.measure.noise.MainsHum;
import nullroom.core.measure.noise.NoiseMeter;
import nullroom.core.signal.SampleSource;
import nullroom.io.device.AudioDevice;

/** Whether a hum is in the air or in the wires. */
public final class HumModel {
  /** Tops of a rectified mains: a dimmer or a bad supply buzzes up to there. */
  private static final double BUZZ_HZ = 1000;

  private final StationContext context;

  HumModel(StationContext context) {
    this.context = context;
  }

  /** The hum in the room's noise, where there is one. */
  public Optional<MainsHum> hum() {
    return context.session().book().noise().flatMap(n -> n.report().mains());
  }

  /** Records with the microphone put out of work and compares. */
  public void test(HumTest.Way way) {
    Optional<MainsHum> open = hum();
    context.record(
        "Listening with the microphone put out of work",
        AudioDevice.Prompt.QUIET,
        ListenModel.SECONDS,
        "hum-test",
        HumModel::mains,
        closed -> keep(way, open, closed));
  }

  /** The same by a file that was recorded so. */
  public void open(Path file, HumTest.Way way) {
    Optional<MainsHum> open = hum();
    context.open(
        "Listening to " + file.getFileName(),
        file,
        "hum-test",
        HumModel::mains,
        closed -> keep(way, open, closed));
  }

  private static Optional<MainsHum> mains(StationContext.Kept sound, Progress progress) {
    return NoiseMeter.measure(SampleSource.of(sound.samples()), progress).getFirst().mains();
  }

  private void keep(HumTest.Way way, Optional<MainsHum> open, Optional<MainsHum> closed) {
    context
        .session()
        .edit("Test the hum", b -> b.with(b.listening().with(new HumTest(way, open, closed))));
  }

  /** What the hum and its test say. */
  String words() {
    Optional<MainsHum> hum = hum();
    if (hum.isEmpty()) {
      return "";
    }
    String found =
        Figures.say(
            " It hums with the %.0f Hz mains, %.0f dB over the noise around%s.",
            hum.get().fundamentalHz(),
            hum.get().prominenceDb(),
            buzzes(hum.get()) ? ", with a buzz above 1 kHz" : "");
    Optional<HumTest> test =
        context.session().book().listening().humTest().filter(t -> t.open().equals(hum));
    return found
        + test.map(t -> " " + verdict(t))
            .orElse(
                " Is it in the air or in the wires? Cover the capsule, or pull the microphone and leave the cable, and test.");
  }

  private static boolean buzzes(MainsHum hum) {
    return hum.harmonicsHz().getLast() > BUZZ_HZ;
  }

  private static String verdict(HumTest test) {
    HumPath path = test.path();
    return switch (path) {
      case ACOUSTIC ->
          "It is in the air: another microphone hears it too. Look for a transformer, a fridge, an extractor.";
      case ELECTRICAL ->
          "It is in the wires: it stays without the microphone. Try a balanced or shorter cable, one socket for all, no dimmer,"
              + " and have a loose earth seen to by an electrician.";
      case BOTH ->
          test.way() == HumTest.Way.COVERED
              ? "Some of it stays. A covered capsule still hears low tones: test again with the microphone unplugged."
              : "It is in the air and in the wires: see to the cable first, then test again.";
      case NONE -> "There is no hum to test.";
    };
  }
}
