package nullroom.core.signal;

import nullroom.core.Decibels;

/**
 * The weighting before loudness: a shelf for the head and a high-pass (ITU-R BS.1770-4, Annex 1).
 * The standard gives both for 48 kHz; for other rates they are worked back to their analogue
 * prototypes and set anew by the bilinear transform.
 */
public final class KWeighting {
  /** Corner, gain and Q of the shelf behind the coefficients of the standard. */
  private static final double SHELF_HZ = 1681.974450955533;

  private static final double SHELF_DB = 3.999843853973347;
  private static final double SHELF_Q = 0.7071752369554196;

  /** How the shelf's gain is shared between its corner and its plateau. */
  private static final double SHELF_SHARE = 0.4996667741545416;

  private static final double HIGH_PASS_HZ = 38.13547087602444;
  private static final double HIGH_PASS_Q = 0.5003270373238773;

  /** The rate for which the standard leaves the high-pass's numerator at one. */
  private static final double STANDARD_RATE_HZ = 48_000;

  private KWeighting() {}

  /** A filter for one channel. */
  public static Biquads filter(double sampleRateHz) {
    return new Biquads(rows(sampleRateHz));
  }

  /** Rows of b0, b1, b2, a1, a2: the shelf, then the high-pass. */
  static double[][] rows(double sampleRateHz) {
    double k = Math.tan(Math.PI * SHELF_HZ / sampleRateHz);
    double plateau = Decibels.toAmplitude(SHELF_DB);
    double corner = Math.pow(plateau, SHELF_SHARE);
    double a0 = 1 + k / SHELF_Q + k * k;
    double[] shelf = {
      (plateau + corner * k / SHELF_Q + k * k) / a0,
      2 * (k * k - plateau) / a0,
      (plateau - corner * k / SHELF_Q + k * k) / a0,
      2 * (k * k - 1) / a0,
      (1 - k / SHELF_Q + k * k) / a0
    };
    double h = Math.tan(Math.PI * HIGH_PASS_HZ / sampleRateHz);
    double c0 = highPass(sampleRateHz);
    double b0 = highPass(STANDARD_RATE_HZ) / c0;
    double[] pass = {b0, -2 * b0, b0, 2 * (h * h - 1) / c0, (1 - h / HIGH_PASS_Q + h * h) / c0};
    return new double[][] {shelf, pass};
  }

  private static double highPass(double sampleRateHz) {
    double h = Math.tan(Math.PI * HIGH_PASS_HZ / sampleRateHz);
    return 1 + h / HIGH_PASS_Q + h * h;
  }
}
