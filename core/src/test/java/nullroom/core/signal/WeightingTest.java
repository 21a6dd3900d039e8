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
  @DisplayName(
      "the streaming filter keeps 0.1 dB of the goal of IEC 61672-1 up to 16 kHz and class 1 wherever it can")
  @ValueSource(doubles = {44_100, 48_000, 96_000, 192_000})
  void filterFollowsTheGoal(double rate) {
    for (Weighting weighting : Weighting.values()) {
      Weighting.Filter filter = weighting.filter(rate);
      double reference = 20 * Math.log10(filter.magnitude(1000, rate));
      for (var row : ReferenceTable.rows("frequency_weightings.csv")) {
        double hz = number(row.get("exact_hz"));
        if (hz <= 16_000) {
          double level = 20 * Math.log10(filter.magnitude(hz, rate)) - reference;
          assertThat(level)
              .as("%s at %s Hz", weighting, hz)
              .isCloseTo(weighting.decibels(hz), within(0.1));
        }
      }
    }
  }

  private static double number(String text) {
    return Double.parseDouble(text);
  }
}
