package nullroom.core.measure.take;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * The synthetic cases of EBU Tech 3341 and 3342 as published (from memory); those that need the
 * published files of programmes are left out.
 */
class LoudnessTest {
  private static final double RATE = 48_000;
  private static final double TOLERANCE_LU = 0.1;

  /** Pairs of level in dBFS (peak, each channel) and seconds of a 1 kHz sine in two channels. */
  private static LoudnessMeter stereo(double rate, double... levelAndSeconds) {
    LoudnessMeter meter = new LoudnessMeter(rate, 2);
    add(meter, rate, 2, levelAndSeconds);
    return meter;
  }

  private static void add(LoudnessMeter meter, double rate, int channels, double... pairs) {
    long n = 0;
    for (int i = 0; i < pairs.length; i += 2) {
      double amplitude = Math.pow(10, pairs[i] / 20);
      int count = (int) Math.round(pairs[i + 1] * rate);
      double[] x = new double[count];
      for (int k = 0; k < count; k++) {
        x[k] = amplitude * Math.sin(2 * Math.PI * 1000 * n++ / rate);
      }
      double[][] block = new double[channels][];
      java.util.Arrays.fill(block, x);
      meter.add(block, count);
    }
  }

  private static double[] times(int count, double... pattern) {
    double[] all = new double[count * pattern.length];
    for (int i = 0; i < all.length; i++) {
      all[i] = pattern[i % pattern.length];
    }
    return all;
  }

  private static double integrated(LoudnessMeter meter) {
    return meter.loudness().integratedLufs().orElseThrow();
  }

  @ParameterizedTest
  @ValueSource(doubles = {44_100, 48_000, 96_000})
  @DisplayName(
      "3341-1 and -2: -23 and -33 LUFS, momentary, short-term and integrated, at each rate")
  void steady(double rate) {
    for (double level : new double[] {-23, -33}) {
      LoudnessMeter meter = stereo(rate, level, 20);
      assertThat(integrated(meter)).isCloseTo(level, within(TOLERANCE_LU));
      assertThat(meter.momentaryLufs().orElseThrow()).isCloseTo(level, within(TOLERANCE_LU));
      assertThat(meter.shortTermLufs().orElseThrow()).isCloseTo(level, within(TOLERANCE_LU));
    }
  }

  @Test
  @DisplayName("3341-3, -4, -5: gates")
  void gates() {
    assertThat(integrated(stereo(RATE, -36, 10, -23, 60, -36, 10)))
        .isCloseTo(-23, within(TOLERANCE_LU));
    assertThat(integrated(stereo(RATE, -72, 10, -36, 10, -23, 60, -36, 10, -72, 10)))
        .isCloseTo(-23, within(TOLERANCE_LU));
    assertThat(integrated(stereo(RATE, -26, 20, -20, 20.1, -26, 20)))
        .isCloseTo(-23, within(TOLERANCE_LU));
  }

  @Test
  @DisplayName("3341-6: five channels, the last two weighted by 1.41")
  void surround() {
    LoudnessMeter meter = new LoudnessMeter(RATE, 5);
    double[] levels = {-28, -28, -24, -30, -30};
    double[][] block = new double[5][(int) (20 * RATE)];
    for (int c = 0; c < 5; c++) {
      for (int k = 0; k < block[c].length; k++) {
        block[c][k] = Math.pow(10, levels[c] / 20) * Math.sin(2 * Math.PI * 1000 * k / RATE);
      }
    }
    meter.add(block, block[0].length);
    assertThat(integrated(meter)).isCloseTo(-23, within(TOLERANCE_LU));
  }

  @Test
  @DisplayName("3341-9 and -12: short-term and momentary stay at -23 while the level changes")
  void constant() {
    LoudnessMeter slow = new LoudnessMeter(RATE, 2);
    List<Double> shortTerms = new ArrayList<>();
    for (int i = 0; i < 5; i++) {
      for (int k = 0; k < 134 + 166; k++) {
        add(slow, RATE, 2, k < 134 ? -20 : -30, 0.01);
        slow.shortTermLufs().ifPresent(shortTerms::add);
      }
    }
    assertThat(shortTerms).isNotEmpty().allSatisfy(s -> assertThat(s).isBetween(-23.1, -22.9));
    LoudnessMeter quick = new LoudnessMeter(RATE, 2);
    List<Double> momentary = new ArrayList<>();
    for (int i = 0; i < 25; i++) {
      for (int k = 0; k < 40; k++) {
        add(quick, RATE, 2, k < 18 ? -20 : -30, 0.01);
        OptionalDouble now = quick.momentaryLufs();
        if (i >= 3) {
          momentary.add(now.orElseThrow());
        }
      }
    }
    assertThat(momentary).allSatisfy(m -> assertThat(m).isBetween(-23.1, -22.9));
  }

