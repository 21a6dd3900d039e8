package nullroom.core.measure.take;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import nullroom.core.measure.Moment;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class DropoutsTest {
  private static final double RATE = 48_000;

  private static double[] tone(double seconds) {
    double[] x = new double[(int) (seconds * RATE)];
    for (int i = 0; i < x.length; i++) {
      x[i] = 0.2 * Math.sin(2 * Math.PI * 311 * i / RATE + 0.3);
    }
    return x;
  }

  private static void hold(double[] x, double from, double seconds, double value) {
    int start = (int) Math.round(from * RATE);
    Arrays.fill(x, start, start + (int) Math.round(seconds * RATE), value);
  }

  /** In blocks of a length, as a file or a device gives them. */
  private static List<Moment> found(double[] x, int block) {
    Dropouts dropouts = new Dropouts(RATE);
    for (int at = 0; at < x.length; at += block) {
      double[] piece = Arrays.copyOfRange(x, at, Math.min(x.length, at + block));
      double top = Arrays.stream(piece).map(Math::abs).max().orElse(0);
      dropouts.add(piece, piece.length, top);
    }
    return dropouts.found();
  }

  @ParameterizedTest
  @CsvSource({"0.0015,0", "0.01,0", "0.02,0.05", "0.4,0", "0.005,-0.08"})
  @DisplayName(
      "a value that stands still within sound is found where it is, in blocks of any length")
  void known(double seconds, double value) {
    double[] x = tone(2);
    hold(x, 0.7, seconds, value);
    hold(x, 1.3, seconds, value);
    for (int block : new int[] {1, 7, 480, 4096, x.length}) {
      List<Moment> all = found(x, block);
      assertThat(all).as("blocks of %d", block).hasSize(2);
      assertThat(all.getFirst().startSeconds()).isCloseTo(0.7, within(1e-3));
      assertThat(all.getFirst().durationSeconds()).isCloseTo(seconds, within(1e-3));
      assertThat(all.getLast().startSeconds()).isCloseTo(1.3, within(1e-3));
    }
  }

  @ParameterizedTest
  @ValueSource(doubles = {0.0005, 0.7})
  @DisplayName("shorter than a millisecond is chance, longer than half a second a pause")
  void neither(double seconds) {
    double[] x = tone(2);
    hold(x, 0.7, seconds, 0);
    assertThat(found(x, 4096)).isEmpty();
  }

  @Test
  @DisplayName("silence before and after, a fade and a cut-off peak are none")
  void none() {
    double[] x = tone(2);
    hold(x, 0, 0.3, 0);
    hold(x, 1.7, 0.3, 0);
    for (int i = 0; i < x.length; i++) {
      x[i] = Math.clamp(x[i], -0.12, 0.12); // flat for half a millisecond and more
    }
    assertThat(found(x, 4096)).isEmpty();
    assertThat(found(new double[(int) RATE], 4096)).isEmpty();
  }
}
