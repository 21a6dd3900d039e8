package nullroom.core.measure.altered;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.stream.DoubleStream;
import nullroom.core.Decibels;
import nullroom.core.measure.Softest;
import nullroom.core.signal.HannSpectrum;

/**
 * How the energies of single bins scatter in the quietest moments. Of plain noise they are spread
 * exponentially whatever its colour (the real and the imaginary part of a bin are normal and apart:
 * J. S. Bendat and A. G. Piersol, Random Data, Wiley 2010, section 8.5): the mean of the squares is
 * twice the square of the mean, a little less beside a running mean. Who decides bin by bin what is
 * to be kept leaves more that are high and more that are nearly nothing.
 */
final class BinEnergies {
  private static final double FROM_HZ = 560;
  private static final double TO_HZ = 15_000;
  private static final double MOST_OF_RATE = 0.45;
  private static final int KEPT = 400;
  private static final double QUIET_SHARE = 0.2;
  private static final int FEWEST = 20;

  /** No converter is so quiet: that was worked out, and not recorded. */
  private static final double NO_CONVERTER_DB = -140;

  /** Bins on each side whose mean is taken for the spectrum's own shape. */
  private static final int AROUND = 20;

  private static final double OVER = 5;
  private static final double UNDER = 0.05;
  private static final double LEAST_SHARE = 1e-4;
  private static final double LEAST = 1e-30;
  private static final int FEWEST_PAIRS = 5000;

  private final int from;
  private final int to;
  private final Softest<Row> softest = new Softest<>(KEPT);
  private int rows;

  /** The bins of one spectrum. */
  @SuppressWarnings("ArrayRecordComponent") // never compared
  private record Row(int number, float[] energies) {}

  BinEnergies(HannSpectrum spectrum, double rate) {
    from = spectrum.bin(FROM_HZ);
    to = Math.max(from, spectrum.bin(Math.min(TO_HZ, MOST_OF_RATE * rate)));
  }

  /**
   * What is seen in the quietest moments; each not a number where there are too few.
   *
   * @param squares mean square of the energies, whose mean is 1; of plain noise 1.9
   * @param over logarithm of the share of those over five times the mean
   * @param under and of those under a twentieth of it
   * @param later correlation with the same bin half a spectrum later
   * @param highSquares as {@code squares}, of the upper half of the bins
   * @param highOver as {@code over}, of the same
   */
  record Seen(
      double squares,
      double over,
      double under,
      double later,
      double highSquares,
      double highOver) {
    private static final Seen NOTHING =
        new Seen(Double.NaN, Double.NaN, Double.NaN, Double.NaN, Double.NaN, Double.NaN);

    /** All figures. */
    DoubleStream traces() {
      return DoubleStream.of(squares, over, under, later, highSquares, highOver);
    }
  }

  /** The next spectrum, half its length behind the one before. */
  void add(double[] power) {
    double sum = LEAST;
    for (int k = from; k < to; k++) {
      sum += power[k];
    }
    double level = Decibels.ofEnergy(sum);
    if (level > NO_CONVERTER_DB && softest.wants(level)) {
      float[] energies = new float[to - from];
      for (int k = 0; k < energies.length; k++) {
        energies[k] = (float) power[from + k];
      }
      softest.add(level, new Row(rows, energies));
    }
    rows++;
  }

  /** Of all that was heard. */
  Seen seen() {
    List<Row> quiet =
        softest.first(Math.min(softest.count(), (int) (QUIET_SHARE * rows))).stream()
            .sorted(Comparator.comparingInt(Row::number))
            .toList();
    if (quiet.size() < FEWEST || to == from) {
      return Seen.NOTHING;
    }
    double[] mean = new double[to - from];
    quiet.forEach(q -> Arrays.setAll(mean, k -> mean[k] + q.energies()[k] / quiet.size()));
    Count low = new Count();
    Count high = new Count();
    double[] before = new double[0];
    int number = -1;
    double along = 0;
    long pairs = 0;
    for (Row row : quiet) {
      double[] now = shapeless(row.energies(), mean);
      for (int k = 0; k < now.length; k++) {
        (2 * k < now.length ? low : high).add(now[k]);
      }
      if (row.number() == number + 1 && before.length > 0) {
        pairs += now.length;
        for (int k = 0; k < now.length; k++) {
          along += (now[k] - 1) * (before[k] - 1);
        }
      }
      before = now;
      number = row.number();
    }
    Count all = low.and(high);
    return new Seen(
        all.squares / all.count,
        share(all.over, all.count),
        share(all.under, all.count),
        pairs < FEWEST_PAIRS ? Double.NaN : along / pairs / (all.squares / all.count - 1),
        high.squares / high.count,
        share(high.over, high.count));
  }

  private static double share(long some, long all) {
    return Math.log((double) some / all + LEAST_SHARE);
  }

  /** Energies over their means over time and over what is around them. */
  private static double[] shapeless(float[] energies, double[] mean) {
    int bins = energies.length;
    double[] over = new double[bins];
    double[] sums = new double[bins + 1];
    for (int k = 0; k < bins; k++) {
      over[k] = energies[k] / (mean[k] + LEAST);
      sums[k + 1] = sums[k] + over[k];
    }
    for (int k = 0; k < bins; k++) {
      int first = Math.max(0, k - AROUND);
      int end = Math.min(bins, k + AROUND + 1);
      over[k] /= (sums[end] - sums[first]) / (end - first) + LEAST;
    }
    return over;
  }

  private static final class Count {
    private long count;
    private double squares;
    private long over;
    private long under;

    private void add(double energy) {
      count++;
      squares += energy * energy;
      over += energy > OVER ? 1 : 0;
      under += energy < UNDER ? 1 : 0;
    }

    private Count and(Count other) {
      Count both = new Count();
      both.count = count + other.count;
      both.squares = squares + other.squares;
      both.over = over + other.over;
      both.under = under + other.under;
      return both;
    }
  }
}
