package nullroom.core.measure.altered;

import static nullroom.core.measure.altered.AlteredSounds.RATE;
import static nullroom.core.measure.altered.AlteredSounds.claps;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

/** How seldom the levels between noise and sound are taken. */
class LevelsTakenTest {
  private static double[] traces(double[] x) {
    FineBands fine = new FineBands(RATE);
    fine.add(x, x.length);
    return LevelsTaken.traces(fine).toArray();
  }

  @Test
  @DisplayName("what dies away evenly takes all levels alike, twice as often in twice the time")
  void evenly() {
    double[] half = traces(claps(1e-4, 0.4));
    double[] whole = traces(claps(1e-4, 0.8));
    assertThat(half[0]).isCloseTo(0, within(0.5)); // as many under the middle as over it
    assertThat(whole[0]).isCloseTo(half[0], within(0.4));
  }

  @Test
  @DisplayName("a gate leaves some that nothing takes")
  void gated() {
    double[] x = claps(1e-4, 0.5);
    double[] y = AlteredSounds.gated(x, 30, 0.15, 0.01);
    assertThat(traces(y)[1]).isLessThan(traces(x)[1] - 1);
    assertThat(traces(y)[0]).isLessThan(traces(x)[0]);
  }

  @Test
  @DisplayName("noise alone has none between")
  void none() {
    double[] x = claps(1e-3, 0.3);
    assertThat(traces(Arrays.copyOf(x, RATE / 4))).containsOnly(Double.NaN);
  }
}
