package nullroom.core.measure.decay;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class FlutterEchoTest {
  @ParameterizedTest(name = "every {0} steps")
  @DisplayName("pulses at an uneven period in noise: the period within a twentieth of a step")
  @ValueSource(doubles = {12.3, 13, 17.7, 31.45})
  void period(double period) {
    Random random = new Random(3);
    double[] over = new double[400];
    for (int k = 0; k < over.length; k++) {
      double off = k - period * Math.round(k / period);
      over[k] = 6 * Math.exp(-off * off) + 0.5 * random.nextGaussian();
    }
    assertThat(FlutterEcho.exactPeriod(over, (int) Math.round(period)))
        .isCloseTo(period, within(0.05));
  }

  @Test
  @DisplayName("whatever follows the first repetition, the period stays within a step of it")
  void staysNear() {
    for (int seed = 0; seed < 400; seed++) {
      Random random = new Random(seed);
      double[] over = new double[60 + random.nextInt(300)];
      double slow = 0;
      for (int k = 0; k < over.length; k++) {
        slow += 0.2 * (random.nextGaussian() - slow);
        over[k] = slow;
      }
      int lag = 10 + random.nextInt(10);
      assertThat(FlutterEcho.exactPeriod(over, lag)).isCloseTo(lag, within(1.0));
    }
  }
}
