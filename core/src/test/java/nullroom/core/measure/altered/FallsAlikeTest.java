package nullroom.core.measure.altered;

import static nullroom.core.measure.altered.AlteredSounds.FLAT;
import static nullroom.core.measure.altered.AlteredSounds.RATE;
import static nullroom.core.measure.altered.AlteredSounds.kinds;
import static nullroom.core.measure.altered.AlteredSounds.reply;
import static nullroom.core.measure.altered.AlteredSounds.talk;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.Random;
import nullroom.core.Quantile;
import nullroom.core.acoustics.Bands;
import nullroom.core.measure.altered.Alteration.Kind;
import nullroom.core.predict.SyntheticRoom;
import nullroom.core.signal.Fft;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Noise that falls in all bands at once, and noise that comes and goes by itself. */
class FallsAlikeTest {
  private static final double LINE_SECONDS = 3.6;
  private static final double SOUND = 0.003;
  private static final double PAUSE_AT = 2.2;
  private static final double PAUSE_SECONDS = 1.4;

  @ParameterizedTest(name = "{0} dB over {1} s")
  @DisplayName("a gate that is hardly ever shut is known by the few moments at which it is")
  @CsvSource({"12, 0.12", "24, 0.15", "24, 0.08"})
  void hardlyShut(double rangeDb, double seconds) {
    double[] x = shortPauses(talk(FLAT, 32, 0.2, 41), 0, 1);
    assertThat(kinds(x)).isEmpty();
    assertThat(kinds(shortPauses(talk(FLAT, 32, 0.2, 41), rangeDb, seconds)))
        .containsExactly(Kind.GATE);
  }

  @ParameterizedTest(name = "{0} dB over the noise, that falls by {1} dB an octave")
  @DisplayName("of a file whose steps fill the highs the lows are enough")
  @CsvSource({"44, 1", "36, 2"})
  void onSteps(double snrDb, double slopeDb) {
    double[] levels = new double[8];
    Arrays.setAll(levels, k -> 30 - slopeDb * k);
    double[] x = talk(Bands.of(levels), snrDb, 0.2, 61);
    assertThat(kinds(AlteredSounds.written(x, 16, true))).isEmpty();
    double[] y = AlteredSounds.gated(x, 20, 0.15, 0.3 * Math.pow(10, -snrDb / 20));
    assertThat(kinds(AlteredSounds.written(y, 16, true))).containsExactly(Kind.GATE);
  }

  /** Pauses of half a second, at whose ends all falls by so much over so long. */
  private static double[] shortPauses(double[] x, double rangeDb, double seconds) {
    int block = RATE / 100;
    double[] out = new double[x.length];
    int length = 0;
    int quiet = 0;
    for (int from = 0; from + block <= x.length; from += block) {
      double loud = AlteredSounds.rms(Arrays.copyOfRange(x, from, from + block), block);
      if (loud > SOUND && quiet > 0) {
        int shuts = length - Math.min(quiet, (int) ((seconds + 0.1) * RATE));
        for (int k = shuts; k < length; k++) {
          double part = Math.min(1, (k - shuts) / (seconds * RATE));
          out[k] *= Math.pow(10, -rangeDb * part / 20);
        }
      }
      quiet = loud > SOUND ? 0 : quiet + block;
      if (quiet < RATE / 2) {
        System.arraycopy(x, from, out, length, block);
        length += block;
      }
    }
    return Arrays.copyOf(out, length);
  }

  @ParameterizedTest(name = "{0} s")
  @DisplayName("keys and knocks have the colour of the noise, and end like it now and then")
  @ValueSource(doubles = {0.2, 0.5, 0.8, 1.3})
  void knocks(double ringSeconds) {
    Random random = new Random(42);
    double[] dry = new double[24 * RATE];
    for (int at = RATE / 2;
        at < dry.length - RATE;
        at += (int) (RATE * random.nextDouble(0.2, 2))) {
      double loud = random.nextDouble(0.05, 1);
      double dies = random.nextDouble(200, 4000);
      for (int k = 0; k < RATE / 2; k++) {
        dry[at + k] += loud * random.nextGaussian() * Math.exp(-k / dies);
      }
    }
    double[] x = Fft.convolve(dry, reply(ringSeconds, 90, random));
    double[] noise = SyntheticRoom.noise(FLAT, RATE, dry.length, 43);
    double quiet = AlteredSounds.rms(noise, dry.length);
    double loudest = AlteredSounds.rms(x, dry.length);
    double[] out = new double[dry.length];
    for (int k = 0; k < out.length; k++) {
      out[k] = 0.05 * (x[k] / loudest + noise[k] / quiet * 0.01);
    }
    assertThat(kinds(out)).doesNotContain(Kind.GATE);
  }

  @Test
  @DisplayName("what drives by between the lines leaves each pause at a level of its own: no gain")
  void drivingBy() {
    double[] x = talk(FLAT, 40, 0.2, 44);
    double[] passing = SyntheticRoom.noise(FLAT, RATE, x.length, 45);
    double quiet = AlteredSounds.rms(passing, x.length);
    double[] toDb = {-45, -60, -38, -52, -41};
    for (int line = 0; line < toDb.length; line++) {
      int from = (int) ((line * LINE_SECONDS + PAUSE_AT + 0.2) * RATE);
      int rows = (int) ((PAUSE_SECONDS - 0.2) * RATE);
      for (int k = 0; k < rows && from + k < x.length; k++) {
        double level = Math.pow(10, toDb[line] / 20) * Math.pow((double) k / rows, 1.5);
        x[from + k] += level * passing[from + k] / quiet;
      }
    }
    assertThat(kinds(x)).isEmpty();
  }

  @ParameterizedTest(name = "still for {0} of the time, {1} s, {2} dB over the noise")
  @DisplayName("cloth that rubs comes and goes by itself: no gain, and no islands of tones")
  @CsvSource({"0.5, 0.15, 40, 2", "0.7, 0.1, 80, 15", "0.3, 0.3, 60, 3"})
  void cloth(double still, double ringSeconds, double snrDb, int seed) {
    Random random = new Random(seed);
    double[] pressed = new double[20 * RATE];
    double slow = 0;
    for (int k = 0; k < pressed.length; k++) {
      slow = slow * 0.9995 + random.nextGaussian() * 0.03;
      pressed[k] = Math.abs(slow);
    }
    double least = Quantile.of(pressed, still);
    double[] dry = new double[pressed.length];
    for (int k = 0; k < dry.length; k++) {
      dry[k] = 0.1 * random.nextGaussian() * Math.max(0, pressed[k] - least);
    }
    double[] x = Fft.convolve(dry, reply(ringSeconds, 90, random));
    double loud = AlteredSounds.rms(x, dry.length);
    double noise = Math.pow(10, -snrDb / 20);
    double[] out = new double[dry.length];
    for (int k = 0; k < out.length; k++) {
      out[k] = 0.05 * (x[k] / loud + noise * random.nextGaussian());
    }
    assertThat(kinds(out)).isEmpty();
  }
}
