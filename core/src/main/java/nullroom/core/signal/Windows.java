package nullroom.core.signal;

import java.util.stream.IntStream;

/** Windows of frames that overlap by half, and whose squares then add up to 1. */
public final class Windows {
  private static final double NEGLIGIBLE = 1e-12;

  private Windows() {}

  /** Half a sine. */
  public static double[] sine(int samples) {
    return IntStream.range(0, samples)
        .mapToDouble(n -> Math.sin(Math.PI * (n + 0.5) / samples))
        .toArray();
  }

  /**
   * Summed up from J. F. Kaiser's window, as ISO/IEC 14496-3 does.
   *
   * @param samples an even number
   * @param alpha 4 for the long frames there
   */
  public static double[] kaiserBessel(int samples, double alpha) {
    int half = samples / 2;
    double[] sums = new double[half + 1];
    double all = 0;
    for (int n = 0; n <= half; n++) {
      double x = 2.0 * n / half - 1;
      all += bessel(Math.PI * alpha * Math.sqrt(1 - x * x));
      sums[n] = all;
    }
    double sum = all;
    return IntStream.range(0, samples)
        .mapToDouble(n -> Math.sqrt(sums[Math.min(n, samples - 1 - n)] / sum))
        .toArray();
  }

  /** Modified Bessel function of order nought, by its series. */
  static double bessel(double x) {
    double term = 1;
    double sum = 1;
    for (int k = 1; term > NEGLIGIBLE * sum; k++) {
      term *= Math.pow(x / 2 / k, 2);
      sum += term;
    }
    return sum;
  }
}
