package nullroom.core.measure.noise;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import nullroom.core.Decibels;
import nullroom.core.Progress;
import nullroom.core.signal.SampleSource;
import nullroom.core.signal.Samples;
import nullroom.core.signal.Weighting;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class NoiseMeterTest {
  static NoiseReport measure(double[] x, double rate) {
    return NoiseMeter.measure(SampleSource.of(new Samples(x, rate)), Progress.NONE).getFirst();
  }

  static double[] sine(double hz, double amplitude, double rate, double seconds) {
    double[] x = new double[(int) (rate * seconds)];
    for (int i = 0; i < x.length; i++) {
      x[i] = amplitude * Math.sin(2 * Math.PI * hz * i / rate);
    }
    return x;
  }

  @ParameterizedTest
  @DisplayName("AES17: a sine of amplitude 0.5 reads -6.02 dBFS, and its band holds all of it")
  @CsvSource({"44100,1000", "48000,63.096", "96000,3981.07", "48000,31.623", "44100,7943.28"})
  void sineLevels(double rate, double hz) {
    NoiseReport report = measure(sine(hz, 0.5, rate, 6), rate);
    assertThat(report.lzeqDbfs().orElseThrow()).isCloseTo(-6.02, within(0.02));
    assertThat(report.laeqDbfs().orElseThrow())
        .isCloseTo(-6.02 + Weighting.A.decibels(hz), within(0.05));
    assertThat(report.lceqDbfs().orElseThrow())
        .isCloseTo(-6.02 + Weighting.C.decibels(hz), within(0.05));
    double loudest =
        report.octaves().stream().mapToDouble(b -> b.leqDbfs().orElse(-300)).max().orElseThrow();
    assertThat(loudest).isCloseTo(-6.02, within(0.05));
    assertThat(report.laMaxFastDbfs().orElseThrow())
        .isCloseTo(-6.02 + Weighting.A.decibels(hz), within(0.25));
  }

  @ParameterizedTest
  @DisplayName("white noise falls into bands by their bandwidth (Parseval), within 0.2 dB")
  @ValueSource(doubles = {44_100, 48_000, 96_000})
  void whiteNoiseBands(double rate) {
    Random random = new Random(5);
    double[] x = new double[(int) (rate * 60)];
    for (int i = 0; i < x.length; i++) {
      x[i] = 0.05 * random.nextGaussian();
    }
    NoiseReport report = measure(x, rate);
    double density = 0.05 * 0.05 / (rate / 2);
    for (NoiseReport.BandLevel band : report.octaves()) {
      if (band.centreHz()
          >= 250) { // below, sixty seconds of noise are themselves not known to 0.2 dB
        double width = band.centreHz() * (Math.sqrt(2) - Math.sqrt(0.5));
        double exact = width * exactOverNominal(band.centreHz());
        assertThat(band.leqDbfs().orElseThrow())
            .as("%s Hz", band.centreHz())
            .isCloseTo(Decibels.dbfs(density * exact), within(0.2));
        assertThat(band.l90Dbfs().orElseThrow()).isLessThan(band.leqDbfs().orElseThrow());
      }
    }
  }

  /** Width of the base-10 exact octave over that of the nominal one with base-2 edges. */
  private static double exactOverNominal(double nominal) {
    double centre = 1000 * Math.pow(10, 0.3 * Math.round(Math.log(nominal / 1000) / Math.log(2)));
    double half = Math.pow(10, 0.15);
    return centre * (half - 1 / half) / (nominal * (Math.sqrt(2) - Math.sqrt(0.5)));
  }

  @Test
  @DisplayName(
      "silence and less than 0.4 s give no figure rather than a wrong one; an offset is no noise")
  void nothingFromNothing() {
    assertThat(measure(new double[48_000], 48_000).laeqDbfs()).isEmpty();
    assertThat(measure(sine(1000, 0.5, 48_000, 0.3), 48_000).laeqDbfs()).isEmpty();
    double[] offset = sine(1000, 0.001, 48_000, 3);
    for (int i = 0; i < offset.length; i++) {
      offset[i] += 0.25;
    }
    NoiseReport report = measure(offset, 48_000);
    assertThat(report.dcOffset()).isCloseTo(0.25, within(1e-6));
    assertThat(report.lzeqDbfs().orElseThrow()).isCloseTo(-60, within(0.1));
  }
}
