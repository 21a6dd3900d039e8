package nullroom.core.measure.decay;

import static nullroom.core.measure.decay.MadeRoom.RATE;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import nullroom.core.acoustics.Octave;
import nullroom.core.signal.Band;
import nullroom.core.signal.Sums;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class BandEvaluationTest {
  private static final int LEAD = (int) (0.08 * RATE);

  private static DecayReport.BandDecay evaluate(Band band, List<double[]> takes) {
    List<ZeroPhase> spectra = takes.stream().map(t -> new ZeroPhase(t, RATE)).toList();
    return new BandEvaluation(band, RATE, takes, spectra, LEAD).evaluate();
  }

  private static double[] noisy(double t, Random random) {
    double[] x = new double[LEAD + (int) (3 * t * RATE)];
    for (int i = 0; i < x.length; i++) {
      x[i] = 1e-5 * random.nextGaussian();
      if (i >= LEAD) {
        x[i] += random.nextGaussian() * Math.pow(10, -3 * (i - LEAD) / RATE / t);
      }
    }
    return x;
  }

  /**
   * The energies of 24 draws together fall as the exponential does; what is left is the chance of
   * the draws, about 7 % at the smallest of these, and the filter's build-up.
   */
  @ParameterizedTest(name = "octave {0}, B T = {1}")
  @DisplayName(
      "EDT of decaying noise at low B T: within 8 % of the exponential (Schroeder 1965: a straight line has EDT = T)")
  @CsvSource({"1,20", "1,40", "2,20", "2,40", "3,40", "4,80", "6,400"})
  void earlyDecay(int octave, double bandwidthTime) {
    Band band = Octave.ALL.get(octave);
    double t = bandwidthTime / band.widthHz();
    Random random = new Random(17);
    List<double[]> takes = new ArrayList<>();
    for (int k = 0; k < 24; k++) {
      takes.add(noisy(t, random));
    }
    DecayReport.BandDecay decay = evaluate(band, takes);
    assertThat(decay.edtSeconds().orElseThrow()).isCloseTo(t, within(0.08 * t));
    assertThat(decay.t20Seconds().orElseThrow()).isCloseTo(t, within(0.08 * t));
  }

  @Test
  @DisplayName("an octave's early decay hardly knows of one twice as long in the octave below")
  void neighbour() {
    double[] x = new double[LEAD + (int) (2 * RATE)];
    for (int i = LEAD; i < x.length; i++) {
      double at = (i - LEAD) / RATE;
      x[i] =
          Math.cos(2 * Math.PI * Octave.exactHz(4) * at) * Math.pow(10, -3 * at / 0.3)
              + Math.cos(2 * Math.PI * Octave.exactHz(3) * at) * Math.pow(10, -3 * at / 0.6);
    }
    assertThat(evaluate(Octave.ALL.get(4), List.of(x)).edtSeconds().orElseThrow())
        .isCloseTo(0.3, within(0.03));
  }

  @Test
  @DisplayName("no early decay where B T is under 16, no T20 under 35 dB, no T30 under 45 dB")
  void limits() {
    Band band = Octave.ALL.get(2);
    double[] tone = new double[LEAD + (int) (0.4 * RATE)];
    for (int i = LEAD; i < tone.length; i++) {
      double at = (i - LEAD) / RATE;
      tone[i] =
          Math.cos(2 * Math.PI * band.centreHz() * at)
              * Math.pow(10, -3 * at * band.widthHz() / 14);
    }
    assertThat(evaluate(band, List.of(tone)).edtSeconds()).isEmpty();
    for (double inr : new double[] {30, 40, 50}) {
      double[] x = noisy(0.6, new Random(2));
      Random random = new Random(3);
      for (int i = 0; i < x.length; i++) {
        x[i] += Math.pow(10, -inr / 20) * random.nextGaussian();
      }
      DecayReport.BandDecay decay = evaluate(Octave.ALL.get(5), List.of(x));
      assertThat(decay.inrDb().orElseThrow()).isCloseTo(inr, within(2.0));
      assertThat(decay.t20Seconds().isPresent()).isEqualTo(inr > 35);
      assertThat(decay.t30Seconds().isPresent()).isEqualTo(inr > 45);
    }
  }

  @Test
  @DisplayName("energies of steps are the sums of squares of what is filtered backwards whole")
  void backwardEnergies() {
    double[] x = noisy(0.3, new Random(3));
    Band band = Octave.ALL.get(4);
    int step = 240;
    assertThat(x.length % step).isPositive();
    double[] whole = BandEvaluation.backwards(x, band, RATE);
    double[] energies = BandEvaluation.backwardEnergies(x, band, RATE, step);
    assertThat(energies).hasSize(x.length / step);
    for (int k = 0; k < energies.length; k++) {
      double energy = Sums.ofSquares(whole, k * step, step);
      assertThat(energies[k]).isCloseTo(energy, within(1e-9 * energy));
    }
  }
}
