package nullroom.core.measure.decay;

import java.util.Arrays;
import java.util.Optional;
import nullroom.core.Decibels;
import nullroom.core.Quantile;
import nullroom.core.Regression;
import nullroom.core.signal.Peak;

/**
 * Flutter between two walls: the level of the decaying treble, its fall taken off, repeats itself.
 * The period is the distance of the echoes, found as the first strong peak of the autocorrelation.
 */
final class FlutterEcho {
  private static final double STEP_SECONDS = 0.0005;
  private static final double FROM_SECONDS = 0.004;
  private static final double LONGEST_SECONDS = 0.6;
  private static final double SHORTEST_SECONDS = 0.1;
  private static final double SHORTEST_PERIOD_SECONDS = 0.005;
  private static final double LONGEST_PERIOD_SECONDS = 0.07;
  private static final double LEAST_CORRELATION = 0.3;
  private static final double LEAST_STRENGTH_DB = 4;

  /** Steps beside its expected place in which a repetition is looked for. */
  private static final int REPEATED_WITHIN = 1;

  /** A peak between steps lies within half a step of the largest; a little is left for noise. */
  private static final double MOST_FINER = 0.6;

  private FlutterEcho() {}

  static Optional<DecayReport.Flutter> find(double[] response, int direct, double rate) {
    double[] after =
        Arrays.copyOfRange(
            response,
            Math.min(response.length, direct + (int) (FROM_SECONDS * rate)),
            Math.min(response.length, direct + (int) (LONGEST_SECONDS * rate)));
    if (after.length < SHORTEST_SECONDS * rate) {
      return Optional.empty();
    }
    double top = Math.min(16_000, 0.45 * rate);
    double[] size = Envelope.between(after, rate, 700, 1000, 0.8 * top, top);
    int end = untilNoise(size, rate);
    int step = Math.max(1, (int) (STEP_SECONDS * rate));
    double[] level = new double[end / step];
    if (level.length * STEP_SECONDS < SHORTEST_SECONDS) {
      return Optional.empty();
    }
    for (int k = 0; k < level.length; k++) {
      double sum = 0;
      for (int i = k * step; i < (k + 1) * step; i++) {
        sum += size[i] * size[i];
      }
      level[k] = Decibels.ofEnergy(sum / step + 1e-30);
    }
    return periodic(flat(level), step / rate);
  }

  private static int untilNoise(double[] size, double rate) {
    double[] squared = new double[size.length];
    for (int i = 0; i < size.length; i++) {
      squared[i] = size[i] * size[i];
    }
    return Lundeby.of(squared, rate).crossing();
  }

  /** Level over a line through all of it; deep gaps tell no more than shallow ones. */
  private static double[] flat(double[] level) {
    Regression line = new Regression();
    for (int k = 0; k < level.length; k++) {
      line.add(k, level[k]);
    }
    double[] over = new double[level.length];
    double mean = 0;
    for (int k = 0; k < level.length; k++) {
      over[k] = Math.max(-6, level[k] - line.intercept() - line.slope() * k);
      mean += over[k] / level.length;
    }
    for (int k = 0; k < over.length; k++) {
      over[k] -= mean;
    }
    return over;
  }

  private static Optional<DecayReport.Flutter> periodic(double[] over, double stepSeconds) {
    int most = (int) Math.min(LONGEST_PERIOD_SECONDS / stepSeconds, over.length / 3.0);
    double[] alike = new double[most + 2];
    double whole = correlation(over, 0);
    for (int lag = 1; lag < alike.length; lag++) {
      alike[lag] = correlation(over, lag) / whole;
    }
    int best = 0;
    for (int lag = (int) (SHORTEST_PERIOD_SECONDS / stepSeconds); lag <= most; lag++) {
      boolean peak = alike[lag] > alike[lag - 1] && alike[lag] >= alike[lag + 1];
      if (peak && alike[lag] > (best == 0 ? LEAST_CORRELATION : alike[best] * 1.15)) {
        best = lag;
      }
    }
    if (best == 0) {
      return Optional.empty();
    }
    double period = exactPeriod(over, best);
    double strength = strength(over, period);
    return strength < LEAST_STRENGTH_DB
        ? Optional.empty()
        : Optional.of(new DecayReport.Flutter(period * stepSeconds, strength));
  }

  private static double correlation(double[] x, int lag) {
    double sum = 0;
    for (int i = 0; i + lag < x.length; i++) {
      sum += x[i] * x[i + lag];
    }
    return sum / (x.length - lag);
  }

  /**
   * Read off a late repetition, which tells the period as many times finer, for as long as there is
   * one where it is expected and it does not lead away from the first.
   *
   * @param over level over its line
   * @param lag steps of the first repetition, a peak of the correlation
   * @return steps, within one of {@code lag}
   */
  static double exactPeriod(double[] over, int lag) {
    double period = lag;
    for (int times = 1; (times + 1) * period < 0.5 * over.length && times < 8; times++) {
      int near = (int) Math.round(times * period);
      int at = near;
      for (int k = near - REPEATED_WITHIN; k <= near + REPEATED_WITHIN; k++) {
        at = correlation(over, k) > correlation(over, at) ? k : at;
      }
      double before = correlation(over, at - 1);
      double after = correlation(over, at + 1);
      if (Math.max(before, after) > correlation(over, at)) {
        break; // still rising at the edge: no repetition but something else
      }
      double finer = (at + Peak.offset(before, correlation(over, at), after)) / times;
      if (Math.abs(finer - lag) > MOST_FINER) {
        break;
      }
      period = finer;
    }
    return period;
  }

  /** How far the echoes stand over the middle of what lies between, folded over the period. */
  private static double strength(double[] over, double period) {
    int bins = Math.max(3, (int) Math.round(period));
    double[] sum = new double[bins];
    int[] count = new int[bins];
    for (int k = 0; k < over.length; k++) {
      int bin = (int) (k % period / period * bins);
      sum[bin] += over[k];
      count[bin]++;
    }
    double[] mean = new double[bins];
    for (int b = 0; b < bins; b++) {
      mean[b] = count[b] == 0 ? 0 : sum[b] / count[b];
    }
    return Quantile.of(mean, 1) - Quantile.median(mean);
  }
}
