package nullroom.core.measure.noise;

import java.util.ArrayList;
import java.util.List;
import nullroom.core.Decibels;
import nullroom.core.Quantile;

/**
 * What a long watch over the noise of a room has found: the second-by-second levels, the background
 * they ran over, and what rose over it. Immutable.
 */
public final class Survey {
  private static final int HOUR_SECONDS = 3600;

  /**
   * One second of the watch.
   *
   * @param startSeconds from the start of the watch; rows ascend, and a gap is a time without sound
   * @param levels of it
   */
  public record Row(double startSeconds, SecondLevels levels) {}

  /**
   * One hour of it.
   *
   * @param startSeconds from the start of the watch
   * @param heardSeconds of it
   * @param laeqDbfs mean
   * @param la90Dbfs exceeded nine tenths of its seconds
   * @param intrusions that began in it
   * @param spoilers that began in it and would have spoiled a take
   * @param cleanShare of the moments in it at which a take of the length asked could have begun and
   *     ended without one, 0 to 1
   */
  public record Hour(
      double startSeconds,
      int heardSeconds,
      double laeqDbfs,
      double la90Dbfs,
      int intrusions,
      int spoilers,
      double cleanShare) {}

  private final List<Row> rows;
  private final double[] background;
  private final List<Intrusion> intrusions;

  private Survey(List<Row> rows) {
    this.rows = List.copyOf(rows);
    background = background(this.rows);
    intrusions = find();
  }

  /** A survey of rows in the order of time. */
  public static Survey of(List<Row> rows) {
    return new Survey(rows);
  }

  /** The seconds. */
  public List<Row> rows() {
    return rows;
  }

  /** What rose at least 6 dB over the background, by time; to the second. */
  public List<Intrusion> intrusions() {
    return intrusions;
  }

  /** From the first second to the end of the last. */
  public double seconds() {
    return rows.isEmpty() ? 0 : rows.getLast().startSeconds() + 1;
  }

  /** Under each row, dBFS: the 20 % percentile of the means of the 40 s around it. */
  private static double[] background(List<Row> rows) {
    double[] background = new double[rows.size()];
    int half = Intrusion.BACKGROUND_SECONDS / 2;
    for (int i = 0; i < background.length; i++) {
      int from = Math.max(0, i - half);
      int to = Math.min(background.length, i + half + 1);
      double[] window = new double[to - from];
      for (int k = from; k < to; k++) {
        window[k - from] = rows.get(k).levels().laeqDbfs();
      }
      background[i] = Intrusion.background(window);
    }
    return background;
  }

  private double rise(int i) {
    return rows.get(i).levels().lafMaxDbfs() - background[i];
  }

  private List<Intrusion> find() {
    List<Intrusion> found = new ArrayList<>();
    for (int i = 0; i < rows.size(); i++) {
      if (rise(i) >= Intrusion.LEAST_RISE_DB) {
        int from = i;
        double most = rise(i);
        double peak = rows.get(i).levels().peakDbfs();
        while (i + 1 < rows.size() && follows(i) && rise(i + 1) >= Intrusion.ENDS_DB) {
          i++;
          most = Math.max(most, rise(i));
          peak = Math.max(peak, rows.get(i).levels().peakDbfs());
        }
        double start = rows.get(from).startSeconds();
        found.add(new Intrusion(start, rows.get(i).startSeconds() + 1 - start, peak, most));
      }
    }
    return List.copyOf(found);
  }

  private boolean follows(int i) {
    return rows.get(i + 1).startSeconds() - rows.get(i).startSeconds() < 1.5;
  }

  /** The highest FAST A-level within an intrusion, dBFS. */
  public double loudestDbfs(Intrusion intrusion) {
    double end = intrusion.startSeconds() + intrusion.durationSeconds();
    double loudest = SecondLevels.NOTHING_DBFS;
    for (int i = firstFrom(intrusion.startSeconds());
        i < rows.size() && rows.get(i).startSeconds() < end;
        i++) {
      loudest = Math.max(loudest, rows.get(i).levels().lafMaxDbfs());
    }
    return loudest;
  }

