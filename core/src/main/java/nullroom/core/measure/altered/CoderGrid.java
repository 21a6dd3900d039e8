package nullroom.core.measure.altered;

import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import nullroom.core.Decibels;
import nullroom.core.Quantile;
import nullroom.core.measure.Blocks;
import nullroom.core.measure.Softest;
import nullroom.core.signal.Mdct;
import nullroom.core.signal.Sums;
import nullroom.core.signal.Windows;

/**
 * The frames in which a coder wrote a sound. Coders of music lay sound into frames of lines and
 * drop what is not heard; laid again into frames that begin where the coder's began, the dropped
 * lines are next to nothing, and at no other beginning are they. Knows the long frames of ISO/IEC
 * 14496-3 and of Vorbis, at the rate they were coded with; not banks of another kind, nor coders
 * that fill what they dropped with noise.
 */
final class CoderGrid {
  private static final int LINES = 1024;

  /** Every beginning of a frame lies in a block, and at the same place of each. */
  private static final int BLOCK = 3 * LINES;

  private static final int FRAMES = 6;
  private static final int FEWEST = 4;

  /** Over the steps of the file, or these fill what was dropped. */
  private static final double OVER_STEPS_DB = 9;

  /** Steps leave so much of themselves in doubt. */
  private static final double STEPS_SHARE = 0.05;

  private static final double FROM_HZ = 2000;
  private static final double TO_HZ = 12_000;
  private static final double MOST_OF_RATE = 0.45;
  private static final int FEWEST_LINES = 128;

  /** So many deviations under all other beginnings; by chance 4.6 at most. */
  private static final double SURE = 7;

  /** Standard deviations in a median deviation of the normal distribution. */
  private static final double DEVIATIONS = 1.4826;

  /** A line is empty that holds so little of what lies about it at other beginnings. */
  private static final double EMPTY = 0.01;

  private static final double EMPTY_FROM_HZ = 1000;
  private static final double EMPTY_TO_HZ = 4000;
  private static final int AROUND = 7;
  private static final int[] ELSEWHERE = {100, 300, 500, 700, 900};

  /** Of the long frames of ISO/IEC 14496-3. */
  private static final double ALPHA = 4;

  private final double rate;
  private final FineBands fine;
  private final Blocks blocks = new Blocks(BLOCK, this::keep);
  private final Softest<double[]> quiet = new Softest<>(FRAMES);
  private final Mdct mdct = new Mdct(LINES);
  private final double[] lines = new double[LINES];

  /**
   * Beside the bands of the same sound.
   *
   * @param fine have heard whatever this is given
   */
  CoderGrid(double rate, FineBands fine) {
    this.rate = rate;
    this.fine = fine;
  }

  void add(double[] samples, int length) {
    blocks.add(samples, length);
  }

  private void keep(double[] block) {
    double level =
        Decibels.ofEnergy(2 * Sums.ofSquares(block, 0, BLOCK) / BLOCK + Double.MIN_NORMAL);
    if (level > fine.stepsDb() + OVER_STEPS_DB && quiet.wants(level)) {
      quiet.add(level, block.clone());
    }
  }

  /** Share of the lines about 2 kHz that a coder dropped; empty where no coder's frames show. */
  OptionalDouble dropped() {
    List<double[]> softest = quiet.first(FRAMES);
    return softest.size() < FEWEST || line(TO_HZ) - line(FROM_HZ) < FEWEST_LINES
        ? OptionalDouble.empty()
        : Stream.of(Windows.kaiserBessel(2 * LINES, ALPHA), Windows.sine(2 * LINES))
            .map(window -> dropped(softest, window))
            .flatMapToDouble(OptionalDouble::stream)
            .max(); // a like window shows them, too, but less empty
  }

  private OptionalDouble dropped(List<double[]> softest, double[] window) {
    double[] logs = meanLogs(softest, window);
    int least = IntStream.range(0, LINES).reduce(0, (a, b) -> logs[b] < logs[a] ? b : a);
    double median = Quantile.median(logs);
    double deviation =
        DEVIATIONS * Quantile.median(Arrays.stream(logs).map(x -> Math.abs(x - median)).toArray());
    return median - logs[least] > SURE * deviation
        ? OptionalDouble.of(share(softest, window, least))
        : OptionalDouble.empty();
  }

  /** Of the energies of lines, for each beginning; low where many are next to nothing. */
  private double[] meanLogs(List<double[]> softest, double[] window) {
    double[] logs = new double[LINES];
    int from = line(FROM_HZ);
    int to = line(TO_HZ);
    double doubt = STEPS_SHARE * Decibels.toEnergy(fine.stepsDb()) * LINES / 4;
    for (double[] samples : softest) {
      for (int begin = 0; begin < LINES; begin++) {
        mdct.lines(samples, begin, window, lines);
        for (int k = from; k < to; k++) {
          logs[begin] += Math.log(lines[k] * lines[k] + doubt) / (to - from);
        }
      }
    }
    return logs;
  }

  private double share(List<double[]> softest, double[] window, int begin) {
    int from = line(EMPTY_FROM_HZ);
    int to = line(EMPTY_TO_HZ);
    int empty = 0;
    for (double[] samples : softest) {
      double[] usual = new double[LINES];
      for (int other : ELSEWHERE) {
        mdct.lines(samples, other, window, lines);
        for (int k = 0; k < LINES; k++) {
          usual[k] += lines[k] * lines[k] / ELSEWHERE.length;
        }
      }
      mdct.lines(samples, begin, window, lines);
      for (int k = from; k < to; k++) {
        double around = Rows.mean(usual, k - AROUND, 2 * AROUND + 1);
        empty += lines[k] * lines[k] < EMPTY * around ? 1 : 0;
      }
    }
    return (double) empty / softest.size() / (to - from);
  }

  private int line(double hz) {
    return (int) (Math.min(hz, MOST_OF_RATE * rate) / (rate / 2) * LINES);
  }
}
