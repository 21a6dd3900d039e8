package nullroom.io.audio;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Path;
import java.util.OptionalDouble;
import java.util.Random;
import nullroom.core.Progress;
import nullroom.core.measure.take.TakeMeter;
import nullroom.core.measure.take.TakeReport;
import nullroom.core.signal.Samples;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The loudness filter {@code ebur128} of FFmpeg, from the registry, on the same file. */
class LoudnessAgainstFfmpegTest {
  private static final double RATE = 48_000;

  @TempDir Path folder;

  /** Buzzing syllables that swell and pause, with a soft and a loud part and some hiss. */
  private static Samples made(double seconds, double rate) {
    Random random = new Random(9);
    double[] x = new double[(int) (seconds * rate)];
    for (int i = 0; i < x.length; i++) {
      double t = i / rate;
      double word = t % 1.9;
      double syllable = word % 0.21;
      double buzz = 0;
      for (int h = 1; word < 1.3 && h <= 20; h++) {
        buzz += Math.sin(2 * Math.PI * (110 + 20 * Math.sin(t)) * h * t + h) / Math.sqrt(h);
      }
      double swell = Math.pow(Math.sin(Math.PI * syllable / 0.21), 2);
      double part = t < seconds / 2 ? 0.05 : 0.14;
      x[i] = part * swell * buzz + 0.0004 * random.nextGaussian();
    }
    return new Samples(x, rate);
  }

  private static void agree(Path file) {
    TakeReport ours;
    try (SoundFile sound = SoundFile.open(file)) {
      ours = TakeMeter.measure(sound, Progress.NONE);
    }
    EburFilter theirs = EburFilter.of(file);
    assertThat(ours.loudness().integratedLufs().orElseThrow())
        .isCloseTo(theirs.integratedLufs(), within(0.1));
    assertThat(ours.loudness().rangeLu().orElseThrow()).isCloseTo(theirs.rangeLu(), within(0.2));
    assertThat(20 * Math.log10(ours.truePeak()))
        .isCloseTo(20 * Math.log10(theirs.truePeak()), within(0.3));
  }

  @Test
  @DisplayName("integrated loudness within 0.1 LU, range within 0.2 LU, true peak within 0.3 dB")
  void madeVoice() {
    for (double rate : new double[] {RATE, 44_100}) {
      Path file = folder.resolve("take" + (int) rate + ".wav");
      WavWriter.writeFloat(file, made(40, rate));
      agree(file);
    }
  }

  /** A public-domain reading, 25 s at 16 kHz (see NOTICE). */
  @Test
  @DisplayName("the same of real speech, at its own rate and brought to 48 kHz")
  void realSpeech() throws Exception {
    Path reading = Path.of(LoudnessAgainstFfmpegTest.class.getResource("reading.flac").toURI());
    agree(reading);
    Path high = folder.resolve("reading.wav");
    new TakeExport(0, Double.POSITIVE_INFINITY, 0, 24, OptionalDouble.of(RATE))
        .write(reading, high, Progress.NONE);
    agree(high);
  }
}
