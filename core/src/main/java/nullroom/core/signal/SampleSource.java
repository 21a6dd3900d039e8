package nullroom.core.signal;

/** Samples that come in blocks, from a file, a device or memory. Full scale is 1. */
public interface SampleSource {
  /** Samples a second, as the source declares it. */
  double sampleRateHz();

  /** Number of channels, from 1. */
  int channels();

  /** The largest amplitude the format can hold: 1 in float, one step under 1 in integers. */
  default double largestAmplitude() {
    return 1;
  }

  /**
   * Reads the next samples.
   *
   * @param block one row per channel; the first samples of each are overwritten
   * @return samples read per channel, or -1 at the end
   * @throws nullroom.core.Trouble if the source cannot go on
   */
  int read(double[][] block);

  /** A source over one channel in memory. */
  static SampleSource of(Samples samples) {
    return new SampleSource() {
      private int at;

      @Override
      public double sampleRateHz() {
        return samples.sampleRateHz();
      }

      @Override
      public int channels() {
        return 1;
      }

      @Override
      public double largestAmplitude() {
        return samples.largestAmplitude();
      }

      @Override
      public int read(double[][] block) {
        int count = Math.min(block[0].length, samples.count() - at);
        if (count <= 0) {
          return -1;
        }
        samples.copyTo(at, block[0], count);
        at += count;
        return count;
      }
    };
  }
}
