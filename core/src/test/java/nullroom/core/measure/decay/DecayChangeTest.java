package nullroom.core.measure.decay;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import nullroom.core.acoustics.Octave;
import nullroom.core.signal.Samples;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class DecayChangeTest {
  @Test
  @DisplayName("ISO 3382-2:2008 Annex A: 0.0122 s for 0.5 s, 710 Hz, three decays at six positions")
  void deviation() {
    assertThat(DecayDeviation.ofT20(0.5, 710, 3, 6)).isCloseTo(0.0122, within(0.0002));
  }

  private static DecayReport measured(double seconds, int seed) {
    double[] x = new double[(int) (2 * MadeRoom.RATE)];
    MadeRoom.add(x, MadeRoom.decay(seconds, seed), (int) (0.1 * MadeRoom.RATE));
    return DecayAnalysis.ofImpulses(new Samples(x, MadeRoom.RATE), Octave.ALL);
  }

  private static List<DecayChange> changed(DecayReport before, DecayReport after) {
    return DecayChange.of(PositionAverage.of(before), PositionAverage.of(after));
  }

  @Test
  @DisplayName("two draws of the same room cannot be told apart in nineteen of twenty bands or so")
  void sameRoom() {
    int real = 0;
    int bands = 0;
    for (int seed = 0; seed < 16; seed += 2) {
      List<DecayChange> changes = changed(measured(0.4, seed), measured(0.4, seed + 1));
      bands += changes.size();
      real += (int) changes.stream().filter(DecayChange::real).count();
    }
    assertThat(bands).isEqualTo(64);
    assertThat(real).isLessThan(10);
  }

  @Test
  @DisplayName("0.45 s made 0.3 s is real from 500 Hz up; at 63 Hz it cannot be told from one pair")
  void treatedRoom() {
    List<DecayChange> changes = changed(measured(0.45, 1), measured(0.3, 2));
    for (DecayChange change : changes) {
      if (change.centreHz() >= 500) {
        assertThat(change.real()).as("%s Hz", change.centreHz()).isTrue();
        assertThat(change.differenceSeconds()).isCloseTo(-0.15, within(0.06));
      }
    }
    assertThat(changes.getFirst().uncertaintySeconds())
        .isGreaterThan(2 * changes.getLast().uncertaintySeconds());
  }
}
