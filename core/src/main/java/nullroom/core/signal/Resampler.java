package nullroom.core.signal;

import java.util.Arrays;

/**
 * Changes a sampling rate by way of the spectrum, exact for what lies under both Nyquist limits.
 */
public final class Resampler {
  private Resampler() {}

  /**
   * The same sound at another rate.
   *
   * @param toHz whole number of hertz, as must be the sound's own
   */
  public static Samples to(Samples sound, double toHz) {
    long from = Math.round(sound.sampleRateHz());
    long to = Math.round(toHz);
    if (from == to) {
      return sound;
    }
    long common = 2 * gcd(from, to);
    long step = 2 * from / common * 2; // both lengths even
    int periods = (int) Math.ceilDiv(sound.count() + sound.count() / 20 + step, step);
    int before = Math.toIntExact(periods * step);
    int after = Math.toIntExact(before * to / from);
    double[] x = Arrays.copyOf(sound.toArray(), before);
    new Fft(before).forward(x);
    x[1] = 0;
    double[] y = Arrays.copyOf(x, after);
    for (int i = 0; i < y.length; i++) {
      y[i] *= (double) after / before;
    }
    new Fft(after).inverse(y);
    int count = (int) Math.ceil((double) sound.count() * to / from);
    return new Samples(Arrays.copyOf(y, count), to);
  }

  private static long gcd(long a, long b) {
    return b == 0 ? a : gcd(b, a % b);
  }
}
