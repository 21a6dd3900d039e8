package nullroom.core.signal;

import java.util.Arrays;
import java.util.List;

/** One channel of sound in memory; full scale is 1. Immutable. */
public final class Samples {
  private final double[] amplitudes;
  private final double sampleRateHz;
  private final double largestAmplitude;

  /**
   * Sound that came from no converter: it may reach 1.
   *
   * @param amplitudes samples; copied
   * @param sampleRateHz samples a second
   */
  public Samples(double[] amplitudes, double sampleRateHz) {
    this(amplitudes, sampleRateHz, 1);
  }

  /**
   * @param amplitudes samples; copied
   * @param sampleRateHz samples a second
   * @param largestAmplitude the largest that what recorded it can give, see {@link
   *     SampleSource#largestAmplitude}
   */
  public Samples(double[] amplitudes, double sampleRateHz, double largestAmplitude) {
    if (!(sampleRateHz > 0)) {
      throw new IllegalArgumentException("sampling rate " + sampleRateHz + " is not above 0");
    }
    this.amplitudes = amplitudes.clone();
    this.sampleRateHz = sampleRateHz;
    this.largestAmplitude = largestAmplitude;
  }

  /** The largest amplitude it can hold; where samples stand at it, it is clipped. */
  public double largestAmplitude() {
    return largestAmplitude;
  }

  /** Samples a second. */
  public double sampleRateHz() {
    return sampleRateHz;
  }

  /** Number of samples. */
  public int count() {
    return amplitudes.length;
  }

  /** Length in seconds. */
  public double seconds() {
    return amplitudes.length / sampleRateHz;
  }

  /** A copy of all samples. */
  public double[] toArray() {
    return amplitudes.clone();
  }

  /** Copies {@code count} samples from {@code from} on to the start of {@code target}. */
  public void copyTo(int from, double[] target, int count) {
    copyTo(from, target, 0, count);
  }

  /** What lies between two moments; less where the sound ends before. */
  public Samples part(double fromSeconds, double toSeconds) {
    int from = Math.clamp(Math.round(fromSeconds * sampleRateHz), 0, count());
    int to = Math.clamp(Math.round(toSeconds * sampleRateHz), from, count());
    return new Samples(Arrays.copyOfRange(amplitudes, from, to), sampleRateHz, largestAmplitude);
  }

  /** Sounds of one rate one after another; there must be one at least. */
  public static Samples joined(List<Samples> parts) {
    double[] all = new double[parts.stream().mapToInt(Samples::count).sum()];
    int at = 0;
    for (Samples part : parts) {
      part.copyTo(0, all, at, part.count());
      at += part.count();
    }
    Samples first = parts.getFirst();
    return new Samples(all, first.sampleRateHz, first.largestAmplitude);
  }

  private void copyTo(int from, double[] target, int at, int count) {
    System.arraycopy(amplitudes, from, target, at, count);
  }

  /** Mean squares of one stretch after another; what is left of the last is left out. */
  public double[] meanSquares(double stretchSeconds) {
    int step = Math.max(1, (int) (stretchSeconds * sampleRateHz));
    double[] all = new double[count() / step];
    for (int k = 0; k < all.length; k++) {
      all[k] = Sums.ofSquares(amplitudes, k * step, step) / step;
    }
    return all;
  }
}
