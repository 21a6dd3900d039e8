package nullroom.core.measure.altered;

import static nullroom.core.measure.altered.AlteredSounds.FLAT;
import static nullroom.core.measure.altered.AlteredSounds.RATE;
import static nullroom.core.measure.altered.AlteredSounds.claps;
import static nullroom.core.measure.altered.AlteredSounds.found;
import static nullroom.core.measure.altered.AlteredSounds.reply;
import static nullroom.core.measure.altered.AlteredSounds.rms;
import static nullroom.core.measure.altered.AlteredSounds.talk;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.Random;
import nullroom.core.acoustics.Bands;
import nullroom.core.predict.SyntheticRoom;
import nullroom.core.signal.Fft;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Untouched sounds that come out of formulas: steadier, and more alike, than a room's. */
class MadeSoundsTest {
  private static final int N = 20 * RATE;

  @ParameterizedTest(name = "{0} times a second, by {1}, beside {2}, {3}")
  @DisplayName("noise that swells and ebbs under whatever sounds is moved by no gain and no gate")
  @CsvSource({
    "0.3, 0.4, claps, 1",
    "0.7, 0.4, claps, 2",
    "1.9, 0.3, claps, 3",
    "3.3, 0.35, claps, 4",
    "0.4, 0.4, thuds, 5",
    "2.3, 0.35, thuds, 6",
    "0.5, 0.4, talk, 7",
    "1.3, 0.4, talk, 8",
    "2.9, 0.3, talk, 9",
    "1.55, 0.25, claps, 61",
    "1.51, 0.42, talk, 111",
    "1.51, 0.32, thuds, 113",
    "1.54, 0.32, thuds, 50"
  })
  void swelling(double perSecond, double depth, String beside, int seed) {
    double[] x =
        switch (beside) {
          case "claps" -> claps(0, 0.4);
          case "thuds" -> thuds(seed);
          default -> talk(FLAT, 90, 0.3, seed);
        };
    double loud = rms(x, x.length);
    double[] noise = SyntheticRoom.noise(FLAT, RATE, x.length, seed + 1);
    double quiet = rms(noise, x.length);
    for (int k = 0; k < x.length; k++) {
      double swell = 1 + depth * Math.sin(2 * Math.PI * perSecond * k / RATE + seed);
      x[k] = 0.05 * (x[k] / loud + 0.06 * swell * noise[k] / quiet);
    }
    assertThat(found(x)).isEmpty();
  }

  @ParameterizedTest(name = "{0} syllables a second, {1} dB over the noise, {2}")
  @DisplayName(
      "syllables of noise that swell up quickly are their own noise, not what a gate lets by")
  @CsvSource({"4, 45, 3", "5, 40, 3", "5, 45, 8", "6, 33, 4", "6, 45, 6"})
  void ramps(double perSecond, double snrDb, int seed) {
    assertThat(found(rampedNoise(perSecond, snrDb, seed))).isEmpty();
  }

  private static double[] rampedNoise(double perSecond, double snrDb, int seed) {
    Random random = new Random(seed);
    double[] dry = SyntheticRoom.noise(AlteredSounds.NOISE, RATE, N, seed);
    int at = 0;
    while (at < N) {
      int pause = (int) (random.nextDouble(0.6, 2) * RATE);
      Arrays.fill(dry, at, Math.min(N, at + pause), 0);
      at += pause;
      int line = (int) (random.nextDouble(0.8, 3) * RATE);
      for (int k = 0; k < line && at + k < N; k++) {
        dry[at + k] *= Math.pow(Math.max(0, Math.sin(Math.PI * perSecond * k / RATE)), 2);
      }
      at += line;
    }
    double[] wet = Fft.convolve(dry, reply(0.4, 60, random));
    double loud = rms(wet, N);
    double[] noise = SyntheticRoom.noise(AlteredSounds.NOISE, RATE, N, seed + 1);
    double quiet = rms(noise, N);
    double[] out = new double[N];
    for (int k = 0; k < N; k++) {
      out[k] = 0.05 * (wet[k] / loud + noise[k] / quiet * Math.pow(10, -snrDb / 20));
    }
    return out;
  }

