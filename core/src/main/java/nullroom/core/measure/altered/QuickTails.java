package nullroom.core.measure.altered;

import java.util.Arrays;
import java.util.Optional;
import java.util.stream.IntStream;
import nullroom.core.Figures;
import nullroom.core.Quantile;

/**
 * Ends of sounds that fall into the noise faster than they fall while they are louder. In a room
 * the stops of a voice show at all levels how fast it lets sound die away, and near the noise it
 * only takes longer, for the noise is added; what takes away the noise takes with it the last of
 * what dies away in it. Cannot see what takes less than some ten decibels, or a voice that hardly
 * stops.
 *
 * @param times as long as over it falls take near the noise, in the middle of the bands; infinite
 *     where too few are heard
 * @param quick bands in which they are quicker
 * @param bands that were heard
 * @param middle of the bands however few; not a number of none
 * @param least of the bands
 */
record QuickTails(double times, long quick, int bands, double middle, double least) {
  /** Up to 15 kHz. */
  private static final int BANDS = 8;

  /** Hardly anything is softer. */
  private static final double FLOOR_SHARE = 0.04;

  /** Falls by so much are timed, the lowest down to so far over the floor. */
  private static final double FALL_DB = 8;

  private static final double OVER_DB = 4;

  /** Nearer to the steps of the file all ends die in them. */
  private static final double STEPS_DB = 8;

  private static final double STEP_DB = 2;
  private static final int STEPS = 22;

  /** Up to so many steps falls are low; those are high that begin where they end and higher. */
  private static final int LOW_STEPS = 11;

  private static final int APART_STEPS = 4;
  private static final int FEWEST_LOW = 4;
  private static final int FEWEST_HIGH = 12;

  /** Times as many sounds stop and go on as fall into the noise. */
  private static final double STOPS = 2;

  /** A sound stands so far over the lower end of its fall, and no farther: its room may end. */
  private static final double LEAST_TOP_DB = 14;

  private static final double MOST_TOP_DB = 70;

  /** The room lets sound die away no faster than so many of the high ones fall. */
  private static final double QUICKEST_SHARE = 0.2;

  /** Falls that take less are not told apart: nothing answers a sound that ends so. */
  private static final double SHORTEST_ROWS = 0.8;

  /** In fewer a few knocks end so by chance. */
  private static final int FEWEST_BANDS = 5;

  /** Of 2400 untouched sounds three were quicker; reductions told by this alone are quicker yet. */
  private static final double QUICKER = 0.82;

  /** Nobody takes the noise away so fast: a room that was worked out, and stops somewhere. */
  private static final double CUT_OFF = 0.32;

  private static final double HARDLY = 0.95;
  private static final double NO_SLOWER = 1.1;
  private static final double MOST_OF_THEM = 0.7;

  /** Of all. */
  static QuickTails of(FineBands fine) {
    double[] all =
        IntStream.range(0, Math.min(BANDS, fine.bands()))
            .mapToDouble(b -> lowOverHigh(fine, b))
            .filter(Double::isFinite)
            .toArray();
    double middle = all.length == 0 ? Double.NaN : Quantile.median(all);
    return new QuickTails(
        all.length < FEWEST_BANDS ? Double.POSITIVE_INFINITY : middle,
        Arrays.stream(all).filter(v -> v < HARDLY).count(),
        all.length,
        middle,
        Arrays.stream(all).min().orElse(Double.NaN));
  }

  /** What speaks for a reduction, or a gate. */
  Optional<String> told() {
    return times < QUICKER && times > CUT_OFF && quick >= MOST_OF_THEM * bands
        ? Optional.of(
            Figures.say(
                "sounds end %.1f times as fast near the noise as they fall anywhere over it, in %d of %d bands: in a room the last of a sound takes longest",
                1 / times, quick, bands))
        : Optional.empty();
  }

  /** Whether near the noise it hardly takes longer; so it is in one of sixty untouched sounds. */
  boolean hardlySlower() {
    return times < NO_SLOWER;
  }

  /** Seconds of the low falls of a band over those of the high; not a number of too few. */
  private static double lowOverHigh(FineBands fine, int band) {
    double[] levels = fine.levels().column(band);
    double softest = levels.length == 0 ? 0 : Quantile.of(levels, FLOOR_SHARE);
    double floor = softest + Math.max(0, STEPS_DB - fine.overStepsDb(band, softest));
    double[][] falls =
        IntStream.range(0, STEPS)
            .mapToObj(k -> falls(levels, floor + OVER_DB + STEP_DB * k))
            .toArray(double[][]::new);
    return IntStream.range(0, LOW_STEPS)
        .filter(k -> falls[k].length >= FEWEST_LOW)
        .mapToDouble(
            k -> Quantile.median(falls[k]) / quickest(falls, k + APART_STEPS, falls[k].length))
        .filter(Double::isFinite)
        .min()
        .orElse(Double.NaN);
  }

  private static double quickest(double[][] falls, int from, int low) {
    double[] high = Arrays.stream(falls, from, STEPS).flatMapToDouble(Arrays::stream).toArray();
    int most = Arrays.stream(falls, from, STEPS).mapToInt(f -> f.length).max().orElseThrow();
    double quickest =
        high.length < FEWEST_HIGH || most < STOPS * low
            ? Double.NaN
            : Quantile.of(high, QUICKEST_SHARE);
    return quickest < SHORTEST_ROWS ? Double.NaN : quickest;
  }

  /** Rows that each fall of a sound down to a level takes, from {@link #FALL_DB} over it. */
  private static double[] falls(double[] levels, double low) {
    double high = low + FALL_DB;
    double[] rows = new double[levels.length];
    int count = 0;
    int left = -1;
    double top = low;
    for (int k = 1; k < levels.length; k++) {
      top = Math.max(top, levels[k]);
      if (levels[k] > high) {
        left = -1;
      } else if (levels[k - 1] > high) {
        left = k - 1;
      }
      if (levels[k] < low) {
        if (left >= 0 && top > low + LEAST_TOP_DB && top < low + MOST_TOP_DB) {
          rows[count++] = Rows.crossing(levels, k - 1, low) - Rows.crossing(levels, left, high);
        }
        left = -1;
        top = low;
      }
    }
    return Arrays.copyOf(rows, count);
  }
}
