package nullroom.core.measure.altered;

import static nullroom.core.measure.altered.AlteredSounds.FLAT;
import static nullroom.core.measure.altered.AlteredSounds.RATE;
import static nullroom.core.measure.altered.AlteredSounds.gated;
import static nullroom.core.measure.altered.AlteredSounds.rms;
import static nullroom.core.measure.altered.AlteredSounds.talk;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.Random;
import nullroom.core.measure.altered.Alteration.Kind;
import nullroom.core.predict.SyntheticRoom;
import nullroom.core.signal.Fft;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Noise that a gate lets through beside what sounds, and what else comes and goes. */
class NoiseWithSoundTest {
  @ParameterizedTest(name = "in {0} lines")
  @DisplayName("noise that comes and goes with each of two lines may have been switched on and off")
  @CsvSource({"2, false", "3, true"})
  void twice(int lines, boolean told) {
    double[] x = Arrays.copyOf(talk(FLAT, 32, 0.3, 77), (int) (lines * 3.6 * RATE));
    assertThat(told(gated(x, 24, 0.1, 0.01)).isEmpty()).isNotEqualTo(told);
  }

  @ParameterizedTest(name = "{0} dB over {1} s, {2} lines")
  @DisplayName("the noise beside a few words stands over the pauses by what a gate takes")
  @CsvSource({"15, 0.05, 5", "24, 0.1, 3", "40, 0.1, 3"})
  void gate(double rangeDb, double seconds, int lines) {
    double[] x = Arrays.copyOf(talk(FLAT, 32, 0.3, 71), (int) (lines * 3.6 * RATE));
    assertThat(told(x)).isEmpty();
    assertThat(told(gated(x, rangeDb, seconds, 0.01)))
        .isNotEmpty()
        .allSatisfy(
            a -> assertThat(a.evidence()).contains(", %.0f dB over the pauses".formatted(rangeDb)))
        .extracting(Alteration::kind)
        .startsWith(Kind.GATE);
  }

  @ParameterizedTest
  @DisplayName("a machine that runs now and then, and knocks as it runs, is no gate")
  @ValueSource(doubles = {0.05, 0.3, 1})
  void machine(double knock) {
    Random random = new Random(72);
    double[] x = new double[24 * RATE];
    for (int k = 0; k < x.length; k++) {
      double t = k / (double) RATE % 4;
      double since = t % 0.31;
      double runs = t < 2.2 ? 0.01 + knock * Math.exp(-since / 0.01) : 0;
      x[k] = (runs + 3e-4) * random.nextGaussian() / 4;
    }
    assertThat(told(x)).isEmpty();
  }

  @Test
  @DisplayName("talk while a fan runs, and without it, is no gate")
  void fan() {
    double[] x = talk(FLAT, 60, 0.3, 73);
    Random random = new Random(74);
    for (int k = x.length / 3; k < 2 * x.length / 3; k++) {
      x[k] += 2e-3 * random.nextGaussian();
    }
    assertThat(told(x)).isEmpty();
  }

  @ParameterizedTest
  @DisplayName("a voice played from a recording with a hiss of its own is on before it sounds")
  @CsvSource({"3e-4, 2.8", "1e-3, 3"})
  void played(double hiss, double on) {
    double[] x = talk(FLAT, 60, 0.3, 75);
    double[] noise = SyntheticRoom.noise(AlteredSounds.NOISE, RATE, x.length, 76);
    double loud = rms(noise, noise.length);
    double[] played = new double[x.length];
    for (int k = 0; k < x.length; k++) {
      double t = k / (double) RATE % 3.6;
      played[k] = t < 2.6 || t > on ? hiss * noise[k] / loud : 0;
    }
    double[] there = Fft.convolve(played, AlteredSounds.reply(0.3, 60, new Random(77)));
    for (int k = 0; k < x.length; k++) {
      x[k] += there[k];
    }
    assertThat(AlteredSounds.found(x)).isEmpty();
  }

  private static List<Alteration> told(double[] x) {
    FineBands fine = new FineBands(RATE);
    fine.add(x, x.length);
    return NoiseWithSound.of(fine, Pauses.of(fine));
  }
}
