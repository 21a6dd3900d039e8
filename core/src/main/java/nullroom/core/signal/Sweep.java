package nullroom.core.signal;

/**
 * An exponential sine sweep x(t) = sin(2 pi f1 L (e^(t/L) - 1)) with L = S / ln(f2/f1) and short
 * fades.
 *
 * <p>Source: A. Farina, Simultaneous measurement of impulse response and distortion with a
 * swept-sine technique, AES 108th Convention (2000).
 *
 * @param fromHz frequency at the start
 * @param toHz frequency at the end, above {@code fromHz}
 * @param seconds duration
 */
public record Sweep(double fromHz, double toHz, double seconds) {
  /** What is played where nothing else is said: the audible range in ten seconds. */
  public static final Sweep USUAL = new Sweep(20, 20_000, 10);

  private static final double FADE_IN_SECONDS = 0.05;
  private static final double FADE_OUT_SECONDS = 0.01;

  public Sweep {
    if (!(fromHz > 0 && toHz > fromHz && seconds > 0)) {
      throw new IllegalArgumentException(
          "no sweep from " + fromHz + " to " + toHz + " Hz in " + seconds + " s");
    }
  }

  /** L of the law above: seconds in which the frequency grows by a factor of e. */
  public double secondsPerE() {
    return seconds / Math.log(toHz / fromHz);
  }

  /** The sweep with amplitude 1, {@code seconds} times the rate long. */
  public double[] samples(double sampleRateHz) {
    double[] x = new double[(int) Math.round(seconds * sampleRateHz)];
    double l = secondsPerE();
    for (int i = 0; i < x.length; i++) {
      double t = i / sampleRateHz;
      x[i] =
          Math.sin(2 * Math.PI * fromHz * l * Math.expm1(t / l))
              * fade(t / FADE_IN_SECONDS)
              * fade((seconds - t) / FADE_OUT_SECONDS);
    }
    return x;
  }

  /**
   * The sweep as it is played.
   *
   * @param repeats how often
   * @param pauseSeconds silence after each
   * @param peak amplitude, full scale is 1
   */
  public Samples series(double sampleRateHz, int repeats, double pauseSeconds, double peak) {
    double[] one = samples(sampleRateHz);
    for (int i = 0; i < one.length; i++) {
      one[i] *= peak;
    }
    int each = one.length + (int) Math.round(pauseSeconds * sampleRateHz);
    double[] all = new double[Math.multiplyExact(repeats, each)];
    for (int k = 0; k < repeats; k++) {
      System.arraycopy(one, 0, all, k * each, one.length);
    }
    return new Samples(all, sampleRateHz);
  }

  private static double fade(double share) {
    return share >= 1 ? 1 : Math.pow(Math.sin(Math.PI / 2 * share), 2);
  }
}
