package nullroom.core.signal;

import java.util.ArrayList;
import java.util.List;

/**
 * Octave bands of a stream in the time domain, for levels that move. Multirate: after an octave is
 * filtered, the stream is low-passed and every second sample dropped, so that ten octaves cost
 * about twice the top two.
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
     * @param count how many
     * @param sampleRateHz their rate
     */
    void accept(int octave, double[] band, int count, double sampleRateHz);
  }

  private record Stage(
      double rateHz, List<Integer> octaves, List<Biquads> filters, Biquads halver) {}

  private final List<Band> bands;
  private final List<Stage> stages = new ArrayList<>();
  private final boolean[] odd;
  private double[] work = new double[0];
  private double[] stream = new double[0];

  /** A bank of all octaves, 31.5 Hz to 16 kHz, that fit the rate. */
  public OctaveBank(double sampleRateHz) {
    bands = Band.within(Band.OCTAVES, sampleRateHz);
    double rate = sampleRateHz;
    int next = bands.size() - 1;
    while (next >= 0) {
      List<Integer> here = new ArrayList<>();
      List<Biquads> filters = new ArrayList<>();
      // a band may move down a stage once its upper edge lies under 0.12 of this rate
      while (next >= 0 && (here.isEmpty() || bands.get(next).highHz() > 0.12 * rate)) {
        here.add(next);
        filters.add(Butterworth.bandPass(bands.get(next), rate, ORDER));
        next--;
      }
      stages.add(new Stage(rate, here, filters, Butterworth.lowPass(0.19 * rate, rate, 6)));
      rate /= 2;
    }
    odd = new boolean[stages.size()];
  }

  /** The octaves in ascending order. */
  public List<Band> bands() {
    return bands;
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
        receiver.accept(stage.octaves().get(i), work, count, stage.rateHz());
      }
      if (s < stages.size() - 1) {
        stage.halver().filter(stream, stream, count);
        int kept = 0;
        for (int i = odd[s] ? 1 : 0; i < count; i += 2) {
          stream[kept++] = stream[i];
        }
        odd[s] = (count % 2 == 1) != odd[s];
        count = kept;
      }
    }
  }
}
