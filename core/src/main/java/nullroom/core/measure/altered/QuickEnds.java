package nullroom.core.measure.altered;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import nullroom.core.Figures;
import nullroom.core.Quantile;

/**
 * Sounds that end on the steps of a file faster than a room dies away: a gate that shuts over some
 * hundredths of a second, and whose floor the file is too coarse to show. The deadest of small
 * rooms have 0.1 s, in which what is left of a sound takes 33 ms for twenty decibels. A tick ends
 * as fast where nothing answers it, so what ends must have lasted. Noise that stands too low over
 * the steps for that is to stand still, behind something louder, and to end from one level each
 * time.
 */
final class QuickEnds {
  /** The floor lies on the steps, or not far over them. */
  private static final double STEPS_DB = 18;

  private static final double FLOOR_SHARE = 0.05;

  /** Over the floor: between these the time is taken. */
  private static final double FROM_DB = 27;

  private static final double TO_DB = 7;
  private static final double QUICK_SECONDS = 0.024;

  /** What is far deader than a room, as the open air is, ends as fast there and over it. */
  private static final double OVER_DB = 12;

  /** A gate shuts under one level, a moment before; who ends notes does so as they are. */
  private static final double FROM_APART_DB = 12;

  private static final int FROM_ROWS = 4;

  /** So long it stays on the floor, and so long it sounded before. */
  private static final double STAYS_SECONDS = 0.12;

  private static final double LASTS_SECONDS = 0.04;

  /** On the way down it does not come so near the floor. */
  private static final double SLACK_DB = 3;

  private static final int FEWEST = 5;
  private static final double MOST_OF_THEM = 0.65;

  /** A gate ends all; a hand that turns a knob down to nothing ends two of three so. */
  private static final double NEARLY_ALL = 0.9;

  /** Noise that stands: so many rows, that differ by so little, and then are some to fall. */
  private static final int STILL_ROWS = 5;

  private static final int FALL_ROWS = 2;
  private static final int MOST_FALL_ROWS = 5;
  private static final double STILL_DB = 5;
  private static final double ENDS_DB = 12;

  /** Noise stands and ends in many bands; a tone, and a sweep at its end, in one or two. */
  private static final int FEWEST_BANDS = 3;

  private static final double LOUDER_DB = 8;
  private static final double LOUDER_SECONDS = 1.5;
  private static final double SAME_DB = 2;
  private static final int FEWEST_STILL = 4;

  private final FineBands fine;
  private final double[] total;
  private final double seconds;
  private final double floor;

  private QuickEnds(FineBands fine, double[] total, double floor) {
    this.fine = fine;
    this.total = total;
    this.floor = floor;
    seconds = fine.seconds();
  }

  /** What speaks for a gate. */
  static Optional<Alteration> of(FineBands fine) {
    double[] total = fine.totals();
    double softest = total.length == 0 ? 0 : Quantile.of(total, FLOOR_SHARE);
    if (softest > fine.stepsDb() + STEPS_DB) {
      return Optional.empty();
    }
    QuickEnds ends = new QuickEnds(fine, total, Math.max(softest, fine.stepsDb()));
    List<Integer> rows = ends.rows();
    return ends.quick(rows).or(() -> ends.fromOneLevel(rows));
  }

  /** Rows from which on it stays on the floor. */
  private List<Integer> rows() {
    int stays = (int) (STAYS_SECONDS / seconds);
    List<Integer> all = new ArrayList<>();
    for (int k = 1; k + stays < total.length; k++) {
      if (total[k - 1] >= floor + TO_DB && Rows.most(total, k, k + stays) < floor + TO_DB) {
        all.add(k);
        k += stays;
      }
    }
    return all;
  }

  private Optional<Alteration> quick(List<Integer> rows) {
    List<Integer> lasted = rows.stream().filter(k -> fallSeconds(k).isPresent()).toList();
    List<Integer> quick =
        lasted.stream().filter(k -> fallSeconds(k).getAsDouble() < QUICK_SECONDS).toList();
    return quick.size() < FEWEST
            || quick.size() < NEARLY_ALL * lasted.size()
            || !slowerOver(quick)
            || apartDb(quick) > FROM_APART_DB
        ? Optional.empty()
        : Optional.of(
            told(
                quick,
                Figures.say(
                    "%d of %d sounds end by 20 dB within %.0f ms, under the steps of the file: no room dies away so fast",
                    quick.size(), lasted.size(), 1000 * QUICK_SECONDS)));
  }

