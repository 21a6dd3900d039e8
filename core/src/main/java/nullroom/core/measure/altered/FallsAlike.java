package nullroom.core.measure.altered;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.DoubleSummaryStatistics;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;
import nullroom.core.Figures;
import nullroom.core.Quantile;

/**
 * Noise that goes on for a moment after something loud and then falls by as much in all bands: a
 * gate that shuts, however slowly. What dies away in a room lies over the noise by another amount
 * in each band, and in each by another a moment later; hardly ever do all bands stand, row after
 * row, by the same decibels over the noise that is left. A noise that swells by itself rises so as
 * often as it falls. Cannot see a gate that shuts while the room still rings, or one that shuts but
 * once; noise that is switched off, and has the colour of the noise under it, is taken for it.
 */
final class FallsAlike {
  private static final int FEWEST_BANDS = 6;

  /**
   * Of them so many may be left over the steps of the file; nearer to these all bands end in them.
   */
  private static final int FEWEST_HEARD = 4;

  private static final double STEPS_DB = 8;

  /** The noise that is left stands so long, and no more uneven than plain noise. */
  private static final double LEFT_SECONDS = 0.064;

  private static final double STILL = 1.8;
  private static final double STILL_DB = 0.3;

  /** A fall is no longer than that. */
  private static final double LONGEST_SECONDS = 1.07;

  /** Variance of what differs from band to band by itself. */
  private static final double OWN = 0.15;

  /** Times what plain noise deviates in all bands: alike; another colour. */
  private static final double ALIKE = 2;

  private static final double OTHER = 8;
  private static final int OTHER_ROWS = 12;
  private static final int FEWEST_OTHER = 6;

  /** What lies lower over the noise that is left may be the noise itself. */
  private static final double OVER_DB = 2.5;

  /** One row may be otherwise, and one more in so many. */
  private static final int ROWS_A_MISS = 10;

  private static final double LOUDER_DB = 5;

  /** So long and so far over what is left hardly a sound ends alike by chance. */
  private static final int FEWEST_ROWS = 6;

  private static final double LEAST_DB = 6;

  /** Beside a voice; more ends are alike by chance of what has no colour, and in fewer bands. */
  private static final int FEWEST = 2;

  private static final double ALL_DB = 22;

  /** Of two alone, and of more that begin further apart than the noise of one gate mostly does. */
  private static final double APART_DB = 1.2;

  private static final double ALL_UNLIKE_DB = 28;
  private static final int ALL_ROWS = 45;

  /** So slow and so little any noise may fall twice. */
  private static final double LEAST_ALL_DB = 13;

  private static final int FEWEST_COLOURLESS = 3;
  private static final double ALL_COLOURLESS_DB = 50;

  /** So often and so little, on average, what swells by itself ebbs; of gates found none. */
  private static final int OFTEN = 5;

  private static final double EACH_DB = 7.5;

  /** Of each of them on average; noise that swells by itself hardly does so by more. */
  private static final double EACH_COLOURLESS_DB = 10;

  private static final double ONE_LEVEL_DB = 3;

  private static final double QUIET_SHARE = 0.05;
  private static final double LEFT_DB = 6;

  /** Some shut but half before the next sound. */
  private static final double LEFT_AT_ONE_LEVEL_DB = 4;

  private static final double TWO_LEFT_DB = 2;

  /** By less noise that swells by itself may fall behind two sounds. */
  private static final double TWO_DB = 12;

  /**
   * A noise that swells by itself also does so where nothing else sounds, and as slowly as it ebbs;
   * a gate opens at once.
   */
  private static final double SWELLS = 0.3;

  private static final int FEWEST_SWELLING = 3;

  private final FineBands fine;
  private final double[][] levels;
  private final double[] sigma;
  private final double[] variance;
  private final int left;

  private FallsAlike(FineBands fine, double[][] levels) {
    this.fine = fine;
    this.levels = levels;
    left = (int) Math.round(LEFT_SECONDS / fine.seconds());
    sigma = fine.scatterDb();
    variance = Arrays.stream(sigma).map(s -> s * s * (1 + 1.0 / left) + OWN).toArray();
  }

