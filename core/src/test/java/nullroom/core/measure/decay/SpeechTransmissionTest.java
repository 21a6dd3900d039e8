package nullroom.core.measure.decay;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import nullroom.core.acoustics.Octave;
import nullroom.core.signal.Samples;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SpeechTransmissionTest {
  /** Modulation transfer of an ideal decay: IEC 60268-16, without noise. */
  private static double ofDecay(double reverberationSeconds, double modulationHz) {
    double x = 2 * Math.PI * modulationHz * reverberationSeconds / (6 * Math.log(10));
    return 1 / Math.sqrt(1 + x * x);
  }

  private static double[][] transfer(double... seconds) {
    double[][] rows = new double[7][14];
    for (int k = 0; k < 7; k++) {
      for (int f = 0; f < 14; f++) {
        rows[k][f] =
            ofDecay(
                seconds[Math.min(k, seconds.length - 1)], SpeechTransmission.MODULATIONS_HZ.get(f));
      }
    }
    return rows;
  }

  @ParameterizedTest
  @DisplayName("IEC 60268-16:2011: the index of ideal decays, formula")
  @CsvSource({"0.3, 0.828", "0.5, 0.736", "1.0, 0.588"})
  void ofIdealDecays(double seconds, double expected) {
    assertThat(SpeechTransmission.index(transfer(seconds))).isCloseTo(expected, within(0.002));
  }

  @ParameterizedTest
  @DisplayName("the same measured from a response of decaying noise")
  @CsvSource({"0.3, 0.828", "0.5, 0.736", "1.0, 0.588"})
  void ofMeasuredDecays(double seconds, double expected) {
    double sum = 0;
    for (int seed = 0; seed < 4; seed++) {
      double[] x = new double[(int) ((0.5 + 3 * seconds) * MadeRoom.RATE)];
      MadeRoom.add(x, MadeRoom.decay(seconds, seed), (int) (0.2 * MadeRoom.RATE));
      sum +=
          DecayAnalysis.ofImpulses(new Samples(x, MadeRoom.RATE), Octave.ALL)
                  .speechTransmission()
                  .orElseThrow()
              / 4;
    }
    assertThat(sum).isCloseTo(expected, within(0.015));
  }

  @Test
  @DisplayName("IEC 60268-16:2011: another time in each octave, 125 Hz to 8 kHz")
  void byOctave() {
    assertThat(SpeechTransmission.index(transfer(0.60, 0.50, 0.45, 0.40, 0.40, 0.35, 0.30)))
        .isCloseTo(0.779, within(0.002));
    assertThat(SpeechTransmission.index(0.8)).isCloseTo(0.701, within(0.001));
    assertThat(SpeechTransmission.index(0.5)).isCloseTo(0.5, within(0.001));
  }

  @Test
  @DisplayName("noise as strong as the voice costs what the tables say; loud speech masks itself")
  void inNoise() {
    double[] voice = {60, 60, 60, 60, 60, 60, 60};
    double[] none = {-40, -40, -40, -40, -40, -40, -40};
    double quiet = SpeechTransmission.index(transfer(0.5), voice, none);
    assertThat(quiet).isLessThan(0.736).isGreaterThan(0.71);
    // 0 dB: 0.423 without masking and threshold
    assertThat(SpeechTransmission.index(transfer(0.5), voice, voice))
        .isLessThan(0.424)
        .isGreaterThan(0.38);
    double[] loud = {95, 95, 95, 95, 95, 95, 95};
    assertThat(SpeechTransmission.index(transfer(0.5), loud, none)).isLessThan(quiet - 0.02);
  }
}
