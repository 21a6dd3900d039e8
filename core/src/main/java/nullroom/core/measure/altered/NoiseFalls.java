package nullroom.core.measure.altered;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import nullroom.core.Quantile;
import nullroom.core.measure.Frames;

/** Looks for noise that stands still and then falls to the floor. */
final class NoiseFalls {
  private static final int BANDS = 3;

  /** Rows that stand still before the fall, and behind it. */
  private static final int BEFORE = 8;

  private static final int BEHIND = 6;
  private static final double STILL_BEFORE_DB = 1;
  private static final double STILL_BEHIND_DB = 1.3;

  /** Of the second half over the first. */
  private static final double LEVEL_DB = 1.1;

  private static final int LOOK_ROWS = 3;
  private static final double BEGINS_DB = 0.3;
  private static final double SHUTS_WITHIN_SECONDS = 0.45;
  private static final double RISES_DB = 1.2;
  private static final double FALLS_DB = 3;

  /** The floor is the lowest within some seconds. */
  private static final double AROUND_SECONDS = 3.2;

  private static final double OVER_FLOOR_DB = 3;

  /** Between three bands: in how much they fall, and on the way. */
  private static final double ALIKE_DB = 1.8;

  private static final double ON_THE_WAY_DB = 2.4;

  /** Of what the three fall by the others fall at least so much. */
  private static final double WITH_SHARE = 0.55;

  /** So long before something of another colour sounded; else a source was switched off. */
  private static final double SOUND_SECONDS = 1.5;

  private static final double COLOUR_DB = 1.5;

  /** What stands still is no sound itself: so far under the loudest. */
  private static final double LOUD_SHARE = 0.97;

  private static final double UNDER_LOUD_DB = 12;

  /** Other bands fall under the steps of the file by so much, or do not stand over them. */
  private static final double UNDER_STEPS_DB = 5;

  /** Rows on the way between what stands still and the floor while sounds went on before. */
  private static final double MOST_BETWEEN = 0.3;

  private static final double SAME_IN_BANDS_DB = 1.5;

  private static final double BETWEEN_DB = 3;
  private static final double ON_FLOOR_DB = 5;

  /** What dies away slowly nearly stands still, and then does not fall much faster. */
  private static final double SINKS_SHARE = 0.45;

  /** What stands less over the steps of the file may be theirs, or be moved by them. */
  private static final double WELL_OVER_STEPS_DB = 16;

  private static final double OVER_STEPS_DB = 10;

  /** What hears ahead is down in time for what comes. */
  private static final double AHEAD_SECONDS = 0.25;

  private final FineBands fine;
  private final Frames levels;
  private final double seconds;
  private final double[] total;
  private final double loud;

  private NoiseFalls(FineBands fine) {
    this.fine = fine;
    levels = fine.levels();
    seconds = fine.seconds();
    total = fine.totals();
    loud = total.length == 0 ? 0 : Quantile.of(total, LOUD_SHARE) - UNDER_LOUD_DB;
  }

  /** All of a sound, in the order of time. */
  static List<NoiseFall> of(FineBands fine) {
    NoiseFalls falls = new NoiseFalls(fine);
    return IntStream.rangeClosed(0, fine.bands() - BANDS)
        .mapToObj(falls::falls)
        .flatMap(List::stream)
        .sorted(Comparator.comparingInt(NoiseFall::row))
        .toList();
  }

  /** Of three bands from one on. */
  private List<NoiseFall> falls(int band) {
    double[] mean = means(band);
    List<NoiseFall> all = new ArrayList<>();
    for (int k = BEFORE; k + BEHIND + LOOK_ROWS < mean.length; k++) {
      double before = Rows.mean(mean, k - BEFORE, BEFORE);
      if (total[k - 1] < loud
          && Rows.mean(mean, k, LOOK_ROWS) < before - BEGINS_DB
          && Rows.still(mean, k - BEFORE, BEFORE, STILL_BEFORE_DB, LEVEL_DB)) {
        int bottom = bottom(mean, k, before);
        if (bottom > 0) {
          all.add(fall(band, k, bottom));
          k = bottom + LOOK_ROWS;
        }
      }
    }
    return all;
  }

  private double[] means(int band) {
    double[] mean = new double[levels.count()];
    for (int k = 0; k < mean.length; k++) {
      mean[k] = three(k, band);
    }
    return mean;
  }

  private double three(int row, int band) {
    return (levels.get(row, band) + levels.get(row, band + 1) + levels.get(row, band + 2)) / BANDS;
  }

  /** Where it stands still again, on the floor; -1 where it does not. */
  private int bottom(double[] mean, int from, double before) {
    int to = (int) Math.min(mean.length - BEHIND, from + SHUTS_WITHIN_SECONDS / seconds);
    for (int k = from; k < to && mean[k] < before + RISES_DB; k++) {
      if (k > from + 1
          && mean[k] < before - FALLS_DB
          && Rows.still(mean, k, BEHIND, STILL_BEHIND_DB, LEVEL_DB)
          && Rows.mean(mean, k, BEHIND) < floor(mean, k) + OVER_FLOOR_DB) {
        return k;
      }
    }
    return -1;
  }

