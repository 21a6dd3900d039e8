package nullroom.core.predict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import nullroom.core.acoustics.Octave;
import nullroom.core.signal.Fft;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class MinimumPhaseTest {
  private static final double RATE = 48_000;
  private final MinimumPhase shapes = new MinimumPhase(RATE);

  @Test
  @DisplayName("alike in all octaves it is one sample of that size")
  void flat() {
    double[] decibels = new double[Octave.COUNT];
    Arrays.fill(decibels, -6.0206);
    double[] pulse = shapes.pulse(decibels);
    assertThat(pulse[0]).isCloseTo(0.5, within(1e-5));
    assertThat(Arrays.stream(pulse, 1, pulse.length)).allMatch(v -> Math.abs(v) < 1e-9);
  }

  @Test
  @DisplayName(
      "its spectrum has the levels asked for at the middles of the octaves, its energy is early")
  void levels() {
    double[] decibels = {-3, -5, -1, -9, -14, -20, -26, -30};
    double[] pulse = Arrays.copyOf(shapes.pulse(decibels), 8192);
    double whole = Arrays.stream(pulse).map(v -> v * v).sum();
    double early = Arrays.stream(pulse, 0, 480).map(v -> v * v).sum();
    assertThat(early).isGreaterThan(0.95 * whole);
    new Fft(8192).forward(pulse);
    for (int octave = 1; octave < Octave.COUNT; octave++) {
      int k = (int) Math.round(Octave.exactHz(octave) * 8192 / RATE);
      double level = 10 * Math.log10(Math.hypot(pulse[2 * k], pulse[2 * k + 1])) * 2;
      assertThat(level).as("octave %d", octave).isCloseTo(decibels[octave], within(0.7));
    }
  }
}
