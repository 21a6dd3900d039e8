package nullroom.core.measure.decay;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nullroom.core.Progress;
import nullroom.core.measure.altered.Alteration;
import nullroom.core.measure.altered.AlterationMeter;
import nullroom.core.signal.SampleSource;
import nullroom.core.signal.Samples;
import nullroom.core.signal.Sums;

/** What the decays of a sound speak for, beside what its course does. */
public final class AlteredDecay {
  /**
   * Who claps for a measurement claps a few times; more are keys or steps, whose own ends bend, and
   * so are those among as many sounds that were left out.
   */
  private static final int MOST_CLAPS = 12;

  /**
   * A clap begins at once: its first moment is as loud as any, or a quarter of that where something
   * throws it back. Cloth that rubs and notes come up, and end as they like.
   */
  private static final double FIRST_SECONDS = 0.003;

  private static final double LEAST_OF_LOUDEST = 0.25;
  private static final double MOST_OF_THEM = 0.6;

  /** In which decays must be heard; in more, where no second clap shows whether all end so. */
  private static final int FEWEST_BANDS = 3;

  private static final int FEWEST_BANDS_OF_ONE = 5;

  private AlteredDecay() {}

  /**
   * What was done to a sound that holds decays alone.
   *
   * @param report of them
   */
  public static List<Alteration> of(DecayReport report, Samples sound) {
    return with(
        AlterationMeter.measure(SampleSource.of(sound), Progress.NONE).getFirst(),
        report,
        sound,
        sound);
  }

  /**
   * What was found in a sound, and before it what its decays speak for.
   *
   * @param found of the whole sound
   * @param report of its decays
   * @param decays what the report is of
   * @param sound all of it
   */
  public static List<Alteration> with(
      List<Alteration> found, DecayReport report, Samples decays, Samples sound) {
    List<Alteration> all = new ArrayList<>(found);
    if (found.stream().noneMatch(Alteration::movesTheFloor)) { // which bends decays, too
      all.addAll(0, shown(report, decays, sound));
    }
    return all;
  }

  /**
   * What to know of decays of which nothing is told: not all that a device did can be found.
   *
   * @param found of the sound and its decays
   * @return a sentence; empty where what was found says it, and of a sweep, which is as loud all
   *     along
   */
  public static Optional<String> unseen(DecayReport report, List<Alteration> found) {
    boolean swept = report.excitation().filter(Excitation.SWEEP::equals).isPresent();
    return report.takes() == 0 || swept || found.stream().anyMatch(Alteration::movesTheFloor)
        ? Optional.empty()
        : Optional.of(
            "A gain that comes up evenly leaves no trace: if the device sets its own level, decays may read too long by a fifth all the same.");
  }

  private static List<Alteration> shown(DecayReport report, Samples decays, Samples sound) {
    if (report.excitation().filter(Excitation.IMPULSE::equals).isEmpty()) {
      return shape(report, sound, FEWEST_BANDS);
    }
    double rate = decays.sampleRateHz();
    Takes claps = ImpulseTakes.find(decays.toArray(), rate);
    boolean among = claps.leftOut() >= claps.found();
    if (claps.found() > MOST_CLAPS || among || !areClaps(claps, rate)) {
      return List.of();
    }
    List<Alteration> shape =
        shape(report, sound, claps.found() > 1 ? FEWEST_BANDS : FEWEST_BANDS_OF_ONE);
    if (shape.isEmpty()) {
      return HeldAfterClaps.of(claps, rate, sound).map(List::of).orElse(List.of());
    }
    return OneRoom.of(claps, rate) ? shape : List.of();
  }

  private static List<Alteration> shape(DecayReport report, Samples sound, int fewestBands) {
    return SteepDecay.of(report, sound.seconds(), fewestBands)
        .map(List::of)
        .orElseGet(() -> BentDecay.of(report, sound, fewestBands));
  }

  /** Whether most begin at once. */
  private static boolean areClaps(Takes takes, double rate) {
    int first = Math.max(1, (int) (FIRST_SECONDS * rate));
    long at =
        takes.responses().stream().filter(take -> beginsAtOnce(take, takes.lead(), first)).count();
    return at >= MOST_OF_THEM * takes.responses().size();
  }

  private static boolean beginsAtOnce(double[] take, int lead, int first) {
    double loudest = 0;
    for (int k = lead; k + first <= take.length; k += first) {
      loudest = Math.max(loudest, Sums.ofSquares(take, k, first));
    }
    return Sums.ofSquares(take, lead, first) >= LEAST_OF_LOUDEST * loudest;
  }
}
