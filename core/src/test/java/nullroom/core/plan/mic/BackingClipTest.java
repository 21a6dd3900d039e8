package nullroom.core.plan.mic;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import nullroom.core.Trouble;
import nullroom.core.signal.Samples;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class BackingClipTest {
  private static final double RATE = 48_000;

  /** A kilohertz, at which A-weighting is nothing: so loud, then a pause, then so loud. */
  private static Samples clip(double first, double pauseSeconds, double second) {
    int part = (int) (4 * RATE);
    int pause = (int) (pauseSeconds * RATE);
    double[] x = new double[2 * part + pause];
    for (int n = 0; n < x.length; n++) {
      double level = n < part ? first : n < part + pause ? 1e-4 : second;
      x[n] = level * Math.sin(2 * Math.PI * 1000 * n / RATE);
    }
    return new Samples(x, RATE);
  }

  @ParameterizedTest
  @DisplayName("the backing lies under the voice by the ratio of the two parts")
  @ValueSource(doubles = {-12, -6, 0, 3})
  void ratio(double db) {
    double voice = 0.2;
    BackingClip found = BackingClip.of("x", clip(voice * Math.pow(10, db / 20), 1, voice));
    assertThat(found.underDb()).isCloseTo(-db, within(0.1));
    assertThat(found.voiceDbfs()).isCloseTo(20 * Math.log10(voice), within(0.1));
  }

  @Test
  @DisplayName("without a pause, or too short, it is refused with what is missing")
  void bad() {
    assertThatThrownBy(() -> BackingClip.of("x", clip(0.1, 0, 0.2)))
        .isInstanceOf(Trouble.BadSound.class)
        .hasMessageContaining("no pause");
    assertThatThrownBy(() -> BackingClip.of("x", new Samples(new double[48_000], RATE)))
        .isInstanceOf(Trouble.BadSound.class)
        .hasMessageContaining("too short");
  }
}
