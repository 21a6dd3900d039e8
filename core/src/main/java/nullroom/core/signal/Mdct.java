package nullroom.core.signal;

import org.jtransforms.fft.DoubleFFT_1D;

/**
 * Modified discrete cosine transform of one fixed length, as coders lay sound into lines: {@code
 * X[k] = sum of x[n] cos(pi / M (n + 1/2 + M/2) (k + 1/2))}, n from 0 to 2 M - 1. Not thread-safe.
 */
public final class Mdct {
  private final int lines;
  private final DoubleFFT_1D transform;
  private final double[] cos;
  private final double[] sin;
  private final double[] folded;
  private final double[] work;

  /**
   * @param lines M, half the samples of a frame; a multiple of four
   */
  public Mdct(int lines) {
    this.lines = lines;
    transform = new DoubleFFT_1D(lines / 2);
    cos = new double[lines / 2];
    sin = new double[lines / 2];
    for (int n = 0; n < cos.length; n++) {
      double angle = Math.PI * (n + 0.125) / lines;
      cos[n] = Math.cos(angle);
      sin[n] = Math.sin(angle);
    }
    folded = new double[lines];
    work = new double[lines];
  }

  /**
   * Lines of one frame.
   *
   * @param samples holds the frame
   * @param from first sample of the frame
   * @param window 2 M long
   * @param into filled with M lines
   */
  public void lines(double[] samples, int from, double[] window, double[] into) {
    int half = lines / 2;
    for (int n = 0; n < half; n++) {
      folded[n] =
          -at(samples, from, window, 3 * half - 1 - n) - at(samples, from, window, 3 * half + n);
      folded[half + n] = at(samples, from, window, n) - at(samples, from, window, lines - 1 - n);
    }
    for (int n = 0; n < half; n++) {
      turn(n, folded[2 * n], folded[lines - 1 - 2 * n]);
    }
    transform.complexForward(work);
    for (int k = 0; k < half; k++) {
      turn(k, work[2 * k], work[2 * k + 1]);
      into[2 * k] = work[2 * k];
      into[lines - 1 - 2 * k] = -work[2 * k + 1];
    }
  }

  private static double at(double[] samples, int from, double[] window, int n) {
    return samples[from + n] * window[n];
  }

  /** Turns a complex number back by the angle of its place. */
  private void turn(int n, double re, double im) {
    work[2 * n] = re * cos[n] + im * sin[n];
    work[2 * n + 1] = im * cos[n] - re * sin[n];
  }
}
