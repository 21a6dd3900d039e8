package nullroom.core.signal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import nullroom.core.ReferenceTable;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class WeightingTest {
  @Test
  @DisplayName("goal equals the table of IEC 61672-1:2013 to its printed digit")
  void table() {
    for (var row : ReferenceTable.rows("frequency_weightings.csv")) {
      double hz = Double.parseDouble(row.get("exact_hz"));
      assertThat(Weighting.A.decibels(hz))
          .as("A at %s", hz)
          .isCloseTo(number(row.get("a_table_db")), within(0.06));
      assertThat(Weighting.C.decibels(hz))
          .as("C at %s", hz)
          .isCloseTo(number(row.get("c_table_db")), within(0.06));
    }
  }

  @ParameterizedTest
  @DisplayName("the streaming filter keeps 0.1 dB of the goal of IEC 61672-1 to 20 kHz")
  @ValueSource(doubles = {44_100, 48_000, 96_000, 192_000})
  void filterFollowsTheGoal(double rate) {
    for (Weighting weighting : Weighting.values()) {
      Weighting.Filter filter = weighting.filter(rate);
      for (var row : ReferenceTable.rows("frequency_weightings.csv")) {
        double hz = number(row.get("exact_hz"));
        if (hz <= Math.min(20_000, 0.45 * rate)) {
          assertThat(20 * Math.log10(filter.magnitude(hz, rate)))
              .as("%s at %s Hz", weighting, hz)
              .isCloseTo(weighting.decibels(hz), within(0.1));
        }
      }
    }
  }

  @Test
  @DisplayName("a filter is found for any rate, is exact at 1 kHz and dies away")
  void anyRate() {
    for (Weighting weighting : Weighting.values()) {
      for (double rate = 4_000; rate < 800_000; rate *= 1.037) {
        Weighting.Filter filter = weighting.filter(rate);
        for (double hz = 12; hz <= Math.min(20_000, 0.45 * rate); hz *= 1.06) {
          assertThat(20 * Math.log10(filter.magnitude(hz, rate)))
              .as("%s at %s Hz, rate %s", weighting, hz, rate)
              .isCloseTo(weighting.decibels(hz), within(0.15));
        }
        assertThat(filter.magnitude(1000, rate)).isCloseTo(1, within(1e-9));
        double[] click = new double[(int) (rate / 2)];
        click[0] = 1;
        filter.filter(click, click, click.length);
        assertThat(Math.abs(click[click.length - 1])).isLessThan(1e-9);
      }
    }
  }

  private static double number(String text) {
    return Double.parseDouble(text);
  }
}
