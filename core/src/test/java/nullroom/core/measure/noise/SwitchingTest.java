package nullroom.core.measure.noise;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import nullroom.core.acoustics.Octave;
import nullroom.core.signal.Samples;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SwitchingTest {
  private static final int RATE = 48_000;

  /** White noise, with a second one over it from one moment to another. */
  private static Samples switched(double overDb, double from, double to) {
    Random random = new Random(6);
    double[] x = new double[20 * RATE];
    double own = Math.sqrt(Math.pow(10, overDb / 10) - 1);
    for (int k = 0; k < x.length; k++) {
      boolean on = k >= from * RATE && k < to * RATE;
      x[k] = 1e-3 * (random.nextGaussian() + (on ? own * random.nextGaussian() : 0));
    }
    return new Samples(x, RATE);
  }

  @ParameterizedTest(name = "{0} dB more from {1} to {2} s")
  @CsvSource({"12, 7.3, 99", "4, 0, 11.6", "8, 5, 13"})
  @DisplayName("the moments are found within half a second, the levels within half a decibel")
  void found(double overDb, double from, double to) {
    Switching s = Switching.of(switched(overDb, from, to)).orElseThrow();
    assertThat(s.switchedSeconds()).hasSize((from > 0 ? 1 : 0) + (to < 20 ? 1 : 0));
    assertThat(s.switchedSeconds().getFirst()).isCloseTo(from > 0 ? from : to, within(0.5));
    assertThat(Octave.aWeightedSum(s.onDbfs()) - Octave.aWeightedSum(s.offDbfs()))
        .isCloseTo(overDb, within(0.5));
  }

  @Test
  @DisplayName("a steady noise is not switched, nor is a knock a switch")
  void none() {
    assertThat(Switching.of(switched(0, 30, 40))).isEmpty();
    assertThat(Switching.of(switched(20, 8, 8.6))).isEmpty();
    assertThat(Switching.of(new Samples(new double[RATE], RATE))).isEmpty();
  }
}
