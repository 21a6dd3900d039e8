package nullroom.core.measure.altered;

import java.util.Optional;
import java.util.stream.IntStream;
import nullroom.core.Decibels;
import nullroom.core.Quantile;
import nullroom.core.measure.Frames;
import nullroom.core.signal.HannSpectrum;

/**
 * How single bins of spectra lie beside one another while sounds die away into the noise. A room's
 * tail and the noise are both noise, and so is their sum: whatever the levels, the logarithms of
 * neighbouring bins scatter by 5.6 dB, each for itself but for what the window shares. A reduction
 * that leaves the pauses plain noise, only softer, still decides there, bin by bin, what is to be
 * kept, and makes islands of them.
 */
final class TailTexture {
  private static final double[] EDGES_HZ = {1500, 2828, 4000, 5657, 8000, 11_314, 15_500};
  private static final int BANDS = EDGES_HZ.length - 1;
  private static final double MOST_OF_RATE = 0.45;

  /** Level, and the sums of squares, of neighbours and of followers. */
  private static final int COLUMNS = 4;

  /** Bins on each side whose mean is taken for the spectrum's own shape. */
  private static final int AROUND = 12;

  /** A steady line stands further over its neighbours than noise ever does. */
  private static final double HIGHEST_DB = 8;

  /** What a device does it does by then. */
  private static final double LONGEST_SECONDS = 600;

  private static final double LOUD_SHARE = 0.97;
  private static final double LOUD_DB = 15;
  private static final double TAIL_SECONDS = 0.6;
  private static final double AROUND_SECONDS = 3;
  private static final double FLOOR_SHARE = 0.12;

  /** From the softest eighth to the mean. */
  private static final double FLOOR_DB = 0.5;

  private static final double STILL_DB = 1;
  private static final double TAIL_FROM_DB = 8;
  private static final double TAIL_TO_DB = 14;

  /** What falls faster sounds in a part of the window only, and its bins are not apart. */
  private static final double STEEP_DB = 15;

  private static final double LOUD_FROM_DB = 24;
  private static final int FEWEST = 10;

  private static final int HIGH = 2;
  private static final int MIDDLE_FROM = 1;
  private static final int MIDDLE_TO = 4;
  private static final int TOP = 4;

  /**
   * Of untouched sound up to 6.0, or the neighbours up to 0.42; both in few rows up to 6.1 and
   * 0.39.
   */
  private static final double SCATTER_DB = 6.08;

  private static final double BESIDE = 0.41;

  /** Further apart than any of untouched sound, that reaches 6.3, where there is enough of it. */
  private static final double WIDE_DB = 6.4;

  private static final double WIDE_BESIDE = 0.34;
  private static final int WIDE_ROWS = 15;

  /**
   * Long after anything loud, so little over the noise, islands show where bins are still moved.
   */
  private static final double OVER_NOISE_FROM_DB = 1;

  private static final double OVER_NOISE_TO_DB = 6;
  private static final int OVER_NOISE_FEWEST = 25;

  /** Of untouched sound 5.3 dB and 0.27, and never both over 5.6 and 0.3. */
  private static final double OVER_NOISE_SCATTER_DB = 5.75;

  private static final double OVER_NOISE_BESIDE = 0.305;
  private static final double OVER_NOISE_FOLLOWING = 0.15;
  private static final double OVER_NOISE_TONES = 0.25;

  /** Over the noise, of what is no louder than a word dies away. */
  private static final double FAR_FROM_DB = 16;

  private static final double FAR_TO_DB = 40;
  private static final int FAR_FEWEST = 40;

  /** Of untouched sound rarely over 5.9, and where it changes fast up to 0.43; never both. */
  private static final double FAR_SCATTER_DB = 6.06;

  private static final double FAR_BESIDE = 0.435;
  private static final double FAR_FOLLOWING = 0.15;

  /** Squared decibels more than in the pauses, which a steady line would widen, too. */
  private static final double MORE = 6.5;

  /** Of a sung tone the lines follow one another also while it is loud. */
  private static final double FOLLOWING = 0.3;

