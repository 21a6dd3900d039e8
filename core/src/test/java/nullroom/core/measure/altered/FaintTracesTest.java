package nullroom.core.measure.altered;

import static nullroom.core.measure.altered.AlteredSounds.FLAT;
import static nullroom.core.measure.altered.AlteredSounds.RATE;
import static nullroom.core.measure.altered.AlteredSounds.found;
import static nullroom.core.measure.altered.AlteredSounds.gated;
import static nullroom.core.measure.altered.AlteredSounds.kinds;
import static nullroom.core.measure.altered.AlteredSounds.talk;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.Random;
import nullroom.core.Progress;
import nullroom.core.acoustics.Bands;
import nullroom.core.measure.altered.Alteration.Kind;
import nullroom.core.predict.SyntheticRoom;
import nullroom.core.signal.SampleSource;
import nullroom.core.signal.Samples;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Devices that leave little behind, and what people and rooms do that looks like them. */
class FaintTracesTest {
  /** Noise that lies high, as of a preamplifier. */
  private static final Bands BRIGHT = Bands.of(2, 4, 6, 8, 11, 16, 22, 26);

  /** Hits of three bands of loudness, none like another, in a room. */
  private static double[] hits() {
    double[] x = new double[12 * RATE];
    Random random = new Random(11);
    double loud = 0;
    double tilt = 0;
    for (int k = 0; k < x.length; k++) {
      int since = k % (2 * RATE) - RATE / 2;
      if (since == 0) {
        loud = 0.5 + 0.4 * random.nextDouble();
        tilt = 0.3 + 0.6 * random.nextDouble();
      }
      double decay = since < 0 ? 0 : Math.pow(10, -3.0 * since / RATE / (0.2 + tilt));
      x[k] = (0.1 * loud * decay + 1e-4) * random.nextGaussian();
    }
    return x;
  }

  private static double[] limited(double[] x, double ceiling) {
    double[] y = x.clone();
    double gain = 1;
    for (int k = 0; k < y.length; k++) {
      gain = Math.min(1, gain * 1.003);
      gain = Math.abs(y[k] * gain) > ceiling ? ceiling / Math.abs(y[k]) : gain;
      y[k] *= gain;
    }
    return y;
  }

  @Test
  @DisplayName("a limiter that only a few claps reach is known by their one height")
  void fewPeaks() {
    double[] x = hits();
    assertThat(found(x)).isEmpty();
    assertThat(kinds(limited(x, 0.2))).containsExactly(Kind.LIMITER);
    assertThat(found(limited(x, 0.2)).getFirst().evidence())
        .contains("sounds that are not as loud", "−14.0 dBFS");
  }

  @Test
  @DisplayName("a limiter over claps that are all the same holds them still where noise moves them")
  void unmoved() {
    double[] x = new double[14 * RATE];
    Random random = new Random(8);
    for (int k = 0; k < x.length; k++) {
      int since = k % (2 * RATE) - RATE / 2;
      double clap = since < 0 ? 0 : Math.sin(0.9 * since * since) * Math.exp(-since / 90.0);
      x[k] = 0.4 * clap + 2e-4 * random.nextGaussian();
    }
    assertThat(kinds(x)).doesNotContain(Kind.LIMITER);
    assertThat(found(limited(x, 0.2)))
        .anySatisfy(a -> {
          assertThat(a.kind()).isEqualTo(Kind.LIMITER);
          assertThat(a.evidence()).contains("7 sounds", "the noise beneath would move them");
        });
  }

  @Test
  @DisplayName("clicks that are all the same, and bursts of one tone, reach no ceiling")
  void same() {
    double[] clicks = new double[12 * RATE];
    double[] bursts = new double[12 * RATE];
    Random random = new Random(2);
    for (int k = 0; k < clicks.length; k++) {
      clicks[k] = (k % RATE == RATE / 2 ? 0.5 : 0) + 1e-5 * random.nextGaussian();
      boolean on = k % RATE < RATE / (2 + k / RATE);
      bursts[k] =
          (on ? 0.5 * Math.sin(2 * Math.PI * 997 * k / RATE) : 0) + 1e-5 * random.nextGaussian();
    }
    assertThat(kinds(clicks)).doesNotContain(Kind.LIMITER);
    assertThat(kinds(bursts)).doesNotContain(Kind.LIMITER);
  }

  @ParameterizedTest(name = "{0} dB over {1} s")
  @DisplayName("a gate that shuts slowly is known by the noise that falls alike in all bands")
  @CsvSource({"12, 0.3", "20, 0.3", "30, 0.25"})
  void slowGate(double rangeDb, double seconds) {
    toldGated(talk(FLAT, 32, 0.2, 21), rangeDb, seconds, 0.007);
  }

  private static void toldGated(double[] x, double rangeDb, double seconds, double threshold) {
    assertThat(found(x)).isEmpty();
    double[] y = gated(x, rangeDb, seconds, threshold);
    assertThat(kinds(y)).containsExactly(Kind.GATE);
    assertThat(found(y).getFirst().evidence())
        .containsPattern("noise (itself .*falls|stands at one level)");
  }

  @ParameterizedTest(name = "{0} dB over {1} s")
  @DisplayName("a gate that shuts while the room rings is known by the highs, free of it already")
  @CsvSource({"12, 0.15", "20, 0.1", "30, 0.05", "40, 0.1"})
  void gateInALiveRoom(double rangeDb, double seconds) {
    toldGated(talk(BRIGHT, 30, 0.8, 27), rangeDb, seconds, 0.008);
  }