  private double floor(double[] mean, int row) {
    int around = (int) (AROUND_SECONDS / seconds);
    double least = Double.POSITIVE_INFINITY;
    for (int k = Math.max(0, row - around); k < Math.min(mean.length - BEHIND, row + around); k++) {
      least = Math.min(least, Rows.mean(mean, k, BEHIND));
    }
    return least;
  }

  private NoiseFall fall(int band, int from, int bottom) {
    double[] by = new double[levels.width()];
    for (int b = 0; b < by.length; b++) {
      by[b] = Rows.mean(levels, b, from - BEFORE, BEFORE) - end(b, bottom);
    }
    double[] three = Arrays.copyOfRange(by, band, band + BANDS);
    double mean = Arrays.stream(three).average().orElseThrow();
    double apart = 0;
    for (int k = from; k < bottom; k++) {
      apart += scatter(k, band, from);
    }
    boolean shuts =
        between(band, from - BEFORE, mean) < MOST_BETWEEN
            && between(by.length - BANDS, from - BEFORE, mean) < MOST_BETWEEN // hiss is up there
            && colourBefore(from - BEFORE) > COLOUR_DB
            && sinks(from - BEFORE, band) < SINKS_SHARE * mean / (bottom - from);
    boolean alike =
        shuts
            && IntStream.range(band, band + BANDS)
                .noneMatch(b ->
                    fine.onSteps(b, end(b, bottom))
                        || fine.overStepsDb(b, end(b, bottom) + by[b]) < WELL_OVER_STEPS_DB)
            && Scatter.of(three) < ALIKE_DB
            && apart / (bottom - from) < ON_THE_WAY_DB
            && Arrays.stream(by).min().orElseThrow() > WITH_SHARE * mean;
    int same = (int) Arrays.stream(by).filter(b -> Math.abs(b - mean) < SAME_IN_BANDS_DB).count();
    return new NoiseFall(
        bottom,
        mean,
        alike,
        same,
        shuts && hides(by, band, bottom),
        band,
        stands(from - BEFORE, band),
        beginsBehind(bottom));
  }

  private boolean beginsBehind(int bottom) {
    int to = Math.min(total.length, bottom + (int) (AHEAD_SECONDS / seconds));
    return IntStream.range(bottom, to).anyMatch(k -> total[k] > loud);
  }

  /** Whether three bands are on the steps of the file, and all that stood over them has fallen. */
  private boolean hides(double[] by, int band, int bottom) {
    return IntStream.range(band, band + BANDS)
            .allMatch(b ->
                fine.onSteps(b, end(b, bottom))
                    && fine.overStepsDb(b, end(b, bottom) + by[b]) > OVER_STEPS_DB)
        && IntStream.range(0, by.length)
            .allMatch(b ->
                by[b] > UNDER_STEPS_DB
                    || fine.overStepsDb(b, end(b, bottom) + by[b]) < OVER_STEPS_DB);
  }

  /** Level of a band on the floor, no lower than the file could say. */
  private double end(int band, int bottom) {
    double level = Rows.mean(levels, band, bottom, BEHIND);
    return level - Math.min(0, fine.overStepsDb(band, level));
  }

  /** Decibels a row by which three bands sink while they stand still. */
  private double sinks(int still, int band) {
    int half = BEFORE / 2;
    double sum = 0;
    for (int k = 0; k < half; k++) {
      sum += three(still + k, band) - three(still + half + k, band);
    }
    return sum / half / half;
  }

  private double stands(int still, int band) {
    double sum = 0;
    for (int k = still; k < still + BEFORE; k++) {
      sum += three(k, band);
    }
    return sum / BEFORE;
  }

  /**
   * Share of the moments before in which three bands were softer than where they stand still, but
   * not on the floor. Noise is the least of what is heard while a gate is open; the end of a hiss,
   * that stands still as well, is not.
   */
  private double between(int band, int still, double fall) {
    int from = Math.max(0, still - (int) (SOUND_SECONDS / seconds));
    double stands = stands(still, band);
    double floor = stands - fall + Math.min(ON_FLOOR_DB, fall / 3);
    return IntStream.range(from, still)
            .mapToDouble(k -> three(k, band))
            .filter(level -> level < stands - BETWEEN_DB && level > floor)
            .count()
        / Math.max(1.0, still - from);
  }

  /** How unlike in all bands what sounded before stood over what stands still. */
  private double colourBefore(int still) {
    int from = Math.max(0, still - (int) (SOUND_SECONDS / seconds));
    return still == from
        ? 0
        : Scatter.of(
            IntStream.range(0, levels.width())
                .mapToDouble(b ->
                    Rows.mean(levels, b, from, still - from) - Rows.mean(levels, b, still, BEFORE))
                .toArray());
  }

  /** How far three bands have come apart since the fall began. */
  private double scatter(int row, int band, int from) {
    return Scatter.of(
        IntStream.range(band, band + BANDS)
            .mapToDouble(b -> levels.get(row, b) - Rows.mean(levels, b, from - BEFORE, BEFORE))
            .toArray());
  }
}
