package nullroom.core.measure.altered;

import java.util.Arrays;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import nullroom.core.Quantile;

/**
 * How seldom the levels between the noise and what sounds are taken, in the middle of the bands:
 * what dies away in a room goes through all of them, what is switched off through none.
 */
final class LevelsTaken {
  private static final double FLOOR_SHARE = 0.1;
  private static final double TOP_SHARE = 0.97;

  /** In bands with less there is nothing between. */
  private static final double LEAST_RANGE_DB = 25;

  private static final double OVER_DB = 5;
  private static final double HALF_WAY = 0.5;
  private static final double MOST = 0.6;
  private static final double WIDE_DB = 6;
  private static final double STEP_DB = 1;

  private LevelsTaken() {}

  /**
   * Logarithms of how many rows lie between, for each that is louder, and of how many in the
   * emptiest few decibels; not numbers where no band has the range.
   */
  static DoubleStream traces(FineBands fine) {
    double[][] all =
        IntStream.range(0, fine.bands())
            .mapToObj(b -> fine.levels().column(b))
            .filter(levels -> levels.length > 0)
            .map(LevelsTaken::band)
            .filter(traces -> traces.length > 0)
            .toArray(double[][]::new);
    return IntStream.range(0, 2)
        .mapToDouble(k ->
            all.length == 0
                ? Double.NaN
                : Quantile.median(Arrays.stream(all).mapToDouble(t -> t[k]).toArray()));
  }

  private static double[] band(double[] levels) {
    double[] over = levels.clone();
    Arrays.sort(over);
    double floor = Quantile.of(over, FLOOR_SHARE);
    double range = Quantile.of(over, TOP_SHARE) - floor;
    if (range <= LEAST_RANGE_DB) {
      return new double[0];
    }
    Arrays.setAll(over, k -> over[k] - floor);
    double half = HALF_WAY * range;
    long louder = over.length - under(over, half);
    long emptiest =
        IntStream.iterate(0, k -> OVER_DB + STEP_DB * k < MOST * range, k -> k + 1)
            .mapToLong(k -> within(over, OVER_DB + STEP_DB * k, OVER_DB + STEP_DB * k + WIDE_DB))
            .min()
            .orElse(0);
    return new double[] {odds(within(over, OVER_DB, half), louder), odds(emptiest, louder)};
  }

  /** How many of a rising row lie between, not at the ends. */
  private static long within(double[] rising, double from, double to) {
    return Math.max(0, under(rising, to) - under(rising, Math.nextUp(from)));
  }

  private static int under(double[] rising, double limit) {
    int from = 0;
    int to = rising.length;
    while (from < to) {
      int middle = (from + to) >>> 1;
      if (rising[middle] < limit) {
        from = middle + 1;
      } else {
        to = middle;
      }
    }
    return from;
  }

  private static double odds(long some, long others) {
    return Math.log((some + 1.0) / (others + 1.0));
  }
}
