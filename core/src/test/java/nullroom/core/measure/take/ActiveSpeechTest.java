package nullroom.core.measure.take;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import nullroom.core.signal.Sums;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class ActiveSpeechTest {
  private static final double RATE = 48_000;

  private static double[] tone(double onSeconds, double offSeconds, int times) {
    int on = (int) (onSeconds * RATE);
    int cycle = on + (int) (offSeconds * RATE);
    double[] x = new double[cycle * times];
    for (int k = 0; k < x.length; k++) {
      x[k] = k % cycle < on ? 0.1 * Math.sin(2 * Math.PI * 1000 * k / RATE) : 0;
    }
    return x;
  }

  private static ActiveSpeech.Result of(double[] x) {
    ActiveSpeech meter = new ActiveSpeech(RATE);
    meter.add(x, x.length, Sums.ofSquares(x, 0, x.length));
    return meter.result().orElseThrow();
  }

  /** Worked by the recipe of ITU-T P.56, method B, with the envelope of a tone in closed form. */
  @Test
  @DisplayName(
      "a tone of amplitude 0.1: -19.99 dBFS, always active; one second on, one off: -21.06")
  void tones() {
    ActiveSpeech.Result steady = of(tone(10, 0, 1));
    assertThat(steady.levelDbfs()).isCloseTo(-19.99, within(0.15));
    assertThat(100 * steady.activity()).isCloseTo(99.8, within(1.5));
    ActiveSpeech.Result bursts = of(tone(1, 1, 10));
    assertThat(bursts.levelDbfs()).isCloseTo(-21.06, within(0.15));
    assertThat(100 * bursts.activity()).isCloseTo(63.9, within(1.5));
  }

  /** The standard word for word: a count and a hangover for each of fifteen thresholds. */
  private static double byTheBook(double[] x) {
    double g = Math.exp(-1 / (RATE * 0.03));
    long hangover = (long) Math.ceil(0.2 * RATE);
    double[] counts = new double[15];
    long[] hang = new long[15];
    java.util.Arrays.fill(hang, hangover);
    double p = 0;
    double q = 0;
    double squares = 0;
    for (double sample : x) {
      squares += sample * sample;
      p = g * p + (1 - g) * Math.abs(sample);
      q = g * q + (1 - g) * p;
      for (int j = 0; j < 15; j++) {
        if (q >= Math.pow(2, j - 15)) {
          counts[j]++;
          hang[j] = 0;
        } else if (hang[j] < hangover) {
          counts[j]++;
          hang[j]++;
        }
      }
    }
    for (int j = 1; j < 15; j++) {
      double level = 10 * Math.log10(squares / counts[j]);
      double before = 10 * Math.log10(squares / counts[j - 1]);
      double margin = level - 20 * Math.log10(Math.pow(2, j - 15));
      double marginBefore = before - 20 * Math.log10(Math.pow(2, j - 16));
      if (margin <= 15.9) {
        double share = (marginBefore - 15.9) / (marginBefore - margin);
        return before + share * (level - before) + 3.0103;
      }
    }
    throw new AssertionError("no level found");
  }

  @Test
  @DisplayName(
      "one number for nested thresholds, and samples taken by eights, give what fifteen counters"
          + " sample by sample give")
  void nested() {
    Random random = new Random(5);
    for (int trial = 0; trial < 8; trial++) {
      double[] x = new double[(int) (6 * RATE)];
      double level = 0.2;
      for (int k = 0; k < x.length; k++) {
        if (k % 4800 == 0) {
          level = Math.pow(10, -random.nextDouble() * 4) * (random.nextInt(3) == 0 ? 0 : 1);
        }
        x[k] = level * 0.3 * random.nextGaussian();
      }
      assertThat(of(x).levelDbfs()).isCloseTo(byTheBook(x), within(0.01));
    }
  }

  @Test
  @DisplayName("the level follows the gain, silence has none")
  void gain() {
    double[] x = tone(0.7, 1.3, 6);
    double[] half = java.util.Arrays.stream(x).map(v -> v / 2).toArray();
    assertThat(of(half).levelDbfs()).isCloseTo(of(x).levelDbfs() - 6.02, within(0.05));
    ActiveSpeech silent = new ActiveSpeech(RATE);
    silent.add(new double[9600], 9600, 0);
    assertThat(silent.result()).isEmpty();
  }
}
