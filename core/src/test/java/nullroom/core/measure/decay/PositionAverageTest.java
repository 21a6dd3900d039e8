package nullroom.core.measure.decay;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import nullroom.core.acoustics.Octave;
import nullroom.core.measure.decay.PositionAverage.At;
import nullroom.core.measure.decay.PositionAverage.Grade;
import nullroom.core.signal.Samples;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class PositionAverageTest {
  private static DecayReport report(double seconds, int seed) {
    double[] x = new double[(int) (2 * MadeRoom.RATE)];
    MadeRoom.add(x, MadeRoom.decay(seconds, seed), (int) (0.1 * MadeRoom.RATE));
    return DecayAnalysis.ofImpulses(new Samples(x, MadeRoom.RATE), Octave.ALL);
  }

  private static List<At> grid(int sources, int microphones) {
    DecayReport one = report(0.4, 1);
    List<At> all = new ArrayList<>();
    for (int s = 0; s < sources; s++) {
      for (int m = 0; m < microphones; m++) {
        all.add(new At("S" + s, "M" + m, one));
      }
    }
    return all;
  }

  @Test
  @DisplayName("ISO 3382-2:2008 Table 1 (from memory): 2, 6 and 12 pairs of 1, 2, 2 sources")
  void grades() {
    assertThat(PositionAverage.of(grid(1, 1)).grade()).isEmpty();
    assertThat(PositionAverage.of(grid(1, 2)).grade()).contains(Grade.SURVEY);
    assertThat(PositionAverage.of(grid(1, 6)).grade())
        .as("six microphones, but one source")
        .contains(Grade.SURVEY);
    assertThat(PositionAverage.of(grid(2, 3)).grade()).contains(Grade.ENGINEERING);
    assertThat(PositionAverage.of(grid(6, 2)).grade())
        .as("twelve pairs, but two microphones")
        .contains(Grade.ENGINEERING);
    assertThat(PositionAverage.of(grid(3, 4)).grade()).contains(Grade.PRECISION);
  }

  @Test
  @DisplayName("mean and sample standard deviation; a spread beyond chance widens the uncertainty")
  void meanAndSpread() {
    DecayReport a = report(0.3, 1);
    DecayReport b = report(0.6, 2);
    PositionAverage both = PositionAverage.of(List.of(new At("A", "1", a), new At("A", "2", b)));
    double ta = a.band(1000).orElseThrow().t20Seconds().orElseThrow();
    double tb = b.band(1000).orElseThrow().t20Seconds().orElseThrow();
    PositionAverage.Averaged band = both.band(1000).orElseThrow();
    assertThat(band.seconds()).isCloseTo((ta + tb) / 2, within(1e-12));
    double spread = Math.abs(tb - ta) / Math.sqrt(2);
    assertThat(band.spreadSeconds().orElseThrow()).isCloseTo(spread, within(1e-12));
    assertThat(band.deviationSeconds()).isCloseTo(spread / Math.sqrt(2), within(1e-12));
    assertThat(both.tMidSeconds().orElseThrow()).isCloseTo(0.45, within(0.05));
  }

  @Test
  @DisplayName("ISO 3382-2 Annex A: four alike positions halve the uncertainty of one")
  void alike() {
    PositionAverage one = PositionAverage.of(report(0.4, 1));
    PositionAverage four = PositionAverage.of(grid(2, 2));
    for (int k = 0; k < one.bands().size(); k++) {
      assertThat(one.bands().get(k).spreadSeconds()).isEmpty();
      assertThat(four.bands().get(k).deviationSeconds())
          .isCloseTo(one.bands().get(k).deviationSeconds() / 2, within(1e-12));
    }
    assertThat(one.band(1000).orElseThrow().deviationSeconds())
        .isCloseTo(
            0.88
                * one.band(1000).orElseThrow().seconds()
                * Math.sqrt(1.19 / (709 * one.band(1000).orElseThrow().seconds())),
            within(0.0002));
  }
}
