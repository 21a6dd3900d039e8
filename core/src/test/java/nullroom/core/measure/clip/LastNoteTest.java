package nullroom.core.measure.clip;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Random;
import nullroom.core.acoustics.Octave;
import nullroom.core.measure.altered.Alteration.Kind;
import nullroom.core.measure.decay.DecayAnalysis;
import nullroom.core.measure.decay.DecayReport;
import nullroom.core.signal.Samples;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

/** A single hit that dies away faster further down: a gate behind a clap, or the end of a note. */
class LastNoteTest {
  private static final int RATE = 48_000;

  private static Samples hit() {
    double[] x = new double[2 * RATE];
    Random random = new Random(91);
    for (int k = 0; k < x.length; k++) {
      double since = k / (double) RATE - 0.5;
      double down = since < 0.25 ? 60 * since / 0.6 : 25 + 60 * (since - 0.25) / 0.15;
      x[k] = (since < 0 ? 0 : 0.3 * Math.pow(10, -down / 20)) * random.nextGaussian() / 3;
      x[k] += 1e-5 * random.nextGaussian();
    }
    return new Samples(x, RATE);
  }

  @Test
  @DisplayName("that of a clap tells a gate; where a voice has not ended it may be a note's")
  void endsTalk() {
    Samples hit = hit();
    DecayReport report = DecayAnalysis.ofImpulses(hit, Octave.ALL);
    ClipPart claps = new ClipPart(ClipPart.Kind.CLAPS, 0.4, 2);
    ClipPart before = new ClipPart(ClipPart.Kind.TALK, 0, 0.3);
    ClipPart until = new ClipPart(ClipPart.Kind.TALK, 0, 0.6);

    assertThat(report.takes()).isOne();
    assertThat(Clip.altered(List.of(), report, hit, List.of(before, claps), hit))
        .anyMatch(a -> a.kind() == Kind.GATE);
    assertThat(Clip.altered(List.of(), report, hit, List.of(until, claps), hit)).isEmpty();
  }
}
