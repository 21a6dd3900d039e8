package nullroom.core.measure.altered;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import nullroom.core.Figures;
import nullroom.core.Quantile;
import nullroom.core.Regression;

/**
 * Ends of sounds that die away as the room lets them and then, each time under the same level, fall
 * faster by as much in all bands: a gate that shuts while the room still rings. In a room what dies
 * away can only become slower. Who stops to speak does so at levels of his own, before which he was
 * as fast or slow as he liked, or becomes faster and faster; and of what is left each band falls
 * onto its noise by another amount. Cannot see a gate that shuts near the loudest, or hardly faster
 * than the room; what somebody fades out by one curve each time is taken for it.
 */
final class BentEnds {
  /**
   * Levels are asked one by one: so far over what is softest, and so far under what is loud; no
   * farther, for rooms that were worked out stop somewhere.
   */
  private static final double STEP_DB = 1;

  private static final double OVER_DB = 6;
  private static final double UNDER_DB = 18;
  private static final double MOST_UNDER_DB = 50;
  private static final double FLOOR_SHARE = 0.05;
  private static final double LOUD_SHARE = 0.97;

  /** A sound was so much louder within so many rows, and after it stays softer for so many. */
  private static final double LOUDER_DB = 10;

  private static final int LOUDER_ROWS = 45;
  private static final int STAYS_ROWS = 12;

  /** The rate before is that of so many rows, that after of some of these. */
  private static final int BEFORE_ROWS = 7;

  private static final int[] AFTER_ROWS = {3, 6, 12};

  /** Until so many rows after those it falls so far. */
  private static final int FALLEN_ROWS = 6;

  private static final double FALLEN_DB = 6;

  /** Three of four ends fall by so much more than they would have at the rate before. */
  private static final double MORE_DB = 7;

  private static final double QUARTER = 0.25;

  /** Decibels a second: what falls no faster than that stands. */
  private static final double STANDS = 15;

  /** Shortly before are so many rows. */
  private static final double NEAR_ROWS = 2.5;

  /**
   * It bends there alone: where its window ends so far over the level, ends fall by no more than so
   * much of what they do under it.
   */
  private static final double OVER_BEND_DB = 5;

  private static final double OVER_BEND = 0.25;
  private static final int FEWEST_OVER = 3;

  /** By how much a band falls on average, from so many rows before to the end of those after. */
  private static final double LEAST_DB = 6;

  private static final int BAND_ROWS = 3;

  private static final double APART_DB = 2.5;
  private static final int FEWEST_BANDS = 4;
  private static final double HEARD_SHARE = 0.6;
  private static final int FEWEST = 4;

  /** Of what has no colour all bands fall alike by themselves. */
  private static final int FEWEST_COLOURLESS = 5;

  private static final double MOST_OF_THEM = 0.8;

  private final FineBands fine;
  private final double[] total;
  private final List<Fall> falls;

  private BentEnds(FineBands fine) {
    this.fine = fine;
    total = fine.totals();
    falls = falls();
  }

  /**
   * A row that is under all levels between these, as are those after it, while the one before is
   * not, and something louder by enough was not long before.
   *
   * @param row its number
   * @param low the levels are over this
   * @param high and not over that
   */
  private record Fall(int row, double low, double high) {}

  /** What speaks for a gate. */
  static Optional<Alteration> of(FineBands fine) {
    return fine.levels().count() == 0 ? Optional.empty() : new BentEnds(fine).told();
  }

  private Optional<Alteration> told() {
    double floor = Math.max(Quantile.of(total, FLOOR_SHARE), fine.stepsDb());
    double loud = Quantile.of(total, LOUD_SHARE);
    double from = Math.max(floor + OVER_DB, loud - MOST_UNDER_DB);
    int levels = (int) ((loud - UNDER_DB - from) / STEP_DB);
    return IntStream.range(0, Math.max(0, levels))
        .mapToDouble(k -> from + STEP_DB * k)
        .boxed()
        .flatMap(level -> bends(level).stream())
        .max(Comparator.comparingDouble(bend -> bend.moreDb(QUARTER)))
        .map(this::told);
  }

  private Alteration told(Bend bend) {
    double before = bend.median(Bend.End::before) / fine.seconds();
    double after = bend.median(Bend.End::after) / fine.seconds();
    int count = bend.ends().size();
    return new Alteration(
        Alteration.Kind.GATE,
        before < STANDS
            ? Figures.say(
                "behind %d sounds what is left stands and then falls, each time from the same level, by %.0f dB a second in all bands: the noise of a room stays",
                count, after)
            : Figures.say(
                "%d sounds die away at %.0f dB a second and then, each time under the same level, at %.0f in all bands: in a room the last of a sound takes longest",
                count, before, after),
        bend.ends().getFirst().row() * fine.seconds(),
        (bend.ends().getLast().row() + bend.afterRows()) * fine.seconds());
  }

