package nullroom.core.measure.decay;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import nullroom.core.Decibels;
import nullroom.core.Quantile;
import nullroom.core.signal.Peak;

/**
 * Single arrivals in the first 50 ms after the direct sound: peaks of the response's envelope that
 * stand out of what surrounds them. Strong ones among few are found; where arrivals overlap they
 * are no longer single.
 */
final class Reflections {
  private static final double FROM_SECONDS = 0.0006;
  private static final double TO_SECONDS = 0.05;
  private static final double AROUND_SECONDS = 0.003;

  /** Two arrivals nearer than this are one. */
  private static final double APART_SECONDS = 0.0004;

  /** Noise passes this many times its median once in 65 000 independent samples. */
  private static final double OVER_MEDIAN = 4;

  private static final double LEAST_DB = -30;
  private static final int MOST = 12;

  private Reflections() {}

  /** Arrivals, strongest first. */
  static List<DecayReport.Reflection> find(double[] response, int direct, double rate) {
    int lead = Math.min(direct, (int) (0.02 * rate));
    double[] part =
        Arrays.copyOfRange(
            response,
            direct - lead,
            Math.min(response.length, direct + (int) ((TO_SECONDS + AROUND_SECONDS) * rate)));
    double top = Math.min(19_000, 0.45 * rate);
    double[] size = Envelope.between(part, rate, 100, 300, 0.75 * top, top);
    int at = lead;
    for (int i = Math.max(1, lead - (int) (0.0005 * rate));
        i < Math.min(size.length - 1, lead + (int) (0.0005 * rate));
        i++) {
      at = size[i] > size[at] ? i : at;
    }
    double reference = peak(size, at);
    double start = at + offset(size, at);
    double noise = median(size, 0, Math.max(1, lead - (int) (0.002 * rate)));
    List<DecayReport.Reflection> all = new ArrayList<>();
    int around = (int) (AROUND_SECONDS * rate);
    for (int i = at + (int) (FROM_SECONDS * rate); i < size.length - 1; i++) {
      double delay = (i + offset(size, i) - start) / rate;
      if (size[i] > size[i - 1]
          && size[i] >= size[i + 1]
          && delay <= TO_SECONDS
          && size[i] > reference * Decibels.toAmplitude(LEAST_DB)
          && size[i] > OVER_MEDIAN * noise
          && size[i] > OVER_MEDIAN * median(size, Math.max(at + 1, i - around), i + around)) {
        all.add(new DecayReport.Reflection(delay, Decibels.ofAmplitude(peak(size, i) / reference)));
      }
    }
    all.sort(Comparator.comparingDouble(DecayReport.Reflection::levelDb).reversed());
    List<DecayReport.Reflection> kept = new ArrayList<>();
    for (DecayReport.Reflection r : all) {
      if (kept.size() < MOST
          && kept.stream()
              .noneMatch(k -> Math.abs(k.delaySeconds() - r.delaySeconds()) < APART_SECONDS)) {
        kept.add(r);
      }
    }
    return kept;
  }

  private static double median(double[] size, int from, int to) {
    int end = Math.min(size.length, to);
    return end <= from ? 0 : Quantile.of(size, from, end, 0.5);
  }

  private static double offset(double[] size, int i) {
    return Peak.offset(size[i - 1], size[i], size[i + 1]);
  }

  private static double peak(double[] size, int i) {
    return Peak.height(size[i - 1], size[i], size[i + 1]);
  }
}