  private static final double TAIL_FOLLOWING = 0.45;

  /** So much wider over 8 kHz than about 4 kHz, where it is hardly wider than noise: a coder. */
  private static final double RISING_DB = 0.45;

  private static final double RISING_FROM_DB = 6;

  /** The same in the pauses, where no other coder widens them so with height. */
  private static final double TOP_RISE_DB = 0.8;

  /** Coders that fill their holes leave up to 0.39. */
  private static final double WIDER_BESIDE = 0.4;

  /** Pauses in which bins scatter further than in any plain noise, low and high alike. */
  private static final double EVEN_DB = 5.55;

  private static final double EVEN_SLACK_DB = 0.2;

  /** A coder leaves the voice's own bands nearly as they were, and takes more the higher. */
  private static final double CODED_LOW_DB = 5.6;

  private static final double CODED_RISE_DB = 0.24;

  /** All that dies away, over the noise. */
  private static final double ROUGH_FROM_DB = 4;

  private static final double ROUGH_TO_DB = 20;

  /** Medians and deviations of untouched voices; one in twenty lies over both by so many. */
  private static final double USUAL_SCATTER_DB = 5.73;

  private static final double USUAL_SCATTER_OFF = 0.14;
  private static final double USUAL_BESIDE = 0.344;
  private static final double USUAL_BESIDE_OFF = 0.034;
  private static final double ROUGH = 2;

  /** Of pauses; plain noise reaches 5.43, and coders of music mostly 5.45. */
  private static final double ROUGH_PAUSES_DB = 5.5;

  private final HannSpectrum spectrum;
  private final double rate;
  private final Frames rows;
  private final double[][] before = new double[BANDS][0];
  private final int bands;
  private double lastFollowing;

  TailTexture(HannSpectrum spectrum, double rate) {
    this.spectrum = spectrum;
    this.rate = rate;
    bands =
        (int)
            IntStream.rangeClosed(1, BANDS).filter(b -> EDGES_HZ[b] < MOST_OF_RATE * rate).count();
    rows = new Frames(COLUMNS * Math.max(1, bands));
  }

  /**
   * Of some bands and moments.
   *
   * @param rows how many spectra of a band
   * @param scatterDb root mean square of what a bin is over or under those around it
   * @param beside correlation with the next bin
   * @param following correlation with the same bin in the next spectrum; tones have it
   */
  record Texture(int rows, double scatterDb, double beside, double following) {
    private boolean isIslands() {
      return following < TAIL_FOLLOWING
          && (scatterDb > SCATTER_DB && beside > BESIDE
              || scatterDb > WIDE_DB && beside > WIDE_BESIDE && rows > WIDE_ROWS);
    }
  }

  private double seconds() {
    return spectrum.size() / rate;
  }

  /** One spectrum, behind the one before. */
  void add(double[] power) {
    if (bands == 0) {
      return;
    }
    boolean kept = rows.count() * seconds() < LONGEST_SECONDS;
    double[] row = new double[COLUMNS * bands];
    for (int b = kept ? 0 : HIGH; b < (kept ? bands : Math.min(TOP, bands)); b++) {
      double[] off = new double[spectrum.bin(EDGES_HZ[b + 1]) - spectrum.bin(EDGES_HZ[b])];
      for (int k = 0; k < off.length; k++) {
        off[k] = Decibels.ofEnergy(power[spectrum.bin(EDGES_HZ[b]) + k] + Double.MIN_NORMAL);
      }
      HannSpectrum.level(off, AROUND);
      for (int k = 0; k < off.length; k++) {
        off[k] = Math.min(off[k], HIGHEST_DB);
        row[COLUMNS * b + 1] += off[k] * off[k] / off.length;
        row[COLUMNS * b + 2] += k > 0 ? off[k] * off[k - 1] / (off.length - 1) : 0;
        row[COLUMNS * b + 3] += before[b].length > 0 ? off[k] * before[b][k] / off.length : 0;
      }
      row[COLUMNS * b] =
          Decibels.ofEnergy(
              spectrum.between(power, EDGES_HZ[b], EDGES_HZ[b + 1]) + Double.MIN_NORMAL);
      before[b] = off;
    }
    double squares = Double.MIN_NORMAL;
    double following = 0;
    for (int b = HIGH; b < Math.min(TOP, bands); b++) {
      squares += row[COLUMNS * b + 1];
      following += row[COLUMNS * b + 3];
    }
    lastFollowing = following / squares;
    if (kept) {
      rows.add(row);
    }
  }

