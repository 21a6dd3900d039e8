package nullroom.core.measure.altered;

import static nullroom.core.measure.altered.AlteredSounds.FLAT;
import static nullroom.core.measure.altered.AlteredSounds.NOISE;
import static nullroom.core.measure.altered.AlteredSounds.RATE;
import static nullroom.core.measure.altered.AlteredSounds.found;
import static nullroom.core.measure.altered.AlteredSounds.kinds;
import static nullroom.core.measure.altered.AlteredSounds.rms;
import static nullroom.core.measure.altered.AlteredSounds.written;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.Random;
import nullroom.core.measure.altered.Alteration.Kind;
import nullroom.core.predict.SyntheticRoom;
import nullroom.core.signal.Band;
import nullroom.core.signal.Butterworth;
import nullroom.core.signal.Fft;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Rooms in which the lows still ring when the highs are gone, and files that end among steps. */
class LongTailsTest {
  private static final int N = 16 * RATE;
  private static final double EVERY_SECONDS = 2.4;

  /** Claps where the lows ring for long and the highs briefly, over noise so loud. */
  private static double[] claps(double lowSeconds, double highSeconds, double noiseRms) {
    Random random = new Random(17);
    double[] low = AlteredSounds.reply(lowSeconds, 80, random);
    double[] high = AlteredSounds.reply(highSeconds, 80, random);
    low[0] = 0;
    high[0] = 0;
    Butterworth.bandPass(new Band(0, 200, 100, 500), RATE, 2).filter(low, low, low.length);
    Butterworth.highPass(4, 2000, RATE).filter(high, high, high.length);
    double[] reply = low.clone();
    for (int k = 0; k < Math.min(low.length, high.length); k++) {
      reply[k] += high[k];
    }
    double[] dry = new double[N];
    for (int at = RATE / 2; at < N - RATE; at += (int) (EVERY_SECONDS * RATE)) {
      for (int k = 0; k < 150; k++) {
        dry[at + k] = random.nextGaussian() * Math.sin(Math.PI * k / 150);
      }
    }
    double[] x = Fft.convolve(dry, reply);
    double[] noise = SyntheticRoom.noise(FLAT, RATE, N, 18);
    double loud = rms(noise, N);
    double[] heard = new double[N];
    for (int k = 0; k < N; k++) {
      heard[k] = x[k] + noiseRms * noise[k] / loud;
    }
    return heard;
  }

  @ParameterizedTest
  @DisplayName("a gain is known by highs that dip under the noise while the lows still ring")
  @CsvSource({"1.6, 0.15, 4", "2.5, 0.2, 1.5"})
  void dips(double lowSeconds, double releaseSeconds, double ratio) {
    double[] x = claps(lowSeconds, 0.35, 5e-4);
    assertThat(found(x)).isEmpty();
    assertThat(found(AlteredSounds.compressed(x, releaseSeconds, ratio)).getFirst().evidence())
        .contains("a band falls under the noise of the pauses");
  }

  @Test
  @DisplayName("a gate falls in the first half of a pause, too, but stays down: no gain")
  void gate() {
    double[] gated = AlteredSounds.gated(claps(1.0, 0.35, 3e-4), 15, 0.15, 0.01);
    assertThat(kinds(gated)).doesNotContain(Kind.AUTOMATIC_GAIN);
  }

  @Test
  @DisplayName("what ends among the steps of the file, under which a room lies, no gate shut off")
  void steps() {
    double[] x = AlteredSounds.talk(FLAT, 95, 0.4, 5);
    assertThat(found(written(x, 16, false))).isEmpty();
    double[] shut = AlteredSounds.talk(NOISE, 40, 0.3, 5);
    for (int line = 0; line < 5; line++) {
      int from = (int) ((line * 3.6 + 2.9) * RATE);
      Arrays.fill(shut, Math.min(shut.length, from), Math.min(shut.length, from + RATE / 2), 0);
    }
    assertThat(kinds(written(shut, 16, false))).contains(Kind.GATE);
  }

  @Test
  @DisplayName("soft noise that comes and goes over a softer one, knocks between, is untouched")
  void gusts() {
    double[] noise = SyntheticRoom.noise(FLAT, RATE, N, 19);
    double[] other = SyntheticRoom.noise(FLAT, RATE, N, 20);
    double[] x = new double[N];
    for (int k = 0; k < N; k++) {
      double seconds = k / (double) RATE;
      double gust = seconds < 3 ? 0 : Math.max(0, Math.sin(2.2 * seconds));
      boolean knock = seconds > 1 && seconds % 3 < 0.25;
      x[k] = 1e-3 * (noise[k] + 0.7 * gust * other[k]) + (knock ? 0.02 * other[k] : 0);
    }
    assertThat(found(x)).isEmpty();
  }
}
