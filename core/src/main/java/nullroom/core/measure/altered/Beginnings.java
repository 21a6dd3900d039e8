package nullroom.core.measure.altered;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.ToDoubleFunction;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import nullroom.core.Decibels;
import nullroom.core.Figures;
import nullroom.core.Quantile;
import nullroom.core.signal.Band;
import nullroom.core.signal.Butterworth;
import nullroom.core.signal.Sums;

/** Sounds that begin at once, out of noise that stood still, and how far it rose just before. */
final class Beginnings {
  private static final int BAND_ORDER = 2;

  /** Rows kept, and those of them behind the beginning. */
  private static final int KEPT = 130;

  private static final int BEHIND = 5;

  /** Room for so many times what is kept: it is moved to the front only when that is full. */
  private static final int ROOM = 8;

  /** Of the kept rows the first is needed by the filters to settle. */
  private static final int BEGINS = KEPT - BEHIND - 1;

  /** The noise long before, the noise before, and the last moments, in rows from the beginning. */
  private static final int FAR = 110;

  private static final int FAR_HALF = 80;
  private static final int FAR_END = 50;
  private static final int[] FROM = {6, 11, 19, 50, 6, 4};
  private static final int[] TO = {2, 6, 11, 25, 4, 2};
  private static final int LAST = 0;
  private static final int MIDDLE = 1;
  private static final int FIRST = 2;
  private static final int LONG_BEFORE = 3;
  private static final int EARLY = 4; // halves of the last
  private static final int LATE = 5;
  private static final int QUIET_ROWS = 12;
  private static final int APART_ROWS = 60;

  /** What is let through stands less over the noise; what begins, more by as much again. */
  private static final double BEGINS_DB = 14;

  private static final double LOUD_DB = 10;
  private static final double STEP_DB = 3;

  /** A band is asked where the sound stands so far over its noise. */
  private static final double HEARD_DB = 15;

  private static final int FEWEST_BANDS = 2;
  private static final double STILL_DB = 1.8;
  private static final double UNCHANGED_DB = 1.6;
  private static final double RISEN_DB = 2;

  /** A voice that begins softly comes up by less before most of its sounds. */
  private static final double MOSTLY_RISEN_DB = 3.5;

  private static final double ALIKE_DB = 1.5;

  /** Two bands of a softly beginning voice may rise alike by chance. */
  private static final int FEWEST_BANDS_ALIKE = 3;

  private static final double GROWS_DB = 1;

  /** What a device does it does by then. */
  private static final int MOST_SOUNDS = 2000;

  private static final int FEWEST_ALIKE = 2;
  private static final double RISEN_SHARE = 0.75;
  private static final double ALIKE_SHARE = 0.4;
  private static final int FEWEST_ALL = 4;

  /** What is let through has risen earlier, and has come up by so much of it half-way. */
  private static final double NOT_YET_DB = 0.3;

  private static final double NOT_YET = 0.1;

  private static final double SWELLS_UP = 0.6;
  private static final double HARDLY_UP = 0.2;

  /** What is let through does not go down again so far before the sound: crackling does. */
  private static final double DOWN_AGAIN_DB = 3;

  private static final double DOWN_AGAIN_SHARE = 0.25;
  private static final int FEWEST_DOWN_AGAIN = 2;

  /** So many alike; a hiss that begins where a word was cut out has a colour of its own. */
  private static final double STANDS_SHARE = 0.5;

  /** How many figures {@link #traces} has. */
  static final int TRACES = 6;

  /**
   * The last moments before a sound.
   *
   * @param byDb how far the noise rose, mean of the bands
   * @param earlyDb the same of the first half of these moments
   * @param lateDb and of the second
   * @param middleDb how far it had risen before
   * @param alike whether it rose in all bands by as much, and more and more
   */
  private record Before(
      double byDb, double earlyDb, double lateDb, double middleDb, boolean alike) {
    private boolean risen() {
      return byDb > RISEN_DB;
    }
  }

  private final double rate;
  private final List<Band> bands;
  private final int rowSamples;
  private final double[] samples;
  private final double[] energies = new double[KEPT];

  /** Where the row that comes in begins. */
  private int at;

  private int filled;
  private long rows;
  private long lastBegin = -APART_ROWS;
  private final List<Before> sounds = new ArrayList<>();

  /**
   * Of a sound.
   *
   * @param bands that are asked
   * @param rate of the sound in hertz
   * @param rowSeconds all is measured in moments of this length
   */
  Beginnings(List<Band> bands, double rate, double rowSeconds) {
    this.rate = rate;
    this.bands = bands;
    rowSamples = Math.max(1, (int) Math.round(rowSeconds * rate));
    at = (KEPT - 1) * rowSamples;
    samples = new double[ROOM * KEPT * rowSamples];
  }