  /**
   * Which spectra of a band are asked, by their seconds since something loud, their level, and by
   * how much it is lower than the one before.
   */
  private interface Asked {
    boolean is(double since, double overFloorDb, double fallDb);
  }

  /** While sounds die away, from one band to another; empty where that is too short. */
  private Optional<Texture> tails(double[] total, int from, int to) {
    return of(
        total,
        from,
        to,
        (since, over, fall) ->
            since > 0
                && since < TAIL_SECONDS
                && over > TAIL_FROM_DB
                && over < TAIL_TO_DB
                && fall < STEEP_DB);
  }

  /** While something stands far over the noise. */
  private Optional<Texture> loud(double[] total, int from, int to) {
    return of(total, from, to, (since, over, fall) -> over > LOUD_FROM_DB);
  }

  /** While nothing sounds. */
  private Optional<Texture> still(double[] total, int from, int to) {
    return of(total, from, to, (since, over, fall) -> over < STILL_DB);
  }

  /**
   * Of the last spectrum, over 4 kHz: whether its lines stand where those of the one before stood.
   */
  double lastFollowing() {
    return lastFollowing;
  }

  private Optional<Texture> of(double[] total, int from, int to, Asked asked) {
    double loud = Quantile.of(total, LOUD_SHARE) - LOUD_DB;
    int around = (int) (AROUND_SECONDS / seconds());
    double[] sums = new double[COLUMNS];
    for (int b = from; b < Math.min(to, bands); b++) {
      double[] level = rows.column(COLUMNS * b);
      int since = level.length;
      double floor = 0;
      for (int k = 0; k < level.length; k++) {
        if (k % Math.max(1, around / 6) == 0) {
          floor =
              FLOOR_DB
                  + Quantile.of(
                      level,
                      Math.max(0, k - around),
                      Math.min(level.length, k + around),
                      FLOOR_SHARE);
        }
        since = total[k] > loud ? 0 : since + 1;
        if (asked.is(since * seconds(), level[k] - floor, level[Math.max(0, k - 1)] - level[k])) {
          sums[0]++;
          for (int c = 1; c < COLUMNS; c++) {
            sums[c] += rows.get(k, COLUMNS * b + c);
          }
        }
      }
    }
    return sums[0] < FEWEST
        ? Optional.empty()
        : Optional.of(
            new Texture(
                (int) sums[0], Math.sqrt(sums[1] / sums[0]), sums[2] / sums[1], sums[3] / sums[1]));
  }

  /** Whether somebody decided bin by bin, and no coder did. */
  Optional<Texture> workedOn(double[] total) {
    Optional<Texture> high = tails(total, HIGH, bands);
    Optional<Texture> still = still(total, HIGH, bands);
    if (high.isEmpty() || still.isEmpty() || isCoded(total)) {
      return Optional.empty();
    }
    Optional<Texture> middle = tails(total, MIDDLE_FROM, MIDDLE_TO);
    Optional<Texture> top = tails(total, TOP, bands);
    Texture loudest = loud(total, HIGH, bands).orElse(high.get()); // of some only the end is heard
    boolean tones = loudest.following > FOLLOWING;
    boolean rising =
        middle.filter(m -> m.scatterDb < RISING_FROM_DB).isPresent()
            && top.filter(t -> t.scatterDb > middle.get().scatterDb + RISING_DB).isPresent();
    double more = square(high.get().scatterDb) - square(still.get().scatterDb);
    return high.filter(h -> h.isIslands() && more > MORE && !tones && !rising);
  }

