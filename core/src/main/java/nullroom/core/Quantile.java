package nullroom.core;

/**
 * Quantiles, interpolated between the numbers next to them (type 7 of R. J. Hyndman and Y. Fan,
 * Amer. Statist. 50 (1996) 361-365). Arrays are not modified.
 */
public final class Quantile {
  private static final org.apache.commons.statistics.descriptive.Quantile TYPE_7 =
      org.apache.commons.statistics.descriptive.Quantile.withDefaults()
          .withCopy(true)
          .with(org.apache.commons.statistics.descriptive.Quantile.EstimationMethod.HF7);

  private Quantile() {}

  /**
   * The number that a share of all lies under.
   *
   * @param numbers one or more
   * @param share 0 to 1
   */
  public static double of(double[] numbers, double share) {
    return of(numbers, 0, numbers.length, share);
  }

  /** The same of the numbers from one place up to another. */
  public static double of(double[] numbers, int from, int to, double share) {
    if (to <= from) {
      throw new IllegalArgumentException("no numbers from " + from + " to " + to);
    }
    return TYPE_7.evaluateRange(numbers, from, to, share);
  }

  /** The middle one. */
  public static double median(double[] numbers) {
    return of(numbers, 0.5);
  }
}