  /**
   * The next samples.
   *
   * @param block the sound
   * @param highs of it, in which beginnings are looked for
   * @param length of both
   */
  void add(double[] block, double[] highs, int length) {
    if (sounds.size() >= MOST_SOUNDS) {
      return;
    }
    int taken = 0;
    while (taken < length) {
      int n = Math.min(length - taken, rowSamples - filled);
      System.arraycopy(block, taken, samples, at + filled, n);
      energies[KEPT - 1] += Sums.ofSquares(highs, taken, n);
      filled += n;
      taken += n;
      if (filled == rowSamples) {
        rows++;
        if (begins()) {
          lastBegin = rows;
          before().ifPresent(sounds::add);
        }
        System.arraycopy(energies, 1, energies, 0, KEPT - 1);
        energies[KEPT - 1] = 0;
        filled = 0;
        at += rowSamples;
        if (at == samples.length) {
          int kept = (KEPT - 1) * rowSamples;
          System.arraycopy(samples, at - kept, samples, 0, kept);
          at = kept;
        }
      }
    }
  }

  /** Whether something loud begins at once, so many rows before the last. */
  private boolean begins() {
    if (rows < KEPT
        || rows < lastBegin + APART_ROWS
        || energies[BEGINS] < energies[BEGINS - 1] * Decibels.toEnergy(STEP_DB)) {
      return false;
    }
    double over = mean(energies, BEGINS - FAR, BEGINS - FAR_END) * Decibels.toEnergy(BEGINS_DB);
    return energies[BEGINS] > over
        && IntStream.rangeClosed(1, QUIET_ROWS).allMatch(k -> energies[BEGINS - k] < over)
        && IntStream.range(BEGINS, KEPT)
            .anyMatch(k -> energies[k] > over * Decibels.toEnergy(LOUD_DB));
  }

  private static double mean(double[] energies, int from, int to) {
    return Rows.mean(energies, from, to - from) + Double.MIN_NORMAL;
  }

  /** Empty where the noise did not stand still, or the sound has too few bands. */
  private Optional<Before> before() {
    List<double[]> rises = new ArrayList<>();
    for (Band band : bands) {
      double[] row = rows(band);
      double noise = mean(row, BEGINS - FAR, BEGINS - FAR_END);
      double drift =
          Decibels.ofEnergy(
              mean(row, BEGINS - FAR, BEGINS - FAR_HALF)
                  / mean(row, BEGINS - FAR_HALF, BEGINS - FAR_END));
      double[] rise =
          IntStream.range(0, FROM.length)
              .mapToDouble(
                  w -> Decibels.ofEnergy(mean(row, BEGINS - FROM[w], BEGINS - TO[w]) / noise))
              .toArray();
      if (Math.abs(drift) > STILL_DB || Math.abs(rise[LONG_BEFORE]) > UNCHANGED_DB) {
        return Optional.empty();
      }
      double loudest = Arrays.stream(row, BEGINS, KEPT).max().orElseThrow();
      if (loudest > noise * Decibels.toEnergy(HEARD_DB)) {
        rises.add(rise);
      }
    }
    if (rises.size() < FEWEST_BANDS) {
      return Optional.empty();
    }
    double drift = Math.max(0, mean(rises, LONG_BEFORE)); // a gain that comes up goes on to
    double last = mean(rises, LAST);
    double middle = mean(rises, MIDDLE);
    return Optional.of(
        new Before(
            last - drift,
            mean(rises, EARLY) - drift,
            mean(rises, LATE) - drift,
            middle - drift,
            rises.size() >= FEWEST_BANDS_ALIKE
                && Scatter.of(of(rises, LAST).toArray()) < ALIKE_DB
                && last > middle - GROWS_DB
                && middle > mean(rises, FIRST) - GROWS_DB));
  }

  private static double mean(List<double[]> rises, int moment) {
    return of(rises, moment).average().orElseThrow();
  }

  private static DoubleStream of(List<double[]> rises, int moment) {
    return rises.stream().mapToDouble(r -> r[moment]);
  }

  /** Energies of a band, row by row. */
  private double[] rows(Band band) {
    int end = at + rowSamples;
    double[] one = Arrays.copyOfRange(samples, end - KEPT * rowSamples, end);
    Butterworth.bandPass(band, rate, BAND_ORDER).filter(one, one, one.length);
    return IntStream.range(0, KEPT)
        .mapToDouble(k -> Sums.ofSquares(one, k * rowSamples, rowSamples))
        .toArray();
  }

