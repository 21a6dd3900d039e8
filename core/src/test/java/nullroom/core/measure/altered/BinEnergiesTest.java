package nullroom.core.measure.altered;

import static nullroom.core.measure.altered.AlteredSounds.RATE;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import nullroom.core.predict.SyntheticRoom;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** How the energies of single bins scatter: exponentially where the noise is plain. */
class BinEnergiesTest {
  private static BinEnergies.Seen seen(double[] x) {
    FineBands fine = new FineBands(RATE);
    fine.add(x, x.length);
    return fine.energies().seen();
  }

  private static double[] white(double seconds, long seed) {
    Random random = new Random(seed);
    double[] x = new double[(int) (seconds * RATE)];
    for (int k = 0; k < x.length; k++) {
      x[k] = 1e-3 * random.nextGaussian();
    }
    return x;
  }

  @ParameterizedTest
  @DisplayName("of plain noise the energies are spread exponentially (Bendat and Piersol, 8.5)")
  @ValueSource(longs = {1, 2, 3})
  void exponential(long seed) {
    BinEnergies.Seen white = seen(white(20, seed));
    assertThat(white.squares()).isCloseTo(2, within(0.12)); // beside a mean that runs along
    assertThat(Math.exp(white.over())).isCloseTo(Math.exp(-5), within(0.0025));
    assertThat(Math.exp(white.under())).isCloseTo(1 - Math.exp(-0.05), within(0.004));
    assertThat(white.highSquares()).isCloseTo(white.squares(), within(0.03));
  }

  @Test
  @DisplayName("of coloured noise as well")
  void coloured() {
    double[] x = SyntheticRoom.noise(AlteredSounds.NOISE, RATE, 20 * RATE, 5);
    assertThat(seen(x).squares()).isCloseTo(seen(white(20, 1)).squares(), within(0.03));
  }

  @Test
  @DisplayName("half a spectrum later nothing of plain noise is left, of what a gain moves much is")
  void decided() {
    double[] x = white(20, 4);
    BinEnergies.Seen plain = seen(x);
    double[] y = AlteredSounds.spectral(x, (power, bin, block) -> power < 1.5e-3 ? 0.3 : 1);
    BinEnergies.Seen decided = seen(y);
    assertThat(plain.later()).isLessThan(0.05);
    assertThat(decided.later()).isGreaterThan(3 * plain.later());
    assertThat(decided.squares()).isGreaterThan(plain.squares() + 0.2);
    assertThat(decided.under()).isGreaterThan(plain.under() + 0.3);
  }

  @Test
  @DisplayName("nothing is said of digital silence, or of too little")
  void nothing() {
    assertThat(seen(new double[10 * RATE]).traces().toArray()).containsOnly(Double.NaN);
    assertThat(seen(white(0.5, 6)).traces().toArray()).containsOnly(Double.NaN);
  }
}
