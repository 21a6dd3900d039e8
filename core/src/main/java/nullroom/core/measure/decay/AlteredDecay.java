package nullroom.core.measure.decay;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nullroom.core.measure.altered.Alteration;
import nullroom.core.signal.Samples;

/** What the decays of a sound speak for, beside what its course does. */
public final class AlteredDecay {
  /** Who claps for a measurement claps a few times; more are keys or steps, whose own ends bend. */
  private static final int MOST_CLAPS = 12;

  private AlteredDecay() {}

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
      all.addAll(0, of(report, decays, sound));
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

  private static List<Alteration> of(DecayReport report, Samples decays, Samples sound) {
    boolean claps = report.excitation().filter(Excitation.IMPULSE::equals).isPresent();
    if (claps && report.takes() > MOST_CLAPS) {
      return List.of();
    }
    List<Alteration> shape =
        SteepDecay.of(report, sound.seconds())
            .map(List::of)
            .orElseGet(() -> BentDecay.of(report, sound));
    return shape.isEmpty() && claps
        ? HeldAfterClaps.of(decays, sound).map(List::of).orElse(List.of())
        : shape;
  }
}
