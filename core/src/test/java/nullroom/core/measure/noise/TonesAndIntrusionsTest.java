package nullroom.core.measure.noise;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import nullroom.core.Progress;
import nullroom.core.signal.Fft;
import nullroom.core.signal.SampleSource;
import nullroom.core.signal.Samples;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

public class TonesAndIntrusionsTest {
  private static final double RATE = 48_000;
  private static final double RMS = 0.003;

  /** Noise whose power falls or rises by a power of the frequency: 0 white, -1 pink, -2 brown. */
  public static double[] noise(double seconds, double slope, long seed) {
    int count = (int) (seconds * RATE);
    Random random = new Random(seed);
    double[] x = new double[Fft.sizeFor(count)];
    for (int i = 0; i < x.length; i++) {
      x[i] = random.nextGaussian();
    }
    Fft fft = new Fft(x.length);
    fft.forward(x);
    x[0] = 0;
    x[1] = 0;
    for (int k = 1; k < x.length / 2; k++) {
      double gain = Math.pow(Math.max(10, k * RATE / x.length), slope / 2);
      x[2 * k] *= gain;
      x[2 * k + 1] *= gain;
    }
    fft.inverse(x);
    double[] part = java.util.Arrays.copyOf(x, count);
    double squares = 0;
    for (double v : part) {
      squares += v * v;
    }
    double scale = RMS / Math.sqrt(squares / count);
    for (int i = 0; i < count; i++) {
      part[i] *= scale;
    }
    return part;
  }

  private static void addSine(double[] x, double hz, double amplitude) {
    for (int i = 0; i < x.length; i++) {
      x[i] += amplitude * Math.sin(2 * Math.PI * hz * i / RATE);
    }
  }

  private static NoiseReport measure(double[] x) {
    return NoiseMeter.measure(SampleSource.of(new Samples(x, RATE)), Progress.NONE).getFirst();
  }

  /** Mean square of noise in the critical band around a frequency, by its spectrum. */
  private static double criticalBand(double[] x, double hz) {
    double[] copy = java.util.Arrays.copyOf(x, Fft.sizeFor(x.length));
    Fft fft = new Fft(copy.length);
    fft.forward(copy);
    double[] bins = new double[copy.length / 2 + 1];
    fft.addEnergy(copy, bins);
    double half = Math.max(100, 0.2 * hz) / 2;
    double sum = 0;
    for (int k = 0; k < bins.length; k++) {
      sum += Math.abs(k * RATE / copy.length - hz) <= half ? bins[k] : 0;
    }
    return sum / x.length;
  }

  @ParameterizedTest(name = "{0} Hz in pink noise")
  @DisplayName(
      "ten seconds, 6 dB over the noise in the critical band (ISO 1996-2 Annex C widths): found, where and how loud")
  @CsvSource({
    "50.03,mains,50",
    "100.1,mains,50",
    "59.95,mains,60",
    "120.05,mains,60",
    "150,tone,0",
    "237,tone,0",
    "1000,tone,0",
    "3333,tone,0",
    "8000,tone,0"
  })
  void oneTone(double hz, String kind, int mains) {
    double[] x = noise(10, -1, 5);
    double amplitude = Math.sqrt(2 * criticalBand(x, hz) * Math.pow(10, 0.6));
    addSine(x, hz, amplitude);
    NoiseReport report = measure(x);
    assertThat(report.tones()).hasSize(1);
    Tone tone = report.tones().getFirst();
    assertThat(tone.frequencyHz()).isCloseTo(hz, within(0.1));
    assertThat(tone.levelDbfs()).isCloseTo(20 * Math.log10(amplitude), within(0.5));
    assertThat(tone.prominenceDb()).isCloseTo(6, within(1.0));
    assertThat(tone.mains()).isEqualTo(kind.equals("mains"));
    assertThat(report.mains().isPresent()).isEqualTo(mains > 0);
    report.mains().ifPresent(m -> assertThat(m.fundamentalHz()).isCloseTo(mains, within(0.1)));
    assertThat(report.intrusions()).isEmpty();
  }

  @ParameterizedTest(name = "{0} Hz")
  @DisplayName(
      "harmonics of a square wave that fold back at half the sampling rate are no hum, but a hum beside them is")
  @ValueSource(doubles = {440, 680, 1040, 330.5})
  void foldedHarmonics(double hz) {
    double[] x = noise(10, -1, 6);
    for (int i = 0; i < x.length; i++) {
      x[i] = 0.01 * x[i] + 0.1 * Math.signum(Math.sin(2 * Math.PI * hz * (i + 0.25) / RATE));
    }
    assertThat(measure(x).mains()).isEmpty();
    for (int n = 1; n <= 3; n++) {
      addSine(x, 50.02 * n, 0.05 / n);
    }
    assertThat(measure(x).mains().orElseThrow().fundamentalHz()).isCloseTo(50.02, within(0.05));
  }

  @Test
  void aHumOfWeakHarmonicsIsOneFamilyAndOtherTonesAreNot() {
    double[] x = noise(10, -1, 8);
    double[] amplitudes = {0.002, 0.0015, 0.001, 0, 0.0005};
    double energy = 0;
    for (int n = 1; n <= amplitudes.length; n++) {
      addSine(x, 49.96 * n, amplitudes[n - 1]);
      energy += amplitudes[n - 1] * amplitudes[n - 1];
    }
    addSine(x, 437, 0.002);
    NoiseReport report = measure(x);
    MainsHum hum = report.mains().orElseThrow();
    assertThat(hum.fundamentalHz()).isCloseTo(49.96, within(0.05));
    assertThat(hum.harmonicsHz()).hasSize(4);
    assertThat(hum.levelDbfs()).isCloseTo(10 * Math.log10(energy), within(0.6));
    assertThat(report.tones())
        .filteredOn(t -> !t.mains())
        .singleElement()
        .satisfies(t -> assertThat(t.frequencyHz()).isCloseTo(437, within(0.1)));
  }

