package nullroom.core.measure.altered;

import static nullroom.core.measure.altered.AlteredSounds.FLAT;
import static nullroom.core.measure.altered.AlteredSounds.RATE;
import static nullroom.core.measure.altered.AlteredSounds.found;
import static nullroom.core.measure.altered.AlteredSounds.gated;
import static nullroom.core.measure.altered.AlteredSounds.kinds;
import static nullroom.core.measure.altered.AlteredSounds.talk;
import static nullroom.core.measure.altered.AlteredSounds.written;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.Optional;
import java.util.Random;
import nullroom.core.measure.altered.Alteration.Kind;
import nullroom.core.signal.Fft;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Sounds that end among the steps of a file. */
class QuickEndsTest {
  @ParameterizedTest(name = "{0} dB over {1} s")
  @DisplayName(
      "a gate that shuts at once, before the noise has stood, is known by how fast it ends")
  @CsvSource({"60, 0.05", "80, 0.08"})
  void quick(double rangeDb, double seconds) {
    double[] x = talk(FLAT, 45, 0.3, 61);
    assertThat(found(written(x, 16, true))).isEmpty();
    assertThat(found(written(gated(x, rangeDb, seconds, 0.03), 16, true)))
        .anySatisfy(a -> {
          assertThat(a.kind()).isEqualTo(Kind.GATE);
          assertThat(a.evidence()).contains("sounds end by 20 dB within 24 ms");
          assertThat(a.fromSeconds()).isBetween(1.5, 3.0);
        });
  }

  @Test
  @DisplayName(
      "noise that stands low over the steps and ends each time from one level was shut off")
  void fromOneLevel() {
    double[] x = talk(FLAT, 54, 0.25, 62);
    assertThat(ends(x)).isEmpty();
    assertThat(ends(gated(x, 60, 0.005, 0.002)))
        .hasValueSatisfying(a -> {
          assertThat(a.kind()).isEqualTo(Kind.GATE);
          assertThat(a.evidence()).contains("each time from the same level, 1");
        });
  }

  @Test
  @DisplayName("sweeps end each time from one level, too, and are no noise that was shut off")
  void sweeps() {
    double[] x = new double[20 * RATE];
    for (int k = 0; k < x.length; k++) {
      double since = k / (double) RATE % 4;
      double octaves = 8 * since / 2;
      double phase = 2 * Math.PI * 60 * 2 / (8 * Math.log(2)) * (Math.pow(2, octaves) - 1);
      x[k] = since < 2 ? 0.3 * Math.pow(10, -octaves / 10) * Math.sin(phase) : 0;
    }
    double[] there = Fft.convolve(x, AlteredSounds.reply(0.05, 60, new Random(64)));
    assertThat(ends(Arrays.copyOf(there, x.length))).isEmpty();
  }

  private static Optional<Alteration> ends(double[] x) {
    double[] y = written(x, 16, true);
    FineBands fine = new FineBands(RATE);
    fine.add(y, y.length);
    return QuickEnds.of(fine);
  }

  @ParameterizedTest
  @DisplayName("a very dead room, where nothing but the steps is left of the noise, is no gate")
  @ValueSource(doubles = {0.03, 0.05, 0.08, 0.1, 0.12, 0.2})
  void dead(double ringSeconds) {
    assertThat(kinds(written(talk(FLAT, 90, ringSeconds, 63), 16, true))).isEmpty();
  }
}
