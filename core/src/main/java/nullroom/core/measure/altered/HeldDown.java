package nullroom.core.measure.altered;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import nullroom.core.Figures;
import nullroom.core.Quantile;
import nullroom.core.measure.Frames;

/**
 * Noise that is softer while something sounds than in the pauses before and after. Sounds only add
 * up in the air: where a voice has nothing, under its pitch and over its hisses, the noise stands
 * as it is, and only a gain takes it down. Sees a gain however fast it recovers, where the noise is
 * loud enough to be heard there beside the voice; how far it differs from one pause to the next
 * tells how far that may be trusted.
 */
final class HeldDown {
  private static final double LOUD_SHARE = 0.98;
  private static final double QUIET_SHARE = 0.1;
  private static final double LEAST_RANGE_DB = 8;

  /** Where the bass alone is believed it must be silent in between: music hardly has pauses. */
  private static final double LEAST_RANGE_OF_BASS_DB = 15;

  /** Under the loudest, and a share of the range where that is less. */
  private static final double LOUD_DB = 10;

  private static final double LOUD_RANGE = 0.4;
  private static final double PAUSE_DB = 6;
  private static final double PAUSE_RANGE = 0.45;
  private static final double PAUSE_SECONDS = 0.2;
  private static final int FEWEST_ROWS = 6;
  private static final int FEWEST_SOUNDS = 4;

  /** Of a long pause what lies nearest to the sound. */
  private static final double LONGEST_SECONDS = 1;

  /** Where the softest moments fall so many times as far a coder empties the highs now and then. */
  private static final double HOLES = 1.4;

  private static final double LEAST_DB = 1.5;
  private static final double EACH_DB = 0.6;
  private static final double MOST_OF_THEM = 0.8;

  /** So many standard errors, and decibels of them that no steadiness takes away. */
  private static final double SURE = 4;

  private static final double ERROR_DB = 0.1;

  /** By chance alone; the band under the pitch is narrow, and scatters. */
  private static final double SCATTER_DB = 0.3;

  private static final double LOW_SCATTER_DB = 1.5;

  /** A band that stands as it is beside all sounds shows that nothing was taken down. */
  private static final double STANDS_DB = 0.5;

  private final double[] total;
  private final double seconds;
  private final List<Stretch> pauses;

  private HeldDown(double[] total, double seconds, double under) {
    this.total = total;
    this.seconds = seconds;
    pauses =
        Stretch.under(total, under).stream()
            .filter(p -> p.rows() * seconds > PAUSE_SECONDS)
            .toList();
  }

  /**
   * How the noise is compared: in sounds as in pauses by the level that so many of the moments lie
   * under.
   *
   * @param over only moments that are so loud
   */
  private record Way(double over, double softest) {}

  /** Of one sound: how far the noise is over that of the pauses, and how far those differ. */
  private record Held(double db, double apartDb) {}

  /**
   * What speaks for a gain.
   *
   * @param octaves levels of the voice's octaves
   * @param aside levels of the bands beside the voice, not a number where there are none
   * @param seconds length of a row
   * @param bands how many of those beside the voice are to be believed: a coder empties the highs
   */
  static Optional<Alteration> of(Frames octaves, Frames aside, double seconds, int bands) {
    double[] total = SpectraSeen.totals(octaves);
    double loud = Quantile.of(total, LOUD_SHARE);
    double quiet = Quantile.of(total, QUIET_SHARE);
    double range = loud - quiet;
    if (range < (bands == 1 ? LEAST_RANGE_OF_BASS_DB : LEAST_RANGE_DB)) {
      return Optional.empty();
    }
    HeldDown held = new HeldDown(total, seconds, quiet + Math.min(PAUSE_DB, PAUSE_RANGE * range));
    double over = loud - Math.min(LOUD_DB, LOUD_RANGE * range);
    List<Way> ways =
        List.of(new Way(over, 0.25), new Way(over, 0.5), new Way(Double.NEGATIVE_INFINITY, 0.1));
    double most = 0;
    for (int band = 0; band < bands; band++) {
      double[] levels = aside.column(band);
      double scatter = band == 0 ? LOW_SCATTER_DB : SCATTER_DB;
      if (!Double.isNaN(levels[0])) {
        if (ways.stream().anyMatch(way -> held.stands(levels, way))) {
          return Optional.empty();
        }
        double[] by = ways.stream().mapToDouble(way -> held.byDb(levels, scatter, way)).toArray();
        double usual = Math.max(by[0], by[1]);
        most = Math.max(most, band > 0 && by[2] > HOLES * usual ? 0 : Math.max(usual, by[2]));
      }
    }
    return most > LEAST_DB
        ? Optional.of(
            new Alteration(
                Alteration.Kind.AUTOMATIC_GAIN,
                Figures.say(
                    "while something sounds the noise beside it is %.1f dB softer than in the pauses before and after, where sounds in the air only add up",
                    most),
                0,
                total.length * seconds))
        : Optional.empty();
  }

