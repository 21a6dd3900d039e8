package nullroom.core.measure;

import java.util.ArrayList;
import java.util.List;
import nullroom.core.signal.Sums;

/**
 * Counts clipped samples in a stream: a clipped run is three or more samples of one sign in a row
 * at the largest or smallest amplitude that the format can hold.
 */
public final class ClipCounter {
  private static final int SHORTEST_RUN = 3;
  private static final int MOST_KEPT = 1000;

  private final double top;
  private int run;
  private int sign;
  private long samples;
  private long runs;

  private long runStart;
  private long position;
  private final List<long[]> found = new ArrayList<>();

  /** Counts what reaches an amplitude. */
  public ClipCounter(double largestAmplitude) {
    // half a step of a 24-bit code of slack, for formats that were scaled on the way
    top = largestAmplitude - 6e-8;
  }

  /** Takes in the next samples of a stream. */
  public void add(double[] block, int count) {
    add(block, count, Sums.peak(block, 0, count));
  }

  /** The same where the largest size among the samples is known. */
  public void add(double[] block, int count, double largest) {
    if (run == 0 && largest < top) { // nearly always
      position += count;
      return;
    }
    for (int i = 0; i < count; i++) {
      double x = block[i];
      if (x < top && x > -top) {
        run = 0;
        continue;
      }
      int now = x > 0 ? 1 : -1;
      run = run > 0 && now == sign ? run + 1 : 1;
      sign = now;
      if (run == 1) {
        runStart = position + i;
      }
      if (run == SHORTEST_RUN) {
        runs++;
        samples += SHORTEST_RUN;
        if (found.size() < MOST_KEPT) {
          found.add(new long[] {runStart, SHORTEST_RUN});
        }
      } else if (run > SHORTEST_RUN) {
        samples++;
        if (runs == found.size()) {
          found.getLast()[1] = run;
        }
      }
    }
    position += count;
  }

  /** Where runs are, the first thousand. */
  public List<Moment> moments(double sampleRateHz) {
    return found.stream().map(r -> new Moment(r[0] / sampleRateHz, r[1] / sampleRateHz)).toList();
  }

  /** Samples in clipped runs. */
  public long samples() {
    return samples;
  }

  /** Clipped runs. */
  public long runs() {
    return runs;
  }
}
