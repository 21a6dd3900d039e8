package nullroom.core.acoustics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Collections;
import java.util.List;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class StageTest {
  private static final Capture BARE = new Capture(Pattern.OMNI, 24, 120, -42, -118, 10, 6, 24);
  private static final Stage TRANSMITTER = new Stage("transmitter", 12, -120, -10, false);
  private static final Stage RECEIVER = new Stage("receiver", -6, -95, 2, false);

  /** Noise factor of what adds noise of that level to a source of thermal noise. */
  private static double noiseFactor(double einDbu, double sourceDbu) {
    return 1 + Math.pow(10, (einDbu - sourceDbu) / 10);
  }

  @Test
  @DisplayName("noise of a row: F = F1 + (F2 - 1) / G1 + (F3 - 1) / (G1 G2), H. T. Friis 1944")
  void noiseFactorOfARow() {
    double source = -131;
    double g1 = Math.pow(10, 1.2);
    double g2 = Math.pow(10, -0.6);
    double f =
        noiseFactor(-120, source)
            + (noiseFactor(-95, source) - 1) / g1
            + (noiseFactor(-118, source) - 1) / (g1 * g2);
    double einDbu = source + 10 * Math.log10(f - 1);
    Capture chain = BARE.withStages(List.of(TRANSMITTER, RECEIVER));
    assertThat(Stage.einDbu(chain.stages(), -118)).isCloseTo(einDbu, within(1e-9));
    assertThat(chain.preampNoiseDbA()).isCloseTo(einDbu - (-42 + 2.2185) + 94, within(1e-9));
  }

  @Test
  @DisplayName(
      "levels of a row by hand: limits less the gain before them, full scale less all gain")
  void limits() {
    Capture chain = BARE.withStages(List.of(TRANSMITTER, RECEIVER));
    // the microphone gives -39.78 dBu at 94 dB SPL: the transmitter's -10 dBu come at 123.78, the
    // receiver's 2 dBu, 12 dB of gain before, at 123.78 too
    assertThat(chain.limitDbSpl()).isEqualTo(120);
    Stage tight = new Stage("receiver", -6, -95, -12, false);
    assertThat(BARE.withStages(List.of(TRANSMITTER, tight)).limitDbSpl())
        .isCloseTo(94 + 39.7815 - 12 - 12, within(1e-3));
    assertThat(chain.fullScaleDbSpl()).isCloseTo(BARE.fullScaleDbSpl() - 6, within(1e-9));
  }

  @Test
  void aRowOfNothingChangesNothing() {
    Stage none = new Stage("cable", 0, Stage.NO_NOISE_DBU, Stage.NO_LIMIT_DBU, false);
    Capture with = BARE.withStages(List.of(none));
    assertThat(with.overloadDbSpl()).isEqualTo(BARE.overloadDbSpl());
    assertThat(with.preampNoiseDbA()).isCloseTo(BARE.preampNoiseDbA(), within(0.03));
    assertThat(with.withGainDb(20).stages()).isEqualTo(with.stages());
    assertThat(with.withStages(List.of())).isEqualTo(BARE);
  }

  @Test
  void whatMakesNoSenseIsRefused() {
    assertThatThrownBy(() -> new Stage(" ", 0, -120, 0, false)).hasMessageContaining("name");
    assertThatThrownBy(() -> new Stage("x", Double.NaN, -120, 0, false))
        .hasMessageContaining("gainDb");
    assertThatThrownBy(() -> BARE.withStages(Collections.nCopies(7, RECEIVER)))
        .hasMessageContaining("6 at most");
  }
}
