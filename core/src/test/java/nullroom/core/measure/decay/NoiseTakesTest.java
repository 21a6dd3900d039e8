package nullroom.core.measure.decay;

import static nullroom.core.measure.decay.MadeRoom.RATE;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.Random;
import nullroom.core.acoustics.Octave;
import nullroom.core.measure.noise.TonesAndIntrusionsTest;
import nullroom.core.signal.Samples;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Noise switched on and off by hand. */
class NoiseTakesTest {
  /** Pink noise down to 10 Hz, switched off six times, in a room of {@code t}. */
  private static double[] interrupted(double t, long seed, double shortestPause) {
    Random random = new Random(seed);
    double[] pink = TonesAndIntrusionsTest.noise(45, -1, seed);
    double[] dry = new double[pink.length];
    double at = random.nextInt(2) * 0.6; // some recordings begin with the noise on
    for (int k = 0; k < 6; k++) {
      double on = 0.9 + 1.5 * random.nextDouble();
      int from = (int) (at * RATE);
      System.arraycopy(pink, from, dry, from, (int) (on * RATE));
      at += on + shortestPause + 1.5 * random.nextDouble();
    }
    return Arrays.copyOf(MadeRoom.inRoom(dry, t, seed), (int) ((at + 0.5) * RATE));
  }

  @ParameterizedTest(name = "T = {0} s, seed {1}")
  @DisplayName(
      "pink noise down to 10 Hz: all six interruptions, T20 of 1 to 4 kHz within its chance deviation (ISO 3382-2, 7.1) three times over")
  @CsvSource({"0.11,1", "0.11,2", "0.2,3", "0.2,4", "0.45,5", "0.45,6", "0.9,7", "0.9,8"})
  void allInterruptions(double t, long seed) {
    double[] x = interrupted(t, seed, 0.6 + 1.3 * t);
    Takes takes = NoiseTakes.find(x, RATE);
    assertThat(takes.found()).isEqualTo(6);
    assertThat(takes.warnings()).isEmpty();
    DecayReport report =
        DecayAnalysis.analyse(new Samples(x, RATE), DecayAnalysis.Request.any(Octave.ALL));
    assertThat(report.excitation()).contains(Excitation.NOISE);
    for (double hz : new double[] {1000, 2000, 4000}) {
      DecayReport.BandDecay band = report.band(hz).orElseThrow();
      double deviation = band.t20DeviationSeconds().orElseThrow();
      assertThat(band.t20Seconds().orElseThrow())
          .as("%s Hz", hz)
          .isCloseTo(t, within(3 * deviation + 0.01 * t));
    }
  }

  @Test
  @DisplayName(
      "an interruption that noise cuts short, and one of a short burst, are dropped and said")
  void dropped() {
    double[] pink = TonesAndIntrusionsTest.noise(20, -1, 4);
    double[] dry = new double[pink.length];
    for (double[] on : new double[][] {{0, 2}, {4, 6}, {6.4, 8}, {11, 11.3}, {13, 15}}) {
      int from = (int) (on[0] * RATE);
      System.arraycopy(pink, from, dry, from, (int) (on[1] * RATE) - from);
    }
    Takes takes = NoiseTakes.find(MadeRoom.inRoom(dry, 0.8, 4), RATE);
    assertThat(takes.found()).isEqualTo(3);
    assertThat(takes.warnings())
        .anyMatch(w -> w.startsWith("1 interruption was left out: the noise before"))
        .anyMatch(w -> w.startsWith("1 interruption was left out: another sound"));
  }
}
