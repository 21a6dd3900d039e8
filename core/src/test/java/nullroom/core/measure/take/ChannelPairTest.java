package nullroom.core.measure.take;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.Random;
import org.junit.jupiter.api.Test;

class ChannelPairTest {
  private static final double[] SOUND =
      new Random(2).doubles(4801).map(v -> 0.2 * (v - 0.5)).toArray();

  private static ChannelPair of(double[] x, double[] y) {
    ChannelPair pair = new ChannelPair();
    pair.add(x, y, 1000);
    pair.add(Arrays.copyOfRange(x, 1000, x.length), Arrays.copyOfRange(y, 1000, y.length), 3801);
    return pair;
  }

  private static double[] times(double factor) {
    return Arrays.stream(SOUND).map(v -> factor * v).toArray();
  }

  @Test
  void channelsThatGoTogetherAreLeftAlone() {
    ChannelPair pair = of(SOUND, times(0.5));
    assertThat(pair.correlation().orElseThrow()).isCloseTo(1, within(1e-9));
    assertThat(pair.opposite() || pair.firstIsDead() || pair.secondIsDead()).isFalse();
    double[] other = new Random(3).doubles(SOUND.length).map(v -> 0.2 * (v - 0.5)).toArray();
    assertThat(of(SOUND, other).correlation().orElseThrow()).isBetween(-0.1, 0.1);
  }

  @Test
  void deadAndOppositeOnesAreTold() {
    assertThat(of(SOUND, times(-0.8)).opposite()).isTrue();
    assertThat(of(SOUND, times(0.005)).secondIsDead()).isTrue();
    assertThat(of(SOUND, times(0.02)).secondIsDead()).isFalse();
    assertThat(of(times(0), SOUND).firstIsDead()).isTrue();
    assertThat(of(times(0), SOUND).correlation()).isEmpty();
    assertThat(of(times(0), times(0)).firstIsDead()).as("silence is no fault of one").isFalse();
  }
}
