package nullroom.core.measure.voice;

import java.util.Arrays;
import nullroom.core.Quantile;
import nullroom.core.signal.Butterworth;
import nullroom.core.signal.Sums;

/**
 * Whether one voice speaks or two take turns: by the pitch of voiced moments, in seconds of which
 * the median is taken. One voice moves over less than half an octave from second to second; two of
 * unlike pitch lie apart. Two of like pitch are taken for one.
 */
final class Pitch {
  private static final double LOWEST_HZ = 70;
  private static final double HIGHEST_HZ = 350;
  private static final double BLOCK_SECONDS = 0.04;
  private static final double VOICED = 0.6;
  private static final double LOUD = 0.02;
  private static final double SMOOTH_HZ = 900;

  /** Voiced moments are gathered by so many; their median is one turn's pitch. */
  private static final int TURN = 20;

  private static final int FEWEST_TURNS = 6;

  /** Two groups of turns lie apart by this factor. */
  private static final double APART = 1.35;

  /** And each is this narrow about its own middle. */
  private static final double NARROW = 1.16;

  private static final double LEAST_SHARE = 0.2;

  private Pitch() {}

  static int voices(double[] x, double rate) {
    double[] turns = turns(x, rate);
    if (turns.length < FEWEST_TURNS) {
      return 1;
    }
    Arrays.sort(turns);
    int best = 0;
    double widest = 0;
    for (int k = 1; k < turns.length; k++) {
      if (turns[k] / turns[k - 1] > widest) {
        widest = turns[k] / turns[k - 1];
        best = k;
      }
    }
    double least = LEAST_SHARE * turns.length;
    if (best < least || turns.length - best < least) {
      return 1;
    }
    double low = Quantile.of(turns, 0, best, 0.5);
    double high = Quantile.of(turns, best, turns.length, 0.5);
    boolean narrow =
        turns[best - 1] / low < NARROW
            && high / turns[best] < NARROW
            && low / turns[0] < NARROW
            && turns[turns.length - 1] / high < NARROW;
    return high / low > APART && narrow ? 2 : 1;
  }

  private static double[] turns(double[] x, double rate) {
    double[] smooth = new double[x.length];
    Butterworth.lowPass(4, SMOOTH_HZ, rate).filter(x, smooth, x.length);
    int by = Math.max(1, (int) (rate / 4000));
    double[] y = new double[x.length / by];
    for (int i = 0; i < y.length; i++) {
      y[i] = smooth[i * by];
    }
    double slow = rate / by;
    int size = (int) (BLOCK_SECONDS * slow);
    double loudest = 0;
    for (int at = 0; at + size <= y.length; at += size) {
      loudest = Math.max(loudest, Sums.ofSquares(y, at, size));
    }
    double[] voiced = new double[y.length / size + 1];
    int n = 0;
    for (int at = 0; at + 2 * size <= y.length; at += size) {
      if (Sums.ofSquares(y, at, size) > LOUD * loudest) {
        double hz = hz(y, at, size, slow);
        if (hz > 0) {
          voiced[n++] = hz;
        }
      }
    }
    double[] turns = new double[n / TURN];
    for (int k = 0; k < turns.length; k++) {
      turns[k] = Quantile.of(voiced, k * TURN, (k + 1) * TURN, 0.5);
    }
    return turns;
  }

  /** By the shortest lag at which the block is nearly as like itself as at the best. */
  private static double hz(double[] y, int at, int size, double rate) {
    int shortest = (int) (rate / HIGHEST_HZ);
    int longest = Math.min(size, (int) (rate / LOWEST_HZ));
    double[] like = new double[longest + 1];
    double best = 0;
    for (int lag = shortest; lag <= longest; lag++) {
      double product = 0;
      double a = 0;
      double b = 0;
      for (int i = at; i < at + size; i++) {
        product += y[i] * y[i + lag];
        a += y[i] * y[i];
        b += y[i + lag] * y[i + lag];
      }
      like[lag] = product / Math.sqrt(Math.max(1e-30, a * b));
      best = Math.max(best, like[lag]);
    }
    if (best < VOICED) {
      return 0;
    }
    for (int lag = shortest; lag <= longest; lag++) {
      boolean top =
          like[lag] > 0.9 * best
              && (lag == shortest || like[lag] >= like[lag - 1])
              && (lag == longest || like[lag] >= like[lag + 1]);
      if (top) {
        return rate / lag;
      }
    }
    return 0;
  }
}
