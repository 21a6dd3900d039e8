package nullroom.core.plan.treatment;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.Random;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Octave;
import nullroom.core.book.DecayMeasurement;
import nullroom.core.book.Decays;
import nullroom.core.book.MeasuredAt;
import nullroom.core.measure.decay.DecayAnalysis;
import nullroom.core.measure.decay.DecayChange;
import nullroom.core.plan.treatment.Achieved.InOctave;
import nullroom.core.plan.treatment.Achieved.Outcome;
import nullroom.core.signal.Samples;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class AchievedTest {
  /** A decay of noise that lasts so long, in a room that was described to last otherwise. */
  private static DecayMeasurement measured(
      String present, double seconds, double described, int seed) {
    Random random = new Random(seed);
    double[] x = new double[72_000];
    for (int i = 4800; i < x.length; i++) {
      x[i] = 0.2 * random.nextGaussian() * Math.pow(10, -3 * (i - 4800) / 48_000.0 / seconds);
    }
    return new DecayMeasurement(
        "clap-" + seed + ".wav",
        "2026-11-0" + seed + "T20:00",
        new MeasuredAt("A", "1", present, Optional.empty(), Optional.empty()),
        DecayAnalysis.ofImpulses(new Samples(x, 48_000), Octave.ALL),
        Bands.all(described),
        List.of());
  }

  @Test
  @DisplayName("from state to state, the newest first, and in all; foretold from what was measured")
  void states() {
    Decays decays =
        Decays.NOTHING
            .with(measured("sofa", 0.8, 1.0, 1))
            .with(measured("sofa, duvet", 0.5, 0.625, 2))
            .with(measured("sofa, duvet, duvet", 0.49, 0.4, 3));
    List<Achieved> all = Achieved.of(decays);
    assertThat(all).hasSize(2);
    assertThat(all.getFirst().came()).containsExactly("duvet");
    assertThat(all.getFirst().went()).isEmpty();
    assertThat(all.getFirst().since()).isEqualTo("2026-11-02T20:00");
    assertThat(all.get(1).taken()).isEqualTo("2026-11-02T20:00");
    InOctave second = at1k(all.get(1));
    assertThat(second.predictedSeconds())
        .isCloseTo(second.change().beforeSeconds() * 0.625, within(1e-9));
    assertThat(second.outcome()).isEqualTo(Outcome.AS_PREDICTED);
    assertThat(at1k(all.getFirst()).outcome()).isEqualTo(Outcome.NOTHING);
    Achieved whole = Achieved.inAll(decays);
    assertThat(whole.came()).containsExactly("duvet", "duvet");
    assertThat(whole.done()).isEqualTo("Duvet, duvet came");
    assertThat(at1k(whole).predictedSeconds())
        .isCloseTo(at1k(whole).change().beforeSeconds() * 0.4, within(1e-9));
    assertThat(at1k(whole).outcome()).isEqualTo(Outcome.LESS);
  }

  private static InOctave at1k(Achieved one) {
    return one.octaves().stream()
        .filter(o -> o.change().centreHz() == 1000)
        .findFirst()
        .orElseThrow();
  }

  @Test
  @DisplayName("what went is told; of one state there is nothing to tell")
  void went() {
    Decays one = Decays.NOTHING.with(measured("sofa", 0.4, 0.5, 1));
    assertThat(Achieved.of(one)).isEmpty();
    Achieved gone = Achieved.of(one.with(measured("nothing", 0.6, 0.7, 2))).getFirst();
    assertThat(gone.came()).isEmpty();
    assertThat(gone.done()).isEqualTo("Sofa went");
  }

  @ParameterizedTest
  @DisplayName("before, predicted, after, give or take 0.05 s")
  @CsvSource({
    "0.60, 0.58, 0.57, CANNOT_TELL",
    "0.60, 0.57, 0.64, CANNOT_TELL",
    "0.60, 0.40, 0.42, AS_PREDICTED",
    "0.60, 0.40, 0.30, MORE",
    "0.60, 0.40, 0.50, LESS",
    "0.60, 0.40, 0.58, NOTHING",
    "0.60, 0.40, 0.70, LESS",
    "0.40, 0.60, 0.75, MORE",
    "0.40, 0.60, 0.50, LESS"
  })
  void outcome(double before, double predicted, double after, Outcome outcome) {
    InOctave one = new InOctave(new DecayChange(1000, before, after, 0.05), predicted);
    assertThat(one.outcome()).isEqualTo(outcome);
  }
}
