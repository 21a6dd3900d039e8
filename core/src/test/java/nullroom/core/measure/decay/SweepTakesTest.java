package nullroom.core.measure.decay;

import static nullroom.core.measure.decay.MadeRoom.RATE;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import java.util.OptionalDouble;
import nullroom.core.acoustics.Octave;
import nullroom.core.signal.Butterworth;
import nullroom.core.signal.Samples;
import nullroom.core.signal.Sweep;
import nullroom.core.signal.SweepTrace;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Sweeps of any range, told or not. */
class SweepTakesTest {
  private static DecayReport measured(double[] x, Optional<Sweep> told) {
    return DecayAnalysis.analyse(
        new Samples(x, RATE),
        new DecayAnalysis.Request(
            Optional.of(Excitation.SWEEP), told, Optional.empty(), Octave.ALL));
  }

  /**
   * What a small loudspeaker leaves of a response: its treble comes 40 millionths of a second late.
   */
  private static double[] byLoudspeaker(double[] response) {
    double[] h = response.clone();
    Butterworth.highPass(2, 80, RATE).filter(h, h, h.length);
    Butterworth.lowPass(2, 14_000, RATE).filter(h, h, h.length);
    return h;
  }

  @ParameterizedTest(name = "{0} to {1} Hz in {2} s, {3} repeats")
  @DisplayName("the law of a sweep that nobody told is found in its sound")
  @CsvSource({
    "20,20000,5,1",
    "20,20000,7.5,2",
    "50,16000,4,1",
    "200,8000,5,1",
    "100,10000,6,3",
    "80,12000,2,1"
  })
  void law(double from, double to, double seconds, int repeats) {
    Sweep sweep = new Sweep(from, to, seconds);
    for (double[] h :
        new double[][] {MadeRoom.response(0.35, 2), byLoudspeaker(MadeRoom.response(0.8, 3))}) {
      double[] x = MadeRoom.played(sweep, h, repeats, 0.005, 0.23, 0, 40);
      assertThat(SweepLaw.heard(SweepTrace.of(x, RATE), x, RATE)).isEqualTo(sweep);
    }
  }

  @ParameterizedTest(name = "told: {0}")
  @DisplayName("bands that a sweep of 200 Hz to 8 kHz did not play have no figure and a sentence")
  @ValueSource(booleans = {true, false})
  void unplayedBands(boolean told) {
    Sweep sweep = new Sweep(200, 8000, 5);
    double[] x = MadeRoom.played(sweep, MadeRoom.response(0.4, 3), 1, 0, 0.3, 0, 50);
    DecayReport report = measured(x, told ? Optional.of(sweep) : Optional.empty());
    assertThat(report.directArrivalSeconds().orElseThrow()).isCloseTo(0.3, within(0.0003));
    double[] late = new double[(int) (1.8 * RATE)];
    MadeRoom.add(late, MadeRoom.response(0.4, 3), (int) (0.1 * RATE));
    DecayReport truth = DecayAnalysis.ofImpulses(new Samples(late, RATE), Octave.ALL);
    for (DecayReport.BandDecay band : report.bands()) {
      double t = truth.band(band.centreHz()).orElseThrow().t20Seconds().orElseThrow();
      if (band.centreHz() < 200) {
        assertThat(band)
            .isEqualTo(DecayReport.BandDecay.unknown(band.centreHz(), band.inrDb()))
            .extracting(DecayReport.BandDecay::inrDb)
            .isEqualTo(OptionalDouble.empty());
      } else {
        assertThat(band.t20Seconds().orElseThrow())
            .as("%s Hz", band.centreHz())
            .isCloseTo(t, within((band.centreHz() == 8000 ? 0.15 : 0.03) * t));
      }
    }
    assertThat(report.modulation()).isEmpty();
    assertThat(report.warnings())
        .contains("63 Hz, 125 Hz: the sweep did not play it; no figure.")
        .anyMatch(w -> w.startsWith("250 Hz, 8000 Hz: the sweep covers only part"));
    assertThat(report.warnings().stream().anyMatch(w -> w.contains("Nobody told")))
        .isEqualTo(!told);
  }

  @ParameterizedTest(name = "{0} s, {1} millionths")
  @DisplayName("a drift is told where there is one, and not where a loudspeaker only looks like it")
  @CsvSource({"4,0", "5,0", "10,0", "4,100", "5,60", "10,40"})
  void drift(double seconds, double millionths) {
    Sweep sweep = new Sweep(20, 20_000, seconds);
    for (int seed = 1; seed <= 2; seed++) {
      double[] h = byLoudspeaker(MadeRoom.response(0.25 * seed, seed));
      double[] x = MadeRoom.played(sweep, h, 1, 0, 0.2, millionths * 1e-6, 45);
      boolean told =
          measured(x, Optional.of(sweep)).warnings().stream()
              .anyMatch(w -> w.contains("clock differs"));
      assertThat(told).as("seed %d", seed).isEqualTo(millionths > 0);
    }
  }
}
