package nullroom.core.measure.decay;

import java.util.ArrayList;
import java.util.List;

/**
 * Whether a reverberation time has changed from one measurement to another, or only its random
 * error has.
 *
 * @param centreHz nominal band
 * @param beforeSeconds T20 before
 * @param afterSeconds T20 after
 * @param uncertaintySeconds of their difference, twice the standard deviation
 */
public record DecayChange(
    double centreHz, double beforeSeconds, double afterSeconds, double uncertaintySeconds) {
  /** After less than before by more than chance, or more; else nothing can be told. */
  public boolean real() {
    return Math.abs(differenceSeconds()) > uncertaintySeconds;
  }

  /** After less before. */
  public double differenceSeconds() {
    return afterSeconds - beforeSeconds;
  }

  /** Every band that both have a time for, ascending. */
  public static List<DecayChange> of(PositionAverage before, PositionAverage after) {
    List<DecayChange> changes = new ArrayList<>();
    for (PositionAverage.Averaged then : before.bands()) {
      after
          .band(then.centreHz())
          .ifPresent(now ->
              changes.add(
                  new DecayChange(
                      then.centreHz(),
                      then.seconds(),
                      now.seconds(),
                      2 * Math.hypot(then.deviationSeconds(), now.deviationSeconds()))));
    }
    return changes;
  }
}
