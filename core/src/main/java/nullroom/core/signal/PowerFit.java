package nullroom.core.signal;

import java.util.function.DoubleUnaryOperator;

/**
 * A second-order section whose power response follows a goal, by least squares of the relative
 * error: numerator and denominator are polynomials of the second degree in sin²(w/2), fitted
 * together and weighted again with the denominator found before (Sanathanan and Koerner, 1963, IEEE
 * Trans. Automatic Control 8), and then split into their minimum-phase factors. Not every fit has
 * such factors, which depends on where it ends: of several ends the best is taken.
 */
final class PowerFit {
  private static final int POINTS = 64;
  private static final int ROUNDS = 4;
  private static final int UNKNOWNS = 5;
  private static final int ENDS = 20;

  private PowerFit() {}

  /**
   * The section.
   *
   * @param goal power response by frequency in hertz; smooth and positive
   * @param toHz how far it is to be followed, under 0.46 of the rate
   * @return b0, b1, b2, a1, a2 with a0 = 1
   * @throws IllegalStateException where no stable section follows the goal
   */
  static double[] section(DoubleUnaryOperator goal, double toHz, double rateHz) {
    double from = 0.9 * toHz;
    double to = Math.min(0.495 * rateHz, 1.5 * toHz);
    double least = Double.POSITIVE_INFINITY;
    double[] best = {};
    for (int i = 0; i <= ENDS; i++) {
      double[] candidate = fit(goal, from + (to - from) * i / ENDS, rateHz);
      double error = 0; // NaN where there are no factors
      for (int k = 1; k <= POINTS; k++) {
        double hz = toHz * k / POINTS;
        double is = Math.pow(new Biquads(new double[][] {candidate}).magnitude(hz, rateHz), 2);
        error = Math.max(error, Math.abs(Math.log(is / goal.applyAsDouble(hz))));
      }
      if (error < least) {
        least = error;
        best = candidate;
      }
    }
    if (best.length == 0) {
      throw new IllegalStateException("no stable section follows this response");
    }
    return best;
  }

  private static double[] fit(DoubleUnaryOperator goal, double highHz, double rateHz) {
    double end = squaredSine(highHz, rateHz);
    double[] goals = new double[POINTS];
    double[] places = new double[POINTS];
    for (int i = 0; i < POINTS; i++) {
      double hz = highHz * Math.pow((i + 0.5) / POINTS, 2); // closer where hearing is finer
      goals[i] = goal.applyAsDouble(hz);
      places[i] = squaredSine(hz, rateHz) / end;
    }
    double[] fit = new double[UNKNOWNS];
    for (int round = 0; round < ROUNDS; round++) {
      double[][] normal = new double[UNKNOWNS][UNKNOWNS + 1];
      for (int i = 0; i < POINTS; i++) {
        double t = places[i];
        double g = goals[i];
        double weight = 1 / (g * (1 + fit[3] * t + fit[4] * t * t));
        double[] row = {1, t, t * t, -g * t, -g * t * t, g};
        for (int r = 0; r < UNKNOWNS; r++) {
          for (int c = 0; c <= UNKNOWNS; c++) {
            normal[r][c] += weight * row[r] * (weight * row[c]);
          }
        }
      }
      fit = solve(normal);
    }
    double[] b = factor(fit[0], fit[1], fit[2], end);
    double[] a = factor(1, fit[3], fit[4], end);
    return new double[] {b[0] / a[0], b[1] / a[0], b[2] / a[0], a[1] / a[0], a[2] / a[0]};
  }

  private static double squaredSine(double hz, double rateHz) {
    double sine = Math.sin(Math.PI * hz / rateHz);
    return sine * sine;
  }

  /** The three taps whose power response is p0 + p1 t + p2 t² with t = sin²(w/2) / end, or NaN. */
  private static double[] factor(double p0, double p1, double p2, double end) {
    double nyquist = Math.sqrt(p0 + (p1 + p2 / end) / end); // NaN where negative
    double zero = Math.sqrt(p0);
    double outer = (zero + nyquist) / 2;
    double first = (outer + Math.sqrt(outer * outer - p2 / (4 * end * end))) / 2;
    return new double[] {first, (zero - nyquist) / 2, outer - first};
  }

  /** Gaussian elimination with pivots; the last column is the right side. */
  private static double[] solve(double[][] m) {
    int n = m.length;
    for (int k = 0; k < n; k++) {
      int pivot = k;
      for (int r = k + 1; r < n; r++) {
        pivot = Math.abs(m[r][k]) > Math.abs(m[pivot][k]) ? r : pivot;
      }
      double[] swap = m[k];
      m[k] = m[pivot];
      m[pivot] = swap;
      for (int r = 0; r < n; r++) {
        if (r != k) {
          double times = m[r][k] / m[k][k];
          for (int c = k; c <= n; c++) {
            m[r][c] -= times * m[k][c];
          }
        }
      }
    }
    double[] x = new double[n];
    for (int k = 0; k < n; k++) {
      x[k] = m[k][n] / m[k][k];
    }
    return x;
  }
}