  @ParameterizedTest(name = "slope {0}")
  @DisplayName("two minutes of clean noise of any colour hold no tone, no hum and no intrusion")
  @ValueSource(doubles = {0, -1, -2, -3, 1, 2})
  void cleanNoise(double slope) {
    NoiseReport report = measure(noise(120, slope, 40 + (long) slope));
    assertThat(report.tones()).isEmpty();
    assertThat(report.mains()).isEmpty();
    assertThat(report.intrusions()).isEmpty();
  }

  @Test
  @DisplayName(
      "twenty bursts of 0.2 to 3 s, 10 and 20 dB over the noise, are found to a tenth of a second, and nothing else")
  void bursts() {
    double[] x = noise(300, -1, 11);
    Random random = new Random(12);
    double[] lengths = {0.2, 0.5, 1, 3};
    List<Double> starts = new ArrayList<>();
    for (int b = 0; b < 20; b++) {
      double start = 5 + 14.5 * b + 4 * random.nextDouble();
      double length = lengths[b % 4];
      double[] burst = noise(length, -1, 100 + b);
      double gain = Math.sqrt((b % 2 == 0 ? 10 : 100) - 1);
      for (int i = 0; i < burst.length; i++) {
        x[(int) (start * RATE) + i] += gain * burst[i];
      }
      starts.add(start);
    }
    List<Intrusion> found = measure(x).intrusions();
    assertThat(found).hasSize(20);
    for (int b = 0; b < 20; b++) {
      assertThat(found.get(b).startSeconds()).isCloseTo(starts.get(b), within(0.1));
      assertThat(found.get(b).durationSeconds()).isCloseTo(lengths[b % 4], within(0.15));
      assertThat(found.get(b).riseDb()).isCloseTo(b % 2 == 0 ? 10 : 20, within(3.0));
    }
  }

  @Test
  void whatSwitchesOnAndStaysIsOneIntrusionAndWhatGoesOffNone() {
    double[] on = noise(120, -1, 3);
    double[] fan = noise(120, -1, 4);
    for (int i = (int) (50 * RATE); i < on.length; i++) {
      on[i] += 6 * fan[i];
    }
    List<Intrusion> found = measure(on).intrusions();
    assertThat(found).hasSize(1);
    assertThat(found.getFirst().startSeconds()).isCloseTo(50, within(0.1));
    double[] off = noise(60, -1, 5);
    for (int i = 0; i < off.length / 2; i++) {
      off[i] += 6 * fan[i];
    }
    assertThat(measure(off).intrusions()).isEmpty();
  }

  @Test
  void theLargestSampleOfAnIntrusionIsItsPeak() {
    double[] x = noise(20, 0, 6);
    x[(int) (8.3 * RATE)] = 0.5;
    Intrusion click = measure(x).intrusions().getFirst();
    assertThat(click.startSeconds()).isCloseTo(8.3, within(0.05));
    assertThat(click.peakDbfs()).isCloseTo(-6.02, within(0.2));
  }

  @Test
  @DisplayName("a hum 50 dB over its noise is one, however wide its foot in the spectrum")
  void aStrongHumIsFound() {
    double[] x = noise(8, 0, 31);
    double scale = 1e-3;
    for (int i = 0; i < x.length; i++) {
      x[i] *= scale;
    }
    double[] amplitudes = {0.01, 0, 0.005};
    for (int n = 1; n <= amplitudes.length; n++) {
      addSine(x, 50 * n, amplitudes[n - 1]);
    }
    NoiseReport report = measure(x);
    MainsHum hum = report.mains().orElseThrow();
    assertThat(hum.fundamentalHz()).isCloseTo(50, within(0.05));
    assertThat(hum.harmonicsHz()).hasSize(2);
    assertThat(hum.levelDbfs()).isCloseTo(10 * Math.log10(1e-4 + 2.5e-5), within(0.3));
    assertThat(report.tones()).allMatch(Tone::mains);
  }

  @Test
  void aLoudSoundDoesNotHideAHum() {
    double[] x = noise(15, -1, 21);
    addSine(x, 50, Math.sqrt(2 * criticalBand(x, 50) * Math.pow(10, 0.6)));
    double[] bark = noise(1.5, -1, 22);
    for (int i = 0; i < bark.length; i++) {
      x[(int) (7 * RATE) + i] += 30 * bark[i];
    }
    NoiseReport report = measure(x);
    assertThat(report.intrusions()).hasSize(1);
    assertThat(report.mains())
        .hasValueSatisfying(m -> {
          assertThat(m.fundamentalHz()).isCloseTo(50, within(0.1));
          assertThat(m.prominenceDb()).isCloseTo(6, within(1.5));
        });
  }

  @Test
  void aHumThatComesWithItsSourceAndStaysIsHeard() {
    double[] x = noise(60, -1, 23);
    double[] motor = noise(40, -1, 24);
    double amplitude = Math.sqrt(2 * 10 * criticalBand(motor, 100) * Math.pow(10, 0.9));
    for (int i = 0; i < motor.length; i++) {
      x[(int) (20 * RATE) + i] += 4 * motor[i] + amplitude * Math.sin(2 * Math.PI * 100 * i / RATE);
    }
    assertThat(measure(x).mains()).isPresent();
  }
}
