package nullroom.core.signal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class PeakTest {
  @ParameterizedTest
  @DisplayName("a parabola's top is found between its samples, place and height")
  @ValueSource(doubles = {-0.5, -0.2, 0, 0.3, 0.5})
  void top(double at) {
    double[] y = new double[3];
    for (int i = 0; i < 3; i++) {
      y[i] = 7 - 2 * Math.pow(i - 1 - at, 2);
    }
    assertThat(Peak.offset(y[0], y[1], y[2])).isCloseTo(at, within(1e-12));
    assertThat(Peak.height(y[0], y[1], y[2])).isCloseTo(7, within(1e-12));
  }

  @Test
  void noPeak() {
    assertThat(Peak.offset(1, 1, 1)).isZero();
    assertThat(Peak.offset(2, 1, 2)).isZero();
  }

  @Test
  @DisplayName("sums over parts are those of a plain loop, whatever the length")
  void sums() {
    double[] x = {0.5, -1, 2, 0.25, -3, 1.5, 4};
    for (int from = 0; from < x.length; from++) {
      for (int count = 0; from + count <= x.length; count++) {
        double sum = 0;
        double squares = 0;
        double peak = 0;
        for (int i = from; i < from + count; i++) {
          sum += x[i];
          squares += x[i] * x[i];
          peak = Math.max(peak, Math.abs(x[i]));
        }
        assertThat(Sums.of(x, from, count)).isCloseTo(sum, within(1e-12));
        assertThat(Sums.ofSquares(x, from, count)).isCloseTo(squares, within(1e-12));
        assertThat(Sums.peak(x, from, count)).isEqualTo(peak);
      }
    }
  }
}
