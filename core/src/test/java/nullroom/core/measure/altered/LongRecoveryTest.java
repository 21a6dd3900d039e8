package nullroom.core.measure.altered;

import static nullroom.core.measure.altered.AlteredSounds.FLAT;
import static nullroom.core.measure.altered.AlteredSounds.RATE;
import static nullroom.core.measure.altered.AlteredSounds.VOICE;
import static nullroom.core.measure.altered.AlteredSounds.found;
import static nullroom.core.measure.altered.AlteredSounds.kinds;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.Optional;
import java.util.Random;
import java.util.function.DoubleUnaryOperator;
import java.util.function.IntToDoubleFunction;
import nullroom.core.measure.altered.Alteration.Kind;
import nullroom.core.predict.SyntheticRoom;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** One long pause after something loud: ten quiet seconds behind the talk, as in a clip. */
class LongRecoveryTest {
  private static final int TALK = 8 * RATE;
  private static final int ALL = 18 * RATE;

  /**
   * Talk over noise, then the noise alone.
   *
   * @param gainDb of all that is heard, so many seconds after the talk
   * @param loud how loud a second noise is, the first 1
   * @param otherDb the same of the second noise, which begins with the pause
   */
  private static double[] clip(
      DoubleUnaryOperator gainDb, double loud, DoubleUnaryOperator otherDb) {
    double[] voice = SyntheticRoom.voice(VOICE, RATE, TALK, 51);
    double[] noise = SyntheticRoom.noise(FLAT, RATE, ALL, 52);
    double[] other = SyntheticRoom.noise(AlteredSounds.NOISE, RATE, ALL, 53);
    double voiceRms = AlteredSounds.rms(voice, TALK);
    double noiseRms = AlteredSounds.rms(noise, ALL);
    double otherRms = AlteredSounds.rms(other, ALL);
    double[] out = new double[ALL];
    for (int k = 0; k < ALL; k++) {
      double since = (double) (k - TALK) / RATE;
      double sum = 0.02 * noise[k] / noiseRms;
      if (since < 0) {
        sum += voice[k] / voiceRms;
      } else {
        sum *= Math.pow(10, gainDb.applyAsDouble(since) / 20);
        sum += loud * 0.02 * other[k] / otherRms * Math.pow(10, otherDb.applyAsDouble(since) / 20);
      }
      out[k] = 0.05 * sum;
    }
    return out;
  }

  @ParameterizedTest(name = "{0} dB, {1} s")
  @DisplayName("a gain that recovers once is known by the curve of the noise")
  @CsvSource({"4, 0.6", "8, 1.5", "12, 3"})
  void recovers(double heldDb, double seconds) {
    double[] x = clip(t -> -heldDb * Math.exp(-t / seconds), 0, t -> 0);
    assertThat(kinds(x)).containsExactly(Kind.AUTOMATIC_GAIN);
    Alteration told = found(x).getFirst();
    assertThat(told.evidence()).contains("ever more slowly");
    assertThat(told.fromSeconds()).isBetween(7.9, 9.0);
  }

  @Test
  @DisplayName("noise that swells, falls, or gets company after the talk is no gain")
  void byItself() {
    assertThat(kinds(clip(t -> 0, 0, t -> 0))).isEmpty();
    assertThat(kinds(clip(t -> 0.1 * t * t, 0, t -> 0))).isEmpty();
    assertThat(kinds(clip(t -> -0.8 * t, 0, t -> 0))).isEmpty();
    assertThat(kinds(clip(t -> 4 * Math.sin(t), 0, t -> 0))).isEmpty();
    assertThat(kinds(clip(t -> 0, 2, t -> -30 * Math.exp(-t)))).isEmpty();
  }

