package nullroom.core.measure.altered;

import java.util.List;
import java.util.function.ToDoubleFunction;
import nullroom.core.Quantile;

/**
 * Ends of sounds that fall otherwise under a level than over it.
 *
 * @param ends all of them
 * @param afterRows rows of the rate after
 */
record Bend(List<End> ends, int afterRows) {
  /** Decibels a row: what is left of a sound may stand, but does not rise. */
  private static final double LEAST_RATE = -0.2;

  /** Decibels a row: so far apart lie the rates before at most, which are those of one room. */
  private static final double RATES_APART = 0.9;

  /** Times as fast after as before. */
  private static final double TIMES = 1.8;

  /** Shortly before, it falls no faster than by so much of the rate after: it bends at once. */
  private static final double NEAR = 0.5;

  /** What rings falls along a line; what speaks goes up and down. */
  private static final double OFF_LINE_DB = 1.7;

  /**
   * One sound's end.
   *
   * @param row the first under the level
   * @param before decibels a row before
   * @param near decibels a row shortly before
   * @param offDb how far it is off a line before
   * @param after decibels a row after
   */
  record End(int row, double before, double near, double offDb, double after) {}

  /** By how much more a share of them falls than at the rate before, or less. */
  double moreDb(double share) {
    return Quantile.of(
        ends.stream().mapToDouble(e -> afterRows * (e.after() - Math.max(0, e.before()))).toArray(),
        share);
  }

  /** Whether they fall along a line, faster from there on, and not faster and faster before. */
  boolean isSharp() {
    double before = median(End::before);
    double after = median(End::after);
    return before > LEAST_RATE
        && Scatter.of(ends.stream().mapToDouble(End::before).toArray()) < RATES_APART
        && after >= TIMES * before
        && median(End::near) < NEAR * after
        && median(End::offDb) < OFF_LINE_DB;
  }

  /** The middle of a rate of theirs. */
  double median(ToDoubleFunction<End> rate) {
    return Quantile.median(ends.stream().mapToDouble(rate).toArray());
  }
}
