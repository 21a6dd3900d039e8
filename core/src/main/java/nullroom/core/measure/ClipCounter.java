package nullroom.core.measure;

import nullroom.core.signal.Sums;

/**
 * Counts clipped samples in a stream: a clipped run is three or more samples of one sign in a row
 * at the largest or smallest amplitude that the format can hold.
 */
final class ClipCounter {
  private static final int SHORTEST_RUN = 3;

  private final double top;
  private int run;
  private int sign;
  private long samples;
  private long runs;

  ClipCounter(double largestAmplitude) {
    // half a step of a 24-bit code of slack, for formats that were scaled on the way
    top = largestAmplitude - 6e-8;
  }

  void add(double[] block, int count) {
    if (run == 0 && Sums.peak(block, 0, count) < top) { // nearly always
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
      if (run == SHORTEST_RUN) {
        runs++;
        samples += SHORTEST_RUN;
      } else if (run > SHORTEST_RUN) {
        samples++;
      }
    }
  }

  long samples() {
    return samples;
  }

  long runs() {
    return runs;
  }
}
