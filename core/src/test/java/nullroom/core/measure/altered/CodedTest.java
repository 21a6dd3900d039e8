package nullroom.core.measure.altered;

import static nullroom.core.measure.altered.AlteredSounds.FLAT;
import static nullroom.core.measure.altered.AlteredSounds.RATE;
import static nullroom.core.measure.altered.AlteredSounds.denoised;
import static nullroom.core.measure.altered.AlteredSounds.found;
import static nullroom.core.measure.altered.AlteredSounds.kinds;
import static nullroom.core.measure.altered.AlteredSounds.spectral;
import static nullroom.core.measure.altered.AlteredSounds.talk;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.Random;
import nullroom.core.measure.altered.Alteration.Kind;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What coders of music do, beside what devices do before them. */
class CodedTest {
  private static final int EDGE_BIN = 450;

  /** Takes down some bins while something sounds. */
  private static final class WhileSounding implements AlteredSounds.Gain {
    private static final int VOICE_BIN = 250;
    private final int fromBin;
    private final int toBin;
    private final double gain;
    private double heard;

    private WhileSounding(int fromBin, int toBin, double gain) {
      this.fromBin = fromBin;
      this.toBin = toBin;
      this.gain = gain;
    }

    @Override
    public double of(double power, int bin, int frame) {
      heard = (bin == 1 ? 0 : heard) + (bin < VOICE_BIN ? power : 0);
      return bin >= fromBin && bin < toBin && heard > 1 ? gain : 1;
    }
  }

  @Test
  @DisplayName("a coder saves beside a voice over 11 kHz; a gain takes other bands down, too")
  void saved() {
    double[] x = talk(FLAT, 35, 0.3, 31);
    assertThat(kinds(x)).isEmpty();
    assertThat(kinds(spectral(x, new WhileSounding(490, 660, 0.5)))).isEmpty();
    assertThat(kinds(spectral(x, new WhileSounding(250, 1024, 0.5))))
        .containsExactly(Kind.AUTOMATIC_GAIN);
  }

  @Test
  @DisplayName("highs that a coder empties now and then beside a voice are not held down by a gain")
  void emptied() {
    double[] x = talk(FLAT, 25, 0.3, 32);
    Random random = new Random(5);
    WhileSounding beside = new WhileSounding(540, 670, 0.05);
    boolean[] empty = {false};
    double[] y =
        spectral(
            x,
            (power, bin, frame) -> {
              empty[0] = bin == 1 ? random.nextInt(4) == 0 : empty[0];
              double gain = beside.of(power, bin, frame);
              return empty[0] ? gain : 1;
            });
    assertThat(kinds(y)).doesNotContain(Kind.AUTOMATIC_GAIN);
  }

  private static double[] reduced(double ringSeconds) {
    return denoised(talk(FLAT, 35, ringSeconds, 24), (int) (2.7 * RATE), (int) (3.5 * RATE), -18);
  }

  private static double[] edged(double[] x) {
    return spectral(x, (power, bin, frame) -> bin < EDGE_BIN ? 1 : 1e-4);
  }

  @Test
  @DisplayName("islands under an edge may be a coder's or a reduction's, where no frames show")
  void islands() {
    double[] x = reduced(0.5);
    assertThat(kinds(x)).startsWith(Kind.NOISE_REDUCTION).doesNotContain(Kind.LOSSY);
    assertThat(found(edged(x)))
        .filteredOn(a -> a.evidence().contains("islands"))
        .extracting(Alteration::kind)
        .containsExactly(Kind.LOSSY, Kind.NOISE_REDUCTION);
  }

  @Test
  @DisplayName("under an edge noise before sounds is a reduction's if sounds end as fast, too")
  void hints() {
    assertThat(kinds(edged(talk(FLAT, 35, 0.3, 24)))).containsExactly(Kind.BAND_LIMIT);
    assertThat(found(edged(reduced(0.3))))
        .anySatisfy(a -> {
          assertThat(a.kind()).isEqualTo(Kind.NOISE_REDUCTION);
          assertThat(a.evidence()).contains("near it sounds end as fast");
        });
  }

  @ParameterizedTest
  @ValueSource(longs = {25, 40, 51, 57, 69})
  @DisplayName("in three seconds lines of plain noise scatter by chance as a coder lets them")
  void tooShort(long seed) {
    double[] x = talk(FLAT, 35, 0.3, seed);
    assertThat(kinds(Arrays.copyOf(x, 3 * RATE))).isEmpty();
  }
}
