package nullroom.core.signal;

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
    System.arraycopy(amplitudes, from, target, 0, count);
  }
}
