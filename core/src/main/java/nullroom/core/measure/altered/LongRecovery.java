package nullroom.core.measure.altered;

import java.util.Arrays;
import java.util.Optional;
import java.util.stream.IntStream;
import nullroom.core.Figures;
import nullroom.core.Regression;

/**
 * A long pause after something loud in which the noise comes up by as much in all bands, fast at
 * first and ever more slowly: a gain that recovers. One such pause is enough: a noise that swells
 * by itself hardly begins so at the end of a sound, nor keeps to that curve within a quarter of a
 * decibel for seconds. Of 1264 untouched sounds, voices with cars that pass and fans that are
 * switched on among them, none is told. Cannot see a gain that hears ahead, or one that has
 * recovered within some tenths of a second.
 */
final class LongRecovery {
  private static final int FEWEST_BANDS = 5;
  private static final double PAUSE_SECONDS = 2.5;
  private static final double MEAN_SECONDS = 0.16;

  /** The next sound may begin softly. */
  private static final double BEGINNING_SECONDS = 0.2;

  /** By then the room has died away. */
  private static final double LATEST_LOW_SECONDS = 1.3;

  private static final int FEWEST_MOMENTS = 10;
  private static final int LOW_MOMENTS = 2;

  /** The end of a pause is its last part of so many. */
  private static final int END_PART = 4;

  private static final double RISE_DB = 2;
  private static final double ALIKE_DB = 0.5;
  private static final double OFF_DB = 0.25;
  private static final double SHORTEST_SECONDS = 0.2;
  private static final double LONGEST_SECONDS = 4;
  private static final int CONSTANTS = 25;

  /** Variance of what differs from band to band by itself. */
  private static final double OWN = 0.5;

  private final FineBands fine;
  private final int mean;

  private LongRecovery(FineBands fine) {
    this.fine = fine;
    mean = Math.max(1, (int) Math.round(MEAN_SECONDS / fine.seconds()));
  }

  /** What speaks for a gain. */
  static Optional<Alteration> of(FineBands fine, Pauses pauses) {
    LongRecovery recovery = new LongRecovery(fine);
    return pauses.all().stream()
        .filter(p -> p.from() > 0 && p.rows() * fine.seconds() > PAUSE_SECONDS)
        .map(recovery::in)
        .flatMap(Optional::stream)
        .findFirst();
  }

  private Optional<Alteration> in(Stretch pause) {
    int rows = pause.rows() - (int) Math.round(BEGINNING_SECONDS / fine.seconds());
    int all = rows / mean;
    double[][] moments =
        IntStream.range(0, all).mapToObj(k -> levels(pause.from(), k, 1)).toArray(double[][]::new);
    double[] weights = weights(moments);
    if (Weighted.heard(weights) < FEWEST_BANDS) {
      return Optional.empty();
    }
    double[] curve = Arrays.stream(moments).mapToDouble(m -> Weighted.mean(m, weights)).toArray();
    int low = 0;
    for (int k = 1; k < LATEST_LOW_SECONDS / MEAN_SECONDS; k++) {
      low = curve[k] < curve[low] ? k : low;
    }
    int left = all - low;
    if (left < FEWEST_MOMENTS) {
      return Optional.empty();
    }
    int end = left / END_PART;
    double[] lowest = levels(pause.from(), low, LOW_MOMENTS);
    double[] rises = levels(pause.from(), all - end, end);
    Arrays.setAll(rises, b -> rises[b] - lowest[b]);
    double rise = Weighted.mean(rises, weights);
    double[] apart = Arrays.stream(rises).map(r -> (r - rise) * (r - rise)).toArray();
    return rise > RISE_DB
            && Math.sqrt(Weighted.mean(apart, weights)) < ALIKE_DB
            && offDb(Arrays.copyOfRange(curve, low, all)) < OFF_DB
        ? Optional.of(
            new Alteration(
                Alteration.Kind.AUTOMATIC_GAIN,
                Figures.say(
                    "in %.1f s after something loud the noise comes up again by %.1f dB, alike in all bands and ever more slowly: noise that swells does not begin where a sound ends",
                    left * mean * fine.seconds(), rise),
                (pause.from() + low * mean) * fine.seconds(),
                pause.to() * fine.seconds()))
        : Optional.empty();
  }

  /** Of each band, by how little its plain noise scatters; 0 on the steps of the file. */
  private double[] weights(double[][] moments) {
    return IntStream.range(0, fine.noiseBands())
        .mapToDouble(b -> {
          double scatter = fine.scatterDb(b, 1);
          double softest =
              Arrays.stream(moments).mapToDouble(m -> m[b]).min().orElse(Double.NEGATIVE_INFINITY);
          return fine.onSteps(b, softest) ? 0 : 1 / (scatter * scatter + OWN);
        })
        .toArray();
  }

  /** Mean levels of all bands in some moments on end. */
  private double[] levels(int from, int moment, int moments) {
    return IntStream.range(0, fine.noiseBands())
        .mapToDouble(b -> Rows.mean(fine.levels(), b, from + moment * mean, moments * mean))
        .toArray();
  }

  /** How far a curve is off the nearest that rises ever more slowly; far where it falls. */
  private static double offDb(double[] curve) {
    double best = Double.POSITIVE_INFINITY;
    for (int k = 0; k < CONSTANTS; k++) {
      double moments =
          SHORTEST_SECONDS
              * Math.pow(LONGEST_SECONDS / SHORTEST_SECONDS, k / (CONSTANTS - 1.0))
              / MEAN_SECONDS;
      Regression line = new Regression();
      for (int m = 0; m < curve.length; m++) {
        line.add(-Math.exp(-m / moments), curve[m]);
      }
      best = line.slope() > 0 ? Math.min(best, line.off()) : best;
    }
    return best;
  }
}
