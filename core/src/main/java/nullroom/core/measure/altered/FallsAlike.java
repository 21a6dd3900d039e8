package nullroom.core.measure.altered;

import java.util.Optional;
import java.util.stream.IntStream;
import nullroom.core.Figures;
import nullroom.core.Quantile;
import nullroom.core.measure.Frames;

/**
 * Noise that goes on for a moment after something loud and then falls by as much in all bands: a
 * gate that shuts, however slowly. What dies away in a room lies over the noise by another amount
 * in each band, and in each by another a moment later; there is no moment at which all bands stand,
 * by the same eight decibels, over their own floors. A noise that swells by itself swells slowly,
 * and a knock has no other sound before it. Cannot see a gate that shuts while the room still
 * rings, or talk that has the colour of the noise.
 */
final class FallsAlike {
  /** Up to 15 kHz. */
  private static final int BANDS = 8;

  private static final int FEWEST_BANDS = 6;
  private static final double FLOOR_SHARE = 0.12;
  private static final double AROUND_SECONDS = 3.2;
  private static final double STEP_SECONDS = 0.5;
  private static final double LOUD_SHARE = 0.97;
  private static final double LOUD_DB = 12;

  /** Of untouched sound all bands hardly ever stand so far over the floor and so little apart. */
  private static final double OVER_DB = 3.5;

  private static final double ALIKE_DB = 1.6;

  /** So long something of another colour sounded; a knock has that of the noise. */
  private static final int FEWEST_OTHER = 6;

  /** Between so many rows before and behind. */
  private static final int SLOPE_ROWS = 8;

  private static final double FALLS_DB = 2.5;
  private static final int FEWEST = 28;

  /** So far no knock beside the voice falls alike. */
  private static final double FAR_DB = 15;

  private static final int FEWEST_FAR = 10;

  /**
   * Colours that happen to be alike are so for a row or two. After so many more sounds it falls
   * than rises: what swells by itself does both.
   */
  private static final double ROWS_A_SOUND = 3.5;

  private static final int MORE_FALLS = 4;

  /** While something loud sounds: less, and what sounds has the colour of the noise. */
  private static final double COLOUR_DB = 4;

  /** The floor is taken from the softest of what scatters, by this much of its scatter. */
  private static final double UNDER_MEAN = 0.75;

  private int rows;

  /** Rows at which it falls, less those at which it rises. */
  private int falling;

  private int sounds;
  private int fallsFirst;
  private int sound = -1;
  private int first;
  private int last;
  private double most;

  private FallsAlike() {}

  /** What speaks for a gate or a gain. */
  static Optional<Alteration> of(FineBands fine) {
    int bands = Math.min(BANDS, fine.bands());
    int n = fine.levels().count();
    if (bands < FEWEST_BANDS || n * fine.seconds() < 2 * AROUND_SECONDS) {
      return Optional.empty();
    }
    if (IntStream.range(0, bands)
            .filter(b -> fine.onSteps(b, Quantile.of(fine.levels().column(b), FLOOR_SHARE)))
            .count()
        > bands - FEWEST_BANDS) {
      return Optional.empty(); // all ends at the steps of the file, alike in all bands
    }
    double[][] over = overFloor(fine, bands);
    double[] total = fine.totals();
    double loud = Quantile.of(total, LOUD_SHARE) - LOUD_DB;
    FallsAlike seen = new FallsAlike();
    int sound = 0;
    int other = 0;
    double[] colours =
        IntStream.range(0, n)
            .filter(k -> total[k] > loud)
            .mapToDouble(k -> Scatter.of(over[k]))
            .toArray();
    if (Quantile.median(colours) < COLOUR_DB) {
      return Optional.empty();
    }
    for (int k = SLOPE_ROWS; k < n - SLOPE_ROWS; k++) {
      double mean = Rows.mean(over[k], 0, bands);
      double apart = Scatter.of(over[k]);
      if (mean < OVER_DB) {
        other = 0;
      } else if (apart > COLOUR_DB) {
        other++;
        sound = k;
      } else if (apart < ALIKE_DB && other >= FEWEST_OTHER && total[k] < loud) {
        double fall =
            Rows.mean(over[k - SLOPE_ROWS], 0, bands) - Rows.mean(over[k + SLOPE_ROWS], 0, bands);
        if (Math.abs(fall) > FALLS_DB) {
          seen.add(k, sound, mean, fall > 0);
        }
      }
    }
    return seen.told(fine.seconds());
  }

  private void add(int row, int before, double over, boolean falls) {
    if (before != sound) {
      sounds++;
      fallsFirst += falls ? 1 : 0;
      sound = before;
    }
    first = rows == 0 ? row : first;
    rows++;
    falling += falls ? 1 : -1;
    last = row;
    most = Math.max(most, over);
  }

  private Optional<Alteration> told(double seconds) {
    return falling >= (most > FAR_DB ? FEWEST_FAR : FEWEST)
            && rows >= ROWS_A_SOUND * sounds
            && 2 * fallsFirst - sounds >= MORE_FALLS
        ? Optional.of(
            new Alteration(
                Alteration.Kind.GATE,
                Figures.say(
                    "after %d sounds the noise itself falls, by up to %.0f dB and alike in all bands: what dies away in a room reaches the noise of each band at a moment of its own",
                    sounds, most),
                first * seconds,
                (last + 1) * seconds))
        : Optional.empty();
  }

  /** Decibels of each band over the lowest it falls to within some seconds. */
  private static double[][] overFloor(FineBands fine, int bands) {
    Frames levels = fine.levels();
    int n = levels.count();
    int around = (int) (AROUND_SECONDS / fine.seconds());
    int step = Math.max(1, (int) (STEP_SECONDS / fine.seconds()));
    double[][] over = new double[n][bands];
    for (int b = 0; b < bands; b++) {
      double[] band = levels.column(b);
      double off = UNDER_MEAN * fine.scatterDb(b, 1);
      for (int from = 0; from < n; from += step) {
        double floor =
            off
                + Quantile.of(
                    band, Math.max(0, from - around), Math.min(n, from + around), FLOOR_SHARE);
        for (int k = from; k < Math.min(n, from + step); k++) {
          over[k][b] = band[k] - floor;
        }
      }
    }
    return over;
  }
}
