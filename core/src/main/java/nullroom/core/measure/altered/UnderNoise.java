package nullroom.core.measure.altered;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import nullroom.core.Figures;
import nullroom.core.Quantile;

/**
 * Moments while something sounds at which a band lies under the noise of the pauses before and
 * after. Sounds in the air only add up: between two hisses, or where a tail has died away among the
 * highs, the noise of the room is what is left, and only a gain takes it lower. Asks for the
 * softest 30 ms of each sound. A coder empties highs that loud sounds mask, so that of coded sound
 * nothing can be said; nor of noise that is no more than the steps of the file.
 */
final class UnderNoise {
  /** Up to 11 kHz: over that coders save beside a voice at the rates of music, too. */
  private static final int BANDS = 7;

  /** What the two bands over those have in common to so much is no coder's. */
  private static final double ALIKE_DB = 0.6;

  /** Rows at the ends of a pause and of a sound that may belong to the other. */
  private static final int EDGE_ROWS = 2;

  /** The highs have died away while the lows still ring. */
  private static final int TAIL_ROWS = 15;

  /** Of a pause that much is left. */
  private static final int LEFT_ROWS = 10;

  private static final int SHORTEST_SOUND_ROWS = 20;

  /** Noise alone stands still for so many rows. */
  private static final int STILL_ROWS = 8;

  private static final double STILL_DB = 1.2;
  private static final double LEVEL_DB = 0.8;
  private static final int FEWEST_STILL = 3;
  private static final double STILL_SHARE = 0.3;

  private static final int DIP_ROWS = 3;
  private static final double LEAST_DB = 1;

  /** Times the scatter of plain noise, of which there are some hundred moments. */
  private static final double BEYOND = 4.2;

  /** Noise that is the same in all pauses to so much is steady. */
  private static final double STEADY_DB = 0.5;

  private static final double STEADY_SHARE = 0.4;
  private static final int STEADY_FEWEST = 2;
  private static final double TWO_DB = 3;

  /** Of noise that is not, nearly all sounds must fall under the softest pause of all. */
  private static final double RESTLESS_DB = 1.2;

  private static final double RESTLESS_SHARE = 0.8;
  private static final int RESTLESS_FEWEST = 4;

  /**
   * In a large room the lows ring far into a pause while the highs are gone: the softest moment may
   * be in its first half. Its noise is then that of the second half, when the gain is up again.
   */
  private static final double LONG_TAIL_SHARE = 0.5;

  private static final int LONGEST_TAIL_ROWS = 120;
  private static final double UP_AGAIN_SHARE = 0.85;

  /** All sounds between pauses of the same noise must fall so far, and there must be enough. */
  private static final double HELD_DB = 2;

  private static final double HELD_MORE_DB = 0.5;

  /** By less, no more of the pauses may ebb by half of that. */
  private static final double HELD_PLAINLY_DB = 4;

  private static final double HELD_EBBS = 0.5;

  /** Noise of a few steps is louder where nothing else shakes them. */
  private static final double OVER_STEPS_DB = 11;

  private static final double QUIETEST_SHARE = 0.05;

  /**
   * Where in so many pauses the last third is softer than that before, by so much, rooms ring on.
   */
  private static final double RING_ON_SHARE = 0.22;

  private static final double RING_ON_DB = 1;
  private static final double NOT_RINGING_DB = 5.5;

  /** Noise that ebbs by itself does so in pauses, too: by so much of that, in so many of them. */
  private static final double EBBS = 0.6;

  private static final double EBBS_SHARE = 0.25;

  /** No gain takes noise further down; where a band does, its pauses were none. */
  private static final double MOST_DB = 30;

  private static final double LOOK_BACK_SECONDS = 0.5;
  private static final double LIKE_SHARE = 0.5;
  private static final int LIKE_FEWEST = 4;

  private final FineBands fine;
  private final List<Stretch> pauses;

  private UnderNoise(FineBands fine, List<Stretch> pauses) {
    this.fine = fine;
    this.pauses = pauses;
  }

  /**
   * One sound between two pauses.
   *
   * @param softestDb level of its softest moment
   * @param noiseDb that of the softer pause
   * @param apartDb how far the noise of both differs
   */
  private record Dip(double softestDb, double noiseDb, double apartDb) {
    private boolean isBetweenLike() {
      return Math.abs(apartDb) < STEADY_DB;
    }
  }

