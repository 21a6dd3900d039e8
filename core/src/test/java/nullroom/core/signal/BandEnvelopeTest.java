package nullroom.core.signal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class BandEnvelopeTest {
  /** Mean squares of each step, one row a band. */
  private static List<List<Double>> steps(double[] x, List<Band> bands, double rate) {
    List<List<Double>> rows = new ArrayList<>();
    bands.forEach(b -> rows.add(new ArrayList<>()));
    List<BlockSpectrum> spectra = new ArrayList<>();
    SpectrumMeter meter = new SpectrumMeter(rate, spectra::add);
    meter.add(x, x.length);
    meter.finish();
    BandEnvelope envelope = new BandEnvelope(bands, meter.blockSize(), rate);
    for (BlockSpectrum block : spectra) {
      envelope.add(
          block,
          (band, amplitudes, count) -> {
            for (int i = 0; i < count; i++) {
              rows.get(band).add(amplitudes[i] * amplitudes[i]);
            }
          });
    }
    return rows;
  }

  @ParameterizedTest
  @DisplayName(
      "noise that comes and goes: every half second of every octave as the filter bank has it")
  @ValueSource(doubles = {16_000, 44_100, 48_000, 96_000})
  void asTheFilterBank(double rate) {
    Random random = new Random(8);
    double[] x = new double[(int) (20 * rate)];
    for (int i = 0; i < x.length; i++) {
      double swing = 1 + 0.5 * Math.sin(2 * Math.PI * 0.25 * i / rate);
      x[i] = 0.1 * swing * random.nextGaussian();
    }
    List<Band> bands = Band.within(Band.OCTAVES, rate);
    List<List<Double>> got = steps(x, bands, rate);
    FilterBank bank = new FilterBank(bands, rate);
    bank.add(
        x,
        x.length,
        (b, filtered, count) -> {
          Band band = bands.get(b);
          if (band.centreHz() < 900) {
            return; // half a second of those is only a few independent values
          }
          double stepsHere = got.get(b).size() / 40.0;
          for (int part = 2; part < 38; part++) {
            double expected =
                Sums.ofSquares(filtered, count / 40 * part, count / 40) / (count / 40.0);
            double is =
                got
                    .get(b)
                    .subList((int) (part * stepsHere), (int) ((part + 1) * stepsHere))
                    .stream()
                    .mapToDouble(Double::doubleValue)
                    .average()
                    .orElseThrow();
            assertThat(10 * Math.log10(is / expected))
                .as("%s Hz, half second %s", band.nominalHz(), part)
                .isCloseTo(0, within(0.8));
          }
        });
  }

  @Test
  @DisplayName("a steady tone keeps its level in every step, over the seams of the blocks too")
  void toneAcrossSeams() {
    double rate = 48_000;
    for (double hz : new double[] {63.1, 1000, 8000}) {
      double[] x = new double[(int) (5 * rate)];
      for (int i = 0; i < x.length; i++) {
        x[i] = 0.5 * Math.sin(2 * Math.PI * hz * i / rate);
      }
      List<Band> bands = Band.within(Band.OCTAVES, rate);
      List<List<Double>> got = steps(x, bands, rate);
      int own = 0;
      while (bands.get(own).highHz() < hz) {
        own++;
      }
      List<Double> row = got.get(own);
      assertThat(row).hasSizeGreaterThan(440);
      for (double step : row.subList(20, row.size() - 20)) {
        assertThat(10 * Math.log10(step)).as("%s Hz", hz).isCloseTo(-9.03, within(0.1));
      }
    }
  }

  @Test
  @DisplayName(
      "a burst in one octave shows there, when it is, and 25 dB less a fifth of a second off")
  void burst() {
    double rate = 48_000;
    double[] x = new double[(int) (4 * rate)];
    for (int i = (int) (2 * rate); i < 2.1 * rate; i++) {
      x[i] = 0.5 * Math.sin(2 * Math.PI * 4000 * i / rate);
    }
    List<Band> bands = Band.within(Band.OCTAVES, rate);
    List<Double> row = steps(x, bands, rate).get(7);
    assertThat(bands.get(7).nominalHz()).isEqualTo(4000);
    double step = 4.0 / row.size();
    double during = row.get((int) (2.05 / step));
    assertThat(10 * Math.log10(during)).isCloseTo(-9.03, within(0.7));
    assertThat(row.get((int) (1.8 / step))).isLessThan(during / 300);
    assertThat(row.get((int) (2.3 / step))).isLessThan(during / 300);
  }
}