  private static double[] thuds(int seed) {
    Random random = new Random(seed);
    double[] dry = new double[N];
    for (int at = RATE / 2; at < N - RATE; at += (int) (RATE * random.nextDouble(0.4, 0.9))) {
      double low = 0;
      double loud = random.nextDouble(0.3, 1);
      double dies = random.nextDouble(0.01, 0.06) * RATE;
      for (int k = 0; k < 0.3 * RATE; k++) {
        low = 0.97 * low + 0.03 * random.nextGaussian();
        dry[at + k] += loud * low * Math.exp(-k / dies);
      }
    }
    return Arrays.copyOf(Fft.convolve(dry, reply(0.4, 60, random)), N);
  }

  @ParameterizedTest(name = "in a room of {0} s, {1} dB over the noise, {2}")
  @DisplayName("a voice made of lines that never waver is no worse for it")
  @CsvSource({
    "0.05, 30, 2",
    "0.1, 30, 2",
    "0.3, 30, 2",
    "0.3, 30, 3",
    "0.3, 30, 5",
    "0.3, 40, 2",
    "0.3, 40, 4"
  })
  void lines(double ringSeconds, double snrDb, int seed) {
    assertThat(found(voice(ringSeconds, AlteredSounds.NOISE, snrDb, seed))).isEmpty();
  }

  /** Syllables of four formants, each with a pitch that glides, and some with pauses behind. */
  private static double[] voice(double ringSeconds, Bands colour, double snrDb, int seed) {
    Random random = new Random(seed);
    double[] dry = new double[N];
    double at = 0.4;
    while (at < 18.5) {
      for (int syllable = 1 + random.nextInt(6); syllable > 0; syllable--) {
        int length = (int) (random.nextDouble(0.1, 0.3) * RATE);
        if (at * RATE + length < N) {
          syllable(dry, (int) (at * RATE), length, random);
        }
        at += length / (double) RATE + random.nextDouble(0, 0.12);
      }
      at += random.nextDouble(0.5, 1.5);
    }
    double[] wet = Fft.convolve(dry, reply(ringSeconds, 60, random));
    double loud = rms(wet, N);
    double[] noise = SyntheticRoom.noise(colour, RATE, N, seed + 1);
    double quiet = rms(noise, N);
    double[] out = new double[N];
    for (int k = 0; k < N; k++) {
      out[k] = 0.05 * (wet[k] / loud + noise[k] / quiet * Math.pow(10, -snrDb / 20));
    }
    return out;
  }

  private static void syllable(double[] dry, int at, int length, Random random) {
    double pitch = random.nextDouble(90, 240);
    double glide = random.nextDouble(0.7, 1.3);
    double loud = Math.pow(10, random.nextDouble(-12, 0) / 20);
    double[] formants = {random.nextDouble(300, 800), random.nextDouble(900, 2400), 2600, 3600};
    double[] lines = new double[(int) (10_000 / pitch)];
    for (int h = 1; h < lines.length; h++) {
      for (double formant : formants) {
        lines[h] += 1 / (0.05 + Math.pow(h * pitch / formant - 1, 2)) / Math.sqrt(h);
      }
    }
    double all = Math.sqrt(Arrays.stream(lines).map(l -> l * l).sum());
    double phase = 0;
    for (int k = 0; k < length; k++) {
      phase += 2 * Math.PI * pitch * (1 + (glide - 1) * k / length) / RATE;
      double swell = Math.min(1, Math.min(k / (0.005 * RATE), (length - k) / (0.08 * RATE)));
      for (int h = 1; h < lines.length; h++) {
        dry[at + k] += loud * swell * lines[h] / all * Math.sin(h * phase + h * h);
      }
    }
  }
}
