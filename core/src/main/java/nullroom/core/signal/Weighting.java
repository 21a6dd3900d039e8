package nullroom.core.signal;

import java.util.Arrays;

/**
 * Frequency weightings A and C. The design goal is the analogue formula; {@link Filter} follows it
 * within 0.1 dB up to 0.45 of the sampling rate, where a plain bilinear design misses it.
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

  /** Power response relative to 1 kHz at {@code hz}; 0 at 0 Hz. */
  public double power(double hz) {
    return raw(hz) / raw(1000);
  }

  /** The weighting in decibels at {@code hz}, 0 at 1 kHz. */
  public double decibels(double hz) {
    return 10 * Math.log10(power(hz));
  }

  private double raw(double hz) {
    double f = hz * hz;
    double c = f * f * F4 * F4 / Math.pow((f + F1 * F1) * (f + F4 * F4), 2);
    return this == C ? c : c * f * f / ((f + F2 * F2) * (f + F3 * F3));
  }

  /**
   * A streaming time-domain filter. Poles by the bilinear transform (low ones) and matched (12.2
   * kHz pair), and behind them a short symmetric filter that holds the ratio between the goal and
   * what those sections do. It delays by {@link Filter#DELAY} samples.
   */
  public Filter filter(double sampleRateHz) {
    return new Filter(this, sampleRateHz);
  }

  /** State of one weighted stream. Not thread-safe. */
  public static final class Filter {
    /** Half length of the correction: enough for 0.04 dB up to 0.45 of the rate, and cheap. */
    static final int DELAY = 8;

    private final Biquads poles;
    private final double[] correction;
    private double[] line = new double[0];
    private final double[] past = new double[2 * DELAY];

    private Filter(Weighting weighting, double sampleRateHz) {
      double[] low = highPassPair(F1, F1, sampleRateHz);
      double[] top = matchedLowPassPair(sampleRateHz);
      poles =
          weighting == C
              ? new Biquads(new double[][] {low, top})
              : new Biquads(new double[][] {low, highPassPair(F2, F3, sampleRateHz), top});
      correction = correction(weighting, sampleRateHz);
    }

    private static double[] highPassPair(double f, double g, double sampleRateHz) {
      double u = Math.tan(Math.PI * f / sampleRateHz);
      double v = Math.tan(Math.PI * g / sampleRateHz);
      double a0 = (1 + u) * (1 + v);
      return new double[] {1 / a0, -2 / a0, 1 / a0, (2 * u * v - 2) / a0, (1 - u) * (1 - v) / a0};
    }

    private static double[] matchedLowPassPair(double sampleRateHz) {
      double p = Math.exp(-2 * Math.PI * F4 / sampleRateHz);
      return new double[] {(1 - p) * (1 - p), 0, 0, -2 * p, p * p};
    }

    private double[] correction(Weighting weighting, double sampleRateHz) {
      Fft fft = new Fft(4096);
      double[] ratio = new double[fft.size()];
      for (int k = 0; k <= fft.size() / 2; k++) {
        double hz = Math.max(k, 0.5) * sampleRateHz / fft.size();
        double r =
            Math.sqrt(weighting.power(hz))
                / poles.magnitude(Math.min(hz, 0.4999 * sampleRateHz), sampleRateHz);
        ratio[k == fft.size() / 2 ? 1 : 2 * k] = r;
      }
      fft.inverse(ratio);
      double[] taps = new double[2 * DELAY + 1];
      for (int i = -DELAY; i <= DELAY; i++) {
        double window = Math.cos(Math.PI / 2 * i / (DELAY + 1));
        taps[i + DELAY] = ratio[Math.floorMod(i, fft.size())] * window;
      }
      return taps;
    }

    /**
     * Filters a block.
     *
     * @param input samples; not modified
     * @param output overwritten; may be {@code input}
     * @param count samples to filter
     */
    public void filter(double[] input, double[] output, int count) {
      if (line.length < count + past.length) {
        line = Arrays.copyOf(line, count + past.length);
      }
      poles.filter(input, output, count);
      System.arraycopy(past, 0, line, 0, past.length);
      System.arraycopy(output, 0, line, past.length, count);
      correct(output, count);
      System.arraycopy(line, count, past, 0, past.length);
    }

    /** Written out: the processor then works on several samples at once. */
    private void correct(double[] output, int count) {
      double[] x = line;
      double t0 = correction[0];
      double t1 = correction[1];
      double t2 = correction[2];
      double t3 = correction[3];
      double t4 = correction[4];
      double t5 = correction[5];
      double t6 = correction[6];
      double t7 = correction[7];
      double t8 = correction[8];
      for (int i = 0; i < count; i++) {
        double far = t0 * (x[i] + x[i + 16]) + t1 * (x[i + 1] + x[i + 15]);
        double half = t2 * (x[i + 2] + x[i + 14]) + t3 * (x[i + 3] + x[i + 13]);
        double near = t4 * (x[i + 4] + x[i + 12]) + t5 * (x[i + 5] + x[i + 11]);
        double next = t6 * (x[i + 6] + x[i + 10]) + t7 * (x[i + 7] + x[i + 9]);
        output[i] = (far + half) + (near + next) + t8 * x[i + 8];
      }
    }

    /** Magnitude of the whole filter at {@code hz}. */
    double magnitude(double hz, double sampleRateHz) {
      double sum = correction[DELAY];
      for (int j = 0; j < DELAY; j++) {
        sum += 2 * correction[j] * Math.cos(2 * Math.PI * hz / sampleRateHz * (DELAY - j));
      }
      return poles.magnitude(hz, sampleRateHz) * Math.abs(sum);
    }
  }
}