  /**
   * Knocks over noise, two seconds apart, from the second one on.
   *
   * @param atFirstDb gain right behind each, by its number
   * @param left how much of that is left so many seconds later
   */
  private static double[] knocks(IntToDoubleFunction atFirstDb, DoubleUnaryOperator left) {
    int every = 2 * RATE;
    double[] noise = SyntheticRoom.noise(FLAT, RATE, ALL, 54);
    double[] knock = AlteredSounds.reply(0.25, 60, new Random(55));
    double rms = AlteredSounds.rms(noise, ALL);
    double[] out = new double[ALL];
    for (int k = every; k < ALL; k++) {
      int since = k % every;
      double gain = atFirstDb.applyAsDouble(k / every) * left.applyAsDouble((double) since / RATE);
      double sum = 0.004 * noise[k] / rms + (since < knock.length ? 1.6 * knock[since] : 0);
      out[k] = sum * Math.pow(10, gain / 20);
    }
    for (int k = 0; k < every; k++) {
      out[k] = 0.004 * noise[k] / rms;
    }
    return out;
  }

  private static Optional<Alteration> recovered(double[] x) {
    FineBands fine = new FineBands(RATE);
    fine.add(x, x.length);
    return LongRecovery.of(fine, Pauses.of(fine));
  }

  @Test
  @DisplayName("several short pauses tell a gain that recovers, however deep each begins")
  void several() {
    double[] x = knocks(n -> n % 2 == 0 ? -3 : -6, t -> Math.exp(-t / 0.5));
    assertThat(recovered(x))
        .hasValueSatisfying(a -> {
          assertThat(a.kind()).isEqualTo(Kind.AUTOMATIC_GAIN);
          assertThat(a.evidence()).contains("in 8 of 8 pauses", "ever more slowly");
          assertThat(a.fromSeconds()).isBetween(2.0, 3.0);
        });
    assertThat(kinds(x)).containsExactly(Kind.AUTOMATIC_GAIN);
  }

  @Test
  @DisplayName("noise that moves between knocks by itself, up here and down there, is no gain")
  void severalByItself() {
    assertThat(found(knocks(n -> 0, t -> 0))).isEmpty();
    assertThat(found(knocks(n -> n % 2 == 0 ? -3 : 3, t -> 1 - t / 2))).isEmpty();
    assertThat(recovered(knocks(n -> n % 3 == 0 ? -4 : 0, t -> Math.exp(-t / 0.5)))).isEmpty();
  }

  @Test
  @DisplayName("noise that rises as a gain would in one pause and falls in others swells by itself")
  void oncePerChance() {
    double[] risesOnce = knocks(n -> n == 3 ? -4 : n % 2 == 0 ? 1.5 : 0, t -> Math.exp(-t / 0.5));
    double[] risesMostly = knocks(n -> n == 3 ? -4 : -2.5, t -> Math.exp(-t / 0.5));
    assertThat(recovered(risesOnce)).isEmpty();
    assertThat(recovered(risesMostly)).isPresent();
  }

  private static double[] beginnings(int length, double[]... sounds) {
    return Arrays.stream(sounds).flatMapToDouble(x -> Arrays.stream(x, 0, length)).toArray();
  }

  @Test
  @DisplayName("a gain recovers in every long pause, noise that swells falls in some")
  void inEvery() {
    double[] rises = clip(t -> -4 * Math.exp(-t / 0.8), 0, t -> 0);
    double[] falls = clip(t -> -0.5 * t, 0, t -> 0);
    double[] stands = clip(t -> 0, 0, t -> 0);
    int part = TALK + 3 * RATE;
    assertThat(recovered(beginnings(part, rises, stands, rises))).isPresent();
    assertThat(recovered(beginnings(part, rises, falls, rises))).isEmpty();
  }

  @Test
  @DisplayName("noise that falls by as much in all bands in a shorter pause swells by itself")
  void fallsInShorter() {
    double[] rises = clip(t -> -6 * Math.exp(-t / 0.8), 0, t -> 0);
    double[] falls = clip(t -> -1.5 * t, 0, t -> 0);
    double[] stands = clip(t -> 0, 0, t -> 0);
    double[] last = beginnings(TALK + 3 * RATE, rises, rises);
    assertThat(recovered(after(stands, last))).isPresent();
    assertThat(recovered(after(falls, last))).isEmpty();
  }

  /** Behind another of which two seconds of pause are left. */
  private static double[] after(double[] first, double[] last) {
    double[] both = Arrays.copyOf(first, TALK + 2 * RATE + last.length);
    System.arraycopy(last, 0, both, TALK + 2 * RATE, last.length);
    return both;
  }
}
