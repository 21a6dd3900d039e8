package nullroom.core.measure.altered;

import static nullroom.core.measure.altered.AlteredSounds.RATE;
import static nullroom.core.measure.altered.AlteredSounds.found;
import static nullroom.core.measure.altered.AlteredSounds.kinds;
import static nullroom.core.measure.altered.AlteredSounds.talk;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.Random;
import nullroom.core.acoustics.Bands;
import nullroom.core.measure.altered.Alteration.Kind;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A gate whose threshold lies in the noise, and noise that moves by itself. */
class FlutterTest {
  private static final double SNR_DB = 30;

  /** Noise that falls with height, less than a voice does. */
  private static final Bands FALLING = Bands.of(34, 30, 26, 22, 18, 14, 10, 6);

  /**
   * Takes all down, by a ratio, while the lows are softer than so much over the noise of a pause.
   */
  private static double[] expanded(double[] x, double overNoiseDb, double ratio, double rangeDb) {
    double[] lows = x.clone();
    for (int k = 1; k < x.length; k++) {
      lows[k] = lows[k - 1] + 0.03 * (x[k] - lows[k - 1]);
    }
    double[] pause = Arrays.copyOfRange(lows, 11 * RATE / 4, 13 * RATE / 4);
    double threshold = AlteredSounds.rms(pause, pause.length) * Math.pow(10, overNoiseDb / 20);
    double[] y = x.clone();
    double follow = threshold * threshold;
    for (int k = 0; k < x.length; k++) {
      follow += (lows[k] * lows[k] - follow) / (0.01 * RATE);
      double under = Math.max(0, 20 * Math.log10(threshold / Math.sqrt(follow)));
      y[k] *= Math.pow(10, -Math.min(rangeDb, under * (ratio - 1)) / 20);
    }
    return y;
  }

  @ParameterizedTest(name = "{0} dB over the noise, ratio {1}, by {2} dB")
  @DisplayName("a gate that flutters in the noise is known by jumps that are alike in all bands")
  @CsvSource({"3, 3, 40", "2, 4, 20", "4, 2.5, 30"})
  void flutters(double overNoiseDb, double ratio, double rangeDb) {
    double[] x = talk(FALLING, SNR_DB, 0.3, 51);
    assertThat(kinds(x)).isEmpty();
    assertThat(found(expanded(x, overNoiseDb, ratio, rangeDb)))
        .anySatisfy(a -> {
          assertThat(a.kind()).isEqualTo(Kind.GATE);
          assertThat(a.evidence()).contains("jumps", "alike in all bands");
        });
  }

  @Test
  @DisplayName("what crackles or is rubbed in the pauses has a colour of its own: no gate")
  void crackles() {
    double[] x = talk(FALLING, SNR_DB, 0.3, 52);
    Random random = new Random(53);
    double low = 0;
    double pressed = 0;
    for (int k = 0; k < x.length; k++) {
      pressed = pressed * 0.999 + 0.04 * random.nextGaussian();
      low += 0.4 * (random.nextGaussian() - low);
      x[k] += 0.002 * Math.abs(pressed) * low;
    }
    assertThat(kinds(x)).doesNotContain(Kind.GATE);
  }
}