  @ParameterizedTest
  @DisplayName("noise that is switched off again and again, to measure a room by it, is no gate")
  @ValueSource(doubles = {0.15, 0.4, 1})
  void switchedOff(double ringSeconds) {
    double[] noise = SyntheticRoom.noise(FLAT, RATE, 16 * RATE, 28);
    for (int k = 0; k < noise.length; k++) {
      int since = k % (4 * RATE) - 2 * RATE;
      noise[k] *= 0.01 * (1e-3 + (since < 0 ? 1 : Math.pow(10, -3.0 * since / RATE / ringSeconds)));
    }
    assertThat(found(noise)).isEmpty();
  }

  @Test
  @DisplayName("noise that swells, knocks beside the talk and breaths before it are no device")
  void people() {
    double[] x = talk(FLAT, 30, 0.2, 22);
    double[] swelling = x.clone();
    double[] knocks = x.clone();
    double[] breaths = x.clone();
    Random random = new Random(5);
    double last = 0;
    for (int k = 0; k < x.length; k++) {
      double t = k / (double) RATE;
      swelling[k] +=
          2e-3 * Math.pow(10, 0.5 * Math.sin(2 * Math.PI * t / 4.1)) * random.nextGaussian();
      double since = t % 1.27;
      knocks[k] += since < 0.3 ? 0.02 * Math.exp(-since / 0.04) * random.nextGaussian() : 0;
      double before = 3.6 - t % 3.6; // every line begins after one
      double fresh = random.nextGaussian();
      double breath = before < 0.55 ? 0.012 * Math.sin(Math.PI * before / 0.55) : 0;
      breaths[k] += breath * (fresh - 0.7 * last);
      last = fresh;
    }
    assertThat(found(swelling)).as("swelling").isEmpty();
    assertThat(found(knocks)).as("knocks").isEmpty();
    assertThat(found(breaths)).as("breaths").isEmpty();
  }

  @ParameterizedTest
  @DisplayName("a gain is known by bands in which noise stands free while the room still rings")
  @ValueSource(doubles = {0.2, 0.4, 0.8})
  void gainInTheHighs(double seconds) {
    double[] x = talk(FLAT, 30, 0.8, 23);
    assertThat(found(x)).isEmpty();
    assertThat(kinds(AlteredSounds.compressed(x, seconds, 4))).containsExactly(Kind.AUTOMATIC_GAIN);
  }

  @ParameterizedTest
  @DisplayName("a gain, however fast, is known by moments softer than the noise of the pauses")
  @ValueSource(doubles = {0.02, 0.05, 0.1})
  void fastGain(double seconds) {
    double[] x = talk(BRIGHT, 35, 0.3, 29);
    assertThat(found(x)).isEmpty();
    double[] y = AlteredSounds.compressed(x, seconds, 6);
    assertThat(kinds(y)).containsExactly(Kind.AUTOMATIC_GAIN);
    assertThat(found(y).getFirst().evidence()).contains("sounds in the air only add up");
  }

  @ParameterizedTest
  @DisplayName("noise reduction that leaves the pauses plain is known by the tails of sounds")
  @ValueSource(doubles = {-12, -14, -18})
  void plainPauses(double floorDb) {
    double[] x = talk(FLAT, 35, 0.5, 24);
    assertThat(found(x)).isEmpty();
    assertThat(kinds(AlteredSounds.denoised(x, (int) (2.7 * RATE), (int) (3.5 * RATE), floorDb)))
        .contains(Kind.NOISE_REDUCTION);
  }

  @Test
  @DisplayName("between the lines of a sung tone there are gaps that no coder made")
  void sung() {
    double[] x = new double[14 * RATE];
    Random random = new Random(6);
    double[] phase = new double[18];
    for (int k = 0; k < x.length; k++) {
      double t = k / (double) RATE;
      double pitch =
          new double[] {660, 784, 880, 587}[(int) (t / 1.1) % 4] * (1 + 0.004 * Math.sin(35 * t));
      double swell = t % 1.1 < 0.8 ? Math.sin(Math.PI * (t % 1.1) / 0.8) : 0;
      for (int h = 1; h < phase.length; h++) {
        phase[h] += 2 * Math.PI * pitch * h / RATE;
        x[k] += 0.1 * swell / h * Math.sin(phase[h]);
      }
      x[k] += 1e-5 * random.nextGaussian();
    }
    assertThat(kinds(x)).doesNotContain(Kind.LOSSY, Kind.NOISE_REDUCTION);
  }

  @ParameterizedTest
  @DisplayName("at any sampling rate an untouched voice is told nothing")
  @ValueSource(ints = {8000, 11_025, 16_000, 22_050, 32_000, 96_000})
  void rates(int rate) {
    double[] x = talk(FLAT, 30, 0.3, 25);
    assertThat( // played slower or faster it is still one
            AlterationMeter.measure(SampleSource.of(new Samples(x, rate)), Progress.NONE)
                .getFirst())
        .isEmpty();
  }

  @Test
  @DisplayName("what is too short to have a quiet part is told nothing of its quiet")
  void shortOnes() {
    double[] x = talk(FLAT, 40, 0.2, 26);
    assertThat(found(Arrays.copyOfRange(x, 4 * RATE / 10, 2 * RATE))).isEmpty();
    assertThat(found(Arrays.copyOf(x, 3 * RATE))).isEmpty();
  }
}
