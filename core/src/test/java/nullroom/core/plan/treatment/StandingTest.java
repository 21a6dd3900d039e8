package nullroom.core.plan.treatment;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;
import nullroom.core.book.Goal;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class StandingTest {
  private static double[] all(double seconds) {
    double[] times = new double[8];
    Arrays.fill(times, seconds);
    return times;
  }

  @Test
  @DisplayName("how far off by hand: what is missing of Clear, and 10 lg of what is too long")
  void byHand() {
    Goal goal = Goal.SPOKEN_ON_CAMERA; // Clear 10 dB, 0.20 to 0.40 s
    assertThat(Standing.offDb(goal, 10, all(0.3))).isZero();
    assertThat(Standing.offDb(goal, 7.5, all(0.4))).isCloseTo(2.5, within(1e-9));
    assertThat(Standing.offDb(goal, 12, all(0.8))).isCloseTo(10 * Math.log10(2), within(1e-9));
    assertThat(Standing.offDb(goal, 12, all(0.1))).isCloseTo(10 * Math.log10(2), within(1e-9));
    double[] bass = all(0.3);
    bass[0] = 3;
    bass[1] = 3;
    bass[7] = 3;
    assertThat(Standing.offDb(goal, 10, bass)).as("only 250 Hz to 4 kHz count").isZero();
    bass[2] = 4;
    assertThat(Standing.offDb(goal, 10, bass)).isCloseTo(10.0 / 5, within(1e-9));
  }

  @Test
  @DisplayName("plans: by how far off to 0.05 dB, then price, minutes, number of pieces")
  void order() {
    Standing near = new Standing(1.00, 50, 20, 3);
    Standing cheap = new Standing(1.02, 10, 20, 3);
    Standing quick = new Standing(1.01, 10, 15, 3);
    Standing few = new Standing(1.02, 10, 15, 2);
    Standing far = new Standing(1.10, 0, 0, 0);
    List<Standing> sorted = Stream.of(far, near, cheap, quick, few).sorted().toList();
    assertThat(sorted).containsExactly(few, quick, cheap, near, far);
    assertThat(new Standing(1 + 1e-9, 0, 0, 0)).isEqualByComparingTo(new Standing(1, 0, 0, 0));
  }
}