  /**
   * One sound's end.
   *
   * @param from its first row
   * @param to the first row of the noise that is left
   * @param rows in which all bands stand alike over it
   * @param mostDb how far
   * @param fromDb mean level of the bands there
   * @param bands of them, over the steps of the file
   * @param other whether something louder and of another colour sounded before
   * @param most row at which it stands so far over it
   */
  private record Fall(
      int from,
      int to,
      int rows,
      double mostDb,
      double fromDb,
      long bands,
      boolean other,
      int most) {
    private boolean swells() {
      return !other && most - from > SWELLS * (to - from);
    }

    private boolean meets(Fall other) {
      return from < other.to && other.from < to;
    }

    /** Level of the noise that is left. */
    private double leftDb() {
      return fromDb - mostDb;
    }

    private boolean isPlain() {
      return rows >= FEWEST_ROWS && mostDb >= LEAST_DB;
    }
  }

  /** What speaks for a gate. */
  static Optional<Alteration> of(FineBands fine) {
    double[][] levels = fine.rows();
    List<Fall> plain = plain(fine, levels);
    List<Fall> behind = apart(plain, Fall::other);
    List<Fall> falls =
        atOneLevel(
            atOneLevel(behind, Fall::fromDb, ONE_LEVEL_DB), Fall::leftDb, LEFT_AT_ONE_LEVEL_DB);
    long swelling =
        apart(plain, Fall::swells).stream()
            .filter(f -> behind.stream().noneMatch(f::meets))
            .count();
    if (byChance(falls)
        || leavesMore(falls, levels)
        || swelling >= Math.max(FEWEST_SWELLING, falls.size() / 2)) {
      return Optional.empty();
    }
    double byDb = falls.stream().mapToDouble(Fall::mostDb).sum();
    boolean coloured = fine.isColoured() && falls.stream().allMatch(f -> f.bands() >= FEWEST_BANDS);
    Collections.reverse(Arrays.asList(levels));
    int rises = apart(plain(fine, levels), Fall::other).size();
    return falls.size() < (coloured ? FEWEST : FEWEST_COLOURLESS) + 2 * rises
            || !coloured && byDb < Math.max(ALL_COLOURLESS_DB, EACH_COLOURLESS_DB * falls.size())
        ? Optional.empty()
        : Optional.of(
            new Alteration(
                Alteration.Kind.GATE,
                Figures.say(
                    "after %d sounds the noise itself falls, by up to %.0f dB and alike in all bands: what dies away in a room reaches the noise of each band at a moment of its own",
                    falls.size(), mostDb(falls)),
                falls.stream().mapToInt(Fall::from).min().orElseThrow() * fine.seconds(),
                falls.stream().mapToInt(Fall::to).max().orElseThrow() * fine.seconds()));
  }

  /** Whether so few, or so much unlike, may be by chance, or so little by what swells. */
  private static boolean byChance(List<Fall> falls) {
    int count = falls.size();
    if (count < FEWEST) {
      return true;
    }
    double byDb = falls.stream().mapToDouble(Fall::mostDb).sum();
    int rows = falls.stream().mapToInt(Fall::rows).sum();
    boolean unlike = count == FEWEST || rangeDb(falls, Fall::fromDb) > APART_DB;
    return count == FEWEST && (mostDb(falls) < TWO_DB || rangeDb(falls, Fall::leftDb) > TWO_LEFT_DB)
        || byDb < LEAST_ALL_DB
        || count >= OFTEN && byDb < EACH_DB * count
        || byDb < (unlike ? ALL_UNLIKE_DB : ALL_DB) && rows < ALL_ROWS;
  }

  private static double mostDb(List<Fall> falls) {
    return falls.stream().mapToDouble(Fall::mostDb).max().orElseThrow();
  }

  private static double rangeDb(List<Fall> falls, ToDoubleFunction<Fall> level) {
    DoubleSummaryStatistics all = falls.stream().mapToDouble(level).summaryStatistics();
    return all.getMax() - all.getMin();
  }

  /** Whether they leave more than the noise of a shut gate: what still rings in the room. */
  private static boolean leavesMore(List<Fall> falls, double[][] levels) {
    double[] all =
        Arrays.stream(levels).mapToDouble(row -> Rows.mean(row, 0, row.length)).toArray();
    return Quantile.median(falls.stream().mapToDouble(Fall::leftDb).toArray())
        > Quantile.of(all, QUIET_SHARE) + LEFT_DB;
  }

