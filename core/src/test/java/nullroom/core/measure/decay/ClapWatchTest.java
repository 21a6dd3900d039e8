package nullroom.core.measure.decay;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Random;
import nullroom.core.acoustics.Octave;
import nullroom.core.signal.Fft;
import nullroom.core.signal.Samples;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class ClapWatchTest {
  private static final double RATE = MadeRoom.RATE;

  /** As an input delivers it: a hundred blocks a second. */
  private static List<ClapWatch.Clap> watched(double[] x) {
    ClapWatch watch = new ClapWatch(RATE, 1);
    for (int at = 0; at < x.length; at += 480) {
      double[] block = Arrays.copyOfRange(x, at, at + 480);
      watch.add(block, Math.min(480, x.length - at));
    }
    return watch.claps();
  }

  private static List<ClapWatch.Verdict> verdicts(List<ClapWatch.Clap> claps) {
    return claps.stream().map(ClapWatch.Clap::verdict).toList();
  }

  private static double[] claps(double gain, double noise, double... atSeconds) {
    Random random = new Random(4);
    double[] dry = new double[(int) (8 * RATE)];
    for (double at : atSeconds) {
      MadeRoom.add(dry, MadeRoom.clap(random), (int) (at * RATE));
    }
    double[] x = Arrays.copyOf(Fft.convolve(dry, MadeRoom.decay(0.3, 2)), dry.length);
    double peak = Arrays.stream(x).map(Math::abs).max().orElseThrow();
    for (int i = 0; i < x.length; i++) {
      x[i] = Math.clamp(gain * x[i] / peak + noise * random.nextGaussian(), -1, 1);
    }
    return x;
  }

  @Test
  @DisplayName("five claps with a thump and words between are judged as they come: five will do")
  void session() {
    List<ClapWatch.Clap> claps = watched(MadeRoom.session());
    List<ClapWatch.Clap> good =
        claps.stream().filter(c -> c.verdict() == ClapWatch.Verdict.GOOD).toList();
    assertThat(good).hasSize(5);
    double[] at = {0.6, 3.1, 5.6, 10, 13};
    for (int k = 0; k < at.length; k++) {
      assertThat(good.get(k).atSeconds()).isCloseTo(at[k], within(0.02));
    }
    assertThat(claps).anyMatch(c -> c.verdict() == ClapWatch.Verdict.NO_CLAP);
    DecayReport whole = DecayAnalysis.ofImpulses(new Samples(MadeRoom.session(), RATE), Octave.ALL);
    assertThat(good.getFirst().inrDb().get(Octave.HZ_1000).orElseThrow())
        .as("INR of one clap, against that of the five averaged")
        .isCloseTo(whole.band(1000).orElseThrow().inrDb().orElseThrow(), within(4.0));
  }

  @Test
  @DisplayName("weak, clipped and hurried claps are told so, each in a sentence")
  void verdicts() {
    assertThat(verdicts(watched(claps(0.05, 1e-3, 1, 4)))).containsOnly(ClapWatch.Verdict.WEAK);
    assertThat(watched(claps(0.05, 1e-3, 1)).getFirst().advice()).contains("of 35 dB");
    assertThat(verdicts(watched(claps(4, 1e-5, 1)))).containsExactly(ClapWatch.Verdict.CLIPPED);
    List<ClapWatch.Clap> hurried = watched(claps(0.5, 1e-5, 1, 1.4, 4));
    assertThat(verdicts(hurried))
        .containsExactly(
            ClapWatch.Verdict.TOO_SOON, ClapWatch.Verdict.GOOD, ClapWatch.Verdict.GOOD);
    assertThat(hurried.getFirst().advice()).contains("wait two seconds");
  }

  @Test
  @DisplayName("noise and silence hold nothing sudden, however long")
  void nothing() {
    assertThat(watched(claps(0, 1e-2))).isEmpty();
    assertThat(watched(new double[(int) (20 * RATE)])).isEmpty();
  }
}
