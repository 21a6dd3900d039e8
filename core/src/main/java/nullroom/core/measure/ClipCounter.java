package nullroom.core.measure;

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
    for (int i = 0; i < count; i++) {
      double x = block[i];
      int now = x >= top ? 1 : x <= -top ? -1 : 0;
      if (now != 0 && now == sign) {
        run++;
        if (run == SHORTEST_RUN) {
          runs++;
          samples += SHORTEST_RUN;
        } else if (run > SHORTEST_RUN) {
          samples++;
        }
      } else {
        sign = now;
        run = now == 0 ? 0 : 1;
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