  /** How long the last twenty decibels took of what lasted. */
  private OptionalDouble fallSeconds(int row) {
    int above = row - 1;
    while (above > 0 && total[above] < floor + FROM_DB && total[above] > floor + TO_DB - SLACK_DB) {
      above--;
    }
    int lasts = (int) (LASTS_SECONDS / seconds);
    return above < lasts || Rows.least(total, above - lasts, above + 1) < floor + FROM_DB
        ? OptionalDouble.empty()
        : OptionalDouble.of(
            seconds
                * (Rows.crossing(total, row - 1, floor + TO_DB)
                    - Rows.crossing(total, above, floor + FROM_DB)));
  }

  /** How far the levels differ from which they fall. */
  private double apartDb(List<Integer> quick) {
    double[] from =
        quick.stream()
            .mapToInt(k -> lastOver(k, FROM_DB))
            .mapToDouble(k -> Rows.most(total, Math.max(0, k - FROM_ROWS), k + 1))
            .sorted()
            .toArray();
    return from[from.length - 1] - from[0];
  }

  /**
   * Whether the decibels over those took as long as the twenty, for half at least of what was so
   * loud shortly before.
   */
  private boolean slowerOver(List<Integer> quick) {
    double[] slower =
        quick.stream()
            .filter(k ->
                Rows.most(total, Math.max(0, k - (int) (LOUDER_SECONDS / seconds)), k)
                    > floor + FROM_DB + OVER_DB)
            .mapToDouble(k -> overSeconds(k) - fallSeconds(k).getAsDouble())
            .toArray();
    return slower.length >= FEWEST && Quantile.median(slower) > 0;
  }

  /** How long the decibels over those took. */
  private double overSeconds(int row) {
    int from = lastOver(row, FROM_DB);
    int above = lastOver(from + 1, FROM_DB + OVER_DB);
    return seconds
        * (Rows.crossing(total, from, floor + FROM_DB)
            - Rows.crossing(total, above, floor + FROM_DB + OVER_DB));
  }

  /** The last row before another that is so far over the floor; the first where there is none. */
  private int lastOver(int row, double db) {
    int last = row - 1;
    while (last > 0 && total[last] < floor + db) {
      last--;
    }
    return last;
  }

  private Optional<Alteration> fromOneLevel(List<Integer> rows) {
    List<End> stood = rows.stream().map(this::end).flatMap(Optional::stream).toList();
    double level =
        stood.isEmpty() ? 0 : Quantile.median(stood.stream().mapToDouble(End::fromDb).toArray());
    List<Integer> same =
        stood.stream().filter(e -> Math.abs(e.fromDb() - level) < SAME_DB).map(End::row).toList();
    return same.size() < FEWEST_STILL || same.size() < MOST_OF_THEM * rows.size()
        ? Optional.empty()
        : Optional.of(
            told(
                same,
                Figures.say(
                    "%d times noise stands still and then ends under the steps of the file, each time from the same level, %.0f dB over them: sounds end on levels of their own",
                    same.size(), level - floor)));
  }

  /**
   * Of noise that stood.
   *
   * @param row from which on it stays on the floor
   * @param fromDb where it stood
   */
  private record End(int row, double fromDb) {}

  /** Noise that stood still before a fall, behind something louder, and fell soon. */
  private Optional<End> end(int row) {
    int louder = Math.max(0, row - (int) (LOUDER_SECONDS / seconds));
    return IntStream.rangeClosed(FALL_ROWS, MOST_FALL_ROWS)
        .map(fall -> row - fall + 1 - STILL_ROWS)
        .filter(still -> still >= 0)
        .filter(still ->
            Rows.most(total, still, still + STILL_ROWS)
                    - Rows.least(total, still, still + STILL_ROWS)
                < STILL_DB)
        .filter(still -> endingBands(still, row) >= FEWEST_BANDS)
        .mapToObj(still -> new End(row, Rows.mean(total, still, STILL_ROWS)))
        .filter(e -> e.fromDb() - total[row] > ENDS_DB)
        .filter(e -> Rows.most(total, louder, row) > e.fromDb() + LOUDER_DB)
        .findFirst();
  }

  private long endingBands(int still, int row) {
    return IntStream.range(0, fine.bands())
        .filter(b ->
            Rows.mean(fine.levels(), b, still, STILL_ROWS) - fine.levels().get(row, b) > ENDS_DB)
        .count();
  }

  private Alteration told(List<Integer> rows, String evidence) {
    return new Alteration(
        Alteration.Kind.GATE, evidence, rows.getFirst() * seconds, (rows.getLast() + 1) * seconds);
  }
}
