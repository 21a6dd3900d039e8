package nullroom.core.measure.decay;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import nullroom.core.ReferenceTable;
import nullroom.core.acoustics.Octave;
import nullroom.core.signal.Band;
import nullroom.core.signal.Samples;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class DecayAnalysisTest {
  private static final double RATE = 48_000;

  /**
   * A sum of decaying tones at the octave centres, after a lead of silence, over noise of a given
   * level.
   */
  static double[] tones(double t, double noise, double seconds) {
    double[] x = new double[(int) (RATE * seconds)];
    Random random = new Random(3);
    int start = (int) (0.2 * RATE);
    for (int i = 0; i < x.length; i++) {
      x[i] = noise * random.nextGaussian();
      if (i >= start) {
        double at = (i - start) / RATE;
        for (int o = 0; o < Octave.COUNT; o++) {
          x[i] +=
              0.1
                  * Math.cos(2 * Math.PI * Octave.exactHz(o) * at)
                  * Math.exp(-3 * Math.log(10) * at / t);
        }
      }
    }
    return x;
  }

  @ParameterizedTest(name = "T = {0} s")
  @DisplayName(
      "an exponential decay gives its own T20, T30 and EDT within 2 % (Schroeder, JASA 37 (1965) 409-412)")
  @ValueSource(doubles = {0.1, 0.2, 0.3, 0.5, 1.0, 2.0})
  void exponentialDecays(double t) {
    DecayReport report =
        DecayAnalysis.ofImpulses(new Samples(tones(t, 1e-6, 0.5 + 2 * t), RATE), Octave.ALL);
    assertThat(report.takes()).isEqualTo(1);
    assertThat(report.directArrivalSeconds().orElseThrow()).isCloseTo(0.2, within(0.001));
    for (int o = 1; o < Octave.COUNT; o++) {
      DecayReport.BandDecay band = report.bands().get(o);
      assertThat(band.t20Seconds().orElseThrow())
          .as("T20 %s", band.centreHz())
          .isCloseTo(t, within(0.02 * t));
      assertThat(band.t30Seconds().orElseThrow())
          .as("T30 %s", band.centreHz())
          .isCloseTo(t, within(0.02 * t));
      if (band.edtSeconds().isPresent()) {
        assertThat(band.edtSeconds().getAsDouble())
            .as("EDT %s", band.centreHz())
            .isCloseTo(t, within(0.02 * t));
      } else { // the build-up of the filter hides it: B T under 16
        assertThat(Octave.ALL.get(o).widthHz() * t).isLessThan(18);
      }
      assertThat(band.curvaturePercent().orElseThrow()).isCloseTo(0, within(2.5));
      assertThat(band.nonLinearityPermille().orElseThrow()).isLessThan(5);
    }
    if (t >= 0.2) {
      assertThat(report.bands().getFirst().t20Seconds().orElseThrow())
          .as("63 Hz")
          .isCloseTo(t, within(0.05 * t));
    }
  }

  @ParameterizedTest(name = "T = {0} s")
  @DisplayName(
      "C50 and D50 of noise that decays, mean of 40 draws: within 0.5 dB of the ideal decay from 125 Hz up (ISO 3382-1)")
  @ValueSource(doubles = {0.3, 0.6})
  void clarityOfNoise(double t) {
    double ideal = 10 * Math.log10(Math.exp(6 * Math.log(10) * 0.05 / t) - 1);
    double[] sums = new double[Octave.COUNT];
    int draws = 40;
    for (int seed = 0; seed < draws; seed++) {
      Random random = new Random(seed);
      double[] x = new double[(int) (RATE * (0.3 + 1.6 * t))];
      for (int i = 0; i < x.length; i++) {
        double at = i / RATE - 0.2;
        x[i] =
            1e-7 * random.nextGaussian()
                + (at < 0 ? 0 : 0.2 * random.nextGaussian() * Math.exp(-3 * Math.log(10) * at / t));
      }
      DecayReport report = DecayAnalysis.ofImpulses(new Samples(x, RATE), Octave.ALL);
      for (int o = 0; o < Octave.COUNT; o++) {
        sums[o] += report.bands().get(o).c50Db().orElseThrow() - ideal;
      }
    }
    for (int o = 1; o < Octave.COUNT; o++) {
      assertThat(sums[o] / draws).as("%s Hz", Octave.nominalHz(o)).isCloseTo(0, within(0.5));
    }
  }

  @Test
  @DisplayName(
      "C50, D50 and centre time of ideal decays: table of ISO 3382-1 definitions, 500 Hz to 8 kHz")
  void clarity() {
    for (var row : ReferenceTable.rows("ideal_exponential_decay.csv")) {
      double t = Double.parseDouble(row.get("t_s"));
      if (t >= 0.2 && t <= 1) {
        DecayReport report =
            DecayAnalysis.ofImpulses(new Samples(tones(t, 1e-7, 0.5 + 2 * t), RATE), Octave.ALL);
        for (int o = Octave.HZ_500; o < Octave.COUNT; o++) {
          DecayReport.BandDecay band = report.bands().get(o);
          assertThat(band.c50Db().orElseThrow())
              .as("C50 %s Hz, T %s", band.centreHz(), t)
              .isCloseTo(Double.parseDouble(row.get("c50_db")), within(0.3));
          if (o
              >= Octave.HZ_1000) { // the tones' sudden start splashes a little energy to time zero
            assertThat(band.centreTimeSeconds().orElseThrow())
                .isCloseTo(Double.parseDouble(row.get("ts_ms")) / 1000, within(0.0015));
          }
        }
      }
    }
  }

  @Test
  @DisplayName(
      "a decay too near the noise has no time (ISO 3382-2: 35 dB for T20, 45 for T30) and says how to get it")
  void tooNoisy() {
    DecayReport report =
        DecayAnalysis.ofImpulses(new Samples(tones(0.5, 0.02, 3), RATE), Octave.ALL);
    DecayReport.BandDecay top = report.bands().getLast();
    assertThat(top.inrDb().orElseThrow()).isLessThan(35);
    assertThat(top.t20Seconds()).isEmpty();
    assertThat(report.warnings()).anyMatch(w -> w.contains("8000 Hz") && w.contains("louder"));
  }

  @Test
  void severalClapsAreFoundAndAveraged() {
    double[] x = new double[(int) (RATE * 8)];
    double[] one = tones(0.4, 0, 1.2);
    for (int clap = 0; clap < 4; clap++) {
      for (int i = 0; i < one.length; i++) {
        x[(int) (RATE * (0.3 + 1.8 * clap)) + i] += one[i] * (1 - 0.15 * clap);
      }
    }
    DecayReport report = DecayAnalysis.ofImpulses(new Samples(x, RATE), Octave.ALL);
    assertThat(report.takes()).isEqualTo(4);
    assertThat(report.tMidSeconds().orElseThrow()).isCloseTo(0.4, within(0.008));
  }

  @Test
  @DisplayName(
      "a double slope, 0.3 s and 0.9 s from -20 dB: EDT 0.305, T20 0.328, T30 0.402 s, C 22.6 % (ISO 3382-2 Annex B)")
  void doubleSlope() {
    double[] x = new double[(int) (RATE * 2.5)];
    Random random = new Random(3);
    int start = (int) (0.2 * RATE);
    double hz = Octave.exactHz(Octave.HZ_1000);
    for (int i = 0; i < x.length; i++) {
      x[i] = 1e-7 * random.nextGaussian();
      if (i >= start) {
        double at = (i - start) / RATE;
        // Schroeder's curve of this energy is e^(-13.8 t/0.3) + 0.01 e^(-13.8 t/0.9)
        double energy =
            13.8155 / 0.3 * Math.exp(-13.8155 * at / 0.3)
                + 0.01 * 13.8155 / 0.9 * Math.exp(-13.8155 * at / 0.9);
        x[i] += 0.05 * Math.sqrt(energy) * Math.cos(2 * Math.PI * hz * at);
      }
    }
    DecayReport.BandDecay band =
        DecayAnalysis.ofImpulses(new Samples(x, RATE), Octave.ALL).band(1000).orElseThrow();
    assertThat(band.edtSeconds().orElseThrow()).isCloseTo(0.305, within(0.006));
    assertThat(band.t20Seconds().orElseThrow()).isCloseTo(0.328, within(0.0066));
    assertThat(band.t30Seconds().orElseThrow()).isCloseTo(0.402, within(0.008));
    assertThat(band.curvaturePercent().orElseThrow()).isCloseTo(22.6, within(2.0));
  }

  @Test
  void noiseAndSilenceAreNoClaps() {
    Random random = new Random(8);
    double[] noise = random.doubles((int) (3 * RATE), -0.1, 0.1).toArray();
    assertThat(DecayAnalysis.ofImpulses(new Samples(noise, RATE), Octave.ALL).takes()).isZero();
    DecayReport silence =
        DecayAnalysis.ofImpulses(new Samples(new double[96_000], RATE), Band.OCTAVES);
    assertThat(silence.warnings()).singleElement().asString().contains("silence");
  }

  @ParameterizedTest(name = "{0} s, draw {1}")
  @DisplayName(
      "ripples on the way down to the noise are not taken for a decay that goes on for ever")
  @CsvSource({"0.2, 52", "0.2, 98", "0.2, 117", "0.2, 120", "0.1, 87"})
  void ripples(double seconds, long draw) {
    Random random = new Random(draw);
    double[] x = new double[(int) (2 * RATE)];
    for (int i = 0; i < x.length; i++) {
      double since = i / RATE - 0.5;
      double decay = since < 0 ? 0 : Math.pow(10, -3 * since / seconds);
      x[i] = (decay + (seconds < 0.15 ? 0.003 : 0.008)) * random.nextGaussian() * 0.2;
    }
    DecayReport report = DecayAnalysis.ofImpulses(new Samples(x, RATE), Octave.ALL);
    assertThat(report.bands())
        .filteredOn(b -> b.t20Seconds().isPresent())
        .hasSizeGreaterThan(4)
        .allSatisfy(b -> assertThat(b.t20Seconds().getAsDouble()).isLessThan(3 * seconds));
  }
}