  /** Whether bins are still moved one by one in what sounds softly, long after anything loud. */
  Optional<Texture> movedOverNoise(double[] total) {
    return moved(
        total,
        OVER_NOISE_TONES,
        (since, over, fall) ->
            since >= TAIL_SECONDS
                && over > OVER_NOISE_FROM_DB
                && over < OVER_NOISE_TO_DB
                && fall < STEEP_DB,
        new Texture(
            OVER_NOISE_FEWEST, OVER_NOISE_SCATTER_DB, OVER_NOISE_BESIDE, OVER_NOISE_FOLLOWING));
  }

  /** The same far over the noise, as one does who takes it for more. */
  Optional<Texture> movedFarOver(double[] total) {
    return moved(
        total,
        FOLLOWING,
        (since, over, fall) ->
            since > 0 && over > FAR_FROM_DB && over < FAR_TO_DB && fall < STEEP_DB,
        new Texture(FAR_FEWEST, FAR_SCATTER_DB, FAR_BESIDE, FAR_FOLLOWING));
  }

  /** Whether all that dies away is wider than in nineteen of twenty untouched sounds. */
  boolean hasRoughTails(double[] total) {
    return moved(
            total,
            FOLLOWING,
            0,
            (since, over, fall) ->
                since > 0
                    && since < TAIL_SECONDS
                    && over > ROUGH_FROM_DB
                    && over < ROUGH_TO_DB
                    && fall < STEEP_DB)
        .filter(t ->
            (t.scatterDb - USUAL_SCATTER_DB) / USUAL_SCATTER_OFF
                    + (t.beside - USUAL_BESIDE) / USUAL_BESIDE_OFF
                > ROUGH)
        .isPresent();
  }

  /** Whether the pauses are wider than those of any steady noise. */
  boolean hasRoughPauses(double[] total) {
    return moved(total, FOLLOWING, HIGH, (since, over, fall) -> over < STILL_DB)
        .filter(t -> t.scatterDb > ROUGH_PAUSES_DB)
        .isPresent();
  }

  /** Unless tones are loud, or a coder did it: what is asked for, if it is wider than a limit. */
  private Optional<Texture> moved(double[] total, double tones, Asked asked, Texture limit) {
    return moved(total, tones, HIGH, asked)
        .filter(t ->
            t.rows >= limit.rows
                && t.scatterDb > limit.scatterDb
                && t.beside > limit.beside
                && t.following < limit.following);
  }

  private Optional<Texture> moved(double[] total, double tones, int from, Asked asked) {
    return isCoded(total) || loud(total, HIGH, bands).filter(l -> l.following > tones).isPresent()
        ? Optional.empty()
        : of(total, from, bands, asked);
  }

  /** Islands in the pauses, more the higher: a coder's. */
  boolean isCoded(double[] total) {
    Optional<Texture> low = still(total, 0, HIGH);
    Optional<Texture> high = still(total, HIGH, bands);
    return low.isPresent()
        && high.isPresent()
        && low.get().scatterDb < CODED_LOW_DB
        && high.get().scatterDb > low.get().scatterDb + CODED_RISE_DB;
  }

  /** Islands in the pauses as wide as no coder leaves them but one that widens them with height. */
  boolean isWide(double[] total) {
    Optional<Texture> middle = still(total, MIDDLE_FROM, MIDDLE_TO);
    return middle.isPresent()
        && still(total, TOP, bands)
            .filter(
                t -> t.beside > WIDER_BESIDE && t.scatterDb < middle.get().scatterDb + TOP_RISE_DB)
            .isPresent();
  }

  /** Islands in the pauses, as many at all heights: no coder's. */
  boolean isEven(double[] total) {
    Optional<Texture> low = still(total, 0, HIGH);
    Optional<Texture> high = still(total, HIGH, bands);
    return bands > TOP // a coder shows by what it does up there
        && low.isPresent()
        && high.isPresent()
        && low.get().scatterDb > EVEN_DB
        && Math.abs(high.get().scatterDb - low.get().scatterDb) < EVEN_SLACK_DB;
  }

  private static double square(double x) {
    return x * x;
  }
}
