package nullroom.core.measure.altered;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.Optional;
import java.util.Random;
import nullroom.core.measure.Frames;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

/** Noise that is softer beside sounds than in pauses. */
class HeldDownTest {
  private static final double SECONDS = 0.04;

  /** Half a second of sound and half of pause in turn, the bass softer by 10 dB in the sounds. */
  private static Optional<Alteration> told(double rangeDb, int bands) {
    Frames octaves = new Frames(SpectraSeen.OCTAVES);
    Frames aside = new Frames(SpectraSeen.ASIDE);
    Random random = new Random(85);
    for (int k = 0; k < 500; k++) {
      boolean sounds = k / 12 % 2 == 0;
      double[] octave = new double[SpectraSeen.OCTAVES];
      Arrays.fill(octave, (sounds ? -20 : -20 - rangeDb) + 0.2 * random.nextGaussian());
      double[] bass = new double[SpectraSeen.ASIDE];
      Arrays.fill(bass, Double.NaN);
      bass[0] = (sounds ? -60 : -50) + random.nextGaussian();
      octaves.add(octave);
      aside.add(bass);
    }
    return HeldDown.of(octaves, aside, SECONDS, bands);
  }

  @Test
  @DisplayName("a gain takes the bass down; alone it is believed where there are pauses")
  void bass() {
    assertThat(told(12, SpectraSeen.ASIDE)).isPresent();
    assertThat(told(20, 1))
        .hasValueSatisfying(
            a -> assertThat(a.evidence()).containsPattern("beside it is (9|10)\\.\\d dB softer"));
    assertThat(told(12, 1)).isEmpty();
  }
}
