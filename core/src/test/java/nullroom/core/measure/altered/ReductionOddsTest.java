package nullroom.core.measure.altered;

import static nullroom.core.measure.altered.AlteredSounds.FLAT;
import static nullroom.core.measure.altered.AlteredSounds.RATE;
import static nullroom.core.measure.altered.AlteredSounds.denoised;
import static nullroom.core.measure.altered.AlteredSounds.talk;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** Traces of a reduction weighed together. */
class ReductionOddsTest {
  private static double[] traces(double[] x) {
    SpectraSeen spectra = new SpectraSeen(RATE);
    FineBands fine = new FineBands(RATE);
    BeforeSound before = new BeforeSound(RATE);
    spectra.add(x, x.length);
    fine.add(x, x.length);
    before.add(x, x.length);
    return Trace.all(spectra, spectra.linesBetween(), fine, before);
  }

  @Test
  @DisplayName("each trace is measured, and digital silence shows nothing of bins and levels")
  void all() {
    double[] talk = traces(talk(FLAT, 35, 0.5, 24));
    assertThat(talk).hasSize(Trace.values().length);
    assertThat(Arrays.stream(talk).filter(Double::isFinite).count()).isGreaterThan(40);
    double[] silent = traces(new double[4 * RATE]);
    assertThat(Arrays.copyOfRange(silent, Trace.BEFORE_RISE.ordinal(), silent.length))
        .containsOnly(Double.NaN);
    assertThat(ReductionOdds.told(silent, false)).isEmpty();
  }

  @ParameterizedTest(name = "{0} dB over the noise, {1} s, {2} dB")
  @DisplayName("a reduction moves the odds by far")
  @CsvSource({"35, 0.5, -14", "35, 0.5, -20", "30, 0.3, -14", "25, 0.2, -18"})
  void reduced(double snrDb, double seconds, double byDb) {
    double[] x = talk(FLAT, snrDb, seconds, 24);
    double[] y = denoised(x, (int) (2.7 * RATE), (int) (3.5 * RATE), byDb);
    double untouched = ReductionOdds.of(traces(x));
    assertThat(ReductionOdds.told(traces(x), false)).isEmpty();
    assertThat(ReductionOdds.speakAgainst(traces(x))).isTrue();
    assertThat(ReductionOdds.of(traces(y))).isGreaterThan(untouched + 3);
    assertThat(ReductionOdds.speakAgainst(traces(y))).isFalse();
  }

  @Test
  @DisplayName("what is far over all that untouched sounds reach is told")
  void told() {
    double[] x = talk(FLAT, 35, 0.5, 24);
    double[] y = denoised(x, (int) (2.7 * RATE), (int) (3.5 * RATE), -20);
    assertThat(ReductionOdds.told(traces(y), false))
        .hasValueSatisfying(e -> assertThat(e).contains("traces of a reduction, weighed together"));
  }

  @ParameterizedTest
  @DisplayName("the energies of bins may speak only the way in which a reduction moves them")
  @EnumSource(
      names = {
        "ENERGY_SQUARES",
        "ENERGY_OVER",
        "QUIET_SCATTER",
        "DYING_SCATTER",
        "LONG_BEFORE_RISE",
        "BEFORE_RISEN"
      })
  void oneWay(Trace trace) {
    double[] traces = traces(talk(FLAT, 35, 0.5, 24));
    double before = Double.NEGATIVE_INFINITY;
    for (double value = -8; value < 12; value += 0.25) {
      traces[trace.ordinal()] = value;
      double odds = ReductionOdds.of(traces);
      assertThat(odds).isGreaterThanOrEqualTo(before - 1e-4); // written to five figures
      before = odds;
    }
  }

  @Test
  @DisplayName("of traces that are all missing nothing is told")
  void nothing() {
    double[] none = new double[Trace.values().length];
    Arrays.fill(none, Double.NaN);
    assertThat(ReductionOdds.told(none, false)).isEmpty();
  }
}
