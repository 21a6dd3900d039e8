package nullroom.core.signal;

/** Digital Butterworth designs by the bilinear transform with pre-warped edges. */
public final class Butterworth {
  private Butterworth() {}

  /**
   * Band-pass of the band with unit gain at its exact centre. The class 1 mask of IEC 61260-1:2014
   * holds for octaves and third octaves from order 4 on, for every band whose upper edge lies under
   * half the sampling rate.
   *
   * @param order order of the low-pass prototype; the filter has this many second-order sections
   * @throws IllegalArgumentException if the band does not fit under half the sampling rate
   */
  public static Biquads bandPass(Band band, double sampleRateHz, int order) {
    if (!(band.highHz() < sampleRateHz / 2)) {
      throw new IllegalArgumentException(
          "band "
              + band.nominalHz()
              + " Hz does not fit a sampling rate of "
              + sampleRateHz
              + " Hz");
    }
    double low = Math.tan(Math.PI * band.lowHz() / sampleRateHz);
    double high = Math.tan(Math.PI * band.highHz() / sampleRateHz);
    double centreSquared = low * high;
    double[][] sections = new double[order][];
    int row = 0;
    for (int k = 0; k < (order + 1) / 2; k++) {
      double angle = Math.PI * (2 * k + 1 + order) / (2.0 * order);
      double re = Math.cos(angle) * (high - low) / 2;
      double im = Math.sin(angle) * (high - low) / 2;
      // s = p/2 +- sqrt(p^2/4 - w0^2): each prototype pole gives two band-pass poles
      double qRe = re * re - im * im - centreSquared;
      double qIm = 2 * re * im;
      double modulus = Math.hypot(qRe, qIm);
      double rootRe = Math.sqrt(Math.max(0, (modulus + qRe) / 2));
      double rootIm = Math.copySign(Math.sqrt(Math.max(0, (modulus - qRe) / 2)), qIm);
      boolean real = 2 * k + 1 == order;
      if (real && qRe > 0) {
        sections[row++] = realPair(re + rootRe, re - rootRe);
      } else {
        sections[row++] = conjugatePair(re + rootRe, im + rootIm);
        if (!real) {
          sections[row++] = conjugatePair(re - rootRe, im - rootIm);
        }
      }
    }
    Biquads raw = new Biquads(sections);
    double gain = Math.pow(raw.magnitude(band.centreHz(), sampleRateHz), -1.0 / order);
    for (double[] s : sections) {
      s[0] *= gain;
      s[2] *= gain;
    }
    return new Biquads(sections);
  }

  /**
   * Low-pass with unit gain at 0 Hz.
   *
   * @param order even; the filter has half as many second-order sections
   */
  public static Biquads lowPass(int order, double cornerHz, double sampleRateHz) {
    double k = Math.tan(Math.PI * cornerHz / sampleRateHz);
    return oneSided(order, k, k * k, 2 * k * k);
  }

  /**
   * High-pass with unit gain at half the sampling rate. It passes the first sample of a sudden
   * sound at once, so that a start stays where it is.
   *
   * @param order even; the filter has half as many second-order sections
   */
  public static Biquads highPass(int order, double cornerHz, double sampleRateHz) {
    return oneSided(order, Math.tan(Math.PI * cornerHz / sampleRateHz), 1, -2);
  }

  /** Sections with the zeros of {@code b0, b1, b0} and a Butterworth's poles. */
  private static Biquads oneSided(int order, double k, double b0, double b1) {
    double[][] sections = new double[order / 2][];
    for (int i = 0; i < sections.length; i++) {
      double damping = 2 * Math.sin(Math.PI * (2 * i + 1) / (2.0 * order));
      double a0 = 1 + damping * k + k * k;
      sections[i] =
          new double[] {
            b0 / a0, b1 / a0, b0 / a0, 2 * (k * k - 1) / a0, (1 - damping * k + k * k) / a0
          };
    }
    return new Biquads(sections);
  }

  private static double[] conjugatePair(double re, double im) {
    double square = re * re + im * im;
    return section(1 - 2 * re + square, 2 * square - 2, 1 + 2 * re + square);
  }

  private static double[] realPair(double p, double q) {
    return section((1 - p) * (1 - q), 2 * p * q - 2, (1 + p) * (1 + q));
  }

  /** Zeros at 0 Hz and at half the sampling rate over the given denominator. */
  private static double[] section(double a0, double a1, double a2) {
    return new double[] {1 / a0, 0, -1 / a0, a1 / a0, a2 / a0};
  }
}
