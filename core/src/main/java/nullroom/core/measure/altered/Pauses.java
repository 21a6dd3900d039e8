package nullroom.core.measure.altered;

import java.util.Arrays;
import java.util.List;
import nullroom.core.Decibels;
import nullroom.core.Quantile;

/**
 * Stretches in which nothing but the noise is heard.
 *
 * @param loud level without the highs, smoothed, row by row
 * @param under what is softer is no sound
 * @param all in the order of time; none where nothing is louder than the rest
 */
record Pauses(double[] loud, double under, List<Stretch> all) {
  /** Up to 11 kHz, for how loud it is. */
  private static final int LOUD_BANDS = 7;

  private static final int SMOOTH_ROWS = 5;
  private static final double LOUD_SHARE = 0.98;
  private static final double QUIET_SHARE = 0.08;
  private static final double LEAST_RANGE_DB = 8;
  private static final double PAUSE_RANGE = 0.4;
  private static final double PAUSE_SECONDS = 0.2;

  static Pauses of(FineBands fine) {
    double[] loud = smooth(SpectraSeen.totals(fine.levels(), Math.min(LOUD_BANDS, fine.bands())));
    if (loud.length == 0) {
      return new Pauses(loud, 0, List.of());
    }
    double quiet = Quantile.of(loud, QUIET_SHARE);
    double range = Quantile.of(loud, LOUD_SHARE) - quiet;
    double under = quiet + PAUSE_RANGE * range;
    List<Stretch> all =
        range < LEAST_RANGE_DB
            ? List.of()
            : Stretch.under(loud, under).stream()
                .filter(p -> p.rows() * fine.seconds() > PAUSE_SECONDS)
                .toList();
    return new Pauses(loud, under, all);
  }

  private static double[] smooth(double[] levels) {
    double[] energy = Arrays.stream(levels).map(Decibels::toEnergy).toArray();
    int half = SMOOTH_ROWS / 2;
    double[] smooth = new double[levels.length];
    for (int k = 0; k < smooth.length; k++) {
      int from = Math.max(0, k - half);
      smooth[k] =
          Decibels.ofEnergy(Rows.mean(energy, from, Math.min(levels.length, k + half + 1) - from));
    }
    return smooth;
  }
}
