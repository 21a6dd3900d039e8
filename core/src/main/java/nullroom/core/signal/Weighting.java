package nullroom.core.signal;

import nullroom.core.Decibels;

/**
 * Frequency weightings A and C. The design goal is the analogue formula; {@link Filter} follows it
 * within 0.1 dB up to 20 kHz or 0.45 of the sampling rate, where a plain bilinear design misses it.
 *
 * <p>Source: IEC 61672-1:2013, Annex E (poles 20.599, 107.653, 737.862, 12194.217 Hz).
 */
public enum Weighting {
  /** A-weighting. */
  A,
  /** C-weighting. */
  C;

  private static final double F1 = 20.598997;
  private static final double F2 = 107.65265;
  private static final double F3 = 737.86223;
  private static final double F4 = 12194.217;
  private static final double[] THROUGH = {1, 0, 0, 0, 0};

  /** Power response relative to 1 kHz at {@code hz}; 0 at 0 Hz. */
  public double power(double hz) {
    return raw(hz) / raw(1000);
  }

  /** The weighting in decibels at {@code hz}, 0 at 1 kHz. */
  public double decibels(double hz) {
    return Decibels.ofEnergy(power(hz));
  }

  private double raw(double hz) {
    double f = hz * hz;
    double c = f * f * F4 * F4 / Math.pow((f + F1 * F1) * (f + F4 * F4), 2);
    return this == C ? c : c * f * f / ((f + F2 * F2) * (f + F3 * F3));
  }

  /**
   * A streaming time-domain filter: the low poles by the bilinear transform, and a section fitted
   * to what is left of the goal above them.
   */
  public Filter filter(double sampleRateHz) {
    return new Filter(this, sampleRateHz);
  }

  /** State of one weighted stream. Not thread-safe. */
  public static final class Filter {
    private static final double FOLLOW_TO_HZ = 20_000;

    /** Part of the rate up to which the goal is followed. */
    private static final double FOLLOW_TO = 0.45;

    private final Biquads sections;

    private Filter(Weighting weighting, double sampleRateHz) {
      double[] low = highPassPair(F1, F1, sampleRateHz);
      double[][] rows =
          weighting == C
              ? new double[][] {low, THROUGH}
              : new double[][] {low, highPassPair(F2, F3, sampleRateHz), THROUGH};
      Biquads under = new Biquads(rows);
      rows[rows.length - 1] =
          PowerFit.section(
              hz -> weighting.power(hz) / Math.pow(under.magnitude(hz, sampleRateHz), 2),
              Math.min(FOLLOW_TO * sampleRateHz, FOLLOW_TO_HZ),
              sampleRateHz);
      double at1k = new Biquads(rows).magnitude(1000, sampleRateHz);
      for (int i = 0; i < 3; i++) { // exact there
        rows[0][i] /= at1k;
      }
      sections = new Biquads(rows);
    }

    private static double[] highPassPair(double f, double g, double sampleRateHz) {
      double u = Math.tan(Math.PI * f / sampleRateHz);
      double v = Math.tan(Math.PI * g / sampleRateHz);
      double a0 = (1 + u) * (1 + v);
      return new double[] {1 / a0, -2 / a0, 1 / a0, (2 * u * v - 2) / a0, (1 - u) * (1 - v) / a0};
    }

    /**
     * Filters a block.
     *
     * @param input samples; not modified
     * @param output overwritten; may be {@code input}
     * @param count samples to filter
     */
    public void filter(double[] input, double[] output, int count) {
      sections.filter(input, output, count);
    }

    /** Magnitude of the whole filter at {@code hz}. */
    double magnitude(double hz, double sampleRateHz) {
      return sections.magnitude(hz, sampleRateHz);
    }
  }
}
