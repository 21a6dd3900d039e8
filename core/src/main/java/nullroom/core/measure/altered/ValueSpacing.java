package nullroom.core.measure.altered;

import java.util.Arrays;
import java.util.BitSet;
import java.util.Comparator;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import nullroom.core.signal.Fft;

/**
 * How far apart the values lie that the samples of a block have. A sound written in steps and
 * multiplied afterwards holds multiples of the factor, rounded to the steps of the file it is in:
 * the characteristic function of its values has a line at one over the factor, as high as the
 * rounding leaves it, sin(x)/x of pi over the factor (B. Widrow, I. Kollár and M.-C. Liu, IEEE
 * Trans. Instrum. Meas. 45 (1996) 353-361). Values of a sound that was written once have none.
 */
final class ValueSpacing {
  /** So many steps to either side of nought are looked at. */
  private static final int REACH = 256;

  private static final int SIZE = 8 * REACH;

  /** Steps are taken together until their mean is so much of the reach. */
  private static final double MEAN_SHARE = 0.1875;

  private static final int COARSEST = 1 << 20;

  private static final int FEWEST_SAMPLES = 300;
  private static final int FEWEST_VALUES = 6;

  /**
   * Of so many standard deviations of the values or less a line cannot be told from their shape.
   */
  private static final double LEAST_DEVIATIONS = 0.9;

  /** Half the width of a line, in turns, times the standard deviation of the values. */
  private static final double HALF_WIDTH = 0.35;

  private static final int NARROWEST = 3;

  /** Over what unordered samples give; by chance 3 at most. */
  private static final double SURE = 10;

  /** Over the highest beside it. */
  private static final double OVER_SIDES = 2;

  /** Of the height that rounding leaves. */
  private static final double OF_HEIGHT = 0.75;

  /** The first line of a row of as high ones is the one. */
  private static final double AS_HIGH = 0.85;

  private final Fft fft = new Fft(SIZE);
  private final double[] taper = new double[2 * REACH];
  private final double[] line = new double[SIZE];

  ValueSpacing() {
    for (int k = 0; k < taper.length; k++) {
      double cos = Math.cos(Math.PI / 2 * (k - REACH + 0.5) / REACH);
      taper[k] = cos * cos;
    }
  }

  /**
   * In steps of the file; empty where no spacing shows.
   *
   * @param samples in steps: whole numbers
   */
  OptionalDouble of(double[] samples) {
    double mean = 0;
    for (double x : samples) {
      mean += Math.abs(x) / samples.length;
    }
    int coarse = 1;
    while (coarse < COARSEST && coarse * MEAN_SHARE * REACH < mean) {
      coarse *= 2;
    }
    return IntStream.of(coarse, Math.max(1, coarse / 4), 1)
        .distinct()
        .mapToObj(unit -> of(samples, unit))
        .flatMap(Optional::stream)
        .max(Comparator.comparingDouble(Line::sure))
        .stream()
        .mapToDouble(Line::apart)
        .findFirst();
  }

  /**
   * Of the characteristic function.
   *
   * @param apart what it says of the values, in steps
   * @param sure how far it stands over what unordered samples give
   */
  private record Line(double apart, double sure) {}

  private Optional<Line> of(double[] samples, int unit) {
    Arrays.fill(line, 0);
    BitSet values = new BitSet();
    int count = 0;
    for (double x : samples) {
      double place = x / unit + REACH;
      if (place >= 0 && place < 2 * REACH) {
        int value = (int) place;
        line[value] += taper[value];
        values.set(value);
        count++;
      }
    }
    return count < FEWEST_SAMPLES || values.cardinality() < FEWEST_VALUES
        ? Optional.empty()
        : lineOf(unit);
  }

  /** Of the weighted histogram. */
  private Optional<Line> lineOf(int unit) {
    double sum = 0;
    double first = 0;
    double second = 0;
    double squares = 0;
    for (int k = 0; k < 2 * REACH; k++) {
      sum += line[k];
      first += line[k] * k;
      second += line[k] * k * (double) k;
      squares += line[k] * taper[k];
    }
    double deviation = Math.sqrt(Math.max(0, second / sum - first / sum * (first / sum)));
    int from = 1 + (int) Math.ceil(SIZE * Math.max(LEAST_DEVIATIONS / deviation, 2.0 / REACH));
    if (deviation < 1 || from >= SIZE / 2 - 1) {
      return Optional.empty();
    }
    double[] heights = heights(sum);
    int at = highest(heights, from);
    double sure = heights[at] * sum / Math.sqrt(squares);
    double perStep = Math.min(0.5, place(heights, at));
    double expected = unit == 1 ? nearest(perStep, heights[at]) : perStep;
    return sure > SURE
            && heights[at] > OF_HEIGHT * leftByRounding(expected)
            && heights[at] > OVER_SIDES * beside(heights, at, deviation)
        ? Optional.of(new Line(unit / expected, sure))
        : Optional.empty();
  }

  /** Of the characteristic function, from 0 to half a turn from step to step. */
  private double[] heights(double sum) {
    fft.forward(line);
    double[] heights = new double[SIZE / 2 + 1];
    heights[0] = 1;
    heights[SIZE / 2] = Math.abs(line[1]) / sum;
    for (int k = 1; k < SIZE / 2; k++) {
      heights[k] = Math.sqrt(line[2 * k] * line[2 * k] + line[2 * k + 1] * line[2 * k + 1]) / sum;
    }
    return heights;
  }

  private static int highest(double[] heights, int from) {
    double most = 0;
    for (int k = from; k < heights.length; k++) {
      most = Math.max(most, heights[k]);
    }
    int at = from;
    while (heights[at] < AS_HIGH * most) {
      at++;
    }
    while (at + 1 < heights.length && heights[at + 1] > heights[at]) {
      at++;
    }
    return at;
  }

  /** Turns from step to step, between the places of the transform. */
  private static double place(double[] heights, int at) {
    double beside = 0;
    if (at + 1 < heights.length) {
      double curved = heights[at - 1] - 2 * heights[at] + heights[at + 1];
      beside = curved == 0 ? 0 : 0.5 * (heights[at - 1] - heights[at + 1]) / curved;
    }
    return (at + beside) / SIZE;
  }

  private static double beside(double[] heights, int at, double deviation) {
    int half = Math.max(NARROWEST, (int) Math.round(HALF_WIDTH * SIZE / deviation));
    double most = 0;
    for (int k = Math.max(0, at - 3 * half); k < Math.min(heights.length, at + 3 * half); k++) {
      most = k < at - half || k > at + half ? Math.max(most, heights[k]) : most;
    }
    return most;
  }

  /** Steps of whole numbers fold lines over half a turn: the one whose height is the likeliest. */
  private static double nearest(double perStep, double height) {
    double best = perStep;
    for (double other : new double[] {1 - perStep, 1 + perStep}) {
      if (farFrom(other, height) < farFrom(best, height)) {
        best = other;
      }
    }
    return best;
  }

  private static double farFrom(double perStep, double height) {
    return Math.abs(Math.log(height / leftByRounding(perStep)));
  }

  private static double leftByRounding(double perStep) {
    double x = Math.PI * perStep;
    return Math.abs(Math.sin(x) / x);
  }
}
