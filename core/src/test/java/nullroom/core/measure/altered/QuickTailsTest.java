package nullroom.core.measure.altered;

import static nullroom.core.measure.altered.AlteredSounds.RATE;
import static nullroom.core.measure.altered.AlteredSounds.denoised;
import static nullroom.core.measure.altered.AlteredSounds.found;
import static nullroom.core.measure.altered.AlteredSounds.kinds;
import static nullroom.core.measure.altered.AlteredSounds.spectral;
import static nullroom.core.measure.altered.AlteredSounds.written;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import nullroom.core.measure.altered.Alteration.Kind;
import nullroom.core.measure.altered.Alteration.Measured;
import nullroom.core.signal.Fft;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** How fast the last of a sound falls into the noise, beside how fast sounds fall over it. */
class QuickTailsTest {
  /** Syllables of noise that stop at once, in lines with pauses, in a room that rings. */
  private static double[] syllables(double snrDb, double ringSeconds, long seed) {
    Random random = new Random(seed);
    double[] dry = new double[20 * RATE];
    int at = RATE;
    while (at < dry.length - 2 * RATE) {
      for (int syllable = 0; syllable < 9; syllable++) {
        double loud = Math.pow(10, -0.6 * random.nextDouble());
        int n = (int) (RATE * random.nextDouble(0.08, 0.2));
        for (int k = 0; k < n && at < dry.length; k++, at++) {
          dry[at] = loud * random.nextGaussian() * Math.min(1, k / (0.02 * RATE));
        }
        at += (int) (RATE * random.nextDouble(0.03, 0.09));
      }
      at += (int) (RATE * random.nextDouble(0.6, 1));
    }
    double[] x = Fft.convolve(dry, AlteredSounds.reply(ringSeconds, 90, random));
    double noise = AlteredSounds.rms(x, dry.length) * Math.pow(10, -snrDb / 20);
    double[] out = new double[dry.length];
    for (int k = 0; k < out.length; k++) {
      out[k] = 0.05 * (x[k] + noise * random.nextGaussian());
    }
    return out;
  }

  @ParameterizedTest(name = "{0} dB over the noise, {1} s, {2} dB")
  @DisplayName("what takes away the noise takes the last of each sound with it")
  @CsvSource({"28, 0.5, -20", "35, 0.5, -20"})
  void reduced(double snrDb, double seconds, double byDb) {
    double[] x = syllables(snrDb, seconds, 81);
    assertThat(told(x)).isEmpty();
    assertThat(found(x)).isEmpty();
    assertThat(told(denoised(x, 0, RATE / 2, byDb)))
        .hasValueSatisfying(e -> assertThat(e).contains("the last of a sound takes longest"));
  }

  @Test
  @DisplayName(
      "noise that rises a little before sounds, and ends that are hardly slower: both at once")
  void both() {
    double[] x = syllables(28, 0.6, 96);
    assertThat(kinds(x)).isEmpty();
    double[] mild = denoised(x, 0, RATE / 2, -6);
    assertThat(told(mild)).isEmpty();
    BeforeSound before = new BeforeSound(RATE);
    before.add(mild, mild.length);
    assertThat(before.told()).isEmpty();
    assertThat(before.mostlyRises(2, "%d %f")).isPresent();
    assertThat(found(mild))
        .extracting(Alteration::kind)
        .containsExactly(Kind.NOISE_REDUCTION, Kind.GATE);
    assertThat(found(mild).getFirst().evidence()).contains("both are not");
  }

  @Test
  @DisplayName("over the steps of a file the ends are timed as well")
  void onSteps() {
    double[] x = Arrays.stream(syllables(35, 0.5, 81)).map(v -> v / 4).toArray();
    assertThat(told(written(x, 16, true))).isEmpty();
    assertThat(told(written(denoised(x, 0, RATE / 2, -30), 16, true))).isPresent();
  }

  @Test
  @DisplayName("under an edge of the spectrum it is told as well")
  void edged() {
    double[] x = denoised(syllables(28, 0.5, 81), 0, RATE / 2, -20);
    double[] edged = spectral(x, (power, bin, block) -> bin < 450 ? 1 : 1e-4);
    assertThat(kinds(edged)).contains(Kind.BAND_LIMIT, Kind.NOISE_REDUCTION);
  }

  @ParameterizedTest(name = "{0} dB over the noise, {1} s")
  @DisplayName("in dead rooms and live ones the noise only slows it down")
  @CsvSource({"20, 0.15", "28, 0.15", "40, 0.15", "28, 0.8", "40, 0.8", "52, 1.2"})
  void untouched(double snrDb, double seconds) {
    assertThat(told(syllables(snrDb, seconds, 82))).isEmpty();
  }

  @Test
  @DisplayName("fades of an instrument that never stops before may end as they like")
  void fades() {
    double[] x = new double[24 * RATE];
    Random random = new Random(83);
    for (int k = 0; k < x.length; k++) {
      double t = k / (double) RATE % 2;
      double swell = t < 1.5 ? Math.pow(Math.sin(Math.PI * t / 1.5), 2) : 0;
      x[k] = (0.2 * swell + 1e-3) * random.nextGaussian();
    }
    assertThat(told(x)).isEmpty();
  }

  @Test
  @DisplayName("both kinds it may be are told in one sentence, and each to a program")
  void either() {
    List<Alteration> both =
        Alteration.either(Kind.NOISE_REDUCTION, Kind.GATE, "the last of a sound", 0, 9);
    assertThat(both).extracting(Alteration::kind).containsExactly(Kind.NOISE_REDUCTION, Kind.GATE);
    assertThat(Alteration.warnings(both, Measured.NOISE))
        .singleElement()
        .asString()
        .startsWith("The sound shows noise reduction or a gate: the noise reads too low. ")
        .contains("switch off noise reduction", "switch off the gate");
    assertThat(
            Alteration.warnings(
                Alteration.either(Kind.AUTOMATIC_GAIN, Kind.GATE, "a bend", 0, 9), Measured.DECAY))
        .singleElement()
        .asString()
        .contains("decays read too long, and C50 too low, or decays read too short");
    assertThat(Alteration.named(both)).isEqualTo("noise reduction or a gate");
    assertThat(Alteration.remedies(both)).containsOnlyOnce("the last of a sound");
    assertThat(Alteration.doubt(both, Measured.LEVEL)).containsOnlyOnce("speech to noise too high");
  }

  private static Optional<String> told(double[] x) {
    FineBands fine = new FineBands(RATE);
    fine.add(x, x.length);
    return QuickTails.of(fine).told();
  }
}
