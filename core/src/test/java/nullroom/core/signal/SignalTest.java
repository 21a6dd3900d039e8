package nullroom.core.signal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.apache.commons.math3.complex.Complex;
import org.apache.commons.math3.transform.DftNormalization;
import org.apache.commons.math3.transform.FastFourierTransformer;
import org.apache.commons.math3.transform.TransformType;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class SignalTest {
  private static double[] noise(int count) {
    Random random = new Random(12);
    double[] x = new double[count];
    for (int i = 0; i < count; i++) {
      x[i] = random.nextGaussian();
    }
    return x;
  }

  @Test
  @DisplayName("the transform agrees with Apache Commons Math, an implementation of its own")
  void transformAgainstAnotherLibrary() {
    double[] x = noise(1024);
    Complex[] expected =
        new FastFourierTransformer(DftNormalization.STANDARD).transform(x, TransformType.FORWARD);
    double[] packed = x.clone();
    Fft fft = new Fft(1024);
    fft.forward(packed);
    assertThat(packed[0]).isCloseTo(expected[0].getReal(), within(1e-9));
    assertThat(packed[1]).isCloseTo(expected[512].getReal(), within(1e-9));
    for (int k = 1; k < 512; k++) {
      assertThat(packed[2 * k]).isCloseTo(expected[k].getReal(), within(1e-9));
      assertThat(packed[2 * k + 1]).isCloseTo(expected[k].getImaginary(), within(1e-9));
    }
    fft.inverse(packed);
    assertThat(packed).containsExactly(x, within(1e-12));
  }

  @Test
  @DisplayName("energy is the same in time and frequency (Parseval)")
  void energy() {
    double[] x = noise(4096);
    double squares = 0;
    for (double v : x) {
      squares += v * v;
    }
    double[] bins = new double[2049];
    Fft fft = new Fft(4096);
    fft.forward(x);
    fft.addEnergy(x, bins);
    double sum = 0;
    for (double b : bins) {
      sum += b;
    }
    assertThat(sum).isCloseTo(squares, within(1e-8));
  }

  @Test
  void convolutionByHand() {
    assertThat(Fft.convolve(new double[] {1, 2, 3}, new double[] {0, 1, 0.5}))
        .containsExactly(new double[] {0, 1, 2.5, 4, 1.5}, within(1e-12));
    assertThat(Fft.sizeFor(1000)).isEqualTo(1024);
    assertThatThrownBy(() -> new Fft(7)).isInstanceOf(IllegalArgumentException.class);
  }

  @ParameterizedTest
  @DisplayName("the halver is flat to 0.12 of the rate and lets nothing from over 0.38 fold back")
  @CsvSource({"0.01,0", "0.06,0", "0.12,0", "0.38,-85", "0.42,-85", "0.49,-85"})
  void halver(double ofRate, double expectedDb) {
    Halver halver = new Halver();
    double[] x = new double[20_000];
    for (int i = 0; i < x.length; i++) {
      x[i] = Math.sin(2 * Math.PI * ofRate * i + 0.3);
    }
    int kept = halver.halve(x, x.length);
    assertThat(kept).isEqualTo(10_000);
    double squares = 0;
    for (int i = 100; i < kept; i++) {
      squares += x[i] * x[i];
    }
    double level = 10 * Math.log10(2 * squares / (kept - 100));
    if (expectedDb == 0) {
      assertThat(level).isCloseTo(0, within(0.01));
    } else {
      assertThat(level).isLessThan(expectedDb);
    }
  }

  @Test
  void halvingInPiecesIsHalvingAtOnce() {
    double[] whole = noise(9_001);
    double[] pieces = whole.clone();
    double[] result = new double[5_000];
    int count = 0;
    Halver piecewise = new Halver();
    int at = 0;
    for (int length = 1; at < pieces.length; length = length * 2 + 1) {
      int n = Math.min(length, pieces.length - at);
      double[] part = java.util.Arrays.copyOfRange(pieces, at, at + n);
      int kept = piecewise.halve(part, n);
      System.arraycopy(part, 0, result, count, kept);
      count += kept;
      at += n;
    }
    int kept = new Halver().halve(whole, whole.length);
    assertThat(count).isEqualTo(kept).isEqualTo(4_501);
    for (int i = 0; i < kept; i++) {
      assertThat(result[i]).isEqualTo(whole[i]);
    }
  }

  @ParameterizedTest
  @DisplayName(
      "each octave of the bank passes a tone at its exact centre, whatever the rate and the blocks")
  @ValueSource(doubles = {44_100, 48_000, 96_000, 192_000})
  void octaveBank(double rate) {
    FilterBank bank = new FilterBank(Band.OCTAVES, rate);
    for (int o = 2; o < bank.bands().size(); o++) {
      FilterBank fresh = new FilterBank(Band.OCTAVES, rate);
      double hz = fresh.bands().get(o).centreHz();
      int wanted = o;
      double[] squares = new double[fresh.bands().size()];
      long[] counts = new long[squares.length];
      double[] block = new double[4_099];
      long at = 0;
      for (int b = 0; b < 3 * rate / block.length; b++) {
        for (int i = 0; i < block.length; i++, at++) {
          block[i] = Math.sqrt(2) * Math.sin(2 * Math.PI * hz * at / rate);
        }
        boolean settled = at > rate;
        fresh.add(
            block,
            block.length,
            (octave, band, count) -> {
              for (int i = 0; settled && i < count; i++) {
                squares[octave] += band[i] * band[i];
                counts[octave]++;
              }
            });
      }
      for (int other = 0; other < squares.length; other++) {
        double level = 10 * Math.log10(squares[other] / counts[other] + 1e-30);
        if (other == wanted) {
          assertThat(level).as("%s Hz at %s", hz, rate).isCloseTo(0, within(0.1));
        } else {
          // class 1 (IEC 61260-1, Table 1): one octave away at least 16.6 dB, two at least 40.5
          assertThat(level).isLessThan(Math.abs(other - wanted) == 1 ? -16.6 : -40.5);
        }
      }
      assertThat(counts[wanted] / (at - rate)).isCloseTo(fresh.rateHz(wanted) / rate, within(0.05));
    }
  }

  @Test
  void spectrumOfPartsIsTheSpectrumOfTheWhole() {
    double[] x = noise(200_000);
    SpectrumMeter whole = new SpectrumMeter(48_000);
    whole.add(x, x.length);
    whole.finish();
    SpectrumMeter parts = new SpectrumMeter(48_000);
    for (int at = 0; at < x.length; at += 777) {
      int n = Math.min(777, x.length - at);
      parts.add(java.util.Arrays.copyOfRange(x, at, at + n), n);
    }
    parts.finish();
    for (Band band : Band.within(Band.OCTAVES, 48_000)) {
      assertThat(parts.meanSquare(band)).isCloseTo(whole.meanSquare(band), within(1e-12));
    }
    assertThatThrownBy(parts::finish).isInstanceOf(IllegalStateException.class);
    assertThatThrownBy(() -> new SpectrumMeter(48_000).meanSquare(Weighting.C))
        .isInstanceOf(IllegalStateException.class);
  }

  @Test
  @DisplayName(
      "IEC 61260-1: exact centre 125.89 Hz; edges 707.95 to 1412.54 Hz; third of 3150 Hz 2818.4 to 3548.1 Hz")
  void bandEdges() {
    assertThat(octave(125).centreHz()).isCloseTo(125.89, within(0.01));
    assertThat(octave(1000).lowHz()).isCloseTo(707.95, within(0.01));
    assertThat(octave(1000).highHz()).isCloseTo(1412.54, within(0.01));
    Band third = Band.THIRDS.stream().filter(b -> b.nominalHz() == 3150).findFirst().orElseThrow();
    assertThat(third.lowHz()).isCloseTo(2818.4, within(0.1));
    assertThat(third.highHz()).isCloseTo(3548.1, within(0.1));
    assertThat(Band.within(Band.OCTAVES, 8_000).getLast().nominalHz()).isEqualTo(2000);
  }

  private static Band octave(double nominal) {
    return Band.OCTAVES.stream().filter(b -> b.nominalHz() == nominal).findFirst().orElseThrow();
  }
}