  /** The most of them that are at one level: that of the noise while the gate is open, or shut. */
  private static List<Fall> atOneLevel(
      List<Fall> falls, ToDoubleFunction<Fall> level, double withinDb) {
    return falls.stream()
        .map(low ->
            falls.stream()
                .filter(f -> level.applyAsDouble(f) >= level.applyAsDouble(low))
                .filter(f -> level.applyAsDouble(f) < level.applyAsDouble(low) + withinDb)
                .toList())
        .max(Comparator.comparingInt(List::size))
        .orElse(List.of());
  }

  /** All that are plain, the longest first; they may meet. */
  private static List<Fall> plain(FineBands fine, double[][] levels) {
    FallsAlike all = new FallsAlike(fine, levels);
    return all.sigma.length < FEWEST_BANDS
        ? List.of()
        : IntStream.rangeClosed(OTHER_ROWS, levels.length - all.left)
            .mapToObj(all::before)
            .flatMap(Optional::stream)
            .filter(Fall::isPlain)
            .sorted(
                Comparator.comparingInt(Fall::rows).thenComparingDouble(Fall::mostDb).reversed())
            .toList();
  }

  private static List<Fall> apart(List<Fall> all, Predicate<Fall> asked) {
    List<Fall> apart = new ArrayList<>();
    all.stream()
        .filter(f -> asked.test(f) && apart.stream().noneMatch(f::meets))
        .forEach(apart::add);
    return apart;
  }

  /** The fall that ends before a row, from which on the noise stands. */
  private Optional<Fall> before(int row) {
    double[] noise = noise(row);
    double[] weights = weights(noise);
    long heard = Weighted.heard(weights);
    if (heard < FEWEST_HEARD) {
      return Optional.empty();
    }
    int first = Math.max(0, row - (int) Math.round(LONGEST_SECONDS / fine.seconds()));
    int rows = 0;
    int missed = 0;
    double most = 0;
    int mostAt = row;
    int k = row - 1;
    for (; k >= first; k--) {
      double[] bands = Weighted.over(levels[k], noise);
      double over = Weighted.mean(bands, weights);
      if (Weighted.apart(bands, weights) > ALIKE) {
        if (++missed > 1 + (rows + row - 1 - k) / ROWS_A_MISS) {
          break;
        }
      } else if (over > OVER_DB) {
        rows++;
        mostAt = over > most ? k : mostAt;
        most = Math.max(most, over);
      } else if (rows > 0 && over < 0) {
        break;
      }
    }
    return Optional.of(
        new Fall(
            k + 1,
            row,
            rows,
            most,
            most + mean(noise, weights),
            heard,
            isOther(k, noise, weights, most),
            mostAt));
  }

  /** Level of each band, where all stand from a row on; else none. */
  private double[] noise(int row) {
    double[] noise = new double[sigma.length];
    for (int b = 0; b < noise.length; b++) {
      double[] band = new double[left];
      for (int k = 0; k < left; k++) {
        band[k] = levels[row + k][b];
      }
      if (Scatter.of(band) > Math.sqrt((left - 1.0) / left) * (STILL * sigma[b] + STILL_DB)) {
        return new double[0];
      }
      noise[b] = Rows.mean(band, 0, left);
    }
    return noise;
  }

  /** Of each band; 0 of one that the steps of the file fill. */
  private double[] weights(double[] noise) {
    return IntStream.range(0, noise.length)
        .mapToDouble(b -> fine.overStepsDb(b, noise[b]) > STEPS_DB ? 1 / variance[b] : 0)
        .toArray();
  }

  private static double mean(double[] noise, double[] weights) {
    return IntStream.range(0, noise.length)
        .filter(b -> weights[b] > 0)
        .mapToDouble(b -> noise[b])
        .average()
        .orElseThrow();
  }

  /** Whether something louder and of another colour sounded up to a row. */
  private boolean isOther(int row, double[] noise, double[] weights, double most) {
    int other = 0;
    double loudest = 0;
    for (int k = Math.max(0, row - OTHER_ROWS + 1); k <= row; k++) {
      double[] bands = Weighted.over(levels[k], noise);
      loudest = Math.max(loudest, Weighted.mean(bands, weights));
      other += Weighted.apart(bands, weights) > OTHER ? 1 : 0;
    }
    return other >= FEWEST_OTHER && loudest > most + LOUDER_DB;
  }
}
