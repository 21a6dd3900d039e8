package nullroom.core.measure;

import java.util.OptionalDouble;
import nullroom.core.Decibels;

/** How often each level was there, in steps of 0.02 dB, in memory that does not grow with time. */
public final class LevelHistogram {
  private static final double LOWEST_DBFS = -220;
  private static final double HIGHEST_DBFS = 40;
  private static final double STEP_DB = 0.02;

  private final long[] counts = new long[(int) ((HIGHEST_DBFS - LOWEST_DBFS) / STEP_DB)];
  private long total;

  void add(double meanSquare) {
    double level = Math.max(LOWEST_DBFS, Decibels.dbfs(Math.max(meanSquare, 1e-30)));
    counts[Math.min(counts.length - 1, (int) ((level - LOWEST_DBFS) / STEP_DB))]++;
    total++;
  }

  /**
   * The level exceeded for a share of the time, 0 to 1; empty where nothing was added or it was all
   * silent.
   */
  public OptionalDouble exceeded(double share) {
    long wanted = (long) Math.ceil(total * share);
    long seen = 0;
    for (int k = counts.length - 1; k > 0 && total > 0; k--) {
      seen += counts[k];
      if (seen >= wanted) {
        return OptionalDouble.of(LOWEST_DBFS + (k + 0.5) * STEP_DB);
      }
    }
    return OptionalDouble.empty();
  }
}
