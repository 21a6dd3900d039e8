package nullroom.core.signal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.Random;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class MdctTest {
  @ParameterizedTest
  @DisplayName("the fast way gives what the sum of ISO/IEC 14496-3 gives")
  @ValueSource(ints = {4, 12, 64})
  void sum(int lines) {
    Random random = new Random(lines);
    double[] x = random.doubles(3L * lines, -1, 1).toArray();
    double[] window = random.doubles(2L * lines).toArray();
    double[] fast = new double[lines];
    new Mdct(lines).lines(x, lines / 2, window, fast);
    for (int k = 0; k < lines; k++) {
      double sum = 0;
      for (int n = 0; n < 2 * lines; n++) {
        sum +=
            x[lines / 2 + n]
                * window[n]
                * Math.cos(Math.PI / lines * (n + 0.5 + lines / 2.0) * (k + 0.5));
      }
      assertThat(fast[k]).isCloseTo(sum, within(1e-10));
    }
  }

  @Test
  @DisplayName("squares of overlapping windows add up to 1: J. P. Princen, A. B. Bradley 1986")
  void windows() {
    for (double[] w : Arrays.asList(Windows.sine(256), Windows.kaiserBessel(256, 4))) {
      for (int n = 0; n < 128; n++) {
        assertThat(w[n] * w[n] + w[n + 128] * w[n + 128]).isCloseTo(1, within(1e-12));
        assertThat(w[n]).isCloseTo(w[255 - n], within(1e-12));
      }
    }
  }
}