  /**
   * Sounds in which a band falls under the noise.
   *
   * @param count of them, of all
   * @param db that it falls, their median
   */
  private record Fall(int count, int all, double db) {
    private boolean isEvery() {
      return count == all;
    }

    /**
     * Twice the soft beginning of the next sound may be taken for noise, which it is little over.
     */
    private boolean isPlain() {
      return count > STEADY_FEWEST || db > TWO_DB;
    }

    private Alteration gain(FineBands fine) {
      return new Alteration(
          Alteration.Kind.AUTOMATIC_GAIN,
          Figures.say(
              "in %d of %d sounds a band falls under the noise of the pauses before and after, by %.1f dB, where sounds in the air only add up",
              count, all, db),
          0,
          fine.levels().count() * fine.seconds());
    }
  }

  /** What speaks for a gain. */
  static Optional<Alteration> of(FineBands fine, Pauses pauses) {
    if (Quantile.of(fine.totals(), QUIETEST_SHARE) < fine.stepsDb() + OVER_STEPS_DB) {
      return Optional.empty();
    }
    UnderNoise noise = new UnderNoise(fine, pauses.all());
    return IntStream.range(0, Math.min(BANDS, fine.bands()))
        .mapToObj(noise::told)
        .flatMap(Optional::stream)
        .filter(Fall::isPlain)
        .findFirst()
        .or(noise::highest)
        .filter(fall -> fall.db() < MOST_DB)
        .map(fall -> fall.gain(fine));
  }

  /** Every sound takes both of the highest bands down, and as far. */
  private Optional<Fall> highest() {
    if (fine.bands() < BANDS + 2) {
      return Optional.empty();
    }
    Optional<Fall> over = told(BANDS + 1);
    return told(BANDS)
        .filter(f -> f.isEvery() && over.isPresent() && over.get().isEvery())
        .filter(f -> Math.abs(f.db() - over.orElseThrow().db()) < ALIKE_DB);
  }

  private Optional<Fall> told(int band) {
    double[] levels = fine.levels().column(band);
    double[] noise = pauses.stream().mapToDouble(p -> still(levels, p, 0, STILL_SHARE)).toArray();
    List<Dip> dips = dips(band, levels, noise, false);
    double least = Math.max(LEAST_DB, BEYOND * fine.scatterDb(band, DIP_ROWS));
    double apart =
        Math.sqrt(
            dips.stream().mapToDouble(d -> d.apartDb() * d.apartDb() / 2).average().orElse(0));
    boolean steady = apart < STEADY_DB;
    double under = steady ? least + 2 * apart : Math.max(RESTLESS_DB, least);
    double floor =
        Arrays.stream(noise).filter(n -> !Double.isNaN(n)).min().orElse(Double.NEGATIVE_INFINITY);
    double[] found =
        dips.stream()
            .mapToDouble(d -> (steady ? d.noiseDb() : floor) - d.softestDb())
            .filter(by -> by > under)
            .toArray();
    double fewest =
        steady
            ? Math.max(STEADY_FEWEST, STEADY_SHARE * dips.size())
            : Math.max(RESTLESS_FEWEST, RESTLESS_SHARE * dips.size());
    boolean enough =
        found.length >= fewest
            && (steady || Quantile.median(found) > NOT_RINGING_DB || !ringOn(levels));
    return (enough
            ? Optional.of(new Fall(found.length, dips.size(), Quantile.median(found)))
            : held(band, levels, least + HELD_MORE_DB))
        .filter(fall -> !ebbs(levels, Math.max(EBBS * fall.db(), least + HELD_MORE_DB)));
  }

  /** Whether pauses are not quiet by their ends. */
  private boolean ringOn(double[] levels) {
    List<Stretch> all = pauses.stream().filter(p -> p.rows() >= SHORTEST_SOUND_ROWS).toList();
    long falling =
        all.stream()
            .filter(p -> {
              int third = (p.rows() - TAIL_ROWS / 2) / 3;
              return Rows.mean(levels, p.from() + 2 * third, third)
                  < Rows.mean(levels, p.from() + third, third) - RING_ON_DB;
            })
            .count();
    return falling > RING_ON_SHARE * all.size();
  }

