package nullroom.core.signal;

/**
 * The largest amplitude between samples, by interpolation to eight times the rate (ITU-R BS.1770-4,
 * Annex 2, asks for four times at 48 kHz). Stretches that cannot hold a new largest are passed
 * over: interpolation raises a sample by a bounded factor at most.
 */
public final class TruePeak {
  private static final int PHASES = 8;

  /** Samples on each side of the place between two. */
  private static final int REACH = 16;

  private static final int TAPS = 2 * REACH;

  /** Shape of the Kaiser window. */
  private static final double BETA = 6;

  private static final int STRETCH = 64;

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

  private final double[] line = new double[STRETCH + TAPS];
  private int filled = TAPS;
  private double largest;

  private static double[][] filters() {
    double[][] all = new double[PHASES - 1][TAPS];
    for (int p = 1; p < PHASES; p++) {
      double sum = 0;
      for (int k = 0; k < TAPS; k++) {
        double x = k - REACH + 1 - (double) p / PHASES;
        double window = bessel(BETA * Math.sqrt(1 - Math.pow(x / REACH, 2))) / bessel(BETA);
        all[p - 1][k] = window * Math.sin(Math.PI * x) / (Math.PI * x);
        sum += all[p - 1][k];
      }
      for (int k = 0; k < TAPS; k++) {
        all[p - 1][k] /= sum;
      }
    }
    return all;
  }

  /** Modified Bessel function of order nought, by its series. */
  private static double bessel(double x) {
    double term = 1;
    double sum = 1;
    for (int k = 1; term > 1e-12 * sum; k++) {
      term *= Math.pow(x / 2 / k, 2);
      sum += term;
    }
    return sum;
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
    int taken = 0;
    while (taken < count) {
      int n = Math.min(count - taken, line.length - filled);
      System.arraycopy(block, taken, line, filled, n);
      taken += n;
      filled += n;
      if (filled == line.length) {
        look();
        System.arraycopy(line, STRETCH, line, 0, TAPS);
        filled = TAPS;
      }
    }
  }

  /** Looks between the samples of the line, all but the last that have too few after them. */
  private void look() {
    double top = Sums.peak(line, 0, filled);
    if (top * LARGEST_GAIN <= largest) {
      return;
    }
    largest = Math.max(largest, top);
    for (int at = REACH - 1; at + REACH < filled; at++) {
      double ends = Math.max(Math.abs(line[at]), Math.abs(line[at + 1]));
      if (ends > LEAST_END * largest) {
        between(at - REACH + 1, ends);
      }
    }
  }

  /** The amplitudes between two samples, beginning with the one half way. */
  private void between(int from, double ends) {
    double half = Math.abs(at(FILTERS[HALF_WAY], from));
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
    double[] rest = new double[STRETCH + TAPS];
    System.arraycopy(line, 0, rest, 0, filled);
    TruePeak end = new TruePeak();
    end.largest = largest;
    System.arraycopy(rest, 0, end.line, 0, rest.length);
    end.filled = end.line.length;
    end.look();
    return end.largest;
  }
}
