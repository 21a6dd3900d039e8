package nullroom.core.measure.altered;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;

/**
 * Noise of the pauses that swells and ebbs at one rate: the blades of a fan, a pump, a motor. Most
 * of what its level does lies on one line of its spectrum then. What somebody's voice opens and
 * shuts keeps no time.
 */
final class Beats {
  /** Slower than that anything may seem to keep time in a pause. */
  private static final double SLOWEST_HZ = 3;

  private static final int LINES = 256;

  /** Of the variance, in one line; gates that open in their noise reach 0.41. */
  private static final double SHARE = 0.5;

  private static final int FEWEST_ROWS = 20;

  private Beats() {}

  /** Whether the noise of the pauses does so. */
  static boolean in(FineBands fine, Pauses pauses) {
    List<double[]> levels =
        pauses.all().stream()
            .map(Flutter::within)
            .filter(p -> p.rows() >= FEWEST_ROWS)
            .map(p -> levels(fine, p.from(), p.to()))
            .toList();
    double all = levels.stream().flatMapToDouble(Arrays::stream).map(x -> x * x).sum();
    int slowest = (int) Math.ceil(2 * SLOWEST_HZ * fine.seconds() * LINES);
    return IntStream.rangeClosed(slowest, LINES)
        .mapToDouble(
            line -> levels.stream().mapToDouble(l -> power(l, Math.PI * line / LINES)).sum())
        .anyMatch(power -> power > SHARE * all);
  }

  /** Of all bands, about their mean. */
  private static double[] levels(FineBands fine, int from, int to) {
    double[] levels =
        IntStream.range(from, to)
            .mapToDouble(k -> Arrays.stream(fine.row(k)).average().orElse(0))
            .toArray();
    double mean = Rows.mean(levels, 0, levels.length);
    return Arrays.stream(levels).map(l -> l - mean).toArray();
  }

  /** Sum of squares of what goes at one rate, in radians from row to row. */
  private static double power(double[] levels, double rate) {
    double cosine = 0;
    double sine = 0;
    for (int k = 0; k < levels.length; k++) {
      cosine += levels[k] * Math.cos(rate * k);
      sine += levels[k] * Math.sin(rate * k);
    }
    return (cosine * cosine + sine * sine) * 2 / levels.length;
  }
}
