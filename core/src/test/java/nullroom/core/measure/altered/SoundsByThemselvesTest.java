package nullroom.core.measure.altered;

import static nullroom.core.measure.altered.AlteredSounds.FLAT;
import static nullroom.core.measure.altered.AlteredSounds.NOISE;
import static nullroom.core.measure.altered.AlteredSounds.RATE;
import static nullroom.core.measure.altered.AlteredSounds.found;
import static nullroom.core.measure.altered.AlteredSounds.gated;
import static nullroom.core.measure.altered.AlteredSounds.kinds;
import static nullroom.core.measure.altered.AlteredSounds.rms;
import static nullroom.core.measure.altered.AlteredSounds.talk;
import static nullroom.core.measure.altered.AlteredSounds.written;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.Random;
import nullroom.core.measure.altered.Alteration.Kind;
import nullroom.core.predict.SyntheticRoom;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Sounds that do by themselves what a device does: that beat, crackle, or end at once. */
class SoundsByThemselvesTest {
  private static final int N = 20 * RATE;

  @ParameterizedTest(name = "{0} blades a second, by {1}, {2}")
  @DisplayName("a fan's blades beat in its noise; a gate that opens in it keeps no time")
  @CsvSource({"16.5, 0.4, 1", "7.3, 0.45, 2", "12, 0.45, 3", "21, 0.5, 4"})
  void beats(double perSecond, double depth, int seed) {
    double[] x = talk(FLAT, 90, 0.1, seed);
    double[] noise = SyntheticRoom.noise(FLAT, RATE, x.length, seed);
    double scale = 0.05 * Math.pow(10, -35 / 20.0) / rms(noise, x.length);
    for (int k = 0; k < x.length; k++) {
      x[k] += scale * noise[k] * (1 + depth * Math.sin(2 * Math.PI * perSecond * k / RATE));
    }
    assertThat(found(x)).isEmpty();
  }

  @ParameterizedTest(name = "{0} s")
  @DisplayName("noise that crackles is up for a moment and gone; who opens a gate holds it open")
  @CsvSource({"0.006, false", "0.1, true"})
  void crackles(double seconds, boolean told) {
    double[] x = talk(FLAT, 90, 0.1, 5);
    double[] noise = SyntheticRoom.noise(FLAT, RATE, x.length, 6);
    double scale = 0.05 * Math.pow(10, -45 / 20.0) / rms(noise, x.length);
    Random random = new Random(7);
    double up = 0;
    for (int k = 0; k < x.length; k++) {
      boolean begins = random.nextDouble() < 30.0 / RATE;
      up = begins ? 6 * random.nextDouble() : up * Math.exp(-1 / seconds / RATE);
      x[k] += scale * noise[k] * (1 + up);
    }
    FineBands fine = new FineBands(RATE);
    fine.add(x, x.length);
    assertThat(Flutter.of(fine, Pauses.of(fine)).isPresent()).isEqualTo(told);
  }

  @ParameterizedTest
  @DisplayName("in the open air sounds end at once, each from its own level; in a gate from one")
  @ValueSource(ints = {1, 2, 3, 4})
  void openAir(int seed) {
    Random random = new Random(seed);
    double[] burst = SyntheticRoom.noise(NOISE, RATE, N, seed);
    double[] noise = SyntheticRoom.noise(NOISE, RATE, N, seed + 9);
    double[] x = new double[N];
    for (int at = RATE; at < N - 3 * RATE; at += (int) (random.nextDouble(0.5, 2) * RATE)) {
      double level = 0.1 * Math.pow(10, -random.nextDouble(30) / 20) / rms(burst, N);
      int end = at + (int) (random.nextDouble(0.2, 2) * RATE);
      for (; at < end; at++) {
        x[at] = level * burst[at];
      }
    }
    double quiet = 3e-5 / rms(noise, N);
    for (int k = 0; k < N; k++) {
      x[k] += quiet * noise[k];
    }
    assertThat(found(x)).isEmpty();
    assertThat(found(written(x, 16, true))).isEmpty();
    assertThat(kinds(gated(talk(40, 0.3, seed), 60, 0.015, 0.01))).contains(Kind.GATE);
  }

  @ParameterizedTest(name = "{0}")
  @DisplayName("a fan switched on and off three times while somebody talks is let by no gate")
  @ValueSource(ints = {1, 2, 3, 4})
  void switched(int seed) {
    Random random = new Random(seed);
    double[] x = talk(FLAT, 80, 0.25, seed);
    double[] fan = SyntheticRoom.noise(FLAT, RATE, x.length, seed + 1);
    double level = 0.05 * Math.pow(10, -30 / 20.0) / rms(fan, x.length);
    for (int on : new int[] {0, 1, 3}) {
      int from = (int) ((3.6 * on + random.nextDouble(0.3, 0.8)) * RATE);
      int to = (int) ((3.6 * on + random.nextDouble(1.4, 2)) * RATE);
      for (int k = from; k < to; k++) {
        x[k] += level * fan[k];
      }
    }
    assertThat(found(x)).isEmpty();
  }

  @ParameterizedTest(name = "{0} beside, {1} dB, {2} from one to the next")
  @DisplayName("lines that follow one another are whistled, unless hardly anything else is left")
  @CsvSource({"0.35, 6.2, 0.08, false", "0.35, 6.2, 0.03, true", "0.62, 9.2, 0.098, true"})
  void whistled(double beside, double scatterDb, double following, boolean told) {
    assertThat(new QuietTexture(beside, 0.25, scatterDb, following, 5).isWorkedOn())
        .isEqualTo(told);
  }
}