  /** Whether the noise falls so far in the second halves of pauses, when a gain is up again. */
  private boolean ebbs(double[] levels, double byDb) {
    long all = 0;
    long ebbing = 0;
    for (Stretch pause : pauses) {
      double noise = still(levels, pause, LONG_TAIL_SHARE, UP_AGAIN_SHARE);
      int from = (pause.from() + pause.to()) / 2;
      int to = pause.to() - LEFT_ROWS; // where the next sound may have begun
      if (!Double.isNaN(noise) && to - from > DIP_ROWS) {
        all++;
        ebbing += softest(levels, from, to) < noise - byDb ? 1 : 0;
      }
    }
    return ebbing > EBBS_SHARE * all;
  }

  /** All sounds between pauses that come up to the same noise, of which there must be enough. */
  private Optional<Fall> held(int band, double[] levels, double least) {
    double[] noise =
        pauses.stream()
            .mapToDouble(p -> still(levels, p, LONG_TAIL_SHARE, UP_AGAIN_SHARE))
            .toArray();
    List<Dip> all = dips(band, levels, noise, true);
    double[] by =
        all.stream()
            .filter(Dip::isBetweenLike)
            .mapToDouble(d -> d.noiseDb() - d.softestDb())
            .toArray();
    if (by.length < Math.max(LIKE_FEWEST, LIKE_SHARE * all.size())
        || !Arrays.stream(by).allMatch(b -> b > Math.max(HELD_DB, least))
        || !othersSound()) {
      return Optional.empty();
    }
    double median = Quantile.median(by);
    return median > HELD_PLAINLY_DB || !ebbs(levels, HELD_EBBS * median)
        ? Optional.of(new Fall(by.length, all.size(), median))
        : Optional.empty();
  }

  /** Whether between the pauses something else is heard than their noise, that swells and ebbs. */
  private boolean othersSound() {
    return !AnotherSound.before(
            pauses, fine.levels(), fine.totals(), fine.seconds(), LOOK_BACK_SECONDS)
        .isEmpty();
  }

  /** The sounds of a band, with the first half of the pause behind each if asked. */
  private List<Dip> dips(int band, double[] levels, double[] noise, boolean longTails) {
    List<Dip> all = new ArrayList<>();
    for (int p = 1; p < pauses.size(); p++) {
      Stretch right = pauses.get(p);
      int from = pauses.get(p - 1).to() + EDGE_ROWS;
      int to = Math.min(right.from() + TAIL_ROWS, right.to() - LEFT_ROWS);
      double apart = noise[p - 1] - noise[p];
      if (to - from >= SHORTEST_SOUND_ROWS && !Double.isNaN(apart)) {
        int tail = (int) Math.min(LONGEST_TAIL_ROWS, LONG_TAIL_SHARE * right.rows());
        int end = longTails ? Math.max(to, right.from() + tail) : to;
        double softer = Math.min(noise[p - 1], noise[p]);
        if (!fine.onSteps(band, softer)) {
          double softest = Math.max(fine.leastDb(band), softest(levels, from, end));
          all.add(new Dip(softest, softer, apart));
        }
      }
    }
    return all;
  }

  private static double softest(double[] levels, int from, int to) {
    return IntStream.rangeClosed(from, to - DIP_ROWS)
        .mapToDouble(k -> Rows.mean(levels, k, DIP_ROWS))
        .min()
        .orElseThrow();
  }

  /**
   * Level of a pause where it stands still, softer than most such moments; not a number where it
   * does not.
   *
   * @param from share of the pause before the moments that are asked
   * @param share of them that are softer
   */
  private static double still(double[] levels, Stretch pause, double from, double share) {
    int first = pause.from() + Math.max(EDGE_ROWS + 1, (int) (from * pause.rows()));
    double[] all =
        IntStream.rangeClosed(first, pause.to() - EDGE_ROWS - STILL_ROWS)
            .filter(k -> Rows.still(levels, k, STILL_ROWS, STILL_DB, LEVEL_DB))
            .mapToDouble(k -> Rows.mean(levels, k, STILL_ROWS))
            .toArray();
    return all.length < FEWEST_STILL ? Double.NaN : Quantile.of(all, share);
  }
}
