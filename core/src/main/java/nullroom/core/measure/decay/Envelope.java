package nullroom.core.measure.decay;

import java.util.Arrays;
import nullroom.core.signal.Fft;

/** Size of a short stretch's analytic signal. */
final class Envelope {
  private Envelope() {}

  static double[] of(double[] x) {
    return between(x, 1, 0, 0, 1, 1);
  }

  /**
   * The same of what lies in a band with cosine edges.
   *
   * @param low0 hertz where the lower edge begins to rise
   * @param low1 where it has risen
   * @param high0 where the upper edge begins to fall
   * @param high1 where it has fallen
   */
  static double[] between(
      double[] x, double rateHz, double low0, double low1, double high0, double high1) {
    int n = Fft.sizeFor(2L * x.length);
    Fft fft = new Fft(n);
    double[] real = Arrays.copyOf(x, n);
    fft.forward(real);
    double[] imaginary = new double[n];
    for (int k = 1; k < n / 2; k++) {
      double hz = k * rateHz / n;
      double gain = edge(hz, low0, low1) * (1 - edge(hz, high0, high1));
      real[2 * k] *= gain;
      real[2 * k + 1] *= gain;
      imaginary[2 * k] = real[2 * k + 1]; // a quarter turn back
      imaginary[2 * k + 1] = -real[2 * k];
    }
    real[0] = 0;
    real[1] = 0;
    fft.inverse(real);
    fft.inverse(imaginary);
    double[] size = new double[x.length];
    for (int i = 0; i < size.length; i++) {
      size[i] = Math.hypot(real[i], imaginary[i]);
    }
    return size;
  }

  private static double edge(double hz, double from, double to) {
    if (hz <= from) {
      return 0;
    }
    return hz >= to ? 1 : 0.5 - 0.5 * Math.cos(Math.PI * (hz - from) / (to - from));
  }
}
