package nullroom.core.measure.altered;

import static nullroom.core.measure.altered.AlteredSounds.FLAT;
import static nullroom.core.measure.altered.AlteredSounds.NOISE;
import static nullroom.core.measure.altered.AlteredSounds.RATE;
import static nullroom.core.measure.altered.AlteredSounds.kinds;
import static nullroom.core.measure.altered.AlteredSounds.talk;
import static nullroom.core.measure.altered.AlteredSounds.written;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.Optional;
import java.util.Random;
import nullroom.core.measure.altered.Alteration.Kind;
import nullroom.core.predict.SyntheticRoom;
import nullroom.core.signal.Fft;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Noise that stands behind sounds, and then goes. */
class NoiseStopsTest {
  private static final int N = 20 * RATE;

  private static Optional<Alteration> stops(double[] x) {
    FineBands fine = new FineBands(RATE);
    fine.add(x, x.length);
    return NoiseStops.of(fine);
  }

  /**
   * Knocks in a room, three seconds apart, over noise.
   *
   * @param heldSeconds behind each the noise is as it is, and then goes
   * @param dbPerSecond so fast; 0 where it stays
   */
  private static double[] knocks(double heldSeconds, double dbPerSecond) {
    double[] noise = SyntheticRoom.noise(NOISE, RATE, N, 71);
    double[] knock = AlteredSounds.reply(0.3, 60, new Random(72));
    double rms = AlteredSounds.rms(noise, N);
    double[] out = new double[N];
    for (int k = 0; k < N; k++) {
      int since = k % (3 * RATE);
      double gone = Math.max(0, (double) since / RATE - heldSeconds) * dbPerSecond;
      double sum = 0.002 * noise[k] / rms + (since < knock.length ? knock[since] : 0);
      out[k] = 0.5 * sum * Math.pow(10, -Math.min(120, gone) / 20);
    }
    return out;
  }

  @ParameterizedTest(name = "{0} s, {1} dB a second")
  @DisplayName("a gate that shuts slowly, down to nothing, is known by the noise that stood before")
  @CsvSource({"0.7, 20", "0.7, 60", "0.8, 150", "0.6, 400"})
  void shuts(double heldSeconds, double dbPerSecond) {
    double[] x = written(knocks(heldSeconds, dbPerSecond), 16, false);
    assertThat(stops(x))
        .hasValueSatisfying(a -> {
          assertThat(a.kind()).isEqualTo(Kind.GATE);
          assertThat(a.evidence()).contains("noise stands at one level for a moment");
          assertThat(a.fromSeconds() % 3).isBetween(0.2, 1.0);
        });
    assertThat(kinds(x)).contains(Kind.GATE);
  }

  @Test
  @DisplayName("noise that stays is that of a room, and what dies away slowly has not stood")
  void byItself() {
    assertThat(stops(written(knocks(0, 0), 16, false))).isEmpty();
    for (double dbPerSecond : new double[] {5, 8, 12, 16}) {
      assertThat(stops(knocks(0, dbPerSecond))).isEmpty();
    }
    assertThat(stops(talk(FLAT, 45, 0.3, 73))).isEmpty();
    assertThat(stops(talk(FLAT, 30, 1.2, 74))).isEmpty();
  }

  @Test
  @DisplayName("notes that are held, each struck first, stand stiller than noise, and end")
  void notes() {
    double[] x = new double[N];
    for (int k = 0; k < N; k++) {
      double since = k / (double) RATE % 2;
      double loud = since < 0.05 ? 1 : since < 1 ? 0.2 : 0;
      for (int h = 1; h < 40; h++) {
        x[k] += 0.02 * loud * Math.sin(2 * Math.PI * 220 * h * since + h * h);
      }
    }
    double[] there = Fft.convolve(x, AlteredSounds.reply(0.4, 60, new Random(75)));
    assertThat(stops(written(Arrays.copyOf(there, N), 16, true))).isEmpty();
  }

  @Test
  @DisplayName("breath that goes with some notes is no gate's noise: the others have none")
  void breath() {
    double[] x = knocks(0.7, 60);
    assertThat(stops(written(x, 16, false))).isPresent();
    for (int k = 0; k < N; k++) {
      double since = k / (double) RATE % 3;
      if (since > 1.9 && since < 2.7) {
        for (int h = 1; h <= 12; h++) { // up to 3.6 kHz
          x[k] += 0.01 * Math.sin(Math.PI * (since - 1.9) / 0.8) * Math.sin(1900 * h * since);
        }
      }
    }
    assertThat(stops(written(x, 16, false))).isEmpty();
  }
}
