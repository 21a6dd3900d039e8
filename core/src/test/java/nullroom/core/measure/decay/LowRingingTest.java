package nullroom.core.measure.decay;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import nullroom.core.acoustics.Octave;
import nullroom.core.signal.Samples;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class LowRingingTest {
  private static final double RATE = MadeRoom.RATE;

  private static List<DecayReport.Ringing> ringing(double[] response, double noise) {
    double[] x = new double[(int) (2.5 * RATE)];
    MadeRoom.add(x, response, (int) (0.2 * RATE));
    java.util.Random random = new java.util.Random(5);
    for (int i = 0; i < x.length; i++) {
      x[i] += noise * random.nextGaussian();
    }
    return DecayAnalysis.ofImpulses(new Samples(x, RATE), Octave.ALL).ringing();
  }

  @ParameterizedTest(name = "{0} Hz for {1} s in a room of {2} s")
  @CsvSource({"57, 0.9, 0.25", "71, 1.0, 0.4", "90, 0.6, 0.3", "34, 0.8, 0.25"})
  @DisplayName("a decaying tone (closed form) under a noise-like decay is found with its own time")
  void found(double hz, double seconds, double roomSeconds) {
    double[] h = MadeRoom.decay(roomSeconds, 3);
    double[] longer = java.util.Arrays.copyOf(h, (int) (2 * RATE));
    for (int i = 0; i < longer.length; i++) {
      double t = i / RATE;
      longer[i] += 0.5 * Math.sin(2 * Math.PI * hz * t) * Math.pow(10, -3 * t / seconds);
    }
    List<DecayReport.Ringing> found = ringing(longer, 1e-4);
    assertThat(found).hasSize(1);
    assertThat(found.getFirst().frequencyHz()).isCloseTo(hz, within(1.5));
    assertThat(found.getFirst().seconds()).isCloseTo(seconds, within(0.1 * seconds));
  }

  @Test
  @DisplayName("noise-like decays ring at no frequency")
  void nothing() {
    for (int seed = 0; seed < 12; seed++) {
      assertThat(ringing(MadeRoom.decay(0.2 + 0.05 * seed, seed), 1e-5)).as("%d", seed).isEmpty();
    }
  }
}
