package nullroom.core.signal;

import java.util.ArrayList;
import java.util.List;

/**
 * Octave bands of a stream in the time domain, for levels that move. Multirate: after an octave is
 * filtered, the stream goes on at half the rate, so that ten octaves cost about twice the top two.
 */
public final class OctaveBank {
  /**
   * Class 1 (IEC 61260-1) and the shortest ringing that is; levels over time want that more than
   * steep skirts.
   */
  static final int ORDER = 4;

  /** Receives the squares of one band's block, at that band's own rate. */
  @FunctionalInterface
  public interface Receiver {
    /**
     * @param octave index into {@link #bands()}
     * @param band filtered samples; valid for this call only
     * @param count how many, at {@link #rateHz} of this octave
     */
    void accept(int octave, double[] band, int count);
  }

  private record Stage(List<Integer> octaves, List<Biquads> filters, Halver halver) {}

  private final List<Band> bands;
  private final List<Stage> stages = new ArrayList<>();
  private final double[] ratesHz;
  private double[] work = new double[0];
  private double[] stream = new double[0];

  /** A bank of all octaves, 31.5 Hz to 16 kHz, that fit the rate. */
  public OctaveBank(double sampleRateHz) {
    bands = Band.within(Band.OCTAVES, sampleRateHz);
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

  /** The octaves in ascending order. */
  public List<Band> bands() {
    return bands;
  }

  /** Samples a second in which an octave, an index into {@link #bands()}, comes out. */
  public double rateHz(int octave) {
    return ratesHz[octave];
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
      for (int i = 0; i < stage.octaves().size(); i++) {
        stage.filters().get(i).filter(stream, work, count);
        receiver.accept(stage.octaves().get(i), work, count);
      }
      if (s < stages.size() - 1) {
        count = stage.halver().halve(stream, count);
      }
    }
  }
}
