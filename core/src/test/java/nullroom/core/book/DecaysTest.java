package nullroom.core.book;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.Random;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Octave;
import nullroom.core.measure.decay.DecayAnalysis;
import nullroom.core.measure.decay.DecayChange;
import nullroom.core.measure.decay.DecayReport;
import nullroom.core.signal.Samples;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class DecaysTest {
  private static int count;

  private static DecayReport report(double seconds, long seed) {
    Random random = new Random(seed);
    double[] x = new double[72_000];
    for (int i = 4800; i < x.length; i++) {
      x[i] = 0.2 * random.nextGaussian() * Math.pow(10, -3 * (i - 4800) / 48_000.0 / seconds);
    }
    return DecayAnalysis.ofImpulses(new Samples(x, 48_000), Octave.ALL);
  }

  private static DecayMeasurement at(String source, String microphone, String present, double t) {
    count++;
    return new DecayMeasurement(
        "clap-" + count + ".wav",
        "2026-01-01T20:" + (10 + count),
        new MeasuredAt(source, microphone, present, Optional.empty(), Optional.empty()),
        report(t, count),
        Bands.all(t),
        List.of());
  }

  @Test
  @DisplayName("places of one state are averaged, each once; another state begins anew")
  void states() {
    DecayMeasurement first = at("A", "1", "bare", 0.6);
    DecayMeasurement second = at("A", "2", "bare", 0.6);
    DecayMeasurement again = at("A", "1", "bare", 0.6);
    Decays decays = Decays.NOTHING.with(first).with(second).with(again);
    assertThat(decays.now()).containsExactly(again, second);
    assertThat(decays.before()).as("the older of the same place").containsExactly(first);
    assertThat(decays.average().orElseThrow().pairs()).isEqualTo(2);
    DecayMeasurement treated = at("A", "1", "blanket", 0.35);
    Decays after = decays.with(treated);
    assertThat(after.now()).containsExactly(treated);
    assertThat(after.before()).containsExactly(again, second);
    assertThat(after.last()).contains(treated);
  }

  @Test
  @DisplayName("changes are told at the places measured both times, from average to average else")
  void changes() {
    Decays decays = Decays.NOTHING.with(at("A", "1", "bare", 0.6)).with(at("B", "1", "bare", 0.9));
    assertThat(decays.changes()).isEmpty();
    DecayChange common =
        decays.with(at("A", "1", "blanket", 0.4)).changes().stream()
            .filter(c -> c.centreHz() == 1000)
            .findFirst()
            .orElseThrow();
    assertThat(common.beforeSeconds()).isCloseTo(0.6, within(0.08));
    assertThat(common.real()).isTrue();
    DecayChange average =
        decays.with(at("C", "3", "blanket", 0.4)).changes().stream()
            .filter(c -> c.centreHz() == 1000)
            .findFirst()
            .orElseThrow();
    assertThat(average.beforeSeconds()).isCloseTo(0.75, within(0.1));
  }

  @Test
  @DisplayName("one can be dropped; of very many the oldest go")
  void dropped() {
    DecayMeasurement one = at("A", "1", "bare", 0.5);
    assertThat(Decays.NOTHING.with(one).without(one)).isEqualTo(Decays.NOTHING);
    Decays many = Decays.NOTHING;
    for (int k = 0; k < 30; k++) {
      many =
          many.with(
              new DecayMeasurement(
                  "s" + k + ".wav",
                  "2026-01-01T20:00",
                  one.at(),
                  one.report(),
                  one.predictedSeconds(),
                  List.of()));
    }
    assertThat(many.measured()).hasSize(25);
    assertThat(many.last().orElseThrow().sound()).isEqualTo("s29.wav");
  }

  @Test
  @DisplayName("a simulated one counts only where nothing real was measured")
  void simulated() {
    DecayMeasurement real = at("A", "1", "bare", 0.6);
    DecayMeasurement acted =
        new DecayMeasurement(
            "simulated-claps-1.wav",
            "2026-01-01T21:00",
            real.at(),
            report(0.3, 99),
            real.predictedSeconds(),
            List.of());
    assertThat(acted.simulated()).isTrue();
    Decays practice = Decays.NOTHING.with(acted);
    assertThat(practice.last()).contains(acted);
    Decays both = Decays.NOTHING.with(real).with(acted);
    assertThat(both.measured()).as("both are kept").containsExactly(acted, real);
    assertThat(both.last()).contains(real);
    assertThat(both.now()).containsExactly(real);
    assertThat(both.average().orElseThrow().tMidSeconds().orElseThrow())
        .isCloseTo(0.6, within(0.08));
    assertThat(both.changes()).as("no change is told against an acted one").isEmpty();
  }
}
