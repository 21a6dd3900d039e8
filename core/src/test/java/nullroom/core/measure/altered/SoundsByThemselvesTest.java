package nullroom.core.measure.altered;

import static nullroom.core.measure.altered.AlteredSounds.FLAT;
import static nullroom.core.measure.altered.AlteredSounds.NOISE;
import static nullroom.core.measure.altered.AlteredSounds.RATE;
import static nullroom.core.measure.altered.AlteredSounds.found;
import static nullroom.core.measure.altered.AlteredSounds.gated;
import static nullroom.core.measure.altered.AlteredSounds.kinds;
import static nullroom.core.measure.altered.AlteredSounds.reply;
import static nullroom.core.measure.altered.AlteredSounds.rms;
import static nullroom.core.measure.altered.AlteredSounds.talk;
import static nullroom.core.measure.altered.AlteredSounds.written;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.Random;
import nullroom.core.acoustics.Bands;
import nullroom.core.measure.altered.Alteration.Kind;
import nullroom.core.predict.SyntheticRoom;
import nullroom.core.signal.Fft;
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

  @ParameterizedTest(name = "{0} a second, {1}")
  @DisplayName("what crackles in the pauses jumps up and is gone: it opens no gate")
  @CsvSource({"6, 1", "10, 2", "16, 3", "10, 4"})
  void crackles(double perSecond, int seed) {
    double[] x = talk(FLAT, 90, 0.15, seed);
    Random random = new Random(seed);
    double[] clicks = new double[x.length];
    for (int k = 0; k < perSecond * x.length / RATE; k++) {
      clicks[random.nextInt(x.length)] = 0.06 * random.nextDouble() * random.nextGaussian();
    }
    double[] wet = Fft.convolve(clicks, reply(0.15, 60, random));
    double[] noise = SyntheticRoom.noise(NOISE, RATE, x.length, seed);
    double scale = 0.05 * Math.pow(10, -45 / 20.0) / rms(noise, x.length);
    for (int k = 0; k < x.length; k++) {
      x[k] += wet[k] + scale * noise[k];
    }
    assertThat(found(x)).isEmpty();
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

  @ParameterizedTest(name = "{0}")
  @DisplayName("whistled notes that ring on leave lines in the pauses, but no islands")
  @ValueSource(ints = {1, 2, 3, 4})
  void whistles(int seed) {
    Random random = new Random(seed);
    double[] dry = new double[N];
    for (double t = 0.5; t < 17; t += random.nextDouble(0.3, 3)) {
      double hertz = random.nextDouble(700, 2200);
      double glide = random.nextDouble(-300, 300);
      double lasts = random.nextDouble(0.2, 1.5);
      double phase = 0;
      for (int k = 0; k < lasts * RATE; k++) {
        double at = (double) k / RATE;
        phase += 2 * Math.PI * (hertz * (1 + 0.02 * Math.sin(31 * at)) + glide * at) / RATE;
        double ramp = Math.min(1, Math.min(at, lasts - at) / 0.05);
        dry[(int) (t * RATE) + k] += ramp * (Math.sin(phase) + 0.03 * random.nextGaussian());
      }
      t += lasts;
    }
    double[] wet = Fft.convolve(dry, reply(1.6, 60, random));
    double[] noise = SyntheticRoom.noise(NOISE, RATE, N, seed);
    double loud = rms(wet, N);
    double quiet = rms(noise, N) * Math.pow(10, 45 / 20.0);
    double[] x = new double[N];
    Arrays.setAll(x, k -> 0.05 * (wet[k] / loud + noise[k] / quiet));
    assertThat(found(x)).isEmpty();
  }

  @ParameterizedTest(name = "{0}")
  @DisplayName("noise as soft as the steps of the file is louder where something low shakes them")
  @ValueSource(ints = {1, 2, 3, 4})
  void onTheSteps(int seed) {
    Random random = new Random(seed);
    double[] dry = new double[N];
    for (double t = 0.3; t < 18; t += 0.85) {
      thump(dry, t, 45, 0.05, 1, random);
      thump(dry, t + 0.3, 60, 0.03, 0.6, random);
    }
    double[] wet = Fft.convolve(dry, reply(0.1, 60, random));
    Bands pink = Bands.of(30, 30, 30, 30, 30, 30, 30, 30);
    double[] noise = SyntheticRoom.noise(pink, RATE, N, seed);
    double level = 4.5e-5 / rms(noise, N);
    double[] x = new double[N];
    Arrays.setAll(x, k -> 0.15 * wet[k] + level * noise[k]);
    assertThat(found(written(x, 16, false))).isEmpty();
  }

  private static void thump(
      double[] x, double at, double hertz, double dies, double level, Random random) {
    int from = (int) (at * RATE);
    for (int k = 0; k < 0.3 * RATE; k++) {
      double t = (double) k / RATE;
      x[from + k] +=
          level
              * (Math.sin(2 * Math.PI * hertz * t) * Math.exp(-t / dies)
                  + 0.02 * random.nextGaussian() * Math.exp(-t / dies / 0.3));
    }
  }
}
