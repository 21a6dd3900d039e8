package nullroom.core.measure.decay;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import nullroom.core.acoustics.Octave;
import nullroom.core.measure.altered.Alteration;
import nullroom.core.signal.Butterworth;
import nullroom.core.signal.Samples;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Exponential decays over steady noise, and gains of known course on them. */
class HeldAfterClapsTest {
  private static final int RATE = 48_000;
  private static final double EVERY_SECONDS = 1.7;

  /** As hands have it, little under 500 Hz and over 9 kHz. */
  private static double[] claps(int count, double decaySeconds, long seed) {
    double[] x = new double[(int) ((count + 0.5) * EVERY_SECONDS * RATE)];
    Random random = new Random(seed);
    for (int k = 0; k < x.length; k++) {
      double since = since(k);
      x[k] =
          since < 0 || k > count * EVERY_SECONDS * RATE
              ? 0
              : random.nextGaussian() * Math.pow(10, -3 * since / decaySeconds);
    }
    double[] low = new double[x.length];
    Butterworth.highPass(4, 500, RATE).filter(x, low, x.length);
    Butterworth.lowPass(4, 9000, RATE).filter(low, x, x.length);
    return x;
  }

  /** Since the last clap; the first comes half-way. */
  private static double since(int k) {
    double at = (double) k / RATE;
    return at < EVERY_SECONDS / 2 ? -1 : (at + EVERY_SECONDS / 2) % EVERY_SECONDS;
  }

  private static double[] over(double[] claps, double noise, long seed) {
    Random random = new Random(seed);
    return IntStream.range(0, claps.length)
        .mapToDouble(k -> 0.3 * claps[k] + noise * random.nextGaussian())
        .toArray();
  }

  /** Takes it down at each clap by so much, and brings it up again evenly in decibels. */
  private static double[] held(double[] x, double downDb, double secondsBack) {
    return IntStream.range(0, x.length)
        .mapToDouble(k -> {
          double since = since(k);
          double down = since < 0 ? 0 : Math.max(0, downDb * (1 - since / secondsBack));
          return x[k] * Math.pow(10, -down / 20);
        })
        .toArray();
  }

  private static Optional<Alteration> found(double[] x) {
    return HeldAfterClaps.of(ImpulseTakes.find(x, RATE), RATE, new Samples(x, RATE));
  }

  @ParameterizedTest(name = "{0} s, noise {1}")
  @DisplayName("untouched noise is as loud after claps as it is else")
  @CsvSource({"0.15, 1e-4", "0.3, 1e-3", "0.5, 3e-4", "0.8, 1e-4", "1.2, 1e-3"})
  void untouched(double seconds, double noise) {
    for (long seed = 1; seed <= 2; seed++) {
      assertThat(found(over(claps(4, seconds, seed), noise, seed + 9))).isEmpty();
    }
  }

  @ParameterizedTest(name = "{0} s, {1} dB, back in {2} s")
  @DisplayName("a gain that is up again with the decay leaves the bass too soft after claps")
  @CsvSource({"0.2, 15, 0.2", "0.3, 15, 0.3", "0.4, 10, 0.4", "0.7, 15, 0.6"})
  void held(double seconds, double downDb, double secondsBack) {
    double[] x = held(over(claps(5, seconds, 3), 3e-4, 4), downDb, secondsBack);
    Samples sound = new Samples(x, RATE);
    DecayReport report = DecayAnalysis.ofImpulses(sound, Octave.ALL);
    double too = report.band(1000).orElseThrow().t20Seconds().orElseThrow() / seconds;

    assertThat(too).as("the decay reads too long").isGreaterThan(1.1);
    assertThat(AlteredDecay.with(List.of(), report, sound, sound))
        .extracting(Alteration::kind)
        .contains(Alteration.Kind.AUTOMATIC_GAIN);
    assertThat(found(x).orElseThrow().evidence()).contains("beside them").contains("softer");
  }

  @Test
  @DisplayName("a long silence at the end hides nothing")
  void silentEnd() {
    double[] x = held(over(claps(5, 0.3, 3), 3e-4, 4), 15, 0.3);
    assertThat(found(Arrays.copyOf(x, 3 * x.length))).isPresent();
    double[] untouched = over(claps(5, 0.3, 3), 3e-4, 4);
    assertThat(found(Arrays.copyOf(untouched, 3 * untouched.length))).isEmpty();
  }

  @Test
  @DisplayName("who keeps still after a clap and moves before the next holds nothing down")
  void keepsStill() {
    double[] x = over(claps(5, 0.3, 5), 3e-4, 6);
    double[] moves = new double[x.length];
    Random random = new Random(7);
    for (int k = 0; k < x.length; k++) {
      moves[k] = since(k) > 0.6 ? 2e-3 * random.nextGaussian() : 0;
    }
    double[] low = new double[x.length];
    Butterworth.lowPass(2, 200, RATE).filter(moves, low, x.length);

    assertThat(found(IntStream.range(0, x.length).mapToDouble(k -> x[k] + low[k]).toArray()))
        .isEmpty();
  }

  @ParameterizedTest(name = "over {0} Hz")
  @DisplayName("a coder that empties some of the highs beside a clap is no gain")
  @ValueSource(doubles = {15_500, 17_500})
  void coder(double fromHz) {
    double[] x = over(claps(5, 0.3, 8), 3e-4, 9);
    double[] high = new double[x.length];
    Butterworth.highPass(8, fromHz, RATE).filter(x, high, x.length);
    double[] y =
        IntStream.range(0, x.length)
            .mapToDouble(k -> since(k) >= 0 && since(k) < 0.3 ? x[k] - high[k] : x[k])
            .toArray();

    assertThat(found(y)).isEmpty();
  }

  @Test
  @DisplayName("all highs held down alike are a gain, where a cable hums in behind it")
  void highs() {
    double[] x = held(over(claps(4, 0.4, 10), 1e-3, 11), 12, 0.6);
    double[] hums = new double[x.length];
    Butterworth.lowPass(2, 300, RATE).filter(over(new double[x.length], 0.05, 12), hums, x.length);

    assertThat(found(IntStream.range(0, x.length).mapToDouble(k -> x[k] + hums[k]).toArray()))
        .isPresent();
  }

  @Test
  @DisplayName("silence and single claps say nothing")
  void nothing() {
    assertThat(found(new double[3 * RATE])).isEmpty();
    assertThat(found(claps(3, 0.3, 13))).isEmpty();
    assertThat(found(over(claps(1, 0.3, 14), 3e-4, 15))).isEmpty();
  }
}
