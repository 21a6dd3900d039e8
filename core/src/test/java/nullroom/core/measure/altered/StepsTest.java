package nullroom.core.measure.altered;

import static nullroom.core.measure.altered.AlteredSounds.FLAT;
import static nullroom.core.measure.altered.AlteredSounds.RATE;
import static nullroom.core.measure.altered.AlteredSounds.found;
import static nullroom.core.measure.altered.AlteredSounds.gated;
import static nullroom.core.measure.altered.AlteredSounds.reply;
import static nullroom.core.measure.altered.AlteredSounds.talk;
import static nullroom.core.measure.altered.AlteredSounds.written;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.Random;
import java.util.stream.DoubleStream;
import nullroom.core.Decibels;
import nullroom.core.measure.altered.Alteration.Kind;
import nullroom.core.predict.SyntheticRoom;
import nullroom.core.signal.Fft;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Sounds written in few bits, and what stands still and falls without any gate. */
class StepsTest {
  private static double noiseDb(double[] x) {
    Steps steps = new Steps();
    steps.add(x, x.length);
    return Decibels.ofEnergy(steps.meanSquare() + 1e-30);
  }

  @ParameterizedTest
  @DisplayName("the noise of the steps is a twelfth of their square: W. R. Bennett 1948")
  @ValueSource(ints = {8, 12, 16, 20})
  void bennett(int bits) {
    double[] x = SyntheticRoom.noise(FLAT, RATE, RATE, 3);
    double largest = DoubleStream.of(x).map(Math::abs).max().orElseThrow();
    double[] y = DoubleStream.of(x).map(v -> 0.9 * v / largest).toArray();
    double[] z = written(y, bits, false);
    double sum = 0;
    for (int k = 0; k < y.length; k++) {
      sum += (y[k] - z[k]) * (y[k] - z[k]) / y.length;
    }
    assertThat(noiseDb(z)).isCloseTo(Decibels.ofEnergy(sum), within(0.1));
    assertThat(noiseDb(y)).as("none").isLessThan(-290);
  }

  @Test
  @DisplayName("bands are the same, in whatever pieces the sound comes")
  void inPieces() {
    double[] x = new Random(49).doubles(8000L * 30, -1, 1).toArray();
    FineBands whole = new FineBands(8000);
    whole.add(x, x.length);
    FineBands pieces = new FineBands(8000);
    for (int from = 0; from < x.length; from += 8000) {
      pieces.add(Arrays.copyOfRange(x, from, from + 8000), 8000);
    }
    assertThat(whole.levels().count()).isEqualTo(pieces.levels().count());
  }

  @ParameterizedTest(name = "{1} dB over {0} s, smooth {2}")
  @DisplayName("a gate is known where the steps of the file hide what it leaves")
  @CsvSource({"0.05, 40, false", "0.2, 40, false", "0.1, 60, true"})
  void hidden(double seconds, double rangeDb, boolean smooth) {
    double[] x = talk(FLAT, 32, 0.3, 41);
    assertThat(found(written(x, 16, smooth))).isEmpty();
    assertThat(found(written(gated(x, rangeDb, seconds, 0.007), 16, smooth)))
        .anySatisfy(a -> assertThat(a.kind()).isEqualTo(Kind.GATE));
  }

  @Test
  @DisplayName(
      "chords that end among the steps of eight bit are no gain, nor is one step a ceiling")
  void eightBits() {
    double[] x = new double[12 * RATE];
    for (int k = 0; k < x.length; k++) {
      double t = k / (double) RATE;
      for (double hz : new double[] {261.6, 329.6, 392}) {
        x[k] += 0.05 * Math.sin(2 * Math.PI * hz * t) * Math.exp(-6 * (2 * t % 1));
      }
    }
    double[] cut = DoubleStream.of(x).map(v -> Math.floor(128 * v) / 128).toArray();
    assertThat(AlteredSounds.kinds(cut)).doesNotContain(Kind.AUTOMATIC_GAIN, Kind.LIMITER);
  }

  @ParameterizedTest(name = "{0} s, {1} bits")
  @DisplayName("lines that all end on one hiss, in a room, are no gate")
  @CsvSource({"0.25, 16", "0.3, 16", "0.4, 24"})
  void hisses(double ringSeconds, int bits) {
    double[] x = talk(FLAT, 90, 0.02, 42);
    double[] hiss = SyntheticRoom.noise(FLAT, RATE, x.length, 43);
    double loud = AlteredSounds.rms(hiss, hiss.length);
    Random random = new Random(44);
    double[] reply = reply(ringSeconds, 100, random);
    for (int k = 0; k < x.length; k++) {
      double t = k / (double) RATE % 3.6 - 2.2;
      x[k] = t < 0 ? x[k] : t < 0.14 && k > 0 ? 0.03 * (hiss[k] - hiss[k - 1]) / loud : 0;
    }
    assertThat(found(written(Fft.convolve(x, reply), bits, true))).isEmpty();
  }

  @ParameterizedTest
  @DisplayName("knocks that ring on into one another for as long in all bands are no gate")
  @ValueSource(longs = {45, 46, 47, 48})
  void knocks(long seed) {
    int n = 40 * RATE;
    double[] x = new double[n];
    Random random = new Random(seed);
    for (int at = RATE / 2;
        at < n;
        at += (int) (RATE * (0.15 - 0.6 * Math.log(random.nextDouble())))) {
      double loud = 0.1 * Math.pow(10, 0.25 * random.nextGaussian());
      double tone = 1 + 3 * random.nextDouble();
      for (int k = 0; k < RATE / 10 && at + k < n; k++) {
        double knock = 0.5 * random.nextGaussian() + Math.sin(0.1 * tone * k);
        x[at + k] += loud * knock * Math.exp(-k / 500.0);
      }
    }
    double[] wet = Fft.convolve(x, reply(1.7, 100, random));
    double[] noise = SyntheticRoom.noise(AlteredSounds.NOISE, RATE, n, seed);
    double quiet = AlteredSounds.rms(noise, n);
    double[] heard = new double[n];
    for (int k = 0; k < n; k++) {
      heard[k] = wet[k] + 1e-4 * noise[k] / quiet;
    }
    assertThat(AlteredSounds.kinds(heard)).doesNotContain(Kind.GATE);
  }

  @ParameterizedTest
  @DisplayName("noise that comes and goes slowly under talk is no gate")
  @ValueSource(longs = {51, 52, 53, 54})
  void restless(long seed) {
    double[] x = talk(FLAT, 50, 0.3, seed);
    Random random = new Random(seed);
    double noise = AlteredSounds.rms(x, x.length) * Math.pow(10, -15 / 20.0);
    double phase = 2 * Math.PI * random.nextDouble();
    double period = 3 + 4 * random.nextDouble();
    for (int k = 0; k < x.length; k++) {
      double t = k / (double) RATE;
      double db = 6 * Math.sin(2 * Math.PI * t / period + phase) + 3 * Math.sin(2.3 * t + 1);
      x[k] += noise * Decibels.toAmplitude(db) * random.nextGaussian();
    }
    assertThat(found(x)).isEmpty();
  }
}
