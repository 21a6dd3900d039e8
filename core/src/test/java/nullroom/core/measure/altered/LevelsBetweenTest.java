package nullroom.core.measure.altered;

import static nullroom.core.measure.altered.AlteredSounds.NOISE;
import static nullroom.core.measure.altered.AlteredSounds.RATE;
import static nullroom.core.measure.altered.AlteredSounds.denoised;
import static nullroom.core.measure.altered.AlteredSounds.found;
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

/** What dies away through the decibels just over the noise. */
class LevelsBetweenTest {
  private static final int SECONDS = 20;
  private static final int PAUSE = (int) (0.1 * RATE);
  private static final int END = (int) (0.9 * RATE);

  /** Syllables of harmonics and of hisses in phrases, in a room, over noise. */
  private static double[] syllables(double ringSeconds, double snrDb, long seed) {
    Random random = new Random(seed);
    double[] dry = new double[SECONDS * RATE];
    double at = 1;
    while (at < SECONDS - 2) {
      for (int k = 2 + random.nextInt(6); k > 0 && at < SECONDS - 2; k--) {
        double seconds = 0.08 + 0.2 * random.nextDouble();
        syllable(dry, (int) (at * RATE), (int) (seconds * RATE), random);
        at += seconds + 0.12 * random.nextDouble();
      }
      at += 0.4 + random.nextDouble();
    }
    double[] wet = Fft.convolve(dry, AlteredSounds.reply(ringSeconds, 60, random));
    double[] noise = SyntheticRoom.noise(NOISE, RATE, dry.length, seed + 9);
    double loud = AlteredSounds.rms(wet, dry.length);
    double quiet = AlteredSounds.rms(noise, dry.length);
    double[] out = new double[dry.length];
    Arrays.setAll(out, k -> 0.05 * (wet[k] / loud + noise[k] / quiet * Math.pow(10, -snrDb / 20)));
    return out;
  }

  private static void syllable(double[] out, int from, int length, Random random) {
    boolean hiss = random.nextInt(4) == 0;
    double pitch = 90 + 130 * random.nextDouble();
    double glide = 1 + 0.3 * random.nextGaussian();
    double[] formants = {
      300 + 500 * random.nextDouble(), 900 + 1500 * random.nextDouble(), 2600, 3600
    };
    double[] strength = new double[60];
    for (int h = 1; h < strength.length; h++) {
      for (double formant : formants) {
        strength[h] += 1 / (0.05 + Math.pow(h * pitch / formant - 1, 2)) / h;
      }
    }
    double phase = 0;
    double before = 0;
    for (int k = 0; k < length && from + k < out.length; k++) {
      double part = (double) k / length;
      double loud = Math.min(1, Math.min(k / (0.015 * RATE), (length - k) / (0.04 * RATE)));
      phase += 2 * Math.PI * pitch * (1 + (glide - 1) * part) / RATE;
      double x = 0;
      if (hiss) {
        double white = random.nextGaussian();
        x = 3 * (white - before);
        before = white;
      } else {
        for (int h = 1; h < strength.length && h * pitch < 10_000; h++) {
          x += strength[h] * Math.sin(h * phase);
        }
      }
      out[from + k] += loud * loud * x;
    }
  }

  private static Optional<String> told(double[] x, double rate) {
    SpectraSeen spectra = new SpectraSeen(rate);
    spectra.add(x, x.length);
    return spectra.linesBetween().told(false);
  }

  @ParameterizedTest(name = "{0} s, {1} dB over the noise, {2} dB")
  @DisplayName("a reduction hurries what is near the noise through the levels over it")
  @CsvSource({"0.5, 30, -15, 71", "0.8, 40, -12, 71", "0.8, 30, -12, 77", "0.8, 35, -15, 72"})
  void reduced(double seconds, double snrDb, double floorDb, long seed) {
    double[] x = syllables(seconds, snrDb, seed);
    double[] y = denoised(x, PAUSE, END, floorDb);
    assertThat(told(x, RATE)).isEmpty();
    assertThat(found(x)).isEmpty();
    assertThat(told(y, RATE))
        .hasValueSatisfying(t -> assertThat(t).contains("as slowly near the noise"));
    assertThat(found(y)).extracting(Alteration::kind).contains(Kind.NOISE_REDUCTION);
  }

  @ParameterizedTest(name = "{0} s, {1} dB over the noise")
  @DisplayName("a voice that ends fast in a dead room is short near the noise, but no narrower")
  @CsvSource({"0.05, 40, 74", "0.1, 25, 75", "0.2, 30, 71", "0.3, 25, 71", "0.3, 45, 76"})
  void ownEnds(double seconds, double snrDb, long seed) {
    double[] x = syllables(seconds, snrDb, seed);
    assertThat(told(x, RATE)).isEmpty();
    assertThat(found(x)).isEmpty();
  }

  @Test
  @DisplayName(
      "of noise alone, of tones, of noise that comes and goes, of a moment nothing is said")
  void nothing() {
    int n = 12 * RATE;
    double[] noise = SyntheticRoom.noise(NOISE, RATE, n, 81);
    double[] tones = noise.clone();
    double[] gusts = noise.clone();
    double rms = AlteredSounds.rms(noise, n);
    for (int k = 0; k < n; k++) {
      double seconds = (double) k / RATE;
      boolean sounds = seconds > 3 && seconds % 1.5 < 0.8;
      for (int h = 1; h < 12; h++) {
        tones[k] += sounds ? 30 * rms / h * Math.sin(2 * Math.PI * 440 * h * seconds) : 0;
      }
      gusts[k] *= Math.pow(10, 1.5 * Math.max(0, Math.sin(seconds)));
    }
    assertThat(told(noise, RATE)).isEmpty();
    assertThat(told(tones, RATE)).isEmpty();
    assertThat(told(gusts, RATE)).isEmpty();
    assertThat(told(Arrays.copyOf(noise, RATE / 4), RATE)).isEmpty();
    assertThat(told(new double[n], RATE)).isEmpty();
    assertThat(told(noise, 8000)).isEmpty();
  }
}
