package nullroom.core.signal;

import java.util.Arrays;

/**
 * Spectra of single blocks under a Hann window, one after another in the same place. Not
 * thread-safe.
 */
public final class HannSpectrum {
  private static final double HALF = 0.5;

  private final Fft fft;
  private final double rate;
  private final double[] window;
  private final double scale;
  private final double[] packed;
  private final double[] power;

  /**
   * Of blocks of so many samples.
   *
   * @param size a length that {@link Fft} takes
   */
  public HannSpectrum(int size, double sampleRateHz) {
    fft = new Fft(size);
    rate = sampleRateHz;
    window = new double[size];
    double squares = 0;
    for (int n = 0; n < size; n++) {
      window[n] = HALF - HALF * Math.cos(2 * Math.PI * n / size);
      squares += window[n] * window[n];
    }
    scale = 1 / squares;
    packed = new double[size];
    power = new double[size / 2 + 1];
  }

  /** Samples of a block. */
  public int size() {
    return fft.size();
  }

  /** From bin to bin. */
  public double binHz() {
    return rate / fft.size();
  }

  /** The bin nearest to a frequency. */
  public int bin(double hz) {
    return (int) Math.round(hz / binHz());
  }

  /**
   * Mean squares of a block's bins, which add up to that of the block.
   *
   * @param from its first sample
   * @return overwritten by the next
   */
  public double[] of(double[] x, int from) {
    for (int n = 0; n < packed.length; n++) {
      packed[n] = x[from + n] * window[n];
    }
    fft.forward(packed);
    Arrays.fill(power, 0);
    fft.addEnergy(packed, power);
    for (int k = 0; k < power.length; k++) {
      power[k] *= scale;
    }
    return power;
  }

  /** Sum of the bins from one frequency up to another, as far as there are any. */
  public double between(double[] bins, double lowHz, double highHz) {
    double sum = 0;
    int high = Math.min(bins.length, bin(highHz));
    for (int k = bin(lowHz); k < high; k++) {
      sum += bins[k];
    }
    return sum;
  }

  /** Takes from each number the mean of those around it, itself among them, in place. */
  public static void level(double[] row, int around) {
    double[] sums = new double[row.length + 1];
    for (int b = 0; b < row.length; b++) {
      sums[b + 1] = sums[b] + row[b];
    }
    for (int b = 0; b < row.length; b++) {
      int from = Math.max(0, b - around);
      int to = Math.min(row.length, b + around + 1);
      row[b] -= (sums[to] - sums[from]) / (to - from);
    }
  }
}
