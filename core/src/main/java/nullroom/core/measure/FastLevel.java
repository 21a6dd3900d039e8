package nullroom.core.measure;

import nullroom.core.signal.Sums;

/**
 * Exponential time weighting FAST (125 ms, IEC 61672-1) over squares, with a level taken into a
 * histogram every 10 ms. In the first half second the running mean is divided by what the weighting
 * has seen so far, so that a recording's start does not read as quiet.
 */
public final class FastLevel {
  private static final double TIME_CONSTANT_SECONDS = 0.125;
  private static final double SAMPLE_SECONDS = 0.01;

  /** Levels before this are mostly the filters settling. */
  private static final double SKIP_SECONDS = 0.1;

  private static final double SETTLED_SECONDS = 2;

  /** Samples that may weigh alike: with the rate below, over 1 % of the time constant. */
  private static final int CHUNK = 16;

  private static final double LEAST_RATE_FOR_CHUNKS_HZ = 12_000;

  private final boolean inChunks;
  private final double keepChunk;
  private final double giveChunk;
  private final double keep;
  private final double keepFour;
  private final double rateHz;
  private final LevelHistogram histogram = new LevelHistogram();
  private double mean;
  private double largest;
  private long count;
  private double untilNext;

  /** A level of a signal sampled at a rate. */
  public FastLevel(double rateHz) {
    this.rateHz = rateHz;
    keep = Math.exp(-1 / (TIME_CONSTANT_SECONDS * rateHz));
    inChunks = rateHz >= LEAST_RATE_FOR_CHUNKS_HZ;
    keepChunk = Math.pow(keep, CHUNK);
    giveChunk = (1 - keepChunk) / CHUNK;
    keepFour = keep * keep * keep * keep;
    untilNext = SKIP_SECONDS * rateHz;
  }

  /** Takes in the next samples of a stream. */
  public void add(double[] samples, int length) {
    double m = mean;
    double give = 1 - keep;
    double w2 = give * keep;
    double w1 = w2 * keep;
    double w0 = w1 * keep;
    int at = 0;
    while (at < length) {
      int stop = Math.min(length, at + (int) Math.max(1, Math.ceil(untilNext)));
      untilNext -= stop - at;
      count += stop - at;
      for (; inChunks && at + CHUNK <= stop; at += CHUNK) {
        m = keepChunk * m + giveChunk * Sums.ofSquares(samples, at, CHUNK);
        largest = Math.max(largest, m);
      }
      for (; at + 4 <= stop; at += 4) { // the sum of four does not wait for the mean before it
        double first = w0 * samples[at] * samples[at] + w1 * samples[at + 1] * samples[at + 1];
        double last =
            w2 * samples[at + 2] * samples[at + 2] + give * samples[at + 3] * samples[at + 3];
        m = keepFour * m + (first + last);
        if (m > largest) {
          largest = m;
        }
      }
      for (; at < stop; at++) {
        m = keep * m + give * samples[at] * samples[at];
        if (m > largest) {
          largest = m;
        }
      }
      if (untilNext <= 0) {
        untilNext += SAMPLE_SECONDS * rateHz;
        histogram.add(m / seen());
      }
    }
    mean = m;
  }

  private double seen() {
    double seconds = count / rateHz;
    return seconds > SETTLED_SECONDS ? 1 : 1 - Math.exp(-seconds / TIME_CONSTANT_SECONDS);
  }

  /** The mean square of now. */
  public double meanSquare() {
    return count == 0 ? 0 : mean / seen();
  }

  /** Largest mean square so far, as a sound level meter that starts at silence shows it. */
  public double largestMeanSquare() {
    return largest;
  }

  /** Levels taken so far. */
  public LevelHistogram histogram() {
    return histogram;
  }
}