  private int firstFrom(double seconds) {
    int low = 0;
    int high = rows.size();
    while (low < high) {
      int middle = (low + high) >>> 1;
      if (rows.get(middle).startSeconds() < seconds) {
        low = middle + 1;
      } else {
        high = middle;
      }
    }
    return low;
  }

  /**
   * The intrusions that would have spoiled a take: those whose FAST A-level goes over a limit.
   *
   * @param limitDbfs the highest A-level a take bears
   */
  public List<Intrusion> spoilers(double limitDbfs) {
    return intrusions.stream().filter(i -> loudestDbfs(i) > limitDbfs).toList();
  }

  /**
   * The hours, counted from the start of the watch.
   *
   * @param firstSeconds length of the first, which may begin within an hour of the clock
   * @param limitDbfs the highest A-level a take bears; the lowest number there is where that is not
   *     known, so that all that breaks in counts
   * @param takeSeconds length of a take
   */
  public List<Hour> hours(double firstSeconds, double limitDbfs, double takeSeconds) {
    List<Intrusion> spoilers = spoilers(limitDbfs);
    int[] spoiled = spoiledBefore(limitDbfs);
    List<Hour> hours = new ArrayList<>();
    double start = 0;
    double end = firstSeconds;
    while (start < seconds()) {
      double from = start;
      double to = end;
      List<SecondLevels> within =
          rows.stream()
              .filter(r -> r.startSeconds() >= from && r.startSeconds() < to)
              .map(Row::levels)
              .toList();
      if (!within.isEmpty()) {
        hours.add(
            new Hour(
                from,
                within.size(),
                mean(within),
                exceeded(within, 0.9),
                count(intrusions, from, to),
                count(spoilers, from, to),
                cleanShare(spoiled, from, to, takeSeconds)));
      }
      start = end;
      end += HOUR_SECONDS;
    }
    return hours;
  }

  private static int count(List<Intrusion> of, double from, double to) {
    return (int) of.stream().filter(i -> i.startSeconds() >= from && i.startSeconds() < to).count();
  }

  private static double mean(List<SecondLevels> seconds) {
    return Decibels.ofEnergy(
        seconds.stream().mapToDouble(s -> Decibels.toEnergy(s.laeqDbfs())).average().orElseThrow());
  }

  private static double exceeded(List<SecondLevels> seconds, double share) {
    double[] levels = seconds.stream().mapToDouble(SecondLevels::laeqDbfs).toArray();
    return Quantile.of(levels, 1 - share);
  }

  /** How many seconds go over the limit before each row. */
  private int[] spoiledBefore(double limitDbfs) {
    int[] before = new int[rows.size() + 1];
    for (int i = 0; i < rows.size(); i++) {
      boolean over = rows.get(i).levels().lafMaxDbfs() > limitDbfs;
      boolean counts =
          limitDbfs > SecondLevels.NOTHING_DBFS ? over : rise(i) >= Intrusion.LEAST_RISE_DB;
      before[i + 1] = before[i] + (counts ? 1 : 0);
    }
    return before;
  }

  private double cleanShare(int[] spoiledBefore, double from, double to, double takeSeconds) {
    int clean = 0;
    int tried = 0;
    int end = 0;
    for (int i = 0; i < rows.size() && rows.get(i).startSeconds() < to; i++) {
      double start = rows.get(i).startSeconds();
      while (end < rows.size() && rows.get(end).startSeconds() < start + takeSeconds) {
        end++;
      }
      if (start >= from) {
        tried++;
        clean += spoiledBefore[end] == spoiledBefore[i] ? 1 : 0;
      }
    }
    return tried == 0 ? 0 : (double) clean / tried;
  }
}
