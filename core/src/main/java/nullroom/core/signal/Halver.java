package nullroom.core.signal;

import static nullroom.core.signal.Fused.madd;

/**
 * Halves the sampling rate of a stream: an elliptic half-band low-pass of order 7 as two chains of
 * all-passes, one over the even samples and one over the odd (Valenzuela and Constantinides, 1983,
 * IEE Proc. G 130), of which only every second result is computed. Flat to 0.12 of the rate it is
 * given; what would fold onto that range is 90 dB down. It does not keep phases. Not thread-safe.
 */
final class Halver {
  /** By the closed form for a transition from 0.12 to 0.38 of the rate. */
  private static final double EVEN_1 = 0.06848071578140323;

  private static final double EVEN_2 = 0.6803281524590856;
  private static final double ODD = 0.28018491078954805;

  /** A decayed state below this would sink into slow denormal numbers. */
  private static final double NOTHING = 1e-200;

  private double lastEven;
  private double even1;
  private double even2;
  private double lastOdd;
  private double odd;

  /** The sample before the next block, where that begins with an even one. */
  private double before;

  private boolean beginsOdd;

  /**
   * Takes a block and gives half of it.
   *
   * @param block {@code count} samples in; the first samples are overwritten with the result
   * @return samples that came out
   */
  int halve(double[] block, int count) {
    int kept = 0;
    int i = beginsOdd ? 1 : 0;
    double p = beginsOdd && count > 0 ? block[0] : before;
    double e = lastEven;
    double u = even1;
    double v = even2;
    double o = lastOdd;
    double w = odd;
    for (; i < count; i += 2) {
      double x = block[i];
      double first = madd(-EVEN_1, u, madd(EVEN_1, x, e));
      v = madd(-EVEN_2, v, madd(EVEN_2, first, u));
      w = madd(-ODD, w, madd(ODD, p, o));
      e = x;
      u = first;
      o = p;
      p = i + 1 < count ? block[i + 1] : 0;
      block[kept++] = 0.5 * (v + w);
    }
    before = p;
    beginsOdd = (count % 2 == 1) != beginsOdd;
    lastEven = e;
    even1 = settled(u);
    even2 = settled(v);
    lastOdd = o;
    odd = settled(w);
    return kept;
  }

  private static double settled(double state) {
    return Math.abs(state) < NOTHING ? 0 : state;
  }
}
