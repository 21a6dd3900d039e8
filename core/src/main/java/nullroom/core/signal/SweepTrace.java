package nullroom.core.signal;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.DoubleSummaryStatistics;
import java.util.List;
import java.util.Optional;
import java.util.function.ToDoubleFunction;
import nullroom.core.Quantile;

/**
 * How an exponential sweep in a recording rises, read from the strongest frequency of short
 * stretches.
 *
 * @param secondsPerE seconds in which the frequency grows by a factor of e, within 0.3 percent
 * @param share of the loud stretches that lie on such a rise, 0 to 1
 * @param lowHz lowest frequency seen on it
 * @param highHz highest
 */
public record SweepTrace(double secondsPerE, double share, double lowHz, double highHz) {
  private static final int BLOCK = 4096;
  private static final int HOP = 2048;

  /** Stretches this far apart are compared. */
  private static final int APART = 6;

  private static final double LOUD = 0.003;
  private static final double LIKE_THE_REST = 0.12;
  private static final double LEAST_SHARE = 0.4;
  private static final int LEAST_STRETCHES = 12;

  /** How far from a sweep's line its stretches may lie, in units of its L, ever nearer. */
  private static final double[] LINE_WIDTHS = {0.2, 0.06, 0.03};

  /** The rise of a sweep, if the recording holds one. */
  public static Optional<SweepTrace> of(double[] x, double rateHz) {
    int count = (x.length - BLOCK) / HOP + 1;
    if (count < LEAST_STRETCHES) {
      return Optional.empty();
    }
    double[] logHz = new double[count];
    double[] energy = new double[count];
    Fft fft = new Fft(BLOCK);
    double[] window = new double[BLOCK];
    for (int k = 0; k < BLOCK; k++) {
      window[k] = 0.5 - 0.5 * Math.cos(2 * Math.PI * k / BLOCK);
    }
    for (int i = 0; i < count; i++) {
      double[] block = new double[BLOCK];
      for (int k = 0; k < BLOCK; k++) {
        block[k] = x[i * HOP + k] * window[k];
      }
      fft.forward(block);
      double[] bins = new double[BLOCK / 2 + 1];
      fft.addEnergy(block, bins);
      int top = 1;
      for (int k = 2; k < BLOCK / 2 - 1; k++) {
        energy[i] += bins[k];
        top = bins[k] > bins[top] ? k : top;
      }
      logHz[i] = Math.log((top + offset(bins, top)) * rateHz / BLOCK);
    }
    return of(logHz, energy, HOP / rateHz);
  }

  private static double offset(double[] bins, int top) {
    return Peak.offset(
        Math.log(bins[top - 1] + 1e-300),
        Math.log(bins[top] + 1e-300),
        Math.log(bins[top + 1] + 1e-300));
  }

  private static Optional<SweepTrace> of(double[] logHz, double[] energy, double hopSeconds) {
    double loudest = Arrays.stream(energy).max().orElse(0);
    List<Double> slopes = new ArrayList<>();
    for (int i = 0; i + APART < logHz.length; i++) {
      if (energy[i] > LOUD * loudest && energy[i + APART] > LOUD * loudest) {
        slopes.add((logHz[i + APART] - logHz[i]) / (APART * hopSeconds));
      }
    }
    if (slopes.size() < LEAST_STRETCHES) {
      return Optional.empty();
    }
    double[] all = slopes.stream().mapToDouble(Double::doubleValue).toArray();
    double median = Quantile.median(all);
    double[] alike =
        Arrays.stream(all)
            .filter(s -> Math.abs(s - median) < LIKE_THE_REST * Math.abs(median))
            .toArray();
    double share = (double) alike.length / all.length;
    if (median <= 0.02 || share < LEAST_SHARE) {
      return Optional.empty();
    }
    double mean = Arrays.stream(alike).average().orElse(median);
    List<double[]> points = new ArrayList<>();
    for (int i = 0; i < logHz.length; i++) {
      if (energy[i] > LOUD * loudest) {
        points.add(new double[] {i * hopSeconds, logHz[i]});
      }
    }
    return Optional.of(along(points, 1 / mean, share));
  }

  /** The plainest of the repeats: the stretches that lie on one line with the most others. */
  private static SweepTrace along(List<double[]> points, double roughSecondsPerE, double share) {
    double l = roughSecondsPerE;
    List<double[]> line = points;
    for (double width : LINE_WIDTHS) {
      double now = l;
      line = densest(line, p -> p[0] - now * p[1], width * l);
      l = slope(line, l);
    }
    DoubleSummaryStatistics span = line.stream().mapToDouble(p -> p[1]).summaryStatistics();
    return new SweepTrace(l, share, Math.exp(span.getMin()), Math.exp(span.getMax()));
  }

  /** The most points whose {@code place} lies within a width. */
  private static List<double[]> densest(
      List<double[]> points, ToDoubleFunction<double[]> place, double width) {
    List<double[]> sorted = points.stream().sorted(Comparator.comparingDouble(place)).toList();
    int from = 0;
    int bestFrom = 0;
    int bestTo = 0;
    for (int to = 1; to <= sorted.size(); to++) {
      while (place.applyAsDouble(sorted.get(to - 1)) - place.applyAsDouble(sorted.get(from))
          > width) {
        from++;
      }
      if (to - from > bestTo - bestFrom) {
        bestFrom = from;
        bestTo = to;
      }
    }
    return sorted.subList(bestFrom, bestTo);
  }

  /** Seconds per unit of logarithmic frequency, by least squares over time. */
  private static double slope(List<double[]> points, double otherwise) {
    double t = points.stream().mapToDouble(p -> p[0]).average().orElse(0);
    double f = points.stream().mapToDouble(p -> p[1]).average().orElse(0);
    double tt = 0;
    double tf = 0;
    for (double[] p : points) {
      tt += (p[0] - t) * (p[0] - t);
      tf += (p[0] - t) * (p[1] - f);
    }
    return tf > 0 ? tt / tf : otherwise;
  }
}
