package nullroom.core.measure.decay;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.Random;
import nullroom.core.acoustics.Octave;
import nullroom.core.measure.altered.Alteration;
import nullroom.core.signal.Samples;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Exponential decays of noise, untouched, and through a compressor of known law. */
class BentDecayTest {
  private static final int RATE = 48_000;

  private static double[] claps(double seconds, long seed) {
    return claps(seconds, 2e-6, seed);
  }

  private static double[] claps(double seconds, double noise, long seed) {
    double[] x = new double[10 * RATE];
    Random random = new Random(seed);
    for (int k = 0; k < x.length; k++) {
      int since = k % (2 * RATE) - RATE / 4;
      double decay = since < 0 ? 0 : Math.pow(10, -3.0 * since / RATE / seconds);
      x[k] = (0.4 * decay + noise) * random.nextGaussian();
    }
    return x;
  }

  /** Holds what lies over a threshold down by a ratio; comes up again with a time constant. */
  private static double[] compressed(double[] x, double thresholdDb, double ratio, double release) {
    double[] y = new double[x.length];
    double envelope = 0;
    double down = Math.exp(-1 / (release * RATE));
    for (int k = 0; k < x.length; k++) {
      double size = Math.abs(x[k]);
      envelope = Math.max(size, envelope * down);
      double over = 20 * Math.log10(envelope + 1e-9) - thresholdDb;
      y[k] = x[k] * Math.pow(10, -Math.max(0, over) * (1 - 1 / ratio) / 20);
    }
    return y;
  }

  private static List<Alteration> found(double[] x) {
    Samples sound = new Samples(x, RATE);
    DecayReport report = DecayAnalysis.ofImpulses(sound, Octave.ALL);
    assertThat(report.takes()).isPositive();
    return AlteredDecay.with(List.of(), report, sound, sound);
  }

  @ParameterizedTest(name = "{0} s")
  @DisplayName("an untouched decay is straight, in dead rooms and live ones")
  @ValueSource(doubles = {0.1, 0.2, 0.4, 0.7, 1.2})
  void untouched(double seconds) {
    for (long seed = 1; seed <= 3; seed++) {
      assertThat(found(claps(seconds, seed))).isEmpty();
    }
  }

  @ParameterizedTest(name = "{0} s")
  @DisplayName(
      "what is hit once and rings itself may bend by a quarter further down; five do not bend alike")
  @ValueSource(doubles = {0.5, 0.7})
  void once(double seconds) {
    double[] five = new double[12 * RATE];
    Random random = new Random(6);
    for (int k = 0; k < five.length; k++) {
      double since = (k % (int) (2.4 * RATE) - RATE / 4) / (double) RATE;
      double fallDb = 60 * since / seconds;
      double bentDb = fallDb + 0.28 * Math.max(0, fallDb - 24);
      five[k] =
          (since < 0 ? 0 : 0.3 * Math.pow(10, -bentDb / 20)) * random.nextGaussian()
              + 3e-5 * random.nextGaussian();
    }
    assertThat(found(Arrays.copyOf(five, (int) (2.4 * RATE)))).isEmpty();
    assertThat(found(five)).isNotEmpty();
  }

  @ParameterizedTest(name = "{0} s")
  @DisplayName("beside the microphone nothing follows the clap for a moment: that is no bend")
  @ValueSource(doubles = {0.4, 0.8, 1.5})
  void near(double seconds) {
    double[] x = claps(seconds, 4);
    double[] near = new double[x.length];
    Random random = new Random(5);
    for (int k = 0; k < x.length; k++) {
      int since = (k + RATE / 40) % (2 * RATE) - RATE / 4; // 25 ms before the room answers
      double direct = since >= 0 && since < 40 ? 8 * random.nextGaussian() : 0;
      near[k] = 0.03 * (x[k] + direct);
    }
    assertThat(found(near)).isEmpty();
  }

  @ParameterizedTest(name = "{0} s")
  @DisplayName("a room that is dead answers from everywhere only when it has half died away")
  @ValueSource(doubles = {0.19, 0.22, 0.3})
  void late(double seconds) {
    for (long seed = 1; seed <= 3; seed++) {
      double[] x = claps(seconds, seed);
      for (int k = 0; k < x.length; k++) {
        int since = k % (2 * RATE) - RATE / 4;
        boolean direct = since < RATE / 500;
        x[k] *= since < 0 || direct ? 1 : Math.min(1, since / (0.06 * RATE));
      }
      assertThat(found(x)).isEmpty();
    }
  }

  @ParameterizedTest(name = "{0} s, over {1} dB, {2} to one, back in {3} s")
  @DisplayName("a gain that comes up while the room dies away bends it the other way")
  @CsvSource({"0.6, -20, 2, 0.05", "0.9, -20, 1.6, 0.08", "0.4, -22, 2, 0.04"})
  void bent(double seconds, double threshold, double ratio, double release) {
    assertThat(found(compressed(claps(seconds, 1e-3, 2), threshold, ratio, release)))
        .extracting(Alteration::kind)
        .as("of a gate it is not told")
        .containsExactly(Alteration.Kind.AUTOMATIC_GAIN, Alteration.Kind.GATE);
  }

