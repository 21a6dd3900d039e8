package nullroom.core.measure.decay;

import static nullroom.core.measure.decay.MadeRoom.RATE;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import nullroom.core.acoustics.Octave;
import nullroom.core.signal.Fft;
import nullroom.core.signal.Resampler;
import nullroom.core.signal.Samples;
import nullroom.core.signal.Sweep;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class ExcitationTest {
  private static final Sweep FIVE = new Sweep(20, 20_000, 5);

  private static DecayReport any(double[] x) {
    return DecayAnalysis.analyse(new Samples(x, RATE), DecayAnalysis.Request.any(Octave.ALL));
  }

  private static DecayReport sweep(double[] x, Sweep sweep) {
    return DecayAnalysis.analyse(
        new Samples(x, RATE),
        new DecayAnalysis.Request(
            Optional.of(Excitation.SWEEP), Optional.of(sweep), Optional.empty(), Octave.ALL));
  }

  private static DecayReport truth() {
    double[] late = new double[(int) (1.8 * RATE)];
    MadeRoom.add(late, MadeRoom.response(0.4, 3), (int) (0.1 * RATE));
    return DecayAnalysis.ofImpulses(new Samples(late, RATE), Octave.ALL);
  }

  private static void same(DecayReport got, DecayReport expected) {
    for (DecayReport.BandDecay band : expected.bands()) {
      DecayReport.BandDecay is = got.band(band.centreHz()).orElseThrow();
      double t = band.t20Seconds().orElseThrow();
      assertThat(is.t20Seconds().orElseThrow())
          .as("%s Hz", band.centreHz())
          .isCloseTo(t, within(0.02 * t));
      assertThat(is.c50Db().orElseThrow())
          .as("%s Hz", band.centreHz())
          .isCloseTo(band.c50Db().orElseThrow(), within(0.3));
    }
  }

  @ParameterizedTest
  @DisplayName(
      "a sweep with 1 % distortion, 300 ms late, clocks 60 millionths apart, 40 dB over noise: the true response's T within 2 %, C50 within 0.3 dB")
  @ValueSource(ints = {1, 3})
  void sweepInARoom(int repeats) {
    double[] heard =
        MadeRoom.played(FIVE, MadeRoom.response(0.4, 3), repeats, 0.01, 0.3, 60e-6, 40);
    DecayReport report = any(heard); // neither the kind nor the length is told
    assertThat(report.excitation()).contains(Excitation.SWEEP);
    assertThat(report.takes()).isEqualTo(repeats);
    assertThat(report.directArrivalSeconds().orElseThrow()).isCloseTo(0.3, within(0.0002));
    assertThat(report.harmonicDistortionPercent().orElseThrow()).isCloseTo(1, within(0.06));
    assertThat(report.warnings()).anyMatch(w -> w.contains("clock differs"));
    same(report, truth());
    for (double[] r : MadeRoom.REFLECTIONS) {
      assertThat(report.reflections())
          .anyMatch(found ->
              Math.abs(found.delaySeconds() - r[0] / RATE) < 1e-4
                  && Math.abs(found.levelDb() - r[1]) < 1);
    }
    assertThat(report.reflections().getFirst().levelDb()).isCloseTo(-4, within(1.0));
  }

  @Test
  @DisplayName("the played file as reference, recorded at 44.1 kHz, gives the same")
  void referenceAtAnotherRate() {
    Sweep sweep = new Sweep(40, 18_000, 4);
    Samples played = new Samples(sweep.samples(RATE), RATE);
    double[] heard = MadeRoom.played(sweep, MadeRoom.response(0.4, 3), 1, 0, 0.2, 0, 60);
    Samples recorded = Resampler.to(new Samples(heard, RATE), 44_100);
    DecayReport report =
        DecayAnalysis.analyse(
            recorded,
            new DecayAnalysis.Request(
                Optional.of(Excitation.SWEEP), Optional.empty(), Optional.of(played), Octave.ALL));
    same(report, truth());
    assertThat(report.harmonicDistortionPercent().orElseThrow()).isLessThan(0.1);
    assertThat(report.directArrivalSeconds().orElseThrow()).isCloseTo(0.2, within(0.0002));
  }

  @Test
  @DisplayName("what is wrong with a sweep's recording gets its own sentence and no figure")
  void badSweeps() {
    double[] good = MadeRoom.played(FIVE, MadeRoom.response(0.4, 3), 1, 0, 0.1, 0, 60);
    refused(sweep(good, Sweep.USUAL), "another sweep");
    refused(sweep(Arrays.copyOf(good, (int) (4 * RATE)), FIVE), "shorter than the sweep");
    double[] noise = new Random(3).doubles((int) (7 * RATE), -0.1, 0.1).toArray();
    refused(sweep(noise, FIVE), "No sweep stands out");
    refused(sweep(new double[(int) (7 * RATE)], FIVE), "silence");
    Samples misread = new Samples(good, 44_100);
    refused(
        DecayAnalysis.analyse(
            misread,
            new DecayAnalysis.Request(
                Optional.empty(), Optional.of(FIVE), Optional.empty(), Octave.ALL)),
        "wrong sampling rate");
    double[] clipped = Arrays.stream(good).map(v -> Math.clamp(4 * v, -1, 1)).toArray();
    assertThat(sweep(clipped, FIVE).warnings()).anyMatch(w -> w.contains("clips"));
    double[] cutOff = Arrays.copyOf(good, (int) (5.15 * RATE));
    assertThat(sweep(cutOff, FIVE).warnings()).anyMatch(w -> w.contains("ends right after"));
  }

  private static void refused(DecayReport report, String sentence) {
    assertThat(report.takes()).isZero();
    assertThat(report.excitation()).isEmpty();
    assertThat(report.warnings()).singleElement().asString().contains(sentence);
    assertThat(report.bands()).allMatch(b -> b.t20Seconds().isEmpty());
  }

  @Test
  @DisplayName("noise switched off six times: T20 within 10 % from 500 Hz up, no clarity")
  void interruptedNoise() {
    Random random = new Random(4);
    double[] dry = new double[(int) (22 * RATE)];
    for (int k = 0; k < 6; k++) {
      for (int i = 0; i < 2 * RATE; i++) {
        dry[(int) ((1 + 3.5 * k) * RATE) + i] = random.nextGaussian();
      }
    }
    double[] x = Arrays.copyOf(Fft.convolve(dry, MadeRoom.decay(0.5, 6)), dry.length);
    double peak = Arrays.stream(x).map(Math::abs).max().orElseThrow();
    for (int i = 0; i < x.length; i++) {
      x[i] = 0.5 * x[i] / peak + 1e-5 * random.nextGaussian();
    }
    DecayReport report = any(x);
    assertThat(report.excitation()).contains(Excitation.NOISE);
    assertThat(report.takes()).isEqualTo(6);
    assertThat(report.directArrivalSeconds().orElseThrow()).isCloseTo(3, within(0.02));
    for (double hz : new double[] {500, 1000, 2000, 4000, 8000}) {
      DecayReport.BandDecay band = report.band(hz).orElseThrow();
      assertThat(band.t20Seconds().orElseThrow()).as("%s", hz).isCloseTo(0.5, within(0.05));
      assertThat(band.edtSeconds().orElseThrow()).as("%s", hz).isCloseTo(0.5, within(0.1));
      assertThat(band.c50Db()).isEmpty();
    }
    assertThat(report.speechTransmission()).isEmpty();
    assertThat(report.reflections()).isEmpty();
  }

  @Test
  @DisplayName("five claps with a thump and words between: five found, the others left out")
  void clapsAmongOthers() {
    double[] x = MadeRoom.session();
    DecayReport report = any(x);
    assertThat(report.excitation()).contains(Excitation.IMPULSE);
    assertThat(report.takes()).isEqualTo(5);
    assertThat(report.tMidSeconds().orElseThrow()).isCloseTo(0.4, within(0.03));
    Random random = new Random(7);
    double[] close = new double[(int) (4 * RATE)];
    for (int k = 0; k < 6; k++) {
      MadeRoom.add(close, MadeRoom.clap(random), (int) ((0.3 + 0.2 * k) * RATE));
    }
    refused(
        any(Arrays.copyOf(Fft.convolve(close, MadeRoom.decay(0.4, 2)), close.length)),
        "too close together");
  }

  @Test
  @DisplayName(
      "noise that lay a little under its loudest before it was switched off, at once from the start")
  void noiseFromTheStart() {
    Random random = new Random(12);
    double[] x = new double[(int) (4 * RATE)];
    for (int i = 0; i < 1.6 * RATE; i++) {
      boolean first = i < 0.45 * RATE;
      boolean gap = !first && i < 0.95 * RATE;
      x[i] = (first ? 0.05 : gap ? 1e-5 : 0.075) * random.nextGaussian();
    }
    for (int i = 0; i < x.length; i++) {
      x[i] += 1e-6 * random.nextGaussian();
    }
    DecayReport report =
        DecayAnalysis.analyse(
            new Samples(x, RATE),
            new DecayAnalysis.Request(
                Optional.of(Excitation.NOISE), Optional.empty(), Optional.empty(), Octave.ALL));
    assertThat(report.takes()).isPositive();
  }

  @Test
  @DisplayName("a background that ends in digital silence is no noise that was switched off")
  void backgroundThatEnds() {
    Random random = new Random(9);
    double[] x = new double[(int) (9 * RATE)];
    for (int i = 0; i < 6 * RATE; i++) {
      x[i] = 1e-4 * random.nextGaussian();
    }
    double[] decay = MadeRoom.decay(0.4, 3);
    for (int i = 0; i < decay.length; i++) {
      x[(int) RATE + i] += 0.2 * decay[i];
      x[(int) (3.5 * RATE) + i] += 0.2 * decay[i];
    }
    DecayReport report = any(x);
    assertThat(report.excitation()).contains(Excitation.IMPULSE);
    assertThat(report.takes()).isEqualTo(2);
    assertThat(report.tMidSeconds().orElseThrow()).isCloseTo(0.4, within(0.04));
  }

  @ParameterizedTest
  @DisplayName("echoes between two walls are heard as flutter, their period within 2 %")
  @ValueSource(doubles = {2.4, 3.1, 4.2})
  void flutter(double metresApart) {
    Random random = new Random(5);
    double[] x = new double[(int) (1.3 * RATE)];
    int start = (int) (0.1 * RATE);
    double period = 2 * metresApart / 343;
    for (int i = start; i < x.length; i++) {
      x[i] = 0.01 * random.nextGaussian() * Math.pow(10, -3 * (i - start) / RATE / 0.35);
    }
    x[start] = 0.5;
    for (int k = 1; k < 60; k++) {
      int at = start + (int) Math.round(k * period * RATE);
      if (at < x.length) {
        x[at] += 0.3 * Math.pow(10, -3 * k * period / 0.8);
      }
    }
    DecayReport report = any(x);
    DecayReport.Flutter flutter = report.flutter().orElseThrow();
    assertThat(flutter.periodSeconds()).isCloseTo(period, within(0.02 * period));
    assertThat(flutter.strengthDb()).isGreaterThan(5);
    assertThat(truth().flutter()).isEmpty();
  }

  @Test
  @DisplayName("noise that decays evenly has neither single reflections nor flutter")
  void nothingWhereNothingIs() {
    int alarms = 0;
    for (int seed = 0; seed < 10; seed++) {
      double[] x = new double[(int) (2 * RATE)];
      MadeRoom.add(x, MadeRoom.decay(0.4, seed), (int) (0.1 * RATE));
      x[(int) (0.1 * RATE)] += 5;
      DecayReport report = any(x);
      assertThat(report.flutter()).isEmpty();
      alarms += report.reflections().size();
    }
    assertThat(alarms).isLessThan(10);
  }

  @Test
  @DisplayName("third octaves are evaluated with the same speech figures")
  void thirds() {
    List<nullroom.core.signal.Band> thirds =
        nullroom.core.signal.Band.THIRDS.stream().filter(b -> b.nominalHz() >= 100).toList();
    double[] late = new double[(int) (1.8 * RATE)];
    MadeRoom.add(late, MadeRoom.response(0.4, 3), (int) (0.1 * RATE));
    DecayReport report =
        DecayAnalysis.analyse(new Samples(late, RATE), DecayAnalysis.Request.any(thirds));
    assertThat(report.bands()).hasSize(thirds.size());
    // ISO 3382-1: with thirds, the mean of those from 400 to 1250 Hz
    double mean =
        report.bands().stream()
            .filter(b -> b.centreHz() >= 400 && b.centreHz() <= 1250)
            .mapToDouble(b -> b.t20Seconds().orElseThrow())
            .average()
            .orElseThrow();
    assertThat(report.tMidSeconds().orElseThrow()).isCloseTo(mean, within(1e-12));
    assertThat(report.speechTransmission().orElseThrow())
        .isCloseTo(truth().speechTransmission().orElseThrow(), within(1e-9));
  }
}