  /**
   * How far the noise rises before them, and when: medians of the whole, of what has come up
   * earlier, and of both halves; then the shares of those before which it rises alike, and at all.
   * Not numbers where nothing begins.
   */
  DoubleStream traces() {
    int all = count();
    return all == 0
        ? Trace.nothing(TRACES)
        : DoubleStream.of(
            median(Before::byDb),
            median(Before::middleDb),
            median(Before::lateDb),
            median(Before::earlyDb),
            sounds.stream().filter(Before::alike).count() / (double) all,
            sounds.stream().filter(Before::risen).count() / (double) all);
  }

  /** How many there are. */
  int count() {
    return sounds.size();
  }

  /** Whether what rises mostly does so in the very last moments: sounds that swell up quickly. */
  boolean swellUp() {
    return count() > 0 && (!hasRisenBefore() && !isUpHalfWay() || isHardlyUpHalfWay());
  }

  /** Whether what rises goes down again before the sound. */
  boolean crackle() {
    long again = sounds.stream().filter(b -> b.lateDb() < b.earlyDb() - DOWN_AGAIN_DB).count();
    return again >= FEWEST_DOWN_AGAIN && again >= DOWN_AGAIN_SHARE * count();
  }

  /** Whether what rises plainly does so in the very last moments. */
  boolean plainlySwellUp() {
    return count() > 0 && median(Before::lateDb) > RISEN_DB && isHardlyUpHalfWay();
  }

  /** Whether the noise has come up before the very last moments. */
  boolean hasRisenBefore() {
    return count() > 0
        && median(Before::middleDb) > Math.max(NOT_YET_DB, NOT_YET * median(Before::byDb));
  }

  private boolean isUpHalfWay() {
    return median(Before::earlyDb) > SWELLS_UP * median(Before::lateDb);
  }

  private boolean isHardlyUpHalfWay() {
    return median(Before::earlyDb) < HARDLY_UP * median(Before::lateDb);
  }

  /** Whether the noise has come up long before them, and stands. */
  boolean standsRisen() {
    double rise = count() == 0 ? 0 : median(Before::byDb);
    return rise > RISEN_DB && hasRisenBefore() && median(Before::middleDb) < rise && isUpHalfWay();
  }

  private double median(ToDoubleFunction<Before> figure) {
    return Quantile.median(sounds.stream().mapToDouble(figure).toArray());
  }

  /** What speaks for something that works on blocks. */
  Optional<String> told() {
    int all = count();
    double[] risen =
        sounds.stream().filter(Before::risen).mapToDouble(Before::byDb).sorted().toArray();
    boolean many =
        alike() >= FEWEST_ALIKE
            && isMost(risen.length)
            && alike() >= ALIKE_SHARE * risen.length
            && (all > FEWEST_ALIKE || hasRisenBefore() && isUpHalfWay()); // of two by chance
    boolean every = all >= FEWEST_ALL && risen.length == all && alike() > 0;
    return (many || every) && risen[risen.length / 2] > MOSTLY_RISEN_DB
        ? Optional.of(
            Figures.say(
                "before %d of %d sounds that begin at once the noise rises by %.0f dB within the last %.0f ms: in a room nothing comes before its cause",
                risen.length, all, risen[risen.length / 2], FROM[1] * 1000 * rowSamples / rate))
        : Optional.empty();
  }

  /** The same of noise that has come up before the sounds and stands, of which two are enough. */
  Optional<String> stands() {
    return count() >= FEWEST_ALIKE && alike() >= STANDS_SHARE * count() && standsRisen()
        ? Optional.of(
            Figures.say(
                "before %d sounds that begin at once the noise comes up by %.0f dB and stands there: in a room nothing comes before its cause",
                count(), median(Before::byDb)))
        : Optional.empty();
  }

  private long alike() {
    return sounds.stream().filter(b -> b.risen() && b.alike()).count();
  }

  private boolean isMost(long risen) {
    return risen >= RISEN_SHARE * count();
  }

  /**
   * The same where something else speaks for it, too: then it is enough that the noise mostly
   * rises, alike or not, as it also does before a voice that begins softly.
   *
   * @param fewest sounds that begin at once
   * @param evidence a sentence, into which their number and the rise are put
   */
  Optional<String> mostlyRises(int fewest, String evidence) {
    double rise = sounds.size() < fewest ? 0 : median(Before::byDb);
    return rise > RISEN_DB
        ? Optional.of(Figures.say(evidence, sounds.size(), rise))
        : Optional.empty();
  }
}
