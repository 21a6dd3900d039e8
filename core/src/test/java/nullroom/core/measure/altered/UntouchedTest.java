package nullroom.core.measure.altered;

import static nullroom.core.measure.altered.AlteredSounds.FLAT;
import static nullroom.core.measure.altered.AlteredSounds.RATE;
import static nullroom.core.measure.altered.AlteredSounds.found;
import static nullroom.core.measure.altered.AlteredSounds.kinds;
import static nullroom.core.measure.altered.AlteredSounds.rms;
import static nullroom.core.measure.altered.AlteredSounds.written;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Random;
import java.util.function.DoubleUnaryOperator;
import nullroom.core.Progress;
import nullroom.core.acoustics.Bands;
import nullroom.core.measure.altered.Alteration.Kind;
import nullroom.core.predict.SyntheticRoom;
import nullroom.core.signal.Fft;
import nullroom.core.signal.SampleSource;
import nullroom.core.signal.Samples;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Sounds that come near to what a device leaves, and the device beside them. */
class UntouchedTest {
  private static final int N = 20 * RATE;

  /** A sound given over the seconds, and a noise so loud. */
  private static double[] over(DoubleUnaryOperator sound, Bands colour, double noiseRms) {
    double[] noise = SyntheticRoom.noise(colour, RATE, N, 7);
    double loud = rms(noise, N);
    double[] x = new double[N];
    for (int k = 0; k < N; k++) {
      x[k] = sound.applyAsDouble(k / (double) RATE) + noiseRms * noise[k] / loud;
    }
    return x;
  }

  /** Beeps of a tenth of a second at 1 kHz, every six tenths. */
  private static double beeps(double t) {
    double within = t % 0.6;
    return within < 0.1
        ? 0.3 * Math.sin(2000 * Math.PI * t) * Math.pow(Math.sin(10 * Math.PI * within), 2)
        : 0;
  }

  @ParameterizedTest
  @DisplayName("of a noise that swells and ebbs nobody says that a gain did it")
  @CsvSource({"0.15, 0.7", "0.3, 0.7", "0.5, 0.7", "0.3, 0.5", "0.35, 0.5"})
  void traffic(double perSecond, double depth) {
    for (Bands colour : List.of(AlteredSounds.NOISE, FLAT)) {
      double[] x = over(t -> 0, colour, 0.01);
      for (int k = 0; k < N; k++) {
        x[k] *= 1 + depth * Math.sin(2 * Math.PI * perSecond * k / RATE);
      }
      assertThat(found(x)).isEmpty();
    }
  }

  @Test
  @DisplayName("a beep ends faster than a room, but the noise beside it goes on; in a gate nothing")
  void beep() {
    double[] x = over(UntouchedTest::beeps, FLAT, 2e-4);
    assertThat(found(x)).isEmpty();
    assertThat(found(written(x, 16, true))).isEmpty();
    double[] gated = x.clone();
    for (int k = 0; k < N; k++) {
      gated[k] *= k % (int) (0.6 * RATE) < 0.09 * RATE ? 1 : 0.01;
    }
    assertThat(kinds(gated)).contains(Kind.GATE);
  }

  @Test
  @DisplayName(
      "between some steps of the file there is no digital silence, between sounds there is")
  void steps() {
    double[] low = SyntheticRoom.noise(Bands.of(40, 20, 0, 0, 0, 0, 0, 0), RATE, N, 8);
    double loud = rms(low, N);
    double[] x = new double[N];
    for (int k = 0; k < N; k++) {
      x[k] = 5e-5 * low[k] / loud * Math.max(0, Math.sin(3.0 * k / RATE));
    }
    assertThat(found(written(x, 16, false))).isEmpty();
    for (int k = 0; k < N; k++) {
      x[k] += k % RATE < 0.3 * RATE ? 0.1 * Math.sin(0.1 * k) : -x[k];
    }
    assertThat(kinds(written(x, 16, false))).contains(Kind.GATE);
  }

  @Test
  @DisplayName("where the noise goes on over it, an edge is the sound's own")
  void edge() {
    DoubleUnaryOperator sweep =
        t ->
            0.5
                * Math.sin(
                    2 * Math.PI * 50 * 20 / Math.log(240) * Math.expm1(t * Math.log(240) / 20));
    double[] x = over(sweep, FLAT, 2e-4);
    assertThat(found(x)).isEmpty();
    double[] limited =
        AlteredSounds.spectral(x, (power, bin, frame) -> bin * RATE / 2048.0 < 12_000 ? 1 : 1e-4);
    assertThat(kinds(limited)).contains(Kind.BAND_LIMIT);
  }

