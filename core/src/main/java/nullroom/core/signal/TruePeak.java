package nullroom.core.signal;

import java.util.Arrays;

/**
 * The largest amplitude between samples, by interpolation to eight times the rate (ITU-R BS.1770-4,
 * Annex 2, asks for four times at 48 kHz). Blocks that cannot hold a new largest are passed over:
 * interpolation raises a sample by a bounded factor at most.
 */
public final class TruePeak {
  private static final int PHASES = 8;

  /** Samples on each side of the place between two. */
  private static final int REACH = 16;

  private static final int TAPS = 2 * REACH;

  /** Shape of the Kaiser window. */
  private static final double BETA = 6;

  /**
   * Of two samples with the largest between them one reaches this share of it, for any sound up to
   * 0.37 of the rate.
   */
  private static final double LEAST_END = 0.4;

  private static final int HALF_WAY = PHASES / 2 - 1;

  /** A peak between two samples lies less than this over the larger of them and their middle. */
  private static final double LEAST_OF_LARGEST = 0.75;

  private static final double[][] FILTERS = filters();
  private static final double LARGEST_GAIN = largestGain();

  /** The last samples before, then those that were added. */
  private double[] line = new double[TAPS];

  private double topBefore;
  private double largest;

  private static double[][] filters() {
    double[][] all = new double[PHASES - 1][TAPS];
    for (int p = 1; p < PHASES; p++) {
      double sum = 0;
      for (int k = 0; k < TAPS; k++) {
        double x = k - REACH + 1 - (double) p / PHASES;
        double window =
            Windows.bessel(BETA * Math.sqrt(1 - Math.pow(x / REACH, 2))) / Windows.bessel(BETA);
        all[p - 1][k] = window * Math.sin(Math.PI * x) / (Math.PI * x);
        sum += all[p - 1][k];
      }
      for (int k = 0; k < TAPS; k++) {
        all[p - 1][k] /= sum;
      }
    }
    return all;
  }

  private static double largestGain() {
    double most = 1;
    for (double[] filter : FILTERS) {
      double sum = 0;
      for (double tap : filter) {
        sum += Math.abs(tap);
      }
      most = Math.max(most, sum);
    }
    return most;
  }

  /** Takes the next samples; {@code block} is not modified. */
  public void add(double[] block, int count) {
    add(block, count, Sums.peak(block, 0, count));
  }

  /** The same where the largest size among them is known. */
  public void add(double[] block, int count, double top) {
    if (line.length < TAPS + count) {
      line = Arrays.copyOf(line, TAPS + count);
    }
    System.arraycopy(block, 0, line, TAPS, count);
    if (Math.max(topBefore, top) * LARGEST_GAIN > largest) {
      largest = Math.max(largest, top);
      look(count);
    }
    topBefore = count >= TAPS ? top : Math.max(topBefore, top);
    System.arraycopy(line, count, line, 0, TAPS);
  }

  /** Looks between so many samples of the line; the last ones have too few after them yet. */
  private void look(int count) {
    int next = 0;
    double least = LEAST_END * largest;
    for (int k = 0; k <= count; k++) {
      if (Math.abs(line[k + REACH - 1]) > least) { // then the gaps on both its sides
        for (next = Math.max(next, k - 1); next <= k && next < count; next++) {
          between(next);
        }
        least = LEAST_END * largest;
      }
    }
  }

  /** The amplitudes between two samples, beginning with the one half way. */
  private void between(int from) {
    double half = Math.abs(at(FILTERS[HALF_WAY], from));
    double ends = Math.max(Math.abs(line[from + REACH - 1]), Math.abs(line[from + REACH]));
    if (Math.max(half, ends) < LEAST_OF_LARGEST * largest) {
      return;
    }
    for (double[] filter : FILTERS) {
      largest = Math.max(largest, Math.abs(at(filter, from)));
    }
  }

  private double at(double[] filter, int from) {
    double a = 0;
    double b = 0;
    for (int k = 0; k < TAPS; k += 2) {
      a = Fused.madd(filter[k], line[from + k], a);
      b = Fused.madd(filter[k + 1], line[from + k + 1], b);
    }
    return a + b;
  }

  /** The largest so far; the end of the sound counts as silence after it. */
  public double largest() {
    TruePeak end = new TruePeak();
    end.line = line.clone();
    end.topBefore = topBefore;
    end.largest = largest;
    end.add(new double[TAPS], TAPS, 0);
    return end.largest;
  }
}
