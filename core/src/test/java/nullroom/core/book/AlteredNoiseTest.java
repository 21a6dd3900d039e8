package nullroom.core.book;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.Random;
import nullroom.core.Progress;
import nullroom.core.measure.altered.Alteration;
import nullroom.core.measure.clip.AlteredTake;
import nullroom.core.measure.clip.Clip;
import nullroom.core.measure.noise.Calibration;
import nullroom.core.signal.SampleSource;
import nullroom.core.signal.Samples;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

/** Whether the noise of a sound, and a take, is doubted for what only its claps show. */
class AlteredNoiseTest {
  private static final int RATE = 48_000;

  /** Claps in a room of 0.8 s, each shut from a moment on; over noise. */
  private static Samples claps(double shutDb) {
    double[] x = new double[16 * RATE];
    Random random = new Random(71);
    for (int k = 0; k < x.length; k++) {
      double since = (k % (3 * RATE) - RATE) / (double) RATE;
      double decay =
          since < 0 ? 0 : Math.pow(10, -3 * since / 0.8) + 8 * Math.exp(-since * RATE / 40);
      double shut = since < 0 ? 1 : Math.clamp(10 * (since - 0.3), 0, 1);
      double gain = Math.pow(10, -shutDb / 20 * shut);
      x[k] = (0.1 * decay + 1e-4) * gain * random.nextGaussian() / 3;
    }
    return new Samples(x, RATE);
  }

  private static List<Alteration.Kind> noise(Samples sound) {
    return kinds(
        NoiseMeasurement.of(
                "claps.wav",
                new NoiseMeasurement.Taken("2026-03-04T20:10", false, "", List.of()),
                SampleSource.of(sound),
                Optional.empty(),
                Calibration.UNKNOWN,
                Progress.NONE)
            .altered());
  }

  private static List<Alteration.Kind> take(Samples sound) {
    return kinds(
        AlteredTake.measure(SampleSource.of(sound), Progress.NONE).channels().getFirst().altered());
  }

  private static List<Alteration.Kind> kinds(List<Alteration> found) {
    return found.stream().map(Alteration::kind).toList();
  }

  /** What all who are asked say alike. */
  private static List<Alteration.Kind> byAll(Samples sound) {
    List<Alteration.Kind> noise = noise(sound);
    assertThat(kinds(Clip.of(sound, Progress.NONE).altered())).isEqualTo(noise);
    assertThat(take(sound)).isEqualTo(noise);
    return noise;
  }

  @Test
  @DisplayName("the noise of a sound is doubted as its decays are, whichever is asked for")
  void sameAnswer() {
    assertThat(byAll(claps(20))).contains(Alteration.Kind.GATE);
    assertThat(byAll(claps(0))).isEmpty();
  }

  /** Claps, and a tone that swells now and then. */
  private static Samples amongOthers(double shutDb) {
    double[] x = claps(shutDb).toArray();
    for (int k = 0; k < x.length; k++) {
      double since = (k % (3 * RATE) - 2.2 * RATE) / RATE;
      double swells = since < 0 || since > 0.25 ? 0 : Math.sin(4 * Math.PI * since);
      x[k] += 0.2 * swells * Math.sin(440 * since);
    }
    return new Samples(x, RATE);
  }

  @Test
  @DisplayName("claps now and then among other sounds are no measurement: their ends show no gate")
  void amongOthers() {
    assertThat(byAll(amongOthers(20))).doesNotContain(Alteration.Kind.GATE);
    assertThat(byAll(amongOthers(0))).isEmpty();
  }
}
