package nullroom.core.measure.decay;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.Random;
import nullroom.core.acoustics.Octave;
import nullroom.core.measure.altered.Alteration;
import nullroom.core.signal.Samples;
import nullroom.core.signal.Sweep;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Which of the signs that decays give is told, and what is said where none is. */
class AlteredDecayTest {
  private static final int RATE = 48_000;
  private static final Alteration GAIN =
      new Alteration(Alteration.Kind.AUTOMATIC_GAIN, "the floor comes up", 0, 1);
  private static final Alteration EDGE =
      new Alteration(Alteration.Kind.BAND_LIMIT, "nothing above 8 kHz", 0, 1);

  private static Samples claps() {
    double[] x = new double[6 * RATE];
    Random random = new Random(4);
    for (int k = 0; k < x.length; k++) {
      double since = k % (2 * RATE) / (double) RATE - 0.5;
      x[k] = (since < 0 ? 1e-5 : 0.3 * Math.pow(10, -6 * since) + 1e-5) * random.nextGaussian() / 3;
    }
    return new Samples(x, RATE);
  }

  @Test
  @DisplayName("claps of which nothing is told carry the sentence; what is told says it better")
  void unseen() {
    Samples sound = claps();
    DecayReport report = DecayAnalysis.ofImpulses(sound, Octave.ALL);
    List<Alteration> found = AlteredDecay.with(List.of(), report, sound, sound);

    assertThat(found).isEmpty();
    assertThat(AlteredDecay.unseen(report, found).orElseThrow())
        .contains("leaves no trace")
        .contains("too long");
    assertThat(AlteredDecay.unseen(report, List.of(EDGE))).isPresent();
    assertThat(AlteredDecay.unseen(report, List.of(EDGE, GAIN))).isEmpty();
  }

  @Test
  @DisplayName("nothing is said of decays that were not found, nor of a sweep")
  void nothingToSay() {
    DecayReport none =
        DecayAnalysis.ofImpulses(new Samples(new double[2 * RATE], RATE), Octave.ALL);
    assertThat(none.takes()).isZero();
    assertThat(AlteredDecay.unseen(none, List.of())).isEmpty();
    DecayReport sweep =
        DecayAnalysis.analyse(
            new Samples(
                MadeRoom.played(
                    new Sweep(20, 20_000, 5), MadeRoom.response(0.4, 3), 1, 0.01, 0.3, 0, 40),
                RATE),
            DecayAnalysis.Request.any(Octave.ALL));
    assertThat(sweep.excitation()).hasValue(Excitation.SWEEP);
    assertThat(AlteredDecay.unseen(sweep, List.of())).isEmpty();
  }

  @Test
  @DisplayName("decays are not asked where the course of the sound has told why they bend")
  void onlyWhereNothingIsTold() {
    Samples sound = claps();
    double[] shut = Arrays.copyOf(sound.toArray(), sound.count());
    for (int k = 0; k < shut.length; k++) {
      shut[k] *= k % (2 * RATE) > 0.7 * RATE ? 0.1 : 1;
    }
    Samples gated = new Samples(shut, RATE);
    DecayReport report = DecayAnalysis.ofImpulses(gated, Octave.ALL);

    assertThat(AlteredDecay.with(List.of(EDGE), report, gated, gated)).hasSizeGreaterThan(1);
    assertThat(AlteredDecay.with(List.of(GAIN), report, gated, gated)).containsExactly(GAIN);
  }

  @ParameterizedTest(name = "{0} sounds at {1} Hz, loudest after {2} s, each {3} times as long")
  @DisplayName(
      "a few sounds whose ends bend are claps; many are keys, cloth begins slowly, knocks end each by itself, and of one few bands say little")
  @CsvSource({
    "4, 48000, 0, 1, true",
    "20, 48000, 0, 1, false",
    "4, 48000, 0.025, 1, false",
    "4, 48000, 0, 1.5, false",
    "2, 48000, 0, 1.5, false",
    "1, 48000, 0, 1, true",
    "4, 8000, 0, 1, true",
    "1, 8000, 0, 1, false"
  })
  void claps(int sounds, int rate, double riseSeconds, double longer, boolean told) {
    double[] x = new double[sounds * rate];
    Random random = new Random(6);
    for (int k = 0; k < x.length; k++) {
      double since = (k % rate / (double) rate - 0.2) / Math.pow(longer, k / rate);
      double falls = since < 0.15 ? 60 * since / 0.6 : 15 + 60 * (since - 0.15) / 0.25;
      double rises = since < riseSeconds ? 0.5 + 0.5 * since / riseSeconds : 1;
      double level = since < 0 ? 0 : rises * rises * Math.pow(10, -falls / 20);
      x[k] = (level + 1e-3) * random.nextGaussian() / 4;
    }
    Samples sound = new Samples(x, rate);
    DecayReport report = DecayAnalysis.ofImpulses(sound, Octave.ALL);

    assertThat(report.takes()).isPositive();
    assertThat(AlteredDecay.with(List.of(), report, sound, sound).isEmpty()).isNotEqualTo(told);
  }

  @ParameterizedTest(name = "{0} thuds")
  @DisplayName("claps among as many thuds are part of what somebody does, and bend as that does")
  @CsvSource({"0, true", "2, true", "4, false"})
  void amongThuds(int thuds, boolean told) {
    double[] x = new double[8 * RATE];
    Random random = new Random(8);
    double low = 0;
    for (int k = 0; k < x.length; k++) {
      double since = k % (2 * RATE) / (double) RATE - 0.2;
      double falls = since < 0.15 ? 60 * since / 0.6 : 15 + 60 * (since - 0.15) / 0.25;
      double clap = since < 0 ? 0 : Math.pow(10, -falls / 20);
      double after = since - 1;
      double thud =
          after < 0 || k / (2 * RATE) >= thuds ? 0 : Math.exp(-after / 0.02) * 12; // of lows
      low += 0.01 * (random.nextGaussian() - low);
      x[k] = ((clap + 1e-3 + thud * 2e-3) * random.nextGaussian() + thud * low) / 8;
    }
    Samples sound = new Samples(x, RATE);
    DecayReport report = DecayAnalysis.ofImpulses(sound, Octave.ALL);

    assertThat(report.takes()).isEqualTo(4);
    assertThat(AlteredDecay.with(List.of(), report, sound, sound).isEmpty()).isNotEqualTo(told);
  }
}