  /** A response without noise whose last rays are lost from so far down on. */
  private static double[] cut(double seconds, double downDb, long seed) {
    double[] x = new double[6 * RATE];
    Random random = new Random(seed);
    for (int k = 0; RATE / 10 + k < x.length; k++) {
      double db = 60.0 * k / RATE / seconds;
      double lost = db + 2 * Math.max(0, db - downDb);
      x[RATE / 10 + k] = lost < 90 ? 0.3 * Math.pow(10, -lost / 20) * random.nextGaussian() : 0;
    }
    return x;
  }

  @ParameterizedTest(name = "{0} s, down to {1} dB")
  @DisplayName("a response that was worked out stops somewhere: that is no bend")
  @CsvSource({"0.3, 48", "0.6, 48", "1, 48", "0.6, 60"})
  void workedOut(double seconds, double downDb) {
    for (long seed = 41; seed < 44; seed++) {
      assertThat(found(cut(seconds, downDb, seed))).isEmpty();
    }
  }

  @Test
  @DisplayName("of claps that ring into one another it says nothing")
  void ringInto() {
    double[] x = new double[12 * RATE];
    for (int clap = 0; clap < 5; clap++) {
      double[] one = cut(4, 60, 51);
      int at = (int) (2.4 * RATE) * clap;
      for (int k = 0; k < one.length && at + k < x.length; k++) {
        x[at + k] += one[k];
      }
    }
    Random random = new Random(52);
    for (int k = 0; k < x.length; k++) {
      x[k] += 3e-5 * random.nextGaussian();
    }
    Samples sound = new Samples(x, RATE);
    DecayReport report = DecayAnalysis.analyse(sound, DecayAnalysis.Request.any(Octave.ALL));
    assertThat(report.excitation()).hasValue(Excitation.NOISE);
    assertThat(AlteredDecay.with(List.of(), report, sound, sound)).isEmpty();
  }

  /** Shuts by so much within a tenth of a second, so long after each clap. */
  private static double[] gated(double[] x, double byDb, double after) {
    double[] y = x.clone();
    for (int k = 0; k < y.length; k++) {
      double since = (k % (2 * RATE) - RATE / 4) / (double) RATE;
      y[k] *= since < 0 ? 1 : Math.pow(10, -byDb / 20 * Math.clamp((since - after) / 0.1, 0, 1));
    }
    return y;
  }

  @ParameterizedTest(name = "{0} s, by {1} dB after {2} s")
  @DisplayName("what shuts while the room rings makes the decay fall faster for a moment")
  @CsvSource({"0.9, 12, 0.3", "1.5, 20, 0.4", "0.6, 26, 0.2"})
  void shuts(double seconds, double byDb, double after) {
    assertThat(found(gated(claps(seconds, 3), byDb, after)))
        .singleElement()
        .satisfies(a -> {
          assertThat(a.kind()).isEqualTo(Alteration.Kind.GATE);
          assertThat(a.evidence()).contains("rooms only ever go on slower");
        });
  }

  /** Falls two for one under a threshold, and is written in so many bits. */
  private static double[] expanded(double[] x, double thresholdDb, int bits) {
    double steps = Math.scalb(1.0, bits - 1);
    double[] y = new double[x.length];
    double envelope = 0;
    for (int k = 0; k < x.length; k++) {
      envelope = Math.max(Math.abs(x[k]), envelope * Math.exp(-1 / (0.02 * RATE)));
      double under = Math.max(0, thresholdDb - 20 * Math.log10(envelope + 1e-9));
      y[k] = Math.rint(x[k] * Math.pow(10, -under / 20) * steps) / steps;
    }
    return y;
  }

  @Test
  @DisplayName("one that ends farther under the claps than noise is was shut, too, and by what")
  void farUnder() {
    double[] x = claps(0.6, 3e-4, 7);
    assertThat(found(x)).isEmpty();
    assertThat(found(expanded(x, -24, 24)))
        .singleElement()
        .satisfies(a -> {
          assertThat(a.kind()).isEqualTo(Alteration.Kind.GATE);
          assertThat(a.evidence()).contains("dB under it");
        });
  }

  @ParameterizedTest
  @DisplayName("a decay that goes on steeper, and then nothing is left, was shut by a gate")
  @ValueSource(doubles = {0.5, 0.8})
  void nothingLeft(double seconds) {
    double[] x = claps(seconds, 6);
    assertThat(found(expanded(x, -500, 16))).isEmpty();
    assertThat(found(expanded(x, -24, 16)))
        .singleElement()
        .satisfies(a -> {
          assertThat(a.kind()).isEqualTo(Alteration.Kind.GATE);
          assertThat(a.evidence()).contains("nothing is left");
        });
  }
}
