package nullroom.core.measure.take;

import java.util.Arrays;
import nullroom.core.Decibels;
import nullroom.core.signal.Sums;

/**
 * Digital silence at a recording's end, put there by whoever cut it. A decay over such an end seems
 * to fall for ever, and the noise before it to be part of the decay.
 */
public final class SilentEnd {
  private static final double COMPARED_SECONDS = 0.25;

  /** Noise stays within this from one quarter of a second to the next; a decay falls by more. */
  private static final double SAME_DB = 2;

  private SilentEnd() {}

  /** The recording without it, where steady sound breaks off into it; else the recording itself. */
  public static double[] cut(double[] x, double rate) {
    int end = x.length;
    while (end > 1 && x[end - 1] == x[end - 2]) {
      end--;
    }
    int part = (int) (COMPARED_SECONDS * rate);
    if (x.length - end < part || end < 2 * part) {
      return x;
    }
    double last = Sums.ofSquares(x, end - part, part);
    double before = Sums.ofSquares(x, end - 2 * part, part);
    return Decibels.ofEnergy(before / last) < SAME_DB ? Arrays.copyOf(x, end - 1) : x;
  }
}