  private List<Bend> bends(double level) {
    int[] ends = ends(level);
    return ends.length < FEWEST
        ? List.of()
        : Arrays.stream(AFTER_ROWS)
            .mapToObj(after -> bend(level, ends, after))
            .filter(bend -> bend.ends().size() >= Math.max(FEWEST, MOST_OF_THEM * ends.length))
            .filter(bend -> bend.moreDb(QUARTER) > MORE_DB && bend.isSharp())
            .filter(bend -> fallsAlike(bend) && isAlone(bend, level))
            .filter(bend -> bend.ends().size() >= FEWEST_COLOURLESS || fine.isColoured())
            .toList();
  }

  /** First rows under a level, where it stays under it and was louder not long before. */
  private int[] ends(double level) {
    return falls.stream()
        .filter(f -> f.low() < level && level <= f.high())
        .mapToInt(Fall::row)
        .toArray();
  }

  private List<Fall> falls() {
    List<Fall> all = new ArrayList<>();
    for (int k = STAYS_ROWS; k < total.length; k++) {
      if (total[k] < total[k - 1]) {
        double low = Rows.most(total, k, Math.min(k + STAYS_ROWS, total.length));
        double high =
            Math.min(total[k - 1], Rows.most(total, Math.max(0, k - LOUDER_ROWS), k) - LOUDER_DB);
        if (low < high) {
          all.add(new Fall(k, low, high));
        }
      }
    }
    return all;
  }

  /** Those that fall on. */
  private Bend bend(double level, int[] rowsOfEnds, int after) {
    return new Bend(
        Arrays.stream(rowsOfEnds)
            .filter(row -> row >= 2 * BEFORE_ROWS && row + after + FALLEN_ROWS < total.length)
            .filter(row -> Rows.least(total, row, row + after + FALLEN_ROWS) <= level - FALLEN_DB)
            .mapToObj(row -> end(level, row, after))
            .toList(),
        after);
  }

  /** Whether over the level nothing bends so. */
  private boolean isAlone(Bend bend, double level) {
    double natural = Math.max(0, bend.median(Bend.End::before)) * bend.afterRows();
    double over = level + natural + OVER_BEND_DB;
    Bend there = bend(over, ends(over), bend.afterRows());
    return there.ends().size() < FEWEST_OVER
        || there.moreDb(0.5) < OVER_BEND * bend.moreDb(QUARTER);
  }

  private Bend.End end(double level, int row, int after) {
    double at = Rows.crossing(total, row - 1, level);
    Regression line = new Regression();
    IntStream.range(0, BEFORE_ROWS).forEach(k -> line.add(k, between(at - BEFORE_ROWS + k)));
    return new Bend.End(
        row,
        (mean(at - BEFORE_ROWS) - level) / BEFORE_ROWS,
        rate(at - NEAR_ROWS, at),
        line.off(),
        rate(at, at + after + 0.5));
  }

  /** Whether all bands fall by as much that are heard over the steps of the file. */
  private boolean fallsAlike(Bend bend) {
    double[] by =
        IntStream.range(0, fine.noiseBands())
            .mapToObj(b -> fallDb(bend, b))
            .flatMapToDouble(OptionalDouble::stream)
            .toArray();
    return by.length >= FEWEST_BANDS
        && Arrays.stream(by).min().orElseThrow() > LEAST_DB
        && Scatter.of(by) < APART_DB;
  }

  /** How far a band falls on average; none where the steps of the file end most of its falls. */
  private OptionalDouble fallDb(Bend bend, int band) {
    double[] by =
        bend.ends().stream()
            .filter(e -> !fine.onSteps(band, pair(e.row() + bend.afterRows(), band)))
            .mapToDouble(
                e -> pair(e.row() - BAND_ROWS, band) - pair(e.row() + bend.afterRows(), band))
            .toArray();
    return by.length < HEARD_SHARE * bend.ends().size()
        ? OptionalDouble.empty()
        : Arrays.stream(by).average();
  }

  /** Level of a band in a row and the next. */
  private double pair(int row, int band) {
    return Rows.mean(fine.levels(), band, row, 2);
  }

  /** Decibels a row by which it falls from one moment to another. */
  private double rate(double from, double to) {
    return (between(from) - between(to)) / (to - from);
  }

  /** Level around a moment. */
  private double mean(double at) {
    return (between(at - 0.5) + between(at + 0.5)) / 2;
  }

  /** Level at a moment between rows. */
  private double between(double at) {
    int row = (int) at;
    return total[row] + (at - row) * (total[row + 1] - total[row]);
  }
}
