package nullroom.core.measure.decay;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import nullroom.core.acoustics.Octave;
import nullroom.core.signal.Fft;
import nullroom.core.signal.Samples;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class BlindDecayTest {
  private static final double RATE = MadeRoom.RATE;

  /** Words of noise that swell slowly and end within 15 to 60 ms, with pauses, 40 s of them. */
  private static double[] words(long seed) {
    Random random = new Random(seed);
    double[] x = new double[(int) (40 * RATE)];
    int at = (int) (0.3 * RATE);
    while (at < x.length - 2 * RATE) {
      int length = (int) ((0.1 + 0.3 * random.nextDouble()) * RATE);
      int swell = (int) (0.06 * RATE);
      int end = (int) ((0.015 + 0.045 * random.nextDouble()) * RATE);
      for (int i = 0; i < length; i++) {
        double gain = Math.min(1, Math.min((double) i / swell, (double) (length - i) / end));
        x[at + i] = 0.1 * gain * gain * random.nextGaussian();
      }
      at += length + (int) ((random.nextInt(4) == 0 ? 0.9 : 0.25) * RATE);
    }
    return x;
  }

  private static Samples heard(double seconds, double noise) {
    double[] x = words(8);
    double[] y = Fft.convolve(x, MadeRoom.decay(seconds, 6));
    double peak = java.util.Arrays.stream(y).map(Math::abs).max().orElseThrow();
    Random random = new Random(9);
    double[] z = new double[x.length];
    for (int i = 0; i < z.length; i++) {
      z[i] = 0.5 * y[i] / peak + noise * random.nextGaussian();
    }
    return new Samples(z, RATE);
  }

  @ParameterizedTest(name = "{0} s")
  @ValueSource(doubles = {0.2, 0.3, 0.45, 0.7})
  @DisplayName("words in rooms of known time: within 20 %, and the spread covers what is missing")
  void estimates(double seconds) {
    BlindDecay estimate = BlindDecay.of(heard(seconds, 3e-5)).orElseThrow();
    assertThat(estimate.midSeconds()).isCloseTo(seconds, within(0.2 * seconds));
    assertThat(estimate.midSpreadSeconds()).isBetween(0.005, 0.3 * seconds);
    assertThat(estimate.decays()).isGreaterThan(30);
    assertThat(Math.abs(estimate.midSeconds() - seconds))
        .isLessThan(2 * estimate.midSpreadSeconds());
  }

  @ParameterizedTest(name = "{0} s")
  @ValueSource(doubles = {1.1, 1.6, 2.2})
  @DisplayName("long rooms do not read short, though no word dies away before the next")
  void longRooms(double seconds) {
    BlindDecay estimate = BlindDecay.of(heard(seconds, 3e-5)).orElseThrow();
    assertThat(estimate.midSeconds()).isCloseTo(seconds, within(0.35 * seconds));
    assertThat(estimate.midSeconds() + 1.5 * estimate.midSpreadSeconds()).isGreaterThan(seconds);
  }

  @ParameterizedTest(name = "{0} s")
  @ValueSource(doubles = {0.2, 0.5, 0.8})
  @DisplayName("words are told from claps, sweeps and switched-off noise, and not measured as such")
  void wordsAreNoClaps(double seconds) {
    DecayReport report =
        DecayAnalysis.analyse(heard(seconds, 3e-5), DecayAnalysis.Request.any(Octave.ALL));
    assertThat(report.takes()).isZero();
    assertThat(report.warnings().getFirst()).contains("sounds like someone speaking");
    assertThat(Talk.likely(MadeRoom.session(), RATE)).as("claps with a few words").isFalse();
    assertThat(Talk.likely(MadeRoom.decay(2, 1), RATE)).as("a long decay").isFalse();
  }

  @Test
  @DisplayName("steady noise, silence and a take without pauses give no estimate")
  void nothing() {
    Random random = new Random(2);
    double[] noise = new double[(int) (10 * RATE)];
    for (int i = 0; i < noise.length; i++) {
      noise[i] = 0.1 * random.nextGaussian();
    }
    assertThat(BlindDecay.of(new Samples(noise, RATE))).isEmpty();
    assertThat(BlindDecay.of(new Samples(new double[(int) RATE], RATE))).isEmpty();
    assertThat(BlindDecay.of(new Samples(new double[10], RATE))).isEmpty();
  }
}
