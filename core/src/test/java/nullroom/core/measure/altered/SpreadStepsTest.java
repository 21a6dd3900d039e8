package nullroom.core.measure.altered;

import static nullroom.core.measure.altered.AlteredSounds.FLAT;
import static nullroom.core.measure.altered.AlteredSounds.RATE;
import static nullroom.core.measure.altered.AlteredSounds.found;
import static nullroom.core.measure.altered.AlteredSounds.gated;
import static nullroom.core.measure.altered.AlteredSounds.talk;
import static nullroom.core.measure.altered.AlteredSounds.written;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.Random;
import java.util.function.DoubleUnaryOperator;
import nullroom.core.Decibels;
import nullroom.core.measure.altered.Alteration.Kind;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Gains that moved what had been written in steps already. */
class SpreadStepsTest {
  private static double[] turned(double[] x, DoubleUnaryOperator dbAtSecond) {
    double[] y = x.clone();
    for (int k = 0; k < y.length; k++) {
      y[k] *= Decibels.toAmplitude(dbAtSecond.applyAsDouble(k / (double) RATE));
    }
    return y;
  }

  private static double[] said(long seed) {
    return Arrays.stream(talk(FLAT, 40, 0.3, seed)).map(v -> v / 4).toArray();
  }

  @ParameterizedTest
  @DisplayName("whole numbers times a factor, rounded, stand a factor apart: Widrow et al. 1996")
  @ValueSource(doubles = {1.35, 1.7, 2.0, 2.6, 3.7, 9.2, 20, 300})
  void apart(double factor) {
    Random random = new Random(61);
    double[] x = random.doubles(2048).map(v -> Math.rint(6 * random.nextGaussian())).toArray();
    double[] y = Arrays.stream(x).map(v -> Math.rint(v * factor)).toArray();
    assertThat(new ValueSpacing().of(y)).hasValueCloseTo(factor, within(0.01 * factor));
    assertThat(new ValueSpacing().of(x)).isEmpty();
  }

  @ParameterizedTest
  @DisplayName("hum, a swelling tone and soft noise have no spacing")
  @ValueSource(doubles = {0.7, 3, 20, 150, 2000})
  void none(double loud) {
    Random random = new Random(62);
    double[] x = new double[2048];
    for (int k = 0; k < x.length; k++) {
      double hum = Math.sin(2 * Math.PI * 50 * k / RATE) + 0.3 * Math.sin(2 * Math.PI * 0.031 * k);
      x[k] = Math.rint(loud * (k * hum / x.length + 0.02 * random.nextGaussian()));
    }
    assertThat(new ValueSpacing().of(x)).isEmpty();
  }

  @Test
  @DisplayName("samples that no file should hold have none, and end nothing")
  void broken() {
    double[] x = new double[2048];
    x[5] = Double.NaN;
    assertThat(new ValueSpacing().of(x)).isEmpty();
    x[5] = Double.POSITIVE_INFINITY;
    assertThat(new ValueSpacing().of(x)).isEmpty();
  }

  @ParameterizedTest(name = "{0} bits, {1} dB over {2} s")
  @DisplayName("a gain that creeps up and down over what was written is known, and by how much")
  @CsvSource({"16, 8, 9", "16, 3, 5", "24, 6, 9"})
  void creeps(int bits, double db, double period) {
    double[] x = written(said(63), 16, false);
    double[] y = turned(x, t -> 9 + db / 2 * Math.sin(2 * Math.PI * t / period));
    assertThat(found(written(y, bits, false)))
        .singleElement()
        .satisfies(a -> {
          assertThat(a.kind()).isEqualTo(Kind.AUTOMATIC_GAIN);
          assertThat(a.evidence()).contains("values of its samples");
          String by = a.evidence().replaceAll(".*by (\\d+) dB.*", "$1");
          assertThat(Double.parseDouble(by)).isBetween(db - 2, db + 0.5);
        });
  }

  @Test
  @DisplayName("turned up by one factor, or edited from parts that were, is not moved")
  void atOnce() {
    double[] x = written(said(64), 16, false);
    assertThat(found(written(turned(x, t -> 7.3), 16, false))).isEmpty();
    double[] parts = turned(x, t -> t < 9 ? 4.1 : 5.3);
    assertThat(found(written(parts, 16, false)))
        .noneSatisfy(a -> assertThat(a.evidence()).contains("values of its samples"));
  }

  @Test
  @DisplayName("the steps of a telephone's law grow with the level and are no gain: ITU-T G.711")
  void telephone() {
    double[] x = said(65);
    double[] y = Arrays.stream(x).map(v -> byLaw(8 * v)).toArray();
    SpreadSteps spread = new SpreadSteps(RATE);
    spread.add(y, y.length);
    assertThat(spread.told()).isEmpty();
  }

  /** Eight segments of sixteen steps; each segment has steps twice as wide as the one before. */
  private static double byLaw(double sample) {
    double size = Math.min(8158, Math.abs(sample) * 8159) + 33;
    double step = 2 * Math.scalb(1.0, Math.getExponent(size) - 5);
    double middle = Math.floor(size / step) * step + step / 2;
    return Math.signum(sample) * (middle - 33) / 8192;
  }

  @Test
  @DisplayName("one that turns down what is soft is a gate")
  void shuts() {
    double[] x = written(said(66), 16, false);
    SpreadSteps spread = new SpreadSteps(RATE);
    double[] y = written(gated(x, 20, 3, 0.002), 24, false);
    spread.add(y, y.length);
    assertThat(spread.told()).hasValueSatisfying(a -> assertThat(a.kind()).isEqualTo(Kind.GATE));
  }
}
