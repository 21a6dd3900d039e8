package nullroom.core.measure.altered;

import static nullroom.core.measure.altered.AlteredSounds.FLAT;
import static nullroom.core.measure.altered.AlteredSounds.RATE;
import static nullroom.core.measure.altered.AlteredSounds.written;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.OptionalDouble;
import java.util.Random;
import nullroom.core.predict.SyntheticRoom;
import nullroom.core.signal.Windows;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A coder written out from its formula, without a fast transform. */
class CoderGridTest {
  private static final int LINES = 1024;
  private static final int FRAMES = 20;

  private static double[] noise(int samples) {
    double[] x = SyntheticRoom.noise(FLAT, RATE, samples, 71);
    double loud = AlteredSounds.rms(x, samples);
    return Arrays.stream(x).map(v -> 0.003 * v / loud).toArray();
  }

  private static OptionalDouble dropped(double[] x) {
    FineBands fine = new FineBands(RATE);
    CoderGrid grid = new CoderGrid(RATE, fine);
    fine.add(x, x.length);
    grid.add(x, x.length);
    return grid.dropped();
  }

  private static double phase(int n, int k) {
    return Math.cos(Math.PI / LINES * (n + 0.5 + LINES / 2.0) * (k + 0.5));
  }

  /** Laid into overlapping frames from a sample on, and put together without some of the lines. */
  private static double[] coded(double[] x, int begin, double[] window, double drops) {
    Random random = new Random(72);
    double[] out = x.clone();
    Arrays.fill(out, begin + LINES, begin + FRAMES * LINES, 0);
    for (int f = 0; f < FRAMES; f++) {
      int from = begin + f * LINES;
      for (int k = 0; k < LINES; k++) {
        if (random.nextDouble() < drops) {
          continue;
        }
        double line = 0;
        for (int n = 0; n < 2 * LINES; n++) {
          line += x[from + n] * window[n] * phase(n, k);
        }
        for (int n = 0; n < 2 * LINES; n++) {
          boolean whole = from + n >= begin + LINES && from + n < begin + FRAMES * LINES;
          out[from + n] += whole ? line * window[n] * phase(n, k) * 2 / LINES : 0;
        }
      }
    }
    return Arrays.copyOfRange(out, begin + LINES, begin + FRAMES * LINES);
  }

  @ParameterizedTest(name = "from {0}, {1} dropped, sine {2}")
  @DisplayName("lines that a coder dropped are found, and their share")
  @CsvSource({"0, 0.5, true", "300, 0.3, false"})
  void found(int begin, double drops, boolean sine) {
    double[] window = sine ? Windows.sine(2 * LINES) : Windows.kaiserBessel(2 * LINES, 4);
    double[] coded = coded(noise((FRAMES + 2) * LINES), begin, window, drops);
    // of the lines that were kept, too, eight in a hundred are as faint by chance
    assertThat(dropped(written(coded, 16, true)))
        .hasValueCloseTo(drops + 0.08 * (1 - drops), within(0.07));
  }

  @Test
  @DisplayName("frames from which nothing was dropped do not show, nor does plain noise")
  void whole() {
    double[] x = noise((FRAMES + 2) * LINES);
    assertThat(dropped(written(coded(x, 0, Windows.sine(2 * LINES), 0), 16, true))).isEmpty();
    assertThat(dropped(written(x, 16, true))).isEmpty();
  }

  @Test
  @DisplayName("nor do bins that a reduction moves in frames of another kind")
  void reduction() {
    double[] x = noise(40 * LINES);
    Random random = new Random(73);
    double[] moved =
        AlteredSounds.spectral(x, (power, bin, frame) -> random.nextBoolean() ? 1 : 0.01);
    assertThat(dropped(written(moved, 16, true))).isEmpty();
  }
}
