package nullroom.core.measure.altered;

import static nullroom.core.measure.altered.AlteredSounds.RATE;
import static nullroom.core.measure.altered.AlteredSounds.claps;
import static nullroom.core.measure.altered.AlteredSounds.found;
import static nullroom.core.measure.altered.AlteredSounds.kinds;
import static nullroom.core.measure.altered.AlteredSounds.spectral;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Random;
import nullroom.core.measure.altered.Alteration.Kind;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Noise that rises before its cause, and noise that somebody took the mean of. */
class CauseTest {
  private static final int BAND_BINS = 64;

  /** Blocks of the beginning that hold nothing but noise. */
  private static final int NOISE_BLOCKS = 8;

  /** Takes the pauses down in broad bands, so that no islands are left. */
  private static double[] softened(double[] x, double byDb) {
    double[][] levels = new double[x.length / 1024 + 1][1024 / BAND_BINS];
    spectral(
        x,
        (power, bin, block) -> {
          levels[block][bin / BAND_BINS] += power;
          return 1;
        });
    double[] noise = new double[1024 / BAND_BINS];
    for (int block = 0; block < NOISE_BLOCKS; block++) {
      for (int band = 0; band < noise.length; band++) {
        noise[band] += levels[block][band] / NOISE_BLOCKS;
      }
    }
    return spectral(
        x,
        (power, bin, block) ->
            levels[block][bin / BAND_BINS] > 3 * noise[bin / BAND_BINS]
                ? 1
                : Math.pow(10, -byDb / 20));
  }

  @ParameterizedTest
  @DisplayName("what works on blocks lets the noise through before the clap that opened it")
  @CsvSource({"6,0.3", "9,0.3", "12,0.3", "9,0.8"})
  void risesBefore(double byDb, double seconds) {
    double[] x = claps(1e-3, seconds);
    assertThat(found(x)).isEmpty();
    assertThat(kinds(softened(x, byDb))).contains(Kind.NOISE_REDUCTION);
    assertThat(found(softened(x, byDb)))
        .anySatisfy(a -> assertThat(a.evidence()).contains("nothing comes before its cause"));
  }

  @ParameterizedTest(name = "in a room of {0} s, {1} dB")
  @DisplayName("noise that has come up, and stands, before a few sounds is enough by itself")
  @CsvSource({"0.2, -12, 21", "0.3, -12, 21"})
  void standsBefore(double seconds, double byDb, long seed) {
    double[] x = AlteredSounds.talk(AlteredSounds.FLAT, 25, seconds, seed);
    assertThat(found(x)).isEmpty();
    double[] y = AlteredSounds.denoised(x, (int) (2.7 * RATE), (int) (3.5 * RATE), byDb);
    assertThat(found(y)).extracting(Alteration::kind).startsWith(Kind.NOISE_REDUCTION);
    assertThat(found(y).getFirst().evidence()).contains("and stands there");
  }

  /** Keys that are touched before they are struck, each touch as it comes. */
  private static double[] keys(long seed) {
    double[] x = new double[14 * RATE];
    Random random = new Random(seed);
    for (int k = 0; k < x.length; k++) {
      x[k] = 1e-4 * random.nextGaussian();
    }
    for (int at = RATE; at < x.length - RATE; at += RATE / 2 + random.nextInt(RATE / 2)) {
      int before = RATE / 1000 * (4 + random.nextInt(20));
      double soft = Math.pow(10, (-40 + 8 * random.nextGaussian()) / 20);
      strike(x, at - before, 0.3 * soft, 0.002 + 0.01 * random.nextDouble(), random);
      strike(x, at, 0.3, 0.03, random);
    }
    return x;
  }

  private static void strike(double[] x, int at, double loud, double seconds, Random random) {
    double low = 0;
    for (int k = 0; k < RATE / 4; k++) {
      low += 0.3 * (random.nextGaussian() - low);
      x[at + k] += loud * low * Math.exp(-k / (seconds * RATE));
    }
  }

  @ParameterizedTest
  @DisplayName("keys that are touched before they are struck have nothing to do with the noise")
  @ValueSource(longs = {1, 2, 3, 4, 5, 6})
  void touched(long seed) {
    assertThat(kinds(keys(seed))).doesNotContain(Kind.NOISE_REDUCTION);
  }

  /** Puts the mean of so many milliseconds in place of what is softer than what sounds. */
  private static double[] averaged(double[] x, double milliseconds) {
    int n = (int) (milliseconds * RATE / 1000);
    double[] y = x.clone();
    double sum = 0;
    double loud = 0;
    for (int k = 0; k < x.length; k++) {
      sum += x[k] - (k >= n ? x[k - n] : 0);
      loud = Math.max(Math.abs(x[k]), loud * 0.9995);
      y[k] = loud < 0.004 ? sum / n : x[k];
    }
    return y;
  }

  @ParameterizedTest
  @DisplayName("a mean over milliseconds in place of each sample leaves gaps in the noise")
  @CsvSource({"6,167", "12,83"})
  void gaps(double milliseconds, int hz) {
    double[] x = averaged(claps(1e-3, 0.3), milliseconds);
    double[] edged = AlteredSounds.spectral(x, (power, bin, frame) -> bin < 450 ? 1 : 1e-4);
    for (double[] y : List.of(x, edged)) {
      assertThat(found(y))
          .anySatisfy(a -> {
            assertThat(a.kind()).isEqualTo(Kind.NOISE_REDUCTION);
            assertThat(a.evidence()).contains("a gap at every " + hz + " Hz");
          });
    }
  }

  @Test
  @DisplayName("the lines of a hum and the swellings of a reflection are no gaps")
  void lines() {
    double[] x = claps(1e-3, 0.3);
    double[] buzz = x.clone();
    double[] reflected = x.clone();
    for (int k = 600; k < x.length; k++) {
      buzz[k] += k % (RATE / 100) == 0 ? 0.03 : 0;
      reflected[k] += 0.9 * x[k - 576];
    }
    assertThat(kinds(buzz)).doesNotContain(Kind.NOISE_REDUCTION);
    assertThat(kinds(reflected)).doesNotContain(Kind.NOISE_REDUCTION);
  }
}
