package nullroom.core.measure.altered;

import static nullroom.core.measure.altered.AlteredSounds.FLAT;
import static nullroom.core.measure.altered.AlteredSounds.NOISE;
import static nullroom.core.measure.altered.AlteredSounds.RATE;
import static nullroom.core.measure.altered.AlteredSounds.claps;
import static nullroom.core.measure.altered.AlteredSounds.denoised;
import static nullroom.core.measure.altered.AlteredSounds.gated;
import static nullroom.core.measure.altered.AlteredSounds.rms;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Octave;
import nullroom.core.measure.altered.Alteration.Kind;
import nullroom.core.measure.decay.AlteredDecay;
import nullroom.core.measure.decay.DecayAnalysis;
import nullroom.core.predict.SyntheticRoom;
import nullroom.core.signal.Samples;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Claps whose decays bend where they come down to the noise that was. */
class LateBendTest {
  /** Over noise of a colour. */
  private static double[] over(Bands colour, double noise, double seconds) {
    double[] x = claps(0, seconds);
    double[] room = SyntheticRoom.noise(colour, RATE, x.length, 81);
    double loud = rms(room, room.length);
    for (int k = 0; k < x.length; k++) {
      x[k] += noise * room[k] / loud;
    }
    return x;
  }

  private static List<Alteration> bent(double[] x) {
    Samples sound = new Samples(x, RATE);
    return AlteredDecay.with(List.of(), DecayAnalysis.ofImpulses(sound, Octave.ALL), sound, sound);
  }

  @ParameterizedTest(name = "{0} s, noise {1}")
  @DisplayName("decays that come down into the noise of a room do not bend")
  @CsvSource({"0.25, 1e-2", "0.5, 1e-3", "0.8, 1e-3", "0.8, 1e-5", "1.2, 3e-4"})
  void untouched(double seconds, double noise) {
    assertThat(bent(over(NOISE, noise, seconds))).isEmpty();
    assertThat(bent(over(FLAT, noise, seconds))).isEmpty();
  }

  @ParameterizedTest
  @DisplayName("a reduction bends each band where the noise of that band was")
  @ValueSource(doubles = {0.8, 1.2})
  void reduction(double seconds) {
    double[] x = over(NOISE, 2e-3, seconds);
    assertThat(bent(denoised(x, 0, RATE / 2, -24)))
        .singleElement()
        .satisfies(a -> {
          assertThat(a.kind()).isEqualTo(Kind.NOISE_REDUCTION);
          assertThat(a.evidence()).contains("in each at another moment");
        });
  }

  @ParameterizedTest
  @DisplayName("a gate bends all bands at one moment")
  @ValueSource(doubles = {0.8, 1.2})
  void gate(double seconds) {
    double[] x = over(FLAT, 5e-4, seconds);
    assertThat(bent(gated(x, 30, 0.15, 0.006)))
        .singleElement()
        .satisfies(a -> assertThat(a.kind()).isEqualTo(Kind.GATE));
  }
}
