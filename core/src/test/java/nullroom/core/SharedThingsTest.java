package nullroom.core;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.Random;
import nullroom.core.acoustics.Pattern;
import nullroom.core.acoustics.VocalEffort;
import nullroom.core.book.Goal;
import nullroom.core.book.School;
import nullroom.core.measure.noise.Calibration;
import org.apache.commons.math3.stat.descriptive.rank.Percentile;
import org.apache.commons.math3.stat.descriptive.rank.Percentile.EstimationType;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What every floor of core shares. */
class SharedThingsTest {
  @Test
  @DisplayName("quantiles are those of type 7 (Hyndman and Fan 1996) of another library")
  void quantiles() {
    Random random = new Random(8);
    Percentile other = new Percentile().withEstimationType(EstimationType.R_7);
    for (int n = 1; n < 60; n++) {
      double[] numbers = random.doubles(n, -5, 5).toArray();
      double[] before = numbers.clone();
      for (double share : new double[] {0.05, 0.25, 0.5, 0.9, 1}) {
        assertThat(Quantile.of(numbers, share))
            .isCloseTo(other.evaluate(numbers, 100 * share), within(1e-12));
      }
      assertThat(numbers).as("not modified").isEqualTo(before);
      int from = n / 3;
      assertThat(Quantile.of(numbers, from, n, 0.5))
          .isEqualTo(Quantile.median(Arrays.copyOfRange(numbers, from, n)));
    }
    assertThatThrownBy(() -> Quantile.median(new double[0]))
        .isInstanceOf(IllegalArgumentException.class);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "%.1f dB|-3.04|−3.0 dB",
        "%.0f dB|-0.2|0 dB",
        "%+.1f dB|-0.04|0.0 dB",
        "from %.0f on|-12|from −12 on",
        "on 2026-01-02, %.0f|1|on 2026-01-02, 1",
        "wall-2 and %.0f|2|wall-2 and 2",
        "(%.1f)|-0.55|(−0.6)"
      })
  @DisplayName("a true minus for numbers, none for nought, hyphens left alone")
  void minus(String format, double number, String said) {
    assertThat(Figures.say(format, number)).isEqualTo(said);
  }

  @Test
  @DisplayName("keys are names in camel case, and find what they are the key of")
  void keys() {
    assertThat(Goal.SPOKEN_ON_CAMERA.id()).isEqualTo("spokenOnCamera");
    assertThat(VocalEffort.VERY_LOUD.id()).isEqualTo("veryLoud");
    assertThat(Pattern.FIGURE_EIGHT.id()).isEqualTo("figureEight");
    assertThat(Calibration.Method.FULL_SCALE.id()).isEqualTo("fullScale");
    assertThat(Keyed.keys(School.class)).isEqualTo("peaks, average, float");
    for (VocalEffort effort : VocalEffort.values()) {
      assertThat(Keyed.find(VocalEffort.class, effort.id())).contains(effort);
    }
    assertThat(Keyed.find(Goal.class, "opera")).isEmpty();
  }
}
