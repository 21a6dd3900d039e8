package nullroom.core.signal;

import java.util.ArrayList;
import java.util.List;

/**
 * Octaves or third octaves of a stream in the time domain, for levels that move. Multirate: after
 * the top bands are filtered, the stream goes on at half the rate, so that ten octaves cost about
 * twice the top two.
 */
public final class FilterBank {
  /**
   * Class 1 (IEC 61260-1) and the shortest ringing that is; levels over time want that more than
   * steep skirts.
   */
  static final int ORDER = 4;

  /** Receives the samples of one band's block, at that band's own rate. */
  @FunctionalInterface
  public interface Receiver {
    /**
     * @param band index into {@link #bands()}
     * @param filtered samples; valid for this call only
     * @param count how many, at {@link #rateHz} of this band
     */
    void accept(int band, double[] filtered, int count);
  }

  private record Stage(List<Integer> bands, List<Biquads> filters, Halver halver) {}

  private final List<Band> bands;
  private final List<Stage> stages = new ArrayList<>();
  private final double[] ratesHz;
  private double[] work = new double[0];
  private double[] stream = new double[0];

  /**
   * A bank of those bands that fit the rate.
   *
   * @param all ascending
   */
  public FilterBank(List<Band> all, double sampleRateHz) {
    bands = Band.within(all, sampleRateHz);
    ratesHz = new double[bands.size()];
    double rate = sampleRateHz;
    int next = bands.size() - 1;
    while (next >= 0) {
      List<Integer> here = new ArrayList<>();
      List<Biquads> filters = new ArrayList<>();
      // a halver is flat to 0.12 of this rate: only bands under that may move down a stage
      while (next >= 0 && (here.isEmpty() || bands.get(next).highHz() > 0.12 * rate)) {
        here.add(next);
        ratesHz[next] = rate;
        filters.add(Butterworth.bandPass(bands.get(next), rate, ORDER));
        next--;
      }
      stages.add(new Stage(here, filters, new Halver()));
      rate /= 2;
    }
  }

  /** The bands in ascending order. */
  public List<Band> bands() {
    return bands;
  }

  /** Samples a second in which a band, an index into {@link #bands()}, comes out. */
  public double rateHz(int band) {
    return ratesHz[band];
  }

  /** Filters the next block; {@code block} is not modified. */
  public void add(double[] block, int length, Receiver receiver) {
    if (work.length < length) {
      work = new double[length];
      stream = new double[length];
    }
    System.arraycopy(block, 0, stream, 0, length);
    int count = length;
    for (int s = 0; s < stages.size(); s++) {
      Stage stage = stages.get(s);
      for (int i = 0; i < stage.bands().size(); i++) {
        stage.filters().get(i).filter(stream, work, count);
        receiver.accept(stage.bands().get(i), work, count);
      }
      if (s < stages.size() - 1) {
        count = stage.halver().halve(stream, count);
      }
    }
  }
}
