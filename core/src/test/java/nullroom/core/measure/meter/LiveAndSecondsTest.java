package nullroom.core.measure.meter;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import nullroom.core.measure.noise.SecondLevels;
import nullroom.core.measure.noise.SecondMeter;
import nullroom.core.signal.Band;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What is metered block by block, as a device gives it. */
class LiveAndSecondsTest {
  private static final double RATE = 48_000;
  private static final int BLOCK = 480;

  private static double[] sine(double hz, double amplitude, double seconds) {
    double[] x = new double[(int) (seconds * RATE)];
    for (int i = 0; i < x.length; i++) {
      x[i] = amplitude * Math.sin(2 * Math.PI * hz * i / RATE);
    }
    return x;
  }

  private static LiveMeter heard(double[] x) {
    LiveMeter meter = new LiveMeter(RATE, 1);
    for (int at = 0; at + BLOCK <= x.length; at += BLOCK) {
      meter.add(java.util.Arrays.copyOfRange(x, at, at + BLOCK), BLOCK);
    }
    return meter;
  }

  private static List<SecondLevels> seconds(double[] x) {
    List<SecondLevels> seconds = new ArrayList<>();
    SecondMeter meter = new SecondMeter(RATE, 1, seconds::add);
    for (int at = 0; at < x.length; at += 700) { // blocks that do not divide a second
      int count = Math.min(700, x.length - at);
      meter.add(java.util.Arrays.copyOfRange(x, at, at + count), count);
    }
    return seconds;
  }

  @ParameterizedTest(name = "{0} Hz")
  @DisplayName("A and C of steady tones by IEC 61672-1:2013, Table 3; AES17 full scale")
  @CsvSource({"63,-26.2,-0.8", "250,-8.6,0.0", "1000,0.0,0.0", "4000,1.0,-0.8", "8000,-1.1,-3.0"})
  void weightings(double nominal, double a, double c) {
    double hz = 1000 * Math.pow(10, Math.round(10 * Math.log10(nominal / 1000)) / 10.0);
    LiveReading reading = heard(sine(hz, 0.1, 3)).reading();
    assertThat(reading.zDbfs().orElseThrow()).isCloseTo(-20, within(0.1));
    assertThat(reading.aDbfs().orElseThrow()).isCloseTo(-20 + a, within(0.15));
    assertThat(reading.cDbfs().orElseThrow()).isCloseTo(-20 + c, within(0.15));
    SecondLevels second = seconds(sine(hz, 0.1, 3.2)).get(2);
    assertThat(second.laeqDbfs()).isCloseTo(-20 + a, within(0.1));
    assertThat(second.lceqDbfs()).isCloseTo(-20 + c, within(0.1));
    assertThat(second.lzeqDbfs()).isCloseTo(-20, within(0.05));
    assertThat(second.peakDbfs()).isCloseTo(-20, within(0.05));
  }

  @ParameterizedTest(name = "a burst of {0} ms")
  @DisplayName(
      "FAST of 4 kHz bursts re the steady tone, IEC 61672-1:2013, Table 4, class 1 (from memory)")
  @CsvSource({"500,-0.1,0.5", "200,-1.0,0.5", "100,-2.6,1.0", "50,-4.8,1.0", "20,-8.3,1.0"})
  void bursts(int milliseconds, double expected, double tolerance) {
    double[] x = new double[(int) (3 * RATE)];
    double[] burst = sine(4000, 0.1, milliseconds / 1000.0);
    System.arraycopy(burst, 0, x, (int) (1.2 * RATE), burst.length);
    double most = seconds(x).stream().mapToDouble(SecondLevels::lafMaxDbfs).max().orElseThrow();
    double steady = seconds(sine(4000, 0.1, 3)).get(2).lafMaxDbfs();
    assertThat(most - steady).isCloseTo(expected, within(tolerance));
  }

  @Test
  void thirdsAndOctavesHoldATone() {
    LiveMeter meter = heard(sine(1000, 0.1, 2));
    List<java.util.OptionalDouble> thirds = meter.reading().thirdsDbfs();
    for (int i = 0; i < thirds.size(); i++) {
      double level = thirds.get(i).orElse(-200);
      if (Band.THIRDS.get(i).nominalHz() == 1000) {
        assertThat(level).isCloseTo(-20, within(0.2));
      } else {
        assertThat(level).isLessThan(-37);
      }
    }
    assertThat(seconds(sine(1000, 0.1, 2.5)).get(1).octavesDbfs().get(5))
        .isCloseTo(-20, within(0.1));
  }

  @Test
  void peaksAreHeldAndThenLetGo() {
    double[] x = sine(100, 0.001, 8);
    x[(int) (1 * RATE)] = 0.5;
    LiveMeter meter = new LiveMeter(RATE, 1);
    double[] block = new double[BLOCK];
    for (int at = 0; at < x.length; at += BLOCK) {
      System.arraycopy(x, at, block, 0, BLOCK);
      meter.add(block, BLOCK);
      double peak = meter.reading().peakDbfs().orElseThrow();
      if (at > 1.1 * RATE && at < 3.9 * RATE) {
        assertThat(peak).isCloseTo(-6.02, within(0.01));
      } else if (at > 4.2 * RATE) {
        assertThat(peak).isCloseTo(-60, within(0.1));
      }
    }
    assertThat(meter.reading().largestDbfs().orElseThrow()).isCloseTo(-6.02, within(0.01));
  }

  @Test
  void digitalSilenceIsToldFromQuiet() {
    assertThat(heard(new double[(int) (0.9 * RATE)]).reading().silent()).isFalse();
    LiveReading silent = heard(new double[(int) (1.5 * RATE)]).reading();
    assertThat(silent.silent()).isTrue();
    assertThat(silent.aDbfs()).isEmpty();
    double[] hiss = new double[(int) (1.5 * RATE)];
    Random random = new Random(3);
    for (int i = 0; i < hiss.length; i++) {
      hiss[i] = random.nextInt(3) * 0x1p-23;
    }
    assertThat(heard(hiss).reading().silent()).isFalse();
  }

  @Test
  void clippingIsCounted() {
    double[] x = sine(50, 1.5, 1);
    for (int i = 0; i < x.length; i++) {
      x[i] = Math.clamp(x[i], -1, 1);
    }
    assertThat(heard(x).reading().clippedSamples()).isGreaterThan(10_000);
    assertThat(seconds(x).getFirst().clippedSamples()).isGreaterThan(10_000);
  }

  @ParameterizedTest
  @ValueSource(doubles = {3, 75})
  void theTraceIsTheLastMinute(double length) {
    LiveMeter meter = heard(sine(1000, 0.1, length));
    float[] into = new float[(int) (LevelTrace.SECONDS * LevelTrace.RATE_HZ)];
    int count = meter.trace().copy(into);
    assertThat(count).isEqualTo((int) Math.min(length, 60) * LevelTrace.RATE_HZ);
    assertThat((double) into[count - 1]).isCloseTo(-20, within(0.1));
    assertThat(meter.trace().written()).isEqualTo((long) (length * LevelTrace.RATE_HZ));
  }
}
