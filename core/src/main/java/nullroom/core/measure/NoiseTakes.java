package nullroom.core.measure;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import nullroom.core.signal.Sums;

/** Finds where a steady noise was switched off, and cuts out what came before and after. */
final class NoiseTakes {
  private static final double STEP_SECONDS = 0.01;

  /** Noise counts as steady after this long within a few decibels. */
  static final double STEADY_SECONDS = 0.4;

  private static final double STEADY_DB = 5;

  /** Steady sound far under the loudest is a background that claps stand over. */
  private static final double MOST_OVER_DB = 12;

  /** What a switched-off noise falls by at least, within a second or so. */
  private static final double LEAST_FALL_DB = 15;

  private static final double FALLS_WITHIN_SECONDS = 1.5;
  private static final double LONGEST_SECONDS = 6;
  private static final double SHORTEST_SECONDS = 0.3;

  private NoiseTakes() {}

  static Takes find(double[] x, double rate) {
    double[] level = levels(x, (int) (STEP_SECONDS * rate));
    List<int[]> ranges = new ArrayList<>();
    int steady = (int) (STEADY_SECONDS / STEP_SECONDS);
    double[] sorted = level.clone();
    Arrays.sort(sorted);
    double loud = sorted.length == 0 ? 0 : sorted[(int) (0.9 * (sorted.length - 1))];
    boolean loudest = sorted.length > 0 && sorted[sorted.length - 1] < loud + MOST_OVER_DB;
    int from = 0;
    for (int i = loudest ? steady : level.length; i < level.length; i++) {
      if (i - from >= steady
          && level[i] < loud - STEADY_DB
          && steadyBefore(level, i, steady, loud)) {
        int off = switchedOff(level, i, steady / 2, loud);
        int end = risesAgain(level, i, loud);
        if (off >= 0 && end - off >= SHORTEST_SECONDS / STEP_SECONDS) {
          ranges.add(new int[] {off, end});
        }
        from = end;
        i = end;
      }
    }
    if (ranges.isEmpty()) {
      return Takes.none(
          "No noise was switched off in this recording: play it for two seconds, stop it at once, wait two seconds, several times.");
    }
    int step = (int) (STEP_SECONDS * rate);
    int lead = (int) (STEADY_SECONDS / 2 * rate);
    int length = (int) (LONGEST_SECONDS * rate);
    List<Integer> offs = new ArrayList<>();
    for (int[] range : ranges) {
      int off = exact(x, range[0] * step, rate);
      offs.add(off);
      length = Math.min(length, Math.min(x.length, range[1] * step) - off);
    }
    List<double[]> takes = new ArrayList<>();
    for (int off : offs) {
      takes.add(Arrays.copyOfRange(x, off - lead, off + length));
    }
    return new Takes(
        takes,
        lead,
        takes.size(),
        OptionalDouble.of(offs.getFirst() / rate),
        OptionalDouble.empty(),
        List.of());
  }

  /** Decibels of each step, smoothed over three. */
  private static double[] levels(double[] x, int step) {
    double[] energy = Onsets.frames(x, step);
    double[] level = new double[energy.length];
    for (int k = 0; k < level.length; k++) {
      int a = Math.max(0, k - 1);
      int count = Math.min(level.length, k + 2) - a;
      level[k] = 10 * Math.log10(Math.max(1e-30, Sums.of(energy, a, count) / count / step));
    }
    return level;
  }

  private static boolean steadyBefore(double[] level, int i, int steady, double loud) {
    for (int k = i - steady; k < i - 1; k++) {
      if (level[k] < loud - STEADY_DB || level[k] > loud + STEADY_DB) {
        return false;
      }
    }
    return true;
  }

  /** The step in which it was switched off, or -1 if it does not fall far enough. */
  private static int switchedOff(double[] level, int i, int most, double loud) {
    int until = (int) Math.min(level.length, i + FALLS_WITHIN_SECONDS / STEP_SECONDS);
    double least = loud;
    for (int k = i; k < until; k++) {
      least = Math.min(least, level[k]);
    }
    if (least > loud - LEAST_FALL_DB) {
      return -1;
    }
    int off = i;
    while (off > i - most && level[off] < loud - 2) { // steady sound may lie as low
      off--;
    }
    return off;
  }

  private static int risesAgain(double[] level, int i, double loud) {
    int k = i;
    while (k < level.length && level[k] < loud - STEADY_DB) {
      k++;
    }
    int end = k;
    while (k < level.length && end > i && level[end - 1] > level[Math.max(i, end - 2)]) {
      end--;
    }
    return k < level.length ? Math.max(i, end - 3) : level.length;
  }

  /**
   * The sample of switching off, near a step: where a line through the first decibels of the fall
   * meets the steady level.
   */
  private static int exact(double[] x, int near, double rate) {
    int fine = Math.max(1, (int) (0.001 * rate));
    int reach = (int) (STEADY_SECONDS / 2 * rate);
    int from = Math.max(0, near - 2 * reach);
    int until = Math.max(from + 1, near - (int) (0.02 * rate));
    double steady = Sums.ofSquares(x, from, until - from) / (until - from);
    Regression fall = new Regression();
    double smooth = steady;
    for (int at = Math.max(0, near - 20 * fine);
        at < Math.min(x.length - fine, near + reach);
        at += fine) {
      smooth += 0.2 * (Sums.ofSquares(x, at, fine) / fine - smooth);
      double below = 10 * Math.log10(smooth / steady);
      if (below < -14) {
        break;
      }
      if (below < -3) {
        fall.add(at, below);
      }
    }
    if (fall.count() < 3 || fall.slope() >= 0) {
      return near;
    }
    int off = (int) (-fall.intercept() / fall.slope()) - 4 * fine; // the smoothing's delay
    return Math.clamp(off, Math.max(reach, near - 30 * fine), near + 30 * fine);
  }
}
