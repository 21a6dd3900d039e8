package nullroom.core.signal;

import org.jtransforms.fft.DoubleFFT_1D;
import org.jtransforms.utils.CommonUtils;

/**
 * Real Fourier transform of one fixed length, by a library whose complex ones {@link BandEnvelope}
 * and {@link Mdct} use.
 */
public final class Fft {
  static {
    // the library would start threads of its own for long blocks, beside those of the meters
    CommonUtils.setThreadsBeginN_1D_FFT_2Threads(Long.MAX_VALUE);
    CommonUtils.setThreadsBeginN_1D_FFT_4Threads(Long.MAX_VALUE);
  }

  private final int size;
  private final DoubleFFT_1D transform;

  /**
   * @param size samples per transform; an even number
   */
  public Fft(int size) {
    if (size < 2 || size % 2 != 0) {
      throw new IllegalArgumentException(
          "transform size " + size + " is not an even number from 2 up");
    }
    this.size = size;
    this.transform = new DoubleFFT_1D(size);
  }

  /** Samples per transform. */
  public int size() {
    return size;
  }

  /** The smallest power of two that is at least {@code count}, and at least 2. */
  public static int sizeFor(long count) {
    int size = 2;
    while (size < count) {
      size = Math.multiplyExact(size, 2);
    }
    return size;
  }

  /**
   * Forward transform in place; afterwards the array is packed as re[0], re[n/2], re[1], im[1], ...
   *
   * @param block overwritten; {@link #size()} long
   */
  public void forward(double[] block) {
    transform.realForward(block);
  }

  /** Inverse of {@link #forward}, scaled, in place. */
  public void inverse(double[] block) {
    transform.realInverse(block, true);
  }

  /**
   * Adds the one-sided energy of a packed spectrum to {@code sum}, so that over all bins it equals
   * the sum of squares of the samples (Parseval).
   *
   * @param packed result of {@link #forward}; not modified
   * @param sum n/2 + 1 bins; added to
   */
  public void addEnergy(double[] packed, double[] sum) {
    double scale = 2.0 / size;
    sum[0] += packed[0] * packed[0] / size;
    sum[size / 2] += packed[1] * packed[1] / size;
    for (int k = 1; k < size / 2; k++) {
      double re = packed[2 * k];
      double im = packed[2 * k + 1];
      sum[k] += (re * re + im * im) * scale;
    }
  }

  /** Linear convolution of two real sequences; length a + b - 1. */
  public static double[] convolve(double[] a, double[] b) {
    int length = a.length + b.length - 1;
    Fft fft = new Fft(sizeFor(length));
    double[] x = java.util.Arrays.copyOf(a, fft.size);
    double[] y = java.util.Arrays.copyOf(b, fft.size);
    fft.forward(x);
    fft.forward(y);
    x[0] *= y[0];
    x[1] *= y[1];
    for (int k = 2; k < fft.size; k += 2) {
      double re = x[k] * y[k] - x[k + 1] * y[k + 1];
      x[k + 1] = x[k] * y[k + 1] + x[k + 1] * y[k];
      x[k] = re;
    }
    fft.inverse(x);
    return java.util.Arrays.copyOf(x, length);
  }
}
