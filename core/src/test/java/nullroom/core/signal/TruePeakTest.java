package nullroom.core.signal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import nullroom.core.ReferenceTable;
import org.apache.commons.csv.CSVRecord;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class TruePeakTest {
  private static final double RATE = 48_000;

  private static double decibels(double[] x) {
    TruePeak meter = new TruePeak();
    meter.add(x, x.length);
    return 20 * Math.log10(meter.largest());
  }

  /** EBU Tech 3341, cases 15 to 19 (from memory): tolerance +0.2, -0.4 dB. */
  @ParameterizedTest
  @CsvSource({
    "4, 0.5, 0, -6",
    "4, 0.5, 45, -6",
    "6, 0.5, 60, -6",
    "8, 0.5, 67.5, -6",
    "4, 1.41, 45, 3"
  })
  @DisplayName("3341-15 to -19: sines whose peaks lie between samples")
  void sines(int part, double amplitude, double degrees, double expected) {
    double[] x = new double[4800];
    for (int k = 0; k < x.length; k++) {
      // faded in over 1 ms: a hard start has a true overshoot of its own
      double fade = Math.min(1, Math.min(k, x.length - 1 - k) / 240.0);
      x[k] = fade * amplitude * Math.sin(2 * Math.PI * k / part + Math.toRadians(degrees));
    }
    assertThat(decibels(x)).isBetween(expected - 0.4, expected + 0.2);
  }

  /**
   * EBU Tech 3341, cases 20 to 23, by their idea (their files are not at hand): one crest of full
   * scale, a quarter of a sample further from the sampling instants each time.
   */
  @ParameterizedTest
  @ValueSource(ints = {0, 1, 2, 3})
  @DisplayName("as 3341-20 to -23: one crest of 0 dBTP, whatever instants it is sampled at")
  void crests(int quarters) {
    double[] x = new double[960];
    for (int k = 0; k < x.length; k++) {
      double t = k - 480 - quarters / 4.0;
      double bell = Math.exp(-t * t / 50);
      x[k] = bell * Math.cos(2 * Math.PI * t / 6); // nothing but around 8 kHz
    }
    assertThat(decibels(x)).isBetween(-0.4, 0.2);
  }

  @Test
  @DisplayName("of noise under 20 kHz it agrees with interpolation by a long transform")
  void noise() {
    Random random = new Random(3);
    int n = 1 << 12;
    double[] x = new double[n];
    double[] fine = new double[16 * n];
    for (int k = 1; k < n * 20_000 / RATE; k++) { // sum of sines: known between samples too
      double a = random.nextGaussian() / 60;
      double phase = 2 * Math.PI * random.nextDouble();
      if (k % 16 == 3) {
        for (int i = 0; i < fine.length; i++) {
          fine[i] += a * Math.sin(2 * Math.PI * k * i / fine.length + phase);
        }
      }
    }
    for (int i = 0; i < n; i++) {
      x[i] = fine[16 * i];
    }
    double truth = 0;
    for (int i = 16 * 64; i < 16 * (n - 64); i++) {
      truth = Math.max(truth, Math.abs(fine[i]));
    }
    double[] inner = new double[n + 256];
    System.arraycopy(x, 0, inner, 128, n);
    TruePeak meter = new TruePeak();
    for (int from = 0; from < inner.length; from += 100) {
      int count = Math.min(100, inner.length - from);
      meter.add(java.util.Arrays.copyOfRange(inner, from, from + count), count);
    }
    assertThat(20 * Math.log10(meter.largest() / truth)).isBetween(-0.4, 0.6);
  }

  @Test
  @DisplayName("a single sample at the very end counts, as do a few")
  void ends() {
    assertThat(decibels(new double[] {0, 0, 0.5})).isCloseTo(-6.02, within(0.01));
    assertThat(decibels(new double[] {0.5})).isCloseTo(-6.02, within(0.01));
    assertThat(new TruePeak().largest()).isZero();
  }

  @Test
  @DisplayName("the K-weighting's coefficients at eight rates, worked back from those of 48 kHz")
  void coefficients() {
    int rows = 0;
    for (CSVRecord row : ReferenceTable.rows("loudness_k_weighting.csv")) {
      double[] ours =
          KWeighting.rows(Double.parseDouble(row.get("sample_rate_hz")))[
              row.get("stage").startsWith("1") ? 0 : 1];
      String[] names = {"b0", "b1", "b2", "a1", "a2"};
      for (int i = 0; i < names.length; i++) {
        assertThat(ours[i])
            .as("%s of %s at %s", names[i], row.get("stage"), row.get("sample_rate_hz"))
            .isCloseTo(Double.parseDouble(row.get(names[i])), within(1e-8));
      }
      rows++;
    }
    assertThat(rows).isEqualTo(16);
    Biquads filter = KWeighting.filter(RATE);
    assertThat(20 * Math.log10(filter.magnitude(100, RATE))).isCloseTo(-1.13, within(0.01));
    assertThat(20 * Math.log10(filter.magnitude(10_000, RATE))).isCloseTo(4.04, within(0.01));
  }
}
