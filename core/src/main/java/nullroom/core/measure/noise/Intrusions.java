package nullroom.core.measure.noise;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import nullroom.core.Decibels;
import nullroom.core.signal.Sums;

/**
 * Finds intrusions: excursions of the FAST A-level of at least 6 dB over a running background, the
 * 20 % percentile of the 40 s around. What switches on and stays so becomes background.
 *
 * <p>It keeps two numbers every 10 ms: 3 MB an hour.
 */
final class Intrusions {
  static final double STEP_SECONDS = 0.01;

  private static final double FAST_SECONDS = 0.125;

  /** Every fifth FAST level, 50 ms apart, tells the background as well as all. */
  private static final int SPARSE = 5;

  /** Excursions with less between them are one. */
  private static final double GAP_SECONDS = 0.3;

  /** The filters' and the weighting's start is no event. */
  private static final double SKIP_SECONDS = 0.4;

  private final double samplesPerStep;
  private float[] energies = new float[1024];
  private float[] peaks = new float[1024];
  private int steps;
  private double energy;
  private double peak;
  private int inStep;
  private double due;

  Intrusions(double sampleRateHz) {
    samplesPerStep = sampleRateHz * STEP_SECONDS;
    due = samplesPerStep;
  }

  /**
   * Takes the next samples.
   *
   * @param weighted A-weighted
   * @param plain as they came
   */
  void add(double[] weighted, double[] plain, int length) {
    int at = 0;
    while (at < length) {
      int stop = Math.min(length, at + (int) Math.max(1, Math.ceil(due - inStep)));
      energy += Sums.ofSquares(weighted, at, stop - at);
      peak = Math.max(peak, Sums.peak(plain, at, stop - at));
      inStep += stop - at;
      at = stop;
      if (inStep >= due) {
        keep();
      }
    }
  }

  private void keep() {
    if (steps == energies.length) {
      energies = Arrays.copyOf(energies, 2 * steps);
      peaks = Arrays.copyOf(peaks, 2 * steps);
    }
    energies[steps] = (float) (energy / inStep);
    peaks[steps++] = (float) peak;
    due += samplesPerStep - inStep; // steps of a broken number of samples must not drift
    energy = 0;
    peak = 0;
    inStep = 0;
  }

  /** The intrusions found, by time. */
  List<Intrusion> find() {
    double[] level = fastLevels();
    double[] background = background(level);
    List<int[]> runs = new ArrayList<>();
    int gap = (int) (GAP_SECONDS / STEP_SECONDS);
    for (int i = (int) (SKIP_SECONDS / STEP_SECONDS); i < steps; i++) {
      if (level[i] >= background[i] + Intrusion.LEAST_RISE_DB) {
        int from = i;
        while (i < steps && level[i] >= background[i] + Intrusion.ENDS_DB) {
          i++;
        }
        if (!runs.isEmpty() && from - runs.getLast()[1] < gap) {
          runs.getLast()[1] = i;
        } else {
          runs.add(new int[] {from, i});
        }
      }
    }
    return runs.stream().map(run -> intrusion(run[0], run[1], level, background)).toList();
  }

  private double[] fastLevels() {
    double keep = Math.exp(-STEP_SECONDS / FAST_SECONDS);
    double mean = 0;
    double seen = 0;
    double[] level = new double[steps];
    for (int i = 0; i < steps; i++) {
      mean = keep * mean + (1 - keep) * energies[i];
      seen = keep * seen + (1 - keep);
      level[i] = Decibels.dbfs(Math.max(mean / seen, 1e-15));
    }
    return level;
  }

  /**
   * One value a second, held: the higher of the percentile around that second and that of what went
   * before it, or the time before something is switched off would read as an intrusion.
   */
  private double[] background(double[] level) {
    double[] background = new double[level.length];
    int second = (int) Math.round(1 / STEP_SECONDS);
    int whole = (int) (Intrusion.BACKGROUND_SECONDS / STEP_SECONDS);
    for (int at = 0; at < level.length; at += second) {
      int middle = at + second / 2;
      double around = percentile(level, middle - whole / 2, middle + whole / 2);
      double before = percentile(level, middle - whole * 7 / 8, middle + whole / 8);
      Arrays.fill(background, at, Math.min(level.length, at + second), Math.max(around, before));
    }
    return background;
  }

  private static double percentile(double[] level, int from, int to) {
    int start = Math.max(0, from);
    double[] window = new double[Math.ceilDiv(Math.min(level.length, to) - start, SPARSE)];
    for (int i = 0; i < window.length; i++) {
      window[i] = level[start + i * SPARSE];
    }
    return Intrusion.background(window);
  }

  /** The FAST level comes late and goes later: start and end are those of the 30 ms energies. */
  private Intrusion intrusion(int crossed, int fell, double[] level, double[] background) {
    double half = Decibels.meanSquareOfDbfs(background[crossed] + Intrusion.ENDS_DB);
    int start = crossed;
    int earliest = Math.max(0, crossed - (int) (FAST_SECONDS * 3 / STEP_SECONDS));
    while (start > earliest && smooth(start - 1) > half) {
      start--;
    }
    int end = Math.min(fell, steps);
    while (end > crossed + 1 && smooth(end - 1) < half) {
      end--;
    }
    double rise = 0;
    for (int i = crossed; i < Math.min(fell, steps); i++) {
      rise = Math.max(rise, level[i] - background[i]);
    }
    double largest = 0;
    for (int i = start; i < end; i++) {
      largest = Math.max(largest, peaks[i]);
    }
    return new Intrusion(
        start * STEP_SECONDS, (end - start) * STEP_SECONDS, Decibels.ofAmplitude(largest), rise);
  }

  private double smooth(int i) {
    int from = Math.max(0, i - 1);
    int to = Math.min(steps - 1, i + 1);
    double sum = 0;
    for (int k = from; k <= to; k++) {
      sum += energies[k];
    }
    return sum / (to - from + 1);
  }
}
