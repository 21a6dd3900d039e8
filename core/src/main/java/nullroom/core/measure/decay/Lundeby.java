package nullroom.core.measure.decay;

import nullroom.core.Decibels;
import nullroom.core.Regression;

/**
 * Where a decay meets the noise, and how strong that noise is.
 *
 * <p>Source: A. Lundeby, T. E. Vigran, H. Bietz, M. Vorlander, Acustica 81 (1995) 344-355: a coarse
 * envelope, a first line and crossing point, then rounds of (noise well after the crossing, slope
 * of the last 10 to 20 dB above it, new crossing).
 *
 * @param noise mean square of the noise
 * @param crossing sample at which the decay meets it
 * @param decayPerSample exponent of the energy decay just above the noise; 0 where none was found
 */
record Lundeby(double noise, int crossing, double decayPerSample) {
  private static final int ROUNDS = 5;
  private static final double FIRST_INTERVAL_SECONDS = 0.01;

  /** The last tenth is taken as noise at first. */
  private static final double TAIL_SHARE = 0.1;

  /** The noise is read this far beyond the crossing, in dB of decay. */
  private static final double CLEARANCE_DB = 7;

  /** The late slope starts this far above the noise and covers the range above that. */
  private static final double ABOVE_NOISE_DB = 7;

  private static final double SLOPE_RANGE_DB = 18;

  /**
   * Of the nine that lie in that range; a line through fewer is one of ripples, and makes the next
   * intervals longer, and fewer still.
   */
  private static final int FEWEST_INTERVALS = 4;

  /** Intervals in 10 dB of decay. */
  private static final double INTERVALS_PER_10_DB = 5;

  /**
   * Finds both in a squared response.
   *
   * @param squared energy per sample from the onset on; not modified
   */
  static Lundeby of(double[] squared, double sampleRateHz) {
    int n = squared.length;
    double peak = 0;
    int interval = Math.max(1, (int) (FIRST_INTERVAL_SECONDS * sampleRateHz));
    double[] envelope = envelope(squared, interval);
    int top = 0;
    for (int k = 0; k < envelope.length; k++) {
      if (envelope[k] > peak) {
        peak = envelope[k];
        top = k;
      }
    }
    double least =
        peak * 1e-20; // digital silence after the decay: nothing to subtract, nothing to divide by
    double noise = Math.max(least, mean(squared, (int) (n * (1 - TAIL_SHARE)), n));
    Regression line =
        line(
            envelope,
            top,
            noise * Decibels.toEnergy(ABOVE_NOISE_DB),
            Double.POSITIVE_INFINITY,
            interval);
    int crossing = crossing(line, noise, n);
    double slope = line.slope();
    for (int round = 0; round < ROUNDS && slope < 0; round++) {
      double samplesPer10Db = 10 / -slope;
      interval = Math.clamp((long) (samplesPer10Db / INTERVALS_PER_10_DB), 1, Math.max(1, n / 4));
      envelope = envelope(squared, interval);
      int from =
          (int) Math.min(n * (1 - TAIL_SHARE), crossing + samplesPer10Db * CLEARANCE_DB / 10);
      noise = Math.max(least, mean(squared, from, n));
      double low = noise * Decibels.toEnergy(ABOVE_NOISE_DB);
      Regression late =
          line(
              envelope,
              peakIndex(envelope),
              low,
              low * Decibels.toEnergy(SLOPE_RANGE_DB),
              interval);
      if (late.slope() >= 0 || late.count() < FEWEST_INTERVALS) {
        break;
      }
      line = late;
      slope = line.slope();
      crossing = crossing(line, noise, n);
    }
    return new Lundeby(noise, crossing, slope < 0 ? -slope * Math.log(10) / 10 : 0);
  }

  private static double[] envelope(double[] squared, int interval) {
    double[] envelope = new double[Math.max(1, squared.length / interval)];
    for (int k = 0; k < envelope.length; k++) {
      envelope[k] = mean(squared, k * interval, Math.min(squared.length, (k + 1) * interval));
    }
    return envelope;
  }

  private static int peakIndex(double[] envelope) {
    int top = 0;
    for (int k = 1; k < envelope.length; k++) {
      if (envelope[k] > envelope[top]) {
        top = k;
      }
    }
    return top;
  }

  private static double mean(double[] squared, int from, int to) {
    double sum = 0;
    for (int i = from; i < to; i++) {
      sum += squared[i];
    }
    return to > from ? sum / (to - from) : 0;
  }

  /**
   * Level line in dB, over samples, through the intervals of the envelope from its top down to
   * {@code low}, below {@code high}.
   */
  private static Regression line(
      double[] envelope, int top, double low, double high, int interval) {
    Regression fit = new Regression();
    for (int k = top; k < envelope.length && envelope[k] > low; k++) {
      if (envelope[k] <= high) {
        fit.add((k + 0.5) * interval, Decibels.ofEnergy(envelope[k]));
      }
    }
    return fit;
  }

  private static int crossing(Regression line, double noise, int n) {
    if (line.slope() >= 0) {
      return n;
    }
    return (int) Math.clamp((Decibels.ofEnergy(noise) - line.intercept()) / line.slope(), 1.0, n);
  }
}