  private boolean stands(double[] band, Way way) {
    List<Held> all = all(band, way);
    return all.size() >= FEWEST_SOUNDS && all.stream().allMatch(h -> Math.abs(h.db()) < STANDS_DB);
  }

  private List<Held> all(double[] band, Way way) {
    return IntStream.range(1, pauses.size())
        .mapToObj(p -> held(band, pauses.get(p - 1), pauses.get(p), way))
        .flatMap(Optional::stream)
        .toList();
  }

  /** By how much the noise of a band is held down; none where that is not sure. */
  private double byDb(double[] band, double scatter, Way way) {
    List<Held> all = all(band, way);
    if (all.size() < FEWEST_SOUNDS) {
      return 0;
    }
    double[] over = all.stream().mapToDouble(Held::db).toArray();
    double mean = Arrays.stream(over).average().orElseThrow();
    double spread = Arrays.stream(over).map(d -> (d - mean) * (d - mean)).sum() / (over.length - 1);
    double unsteady = // more than two short pauses differ by chance
        all.stream().mapToDouble(h -> h.apartDb() * h.apartDb()).average().orElseThrow()
            - 2 * scatter * scatter;
    double square = Math.max(spread / 4, Math.max(0, unsteady) + scatter * scatter);
    double error = Math.sqrt(square / over.length) + ERROR_DB;
    long with = Arrays.stream(over).filter(d -> d < -EACH_DB).count();
    return mean < -SURE * error && with >= MOST_OF_THEM * over.length ? -Quantile.median(over) : 0;
  }

  private Optional<Held> held(double[] band, Stretch left, Stretch right, Way way) {
    double[] within =
        IntStream.range(left.to(), right.from())
            .filter(k -> total[k] > way.over())
            .mapToDouble(k -> band[k])
            .toArray();
    if (within.length < FEWEST_ROWS) {
      return Optional.empty();
    }
    int longest = (int) (LONGEST_SECONDS / seconds);
    int middle = (right.from() + right.to()) / 2; // a gain needs a while to recover
    double[] before =
        Arrays.copyOfRange(band, Math.max(left.from(), left.to() - longest), left.to());
    double[] after = Arrays.copyOfRange(band, middle, Math.min(right.to(), middle + longest));
    double apart = Quantile.of(before, way.softest()) - Quantile.of(after, way.softest());
    double over = (over(within, before, way.softest()) + over(within, after, way.softest())) / 2;
    return Optional.of(new Held(over, apart));
  }

  /**
   * How far the softest of many lies over the softest of few. The k-th of n lies over k / (n + 1)
   * of all (E. J. Gumbel, Statistics of Extremes, 1958, from memory): of few over more than its
   * share says, so as much of the many is taken.
   */
  private static double over(double[] many, double[] few, double share) {
    double under = (share * (few.length - 1) + 1) / (few.length + 1);
    double same = (under * (many.length + 1) - 1) / (many.length - 1);
    return Quantile.of(many, Math.clamp(same, 0, 1)) - Quantile.of(few, share);
  }
}
