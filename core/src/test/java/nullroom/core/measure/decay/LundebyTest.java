package nullroom.core.measure.decay;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Decays of Gaussian noise into noise, where all three figures are known from their making. */
class LundebyTest {
  private static final double RATE = 48_000;
  private static final double SECONDS = 2;

  /** Energies of a decay that starts so far over a noise of mean square one. */
  private static double[] squared(double reverberation, double over, long seed) {
    Random random = new Random(seed);
    double[] energy = new double[(int) (SECONDS * RATE)];
    for (int i = 0; i < energy.length; i++) {
      double decay = over - 60 * i / RATE / reverberation;
      double x = random.nextGaussian() * Math.pow(10, decay / 20) + random.nextGaussian();
      energy[i] = x * x;
    }
    return energy;
  }

  @ParameterizedTest
  @CsvSource({"0.15,40", "0.3,30", "0.3,55", "0.6,45", "1.0,50", "0.5,80"})
  @DisplayName("the crossing, the noise and the slope just above it are those of the making")
  void known(double reverberation, double over) {
    for (long seed = 0; seed < 5; seed++) {
      Lundeby found = Lundeby.of(squared(reverberation, over, seed), RATE);
      double crossing = reverberation * over / 60;
      // one decibel of level is a sixtieth of the reverberation time
      assertThat(found.crossing() / RATE)
          .as("crossing, seed %d", seed)
          .isCloseTo(crossing, within(2.5 * reverberation / 60));
      assertThat(10 * Math.log10(found.noise())).isCloseTo(0, within(0.2));
      double slope = 6 * Math.log(10) / (reverberation * RATE);
      assertThat(found.decayPerSample() / slope).isCloseTo(1, within(0.12));
    }
  }

  @Test
  @DisplayName("before digital silence the decay lasts as long as it was computed")
  void silence() {
    double[] energy = new double[(int) RATE];
    for (int i = 0; i < energy.length / 2; i++) {
      energy[i] = Math.pow(10, -6 * i / RATE / 0.5);
    }
    Lundeby found = Lundeby.of(energy, RATE);
    assertThat(found.crossing() / RATE).isGreaterThan(0.45);
    assertThat(found.noise()).isLessThan(1e-12);
  }

  @Test
  @DisplayName("noise alone has no decay, a single sample does not break it")
  void nothing() {
    Lundeby flat = Lundeby.of(squared(0.3, -40, 3), RATE);
    assertThat(flat.decayPerSample()).isZero();
    assertThat(10 * Math.log10(flat.noise())).isCloseTo(0, within(0.2));
    assertThat(Lundeby.of(new double[] {1}, RATE).decayPerSample()).isZero();
  }
}
