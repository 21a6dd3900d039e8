package nullroom.core.measure.altered;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import nullroom.core.Figures;
import nullroom.core.Regression;

/**
 * A long pause after something loud in which the noise comes up by as much in all bands, fast at
 * first and ever more slowly: a gain that recovers. One such pause is enough, or three that are
 * shorter: a noise that swells by itself hardly begins so at the end of a sound, nor keeps to that
 * curve within a quarter of a decibel for seconds. But a gain recovers in every pause, noise that
 * swells in some and falls in others. Cannot see a gain that hears ahead, or one that has recovered
 * within some tenths of a second.
 */
final class LongRecovery {
  /** The next sound may begin softly. */
  private static final double BEGINNING_SECONDS = 0.2;

  /** By then the room has died away. */
  private static final double LATEST_LOW_SECONDS = 1.3;

  /** Of short pauses no later than half-way. */
  private static final double LATEST_LOW_SHARE = 0.5;

  private static final int FEWEST_MOMENTS = 3;
  private static final int LOW_MOMENTS = 2;

  /** The end of a pause is its last part of so many. */
  private static final int END_PART = 4;

  /** What a pause must show to be enough by itself; by less a noise may swell so by chance. */
  private static final Least ONE = new Least(2.5, 10, 3, 0.5, 0.25);

  private static final Least ONE_LONG = new Least(4, 10, 1.2, 0.3, 0.15);

  /** Three such, and most of all that are so long. */
  private static final Least SEVERAL = new Least(1.2, FEWEST_MOMENTS, 1, 0.6, 0.15);

  /**
   * Whatever their curves, in more of the pauses than this the noise comes up; in none it falls.
   */
  private static final double MOSTLY_UP = 0.55;

  private static final double UP_DB = 1;
  private static final int FEWEST_PAUSES = 3;
  private static final double MOST_OF_THEM = 0.7;

  /** Over so much what comes up further may be so much less alike. */
  private static final double MUCH_DB = 4;

  private static final double SHORTEST_SECONDS = 0.2;
  private static final double LONGEST_SECONDS = 4;
  private static final int CONSTANTS = 25;

  private final FineBands fine;
  private final double seconds;

  private LongRecovery(FineBands fine) {
    this.fine = fine;
    seconds = Moments.seconds(fine);
  }

  /** A pause that is so long, and its noise comes up so far, so much alike, so near to a curve. */
  private record Least(double seconds, int moments, double riseDb, double apartDb, double offDb) {}

  /**
   * How the noise of a pause comes up from where it is lowest.
   *
   * @param low the moment at which it is
   * @param moments from there to the end
   * @param apartDb how far the bands differ
   * @param offDb from a curve that rises ever more slowly
   */
  private record Rise(
      Stretch pause, int low, int moments, double db, double apartDb, double offDb) {}

  /** What speaks for a gain. */
  static Optional<Alteration> of(FineBands fine, Pauses pauses) {
    LongRecovery recovery = new LongRecovery(fine);
    List<Rise> rises =
        pauses.all().stream()
            .filter(p -> p.from() > 0 && recovery.isLong(p, SEVERAL))
            .map(recovery::in)
            .flatMap(Optional::stream)
            .toList();
    long up = rises.stream().filter(r -> r.db > UP_DB).count();
    boolean falls = rises.stream().anyMatch(recovery::falls);
    return rises.stream()
        .filter(r -> recovery.is(r, ONE) || recovery.is(r, ONE_LONG))
        .filter(r -> !falls && up > MOSTLY_UP * rises.size())
        .findFirst()
        .map(recovery::one)
        .or(() -> recovery.several(rises));
  }

  private boolean isLong(Stretch pause, Least least) {
    return pause.rows() * fine.seconds() > least.seconds;
  }

  private boolean is(Rise rise, Least least) {
    return isLong(rise.pause, least)
        && rise.moments >= least.moments
        && rise.db > least.riseDb
        && rise.apartDb < least.apartDb * Math.max(1, rise.db / MUCH_DB)
        && rise.offDb < least.offDb;
  }

  /** Whether the noise of a pause falls: of a short one so far, and as much in all bands. */
  private boolean falls(Rise rise) {
    return isLong(rise.pause, ONE) ? rise.db < 0 : rise.db < -UP_DB && rise.apartDb < ONE.apartDb;
  }

  private Alteration one(Rise rise) {
    return new Alteration(
        Alteration.Kind.AUTOMATIC_GAIN,
        Figures.say(
            "in %.1f s after something loud the noise comes up again by %.1f dB, alike in all bands and ever more slowly: noise that swells does not begin where a sound ends",
            rise.moments * seconds, rise.db),
        low(rise),
        rise.pause.to() * fine.seconds());
  }

  private double low(Rise rise) {
    return rise.pause.from() * fine.seconds() + rise.low * seconds;
  }

  private Optional<Alteration> several(List<Rise> rises) {
    List<Rise> up = rises.stream().filter(r -> is(r, SEVERAL)).toList();
    return up.size() >= FEWEST_PAUSES && up.size() >= MOST_OF_THEM * rises.size()
        ? Optional.of(
            new Alteration(
                Alteration.Kind.AUTOMATIC_GAIN,
                Figures.say(
                    "in %d of %d pauses after something loud the noise comes up again, by %.1f dB on average, alike in all bands and ever more slowly: noise that swells does not begin where sounds end",
                    up.size(),
                    rises.size(),
                    up.stream().mapToDouble(Rise::db).average().orElseThrow()),
                low(up.getFirst()),
                up.getLast().pause.to() * fine.seconds()))
        : Optional.empty();
  }

  private Optional<Rise> in(Stretch pause) {
    int beginning = (int) Math.round(BEGINNING_SECONDS / fine.seconds());
    return Moments.of(fine, new Stretch(pause.from(), pause.to() - beginning))
        .flatMap(moments -> in(pause, moments));
  }

  private Optional<Rise> in(Stretch pause, Moments moments) {
    double[] curve = moments.curve();
    int all = curve.length;
    int low = 0;
    for (int k = 1; k < Math.min(LATEST_LOW_SHARE * all, LATEST_LOW_SECONDS / seconds); k++) {
      low = curve[k] < curve[low] ? k : low;
    }
    int left = all - low;
    if (left < FEWEST_MOMENTS) {
      return Optional.empty();
    }
    int end = Math.max(1, left / END_PART);
    double[] rises = moments.rises(low, LOW_MOMENTS, all - end, end);
    return Optional.of(
        new Rise(
            pause,
            low,
            left,
            Weighted.mean(rises, moments.weights()),
            moments.apartDb(rises),
            offDb(Arrays.copyOfRange(curve, low, all))));
  }

  /** How far a curve is off the nearest that rises ever more slowly; far where it falls. */
  private double offDb(double[] curve) {
    double best = Double.POSITIVE_INFINITY;
    for (int k = 0; k < CONSTANTS; k++) {
      double moments =
          SHORTEST_SECONDS
              * Math.pow(LONGEST_SECONDS / SHORTEST_SECONDS, k / (CONSTANTS - 1.0))
              / seconds;
      Regression line = new Regression();
      for (int m = 0; m < curve.length; m++) {
        line.add(-Math.exp(-m / moments), curve[m]);
      }
      best = line.slope() > 0 ? Math.min(best, line.off()) : best;
    }
    return best;
  }
}