  @Test
  @DisplayName("between the lines of held tones there is the noise of the pauses: no coder's holes")
  void held() {
    int rate = 16_000;
    double[] x = new double[20 * rate];
    Random random = new Random(9);
    for (int tone = 0; tone < 10; tone++) {
      double hertz = 330 * Math.pow(2, random.nextInt(12) / 12.0);
      for (int k = 0; k < 1.7 * rate; k++) {
        double t = k / (double) rate;
        double level = 0.1 * Math.pow(Math.sin(Math.PI * t / 1.7), 2);
        for (int h = 1; h * hertz < 7900; h++) {
          x[tone * 2 * rate + k] +=
              level / h * Math.sin(2 * Math.PI * hertz * h * t + 6 * h * Math.sin(30 * t) / 100);
        }
      }
    }
    for (int k = 0; k < x.length; k++) {
      x[k] += 1e-4 * random.nextGaussian();
    }
    assertThat(
            AlterationMeter.measure(SampleSource.of(new Samples(x, rate)), Progress.NONE)
                .getFirst())
        .isEmpty();
  }

  @ParameterizedTest
  @DisplayName("claps that die away within one look at them are no islands of tones")
  @ValueSource(doubles = {0.08, 0.11, 0.14})
  void steep(double ringSeconds) {
    assertThat(found(written(AlteredSounds.claps(1e-5, ringSeconds), 16, true))).isEmpty();
  }

  @Test
  @DisplayName("a clock ticks as loud each time and reaches no ceiling; held down, it does")
  void clock() {
    int every = RATE - 9; // falls into the rows of levels in another place each time
    double[] x = over(t -> 0, FLAT, 3e-5);
    double[] held = x.clone();
    for (int k = 0; k < N; k++) {
      double t = k % every / (double) RATE;
      double tick = Math.exp(-t * 300) * Math.sin(2 * Math.PI * 3000 * t);
      x[k] += 0.2 * tick;
      held[k] += Math.clamp((0.3 + 0.02 * (k / every % 7)) * tick, -0.2, 0.2);
    }
    assertThat(found(x)).isEmpty();
    assertThat(kinds(held)).contains(Kind.LIMITER);
  }

  @ParameterizedTest
  @DisplayName("in tails that never reach the noise there are no islands of a coder")
  @ValueSource(longs = {61, 62, 63, 64})
  void tails(long seed) {
    Random random = new Random(seed);
    double[] reply = AlteredSounds.reply(1.8, 60, random);
    reply[0] = 0;
    double[] x = new double[N];
    for (int clap = RATE; clap < N - RATE; clap += 1.7 * RATE) {
      for (int k = 0; k < 200; k++) {
        x[clap + k] = random.nextGaussian() * Math.sin(Math.PI * k / 200);
      }
    }
    double[] wet = Fft.convolve(x, reply);
    double[] heard = over(t -> 0, AlteredSounds.NOISE, 1e-4);
    for (int k = 0; k < N; k++) {
      heard[k] += wet[k];
    }
    assertThat(found(heard)).isEmpty();
  }

  @Test
  @DisplayName("of eight who talk at once the softest moments are no pauses")
  void babble() {
    double[] x = new double[N];
    Random random = new Random(71);
    for (int voice = 0; voice < 8; voice++) {
      double hertz = 90 + 140 * random.nextDouble();
      double at = 10 * random.nextDouble();
      double phase = 0;
      for (int k = 0; k < N; k++) {
        double t = at + k / (double) RATE;
        phase += 2 * Math.PI * hertz * (1 + 0.05 * Math.sin(4.4 * t)) / RATE;
        double loud = Math.pow(Math.max(0, Math.sin(23 * t)), 0.7);
        for (int h = 1; loud > 0 && h < 40; h++) {
          x[k] += 0.01 * loud * Math.sin(h * phase) / h;
        }
        x[k] += 0.002 * loud * random.nextGaussian();
      }
    }
    assertThat(found(Fft.convolve(x, AlteredSounds.reply(0.5, 60, random)))).isEmpty();
  }
}
