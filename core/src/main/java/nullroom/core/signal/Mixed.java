package nullroom.core.signal;

import java.util.List;

/** One channel made of several, each with its share. */
public final class Mixed implements SampleSource {
  private final SampleSource source;
  private final List<Double> shares;
  private double[][] all = new double[0][0];

  /**
   * A mix.
   *
   * @param source read as this is read; not closed by it
   * @param shares one factor a channel
   */
  public Mixed(SampleSource source, List<Double> shares) {
    if (shares.size() != source.channels()) {
      throw new IllegalArgumentException(
          shares.size() + " shares of " + source.channels() + " channels");
    }
    this.source = source;
    this.shares = List.copyOf(shares);
  }

  @Override
  public double sampleRateHz() {
    return source.sampleRateHz();
  }

  @Override
  public int channels() {
    return 1;
  }

  @Override
  public int read(double[][] block) {
    if (all.length == 0 || all[0].length != block[0].length) {
      all = new double[source.channels()][block[0].length];
    }
    int count = source.read(all);
    for (int i = 0; i < count; i++) {
      double sum = 0;
      for (int c = 0; c < all.length; c++) {
        sum += shares.get(c) * all[c][i];
      }
      block[0][i] = sum;
    }
    return count;
  }
}