  @Test
  @DisplayName("3341-10 and -13: the largest short-term and momentary at twenty offsets")
  void offsets() {
    for (int i = 0; i < 20; i++) {
      Loudness three = stereo(RATE, -200, i * 0.15, -23, 3, -200, 1).loudness();
      assertThat(three.maxShortTermLufs().orElseThrow())
          .as("after %d times 0.15 s", i)
          .isCloseTo(-23, within(TOLERANCE_LU));
      Loudness point4 = stereo(RATE, -200, i * 0.02, -23, 0.4, -200, 1).loudness();
      assertThat(point4.maxMomentaryLufs().orElseThrow())
          .as("after %d times 0.02 s", i)
          .isCloseTo(-23, within(TOLERANCE_LU));
    }
  }

  @Test
  @DisplayName("3341-11 and -14: live, twenty segments that get louder by 1 dB each")
  void live() {
    LoudnessMeter slow = new LoudnessMeter(RATE, 2);
    LoudnessMeter quick = new LoudnessMeter(RATE, 2);
    for (int i = 0; i < 20; i++) {
      add(slow, RATE, 2, -200, i * 0.15, -38 + i, 3, -200, 3 - i * 0.15);
      assertThat(slow.loudness().maxShortTermLufs().orElseThrow())
          .isCloseTo(-38 + i, within(TOLERANCE_LU));
      add(quick, RATE, 2, -200, i * 0.02, -38 + i, 0.4, -200, 0.4 - i * 0.02);
      assertThat(quick.loudness().maxMomentaryLufs().orElseThrow())
          .isCloseTo(-38 + i, within(TOLERANCE_LU));
    }
  }

  @ParameterizedTest
  @CsvSource({"-20, -30, 10", "-20, -15, 5", "-40, -20, 20"})
  @DisplayName("3342-1, -2, -3: loudness range of two levels")
  void range(double first, double second, double range) {
    assertThat(stereo(RATE, first, 20, second, 20).loudness().rangeLu().orElseThrow())
        .isCloseTo(range, within(1.0));
  }

  @Test
  @DisplayName("3342-4: loudness range of five levels")
  void rangeOfFive() {
    assertThat(
            stereo(RATE, -50, 20, -35, 20, -20, 20, -35, 20, -50, 20)
                .loudness()
                .rangeLu()
                .orElseThrow())
        .isCloseTo(15, within(1.0));
  }

  @Test
  @DisplayName("BS.1770: a full-scale sine of 997 Hz in one channel reads -3.01 LKFS")
  void calibration() {
    LoudnessMeter meter = new LoudnessMeter(RATE, 1);
    double[] x = new double[(int) (5 * RATE)];
    for (int k = 0; k < x.length; k++) {
      x[k] = Math.sin(2 * Math.PI * 997 * k / RATE);
    }
    meter.add(new double[][] {x}, x.length);
    assertThat(integrated(meter)).isCloseTo(-3.01, within(0.01));
  }

  @Test
  @DisplayName("silence and what is too short have no loudness; odd block sizes change nothing")
  void edges() {
    assertThat(stereo(RATE, -300, 5).loudness().integratedLufs()).isEmpty();
    Loudness brief = stereo(RATE, -20, 0.3).loudness();
    assertThat(brief.integratedLufs()).isEmpty();
    assertThat(brief.maxMomentaryLufs()).isEmpty();
    assertThat(stereo(RATE, -20, 2).loudness().maxShortTermLufs()).isEmpty();
    assertThat(times(2, 1, 2)).containsExactly(1, 2, 1, 2);
    double whole = integrated(stereo(44_100, -20, 4));
    double pieces = integrated(stereo(44_100, times(1600, -20, 0.0025)));
    assertThat(pieces).isCloseTo(whole, within(0.001));
  }
}
