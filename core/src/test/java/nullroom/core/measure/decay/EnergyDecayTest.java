package nullroom.core.measure.decay;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class EnergyDecayTest {
  private static double[] course(
      double first, double firstSeconds, double second, double secondSeconds) {
    double[] energy = new double[3000];
    for (int i = 0; i < energy.length; i++) {
      double t = i * 0.001;
      energy[i] =
          first * Math.exp(-13.8155 * t / firstSeconds) / firstSeconds
              + second * Math.exp(-13.8155 * t / secondSeconds) / secondSeconds;
    }
    return energy;
  }

  @ParameterizedTest(name = "{0} s")
  @ValueSource(doubles = {0.15, 0.5, 1.2})
  @DisplayName("an exponential decay has one time in every range (Schroeder 1965)")
  void exponential(double t) {
    double[] energy = course(1, t, 0, 1);
    assertThat(EnergyDecay.seconds(energy, 0.001, 0, -10).orElseThrow())
        .isCloseTo(t, within(0.002 * t));
    assertThat(EnergyDecay.seconds(energy, 0.001, -5, -25).orElseThrow())
        .isCloseTo(t, within(0.002 * t));
  }

  @Test
  @DisplayName(
      "double slope 0.3 s and 0.9 s at -20 dB: EDT 0.305, T20 0.328, T30 0.402 s (least squares on the closed form)")
  void doubleSlope() {
    double[] energy = course(1, 0.3, 0.01, 0.9);
    assertThat(EnergyDecay.seconds(energy, 0.001, 0, -10).orElseThrow())
        .isCloseTo(0.305, within(0.003));
    assertThat(EnergyDecay.seconds(energy, 0.001, -5, -25).orElseThrow())
        .isCloseTo(0.328, within(0.004));
    assertThat(EnergyDecay.seconds(energy, 0.001, -5, -35).orElseThrow())
        .isCloseTo(0.402, within(0.005));
  }

  @Test
  @DisplayName("nothing, one instant and too short a fall have no time")
  void none() {
    assertThat(EnergyDecay.seconds(new double[100], 0.001, -5, -25)).isEmpty();
    double[] click = new double[100];
    click[0] = 1;
    assertThat(EnergyDecay.seconds(click, 0.001, -5, -25)).isEmpty();
    double[] shortened = java.util.Arrays.copyOf(course(1, 1, 0, 1), 3);
    assertThat(EnergyDecay.seconds(shortened, 0.001, 0, -60)).isEmpty();
  }
}
