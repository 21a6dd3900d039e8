package nullroom.core.predict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import nullroom.core.Decibels;
import nullroom.core.Progress;
import nullroom.core.TestRooms;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Octave;
import nullroom.core.measure.decay.DecayAnalysis;
import nullroom.core.measure.decay.DecayReport;
import nullroom.core.measure.noise.NoiseMeter;
import nullroom.core.measure.noise.NoiseReport;
import nullroom.core.signal.SampleSource;
import nullroom.core.signal.Samples;
import org.junit.jupiter.api.Test;

/** What is put into a synthetic sound comes out of the meters. */
class SyntheticRoomTest {
  private static final double RATE = 48_000;

  @Test
  void noiseHasItsOctaveLevels() {
    Bands levels = Bands.of(50, 46, 43, 38, 35, 31, 28, 24);
    double[] pressure = SyntheticRoom.noise(levels, RATE, (int) (30 * RATE), 3);
    NoiseReport report =
        NoiseMeter.measure(SampleSource.of(new Samples(pressure, RATE)), Progress.NONE).getFirst();
    double pascal = Decibels.dbfs(20e-6 * 20e-6); // the meter takes pascal for full scale
    for (int i = 0; i < Octave.COUNT; i++) {
      double nominal = Octave.nominalHz(i);
      double level =
          report.octaves().stream()
              .filter(b -> b.centreHz() == nominal)
              .findFirst()
              .orElseThrow()
              .leqDbfs()
              .orElseThrow();
      assertThat(level - pascal).as("%s Hz", nominal).isCloseTo(levels.get(i), within(0.5));
    }
  }

  @Test
  void aResponseHasItsTimes() {
    Heard heard = Heard.of(TestRooms.box(0.1), Bands.of(0.8, 0.7, 0.6, 0.55, 0.5, 0.45, 0.4, 0.35));
    double[] response = SyntheticRoom.response(heard, 343.2, RATE, 2, 9);
    DecayReport report = DecayAnalysis.ofImpulses(new Samples(response, RATE), Octave.ALL);
    for (int i = Octave.HZ_500; i < Octave.COUNT; i++) {
      double t = heard.decaySeconds().get(i);
      assertThat(report.bands().get(i).t20Seconds().orElseThrow())
          .as("%s Hz", Octave.nominalHz(i))
          .isCloseTo(t, within(0.12 * t)); // one draw of a noise tail, not many
    }
  }

  @Test
  void aVoiceHasItsLevelWhileItSpeaksAndPauses() {
    double[] voice =
        SyntheticRoom.voice(Bands.of(40, 55, 60, 60, 55, 50, 45, 40), RATE, (int) (20 * RATE), 5);
    double squares = 0;
    int active = 0;
    for (double v : voice) {
      squares += v * v;
      active += v == 0 ? 0 : 1;
    }
    double level = Decibels.ofEnergy(squares / active / (20e-6 * 20e-6));
    double stated = Bands.of(40, 55, 60, 60, 55, 50, 45, 40).energySum();
    assertThat(level).isCloseTo(stated, within(0.8));
    assertThat((double) active / voice.length).isBetween(0.5, 0.9);
  }

  @Test
  void theSameSeedIsTheSameSound() {
    double[] a = SyntheticRoom.noise(Bands.all(30), RATE, 1000, 7);
    assertThat(SyntheticRoom.noise(Bands.all(30), RATE, 1000, 7)).isEqualTo(a);
    assertThat(SyntheticRoom.noise(Bands.all(30), RATE, 1000, 8)).isNotEqualTo(a);
    assertThat(SyntheticRoom.pascal(94)).isCloseTo(1.0024, within(1e-3));
  }
}
