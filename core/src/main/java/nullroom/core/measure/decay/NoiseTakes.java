package nullroom.core.measure.decay;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import nullroom.core.Decibels;
import nullroom.core.Quantile;
import nullroom.core.Regression;
import nullroom.core.signal.Sums;

/**
 * Finds where a steady noise was switched off, and cuts out what came before and after. It is
 * looked for over 400 Hz, where a hundredth of a second tells the level of any noise; lower noise
 * wavers by as much as a decay falls.
 */
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

  /** What comes up by so much over the least after the fall is no longer the decay. */
  private static final double NEW_SOUND_DB = 10;

  /** So far under the noise there is nothing but rounding. */
  private static final double SILENT_DB = 90;

  /** Steps that a rise may have lasted when it is seen. */
  private static final int RISE_STEPS = 5;

  private static final double LONGEST_SECONDS = 6;
  private static final double SHORTEST_SECONDS = 0.3;

  private final double[] x;
  private final double[] treble;
  private final double rate;
  private final int step;
  private final double[] level;
  private final double loud;
  private final List<int[]> ranges = new ArrayList<>();
  private int unsteady;
  private int cutShort;

  private NoiseTakes(double[] x, double rate) {
    this.x = x;
    this.rate = rate;
    treble = Onsets.treble(x, rate);
    step = (int) (STEP_SECONDS * rate);
    level = levels(treble, step);
    loud = level.length == 0 ? 0 : Quantile.of(level, 0.9);
    if (level.length > 0 && Quantile.of(level, 1) < loud + MOST_OVER_DB) {
      search();
    }
  }

  static Takes find(double[] x, double rate) {
    return new NoiseTakes(x, rate).takes();
  }

  /** Every fall from loud to quiet; a dip from which the noise comes back at once is none. */
  private void search() {
    int steady = (int) (STEADY_SECONDS / STEP_SECONDS);
    int i = 0;
    int lastEnd = 0;
    while (i < level.length) {
      int quiet = level[i] < loud - STEADY_DB ? quietFrom(i) : -1;
      if (quiet < 0) {
        i++;
        continue;
      }
      int end = newSound(quiet);
      if (i - lastEnd < steady || !steadyBefore(i, steady)) {
        unsteady += i > 0 ? 1 : 0; // a recording may begin in silence
      } else {
        int off = switchedOff(i, steady / 2);
        if (end - off >= SHORTEST_SECONDS / STEP_SECONDS) {
          ranges.add(new int[] {exact(off * step), end * step});
        } else {
          cutShort++;
        }
      }
      lastEnd = end;
      i = loudAgain(end);
    }
  }

  private Takes takes() {
    if (ranges.isEmpty()) {
      return Takes.none(
          cutShort > 0
              ? "The noise came back too soon after it was switched off: leave two seconds of silence each time."
              : "No noise was switched off in this recording: play it for two seconds, stop it at once, wait two seconds, several times.");
    }
    List<int[]> complete = DecayRanges.complete(ranges, x, rate);
    cutShort += ranges.size() - complete.size();
    int lead = (int) (STEADY_SECONDS / 2 * rate);
    int length = (int) (LONGEST_SECONDS * rate);
    for (int[] range : complete) {
      length = Math.min(length, Math.min(x.length, range[1]) - range[0]);
    }
    List<double[]> takes = new ArrayList<>();
    for (int[] range : complete) {
      takes.add(Arrays.copyOfRange(x, range[0] - lead, range[0] + length));
    }
    return Takes.of(takes, lead, 0, complete.getFirst()[0] / rate, leftOut());
  }

  private List<String> leftOut() {
    List<String> warnings = new ArrayList<>();
    if (unsteady > 0) {
      warnings.add(
          interruptions(unsteady)
              + " left out: the noise before was not steady for half a second.");
    }
    if (cutShort > 0) {
      warnings.add(
          interruptions(cutShort)
              + " left out: another sound came before the decay had reached the room's own noise.");
    }
    return warnings;
  }

  private static String interruptions(int n) {
    return n + (n == 1 ? " interruption was" : " interruptions were");
  }

  /** Decibels of each step, smoothed over three. */
  private static double[] levels(double[] x, int step) {
    double[] energy = Onsets.frames(x, step);
    double[] level = new double[energy.length];
    for (int k = 0; k < level.length; k++) {
      int a = Math.max(0, k - 1);
      int count = Math.min(level.length, k + 2) - a;
      level[k] = Decibels.ofEnergy(Math.max(1e-30, Sums.of(energy, a, count) / count / step));
    }
    return level;
  }

  /** Where a fall that begins at a step has reached the quiet, or -1 if it comes back before. */
  private int quietFrom(int i) {
    int until = (int) Math.min(level.length, i + FALLS_WITHIN_SECONDS / STEP_SECONDS);
    for (int k = i; k < until && level[k] < loud; k++) {
      if (level[k] < loud - LEAST_FALL_DB) {
        return k;
      }
    }
    return -1;
  }

  /** Where, after a fall, the noise or anything else begins. */
  private int newSound(int quiet) {
    double least = Math.max(level[quiet], loud - SILENT_DB);
    for (int k = quiet; k < level.length; k++) {
      if (level[k] > least + NEW_SOUND_DB) {
        int end = k;
        while (end > quiet && level[end - 1] < level[end]) {
          end--;
        }
        return Math.max(quiet, Math.min(end - 1, k - RISE_STEPS));
      }
      least = Math.max(loud - SILENT_DB, Math.min(least, level[k]));
    }
    return level.length;
  }

  private int loudAgain(int from) {
    int k = from;
    while (k < level.length && level[k] < loud - STEADY_DB) {
      k++;
    }
    return k;
  }

  private boolean steadyBefore(int i, int steady) {
    for (int k = i - steady; k < i - 1; k++) {
      if (level[k] < loud - STEADY_DB || level[k] > loud + STEADY_DB) {
        return false;
      }
    }
    return true;
  }

  /** The step in which it was switched off. */
  private int switchedOff(int i, int most) {
    int off = i;
    while (off > i - most && level[off] < loud - 2) { // steady sound may lie as low
      off--;
    }
    return off;
  }

  /**
   * The sample of switching off, near another: where a line through the first decibels of the fall
   * meets the steady level.
   */
  private int exact(int near) {
    int fine = Math.max(1, (int) (0.001 * rate));
    int reach = (int) (STEADY_SECONDS / 2 * rate);
    int from = Math.max(0, near - 2 * reach);
    int until = Math.max(from + 1, near - (int) (0.02 * rate));
    double steady = Sums.ofSquares(treble, from, until - from) / (until - from);
    Regression fall = new Regression();
    double smooth = steady;
    for (int at = Math.max(0, near - 20 * fine);
        at < Math.min(x.length - fine, near + reach);
        at += fine) {
      smooth += 0.2 * (Sums.ofSquares(treble, at, fine) / fine - smooth);
      double below = Decibels.ofEnergy(smooth / steady);
      if (below < -14) {
        break;
      }
      if (below < -3) {
        fall.add(at, below);
      }
    }
    if (fall.count() < 3 || fall.slope() >= 0) {
      return Math.max(reach, near);
    }
    int off = (int) (-fall.intercept() / fall.slope()) - 4 * fine; // the smoothing's delay
    return Math.clamp(off, Math.max(reach, near - 30 * fine), Math.max(reach, near + 30 * fine));
  }
}
