package nullroom.core.measure.altered;

import static nullroom.core.measure.altered.AlteredSounds.FLAT;
import static nullroom.core.measure.altered.AlteredSounds.RATE;
import static nullroom.core.measure.altered.AlteredSounds.kinds;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Random;
import java.util.function.DoubleUnaryOperator;
import nullroom.core.measure.altered.Alteration.Kind;
import nullroom.core.predict.SyntheticRoom;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

/** Noise that swells by itself. */
class EbbsTest {
  private static final int AHEAD = 3 * RATE;
  private static final int EVERY = 2 * RATE;
  private static final int KNOCKS = 5;

  /** Knocks behind which the noise comes up, by 5 dB; in one pause it goes again. */
  private static List<Kind> told(DoubleUnaryOperator aheadDb) {
    int all = AHEAD + KNOCKS * EVERY;
    double[] noise = SyntheticRoom.noise(FLAT, RATE, all, 81);
    Random random = new Random(82);
    double rms = AlteredSounds.rms(noise, all);
    double[] x = new double[all];
    for (int k = 0; k < all; k++) {
      int since = k - AHEAD;
      double seconds = since % EVERY / (double) RATE;
      double goes = since / EVERY == 1 ? 5 * Math.max(0, Math.min(1, 2.2 * (seconds - 1.3))) : 0;
      double db =
          since < 0
              ? aheadDb.applyAsDouble(k / (double) RATE)
              : -5 * Math.exp(-seconds / 0.4) - goes;
      double knock = since < 0 ? 0 : 0.3 * Math.pow(10, -10 * seconds) * random.nextGaussian();
      x[k] = (0.002 * noise[k] / rms + knock) * Math.pow(10, db / 20);
    }
    return kinds(x);
  }

  @Test
  @DisplayName("noise that ebbs before anything sounded is moved by no gain")
  void ahead() {
    assertThat(told(t -> 0)).containsExactly(Kind.AUTOMATIC_GAIN);
    assertThat(told(t -> -2 * t)).isEmpty();
    assertThat(told(t -> -4 * Math.cos(Math.PI * t / 1.5))).isEmpty();
  }
}
