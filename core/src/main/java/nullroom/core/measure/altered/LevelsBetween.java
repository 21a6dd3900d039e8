package nullroom.core.measure.altered;

import java.util.Arrays;
import java.util.Optional;
import java.util.function.IntPredicate;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import nullroom.core.Decibels;
import nullroom.core.Figures;
import nullroom.core.signal.HannSpectrum;

/**
 * Lines of the spectra whose level lies between the noise and what sounds. A room lets everything
 * die away through all levels, and as slowly near the noise as far over it, so that of the lines of
 * any level about as many stand a moment later, and beside one another. Who takes away what is near
 * the noise, line by line, hurries them through the decibels over it: there they stand alone, and
 * for a moment only. Cannot see what was done to a sound without pauses, or where the noise itself
 * comes and goes.
 */
final class LevelsBetween {
  private static final double[] EDGES_HZ = {200, 600, 2000, 5000, 12_000};
  private static final int BANDS = EDGES_HZ.length - 1;

  /** Under it a voice has lines of its own. */
  private static final int FIRST_BAND = 1;

  private static final int FEWEST_BANDS = 3;
  private static final double MOST_OF_RATE = 0.45;

  /** So much apart two lines stand together. */
  private static final double TOGETHER_DB = 4.5;

  /** The next line but one: the window shares out each among its neighbours. */
  private static final int BESIDE = 2;

  /** In a moment in which something sounds so many lines stand over what noise reaches. */
  private static final double SOUNDS = 0.03;

  private static final double NOISE_TO_DB = 9;

  /** Between the noise and what sounds, in decibels over the noise. */
  private static final double BETWEEN_FROM_DB = 9;

  private static final double BETWEEN_TO_DB = 15;

  /** Far over it. */
  private static final double FAR_FROM_DB = 27;

  private static final double FAR_TO_DB = 39;

  /** Noise lies so near to its mean, and hardly further than that under or over it. */
  private static final double MIDDLE_DB = 3;

  private static final double ABOUT_DB = 6;
  private static final int FEWEST = 300;

  /** Of all lines so many hold noise, or nobody knows where it stands. */
  private static final double NOISE_SHARE = 0.25;

  /** Logarithms of odds. Plain noise has 0.4 in time and 0.47 beside, where it stands still. */
  private static final double STEADY_IN_TIME = -0.4;

  private static final double STEADY_BESIDE = -0.1;

  /** Sounds that begin and end at once are short at all levels; tones stand in time at all. */
  private static final double FAR_IN_TIME = -1.35;

  private static final double TONES_IN_TIME = -0.25;

  /**
   * Nearly nothing stays where a sound begins and ends at once in a dead room, or is all tones that
   * glide.
   */
  private static final double LEAST_IN_TIME = -1.85;

  /** Tones stand alone at all levels; noise that is switched on and off together at all. */
  private static final double FAR_BESIDE = -0.9;

  private static final double NOISE_BESIDE = -0.18;
  private static final double BESIDE_WEIGHT = 1.2;

  /** Both together in each band; of 684 untouched voices one is over it and over what follows. */
  private static final double SURE = 1.3;

  private static final double MORE_SURE = 1.48;

  /** One untouched voice in ten is over it. */
  private static final double LIKELY = 1.2;

  private static final double MORE_LIKELY = 1.48;

  /** Logarithms of odds, beside one another against in time. */
  private static final double BESIDE_MORE = 2.25;

  private static final double FAR_PART = 0.5;
  private static final double FEWER = 0.05;
  private static final double LEAST_FEWER = 0.05;

  private static final int PERCENT = 100;

  private final HannSpectrum spectrum;
  private final int first;
  private final int lines;
  private byte[] levels = new byte[1 << 16];
  private int rows;

  LevelsBetween(HannSpectrum spectrum, double rate) {
    this.spectrum = spectrum;
    first = spectrum.bin(EDGES_HZ[0]);
    lines = Math.max(0, spectrum.bin(Math.min(EDGES_HZ[BANDS], MOST_OF_RATE * rate)) - first);
  }

  /** How many lines there are, and how many of them stand together with another. */
  private record Standing(long all, long together) {
    private Standing and(Standing other) {
      return new Standing(all + other.all, together + other.together);
    }

    /** Logarithm of the odds; not a number of few. */
    private double odds() {
      return all < FEWEST ? Double.NaN : Math.log((together + 1.0) / (all - together + 1.0));
    }

    private double percent() {
      return PERCENT * (double) together / all;
    }
  }

  /** The lines of some levels in a band, a moment later and beside one another. */
  private record Both(Standing inTime, Standing beside) {
    private Both and(Both other) {
      return new Both(inTime.and(other.inTime), beside.and(other.beside));
    }

    /** How far they stand alone, and for a moment. */
    private double alone() {
      return -inTime.odds() - BESIDE_WEIGHT * beside.odds();
    }
  }

  /** The bins of one spectrum in decibels, behind the one before. */
  void add(double[] bins) {
    int end = (rows + 1) * lines;
    if (end > levels.length) {
      levels = Arrays.copyOf(levels, Math.max(end, 2 * levels.length));
    }
    for (int k = 0; k < lines; k++) {
      levels[rows * lines + k] =
          (byte) Math.clamp(Math.round(bins[first + k]), Byte.MIN_VALUE, Byte.MAX_VALUE);
    }
    rows++;
  }

  /**
   * How the lines between noise and sound stand, and those far over it.
   *
   * @param bands between, band by band
   * @param farBands far over it
   * @param steady whether noise is heard often enough, and stands still
   */
  @SuppressWarnings("ArrayRecordComponent") // never compared
  record Seen(Both[] bands, Both[] farBands, boolean steady) {
    /**
     * Whether they stand together as in nine untouched voices of ten.
     *
     * @param doubted whether something else speaks against it, so that more is asked
     */
    boolean isUnlikely(boolean doubted) {
      return alone() < (doubted ? MORE_LIKELY : LIKELY);
    }

    /** How far they stand alone and for a moment, and logarithms of odds near the noise and far. */
    DoubleStream traces() {
      Both between = all(bands);
      Both far = all(farBands);
      return DoubleStream.of(
          alone(),
          fewerBeside(),
          between.inTime.odds(),
          between.beside.odds(),
          far.inTime.odds(),
          far.beside.odds());
    }

    /** In the band in which they do so least; not a number where nothing lies between. */
    private double alone() {
      double[] alone = among(bands).mapToDouble(Both::alone).filter(Double::isFinite).toArray();
      return alone.length < FEWEST_BANDS ? Double.NaN : Arrays.stream(alone).min().orElseThrow();
    }

    /**
     * How many fewer stand beside one another than far over the noise, against how many fewer a
     * moment later: sounds that end soon are short near the noise, too, but no narrower.
     */
    private double fewerBeside() {
      Both between = all(bands);
      Both far = all(farBands);
      return BESIDE_MORE * (FAR_PART * far.beside.odds() - between.beside.odds())
          - (FAR_PART * far.inTime.odds() - between.inTime.odds());
    }

    /**
     * What speaks for somebody who takes away what is near the noise.
     *
     * @param doubted whether the lines of such a sound stand alone by themselves, so that more is
     *     asked
     */
    Optional<String> told(boolean doubted) {
      Both between = all(bands);
      Both far = all(farBands);
      double inTime = far.inTime.odds();
      double beside = far.beside.odds();
      boolean tones =
          among(farBands).mapToDouble(b -> b.inTime.odds()).anyMatch(odds -> odds > TONES_IN_TIME);
      return steady
              && alone() > (doubted ? MORE_SURE : SURE)
              && fewerBeside() > FEWER
              && !tones
              && between.inTime.odds() > LEAST_IN_TIME
              && inTime > Math.max(FAR_IN_TIME, between.inTime.odds() + LEAST_FEWER)
              && beside > Math.max(FAR_BESIDE, between.beside.odds() + LEAST_FEWER)
              && beside < NOISE_BESIDE
          ? Optional.of(
              Figures.say(
                  "of the lines %.0f to %.0f dB over the noise %.0f in a hundred stand so a moment later and %.0f beside one another, of those far over it %.0f and %.0f: in a room all dies away as slowly near the noise",
                  BETWEEN_FROM_DB,
                  BETWEEN_TO_DB,
                  between.inTime.percent(),
                  between.beside.percent(),
                  far.inTime.percent(),
                  far.beside.percent()))
          : Optional.empty();
    }

    private static Both all(Both[] bands) {
      return Arrays.stream(bands).reduce(Both::and).orElseThrow();
    }

    private static Stream<Both> among(Both[] bands) {
      return Arrays.stream(bands).skip(FIRST_BAND);
    }
  }

  /**
   * How the lines stand.
   *
   * @param noise powers of the bins in the pauses
   */
  Seen over(double[] noise) {
    double[] floor = floor(noise);
    boolean[] sounding = sounding(floor);
    return new Seen(
        bands(floor, row -> sounding[row], BETWEEN_FROM_DB, BETWEEN_TO_DB),
        bands(floor, row -> sounding[row], FAR_FROM_DB, FAR_TO_DB),
        isSteady(floor));
  }

  private double[] floor(double[] noise) {
    double[] floor = new double[lines];
    Arrays.setAll(floor, k -> Decibels.ofEnergy(noise[first + k] + Double.MIN_NORMAL));
    return floor;
  }

  /** In which spectra something sounds. */
  private boolean[] sounding(double[] floor) {
    boolean[] sounding = new boolean[rows];
    for (int row = 0; row < rows; row++) {
      int over = 0;
      for (int k = 0; k < lines; k++) {
        over += over(row, k, floor) > NOISE_TO_DB ? 1 : 0;
      }
      sounding[row] = over > SOUNDS * lines;
    }
    return sounding;
  }

  /** Whether noise is heard often enough, and stands still. */
  private boolean isSteady(double[] floor) {
    long noisy = 0;
    for (int row = 0; row < rows; row++) {
      for (int k = 0; k < lines; k++) {
        noisy += Math.abs(over(row, k, floor)) < ABOUT_DB ? 1 : 0;
      }
    }
    Both middle = Seen.all(bands(floor, row -> true, -MIDDLE_DB, MIDDLE_DB));
    return noisy > NOISE_SHARE * rows * lines
        && middle.inTime.odds() > STEADY_IN_TIME
        && middle.beside.odds() > STEADY_BESIDE;
  }

  /** The lines of some levels over the noise, in some moments, band by band. */
  private Both[] bands(double[] floor, IntPredicate moments, double fromDb, double toDb) {
    return IntStream.range(0, BANDS)
        .mapToObj(b -> {
          int from = Math.min(lines, spectrum.bin(EDGES_HZ[b]) - first);
          int to = Math.min(lines, spectrum.bin(EDGES_HZ[b + 1]) - first);
          return standing(floor, moments, from, to, fromDb, toDb);
        })
        .toArray(Both[]::new);
  }

  private Both standing(
      double[] floor, IntPredicate moments, int from, int to, double fromDb, double toDb) {
    int later = 0;
    int laterTogether = 0;
    int beside = 0;
    int besideTogether = 0;
    for (int row = 0; row < rows; row++) {
      if (!moments.test(row)) {
        continue;
      }
      for (int k = from; k < to; k++) {
        double db = over(row, k, floor);
        if (db >= fromDb && db < toDb) {
          if (row + 1 < rows) {
            later++;
            laterTogether += Math.abs(over(row + 1, k, floor) - db) < TOGETHER_DB ? 1 : 0;
          }
          if (k + BESIDE < lines) {
            beside++;
            besideTogether += Math.abs(over(row, k + BESIDE, floor) - db) < TOGETHER_DB ? 1 : 0;
          }
        }
      }
    }
    return new Both(new Standing(later, laterTogether), new Standing(beside, besideTogether));
  }

  private double over(int row, int line, double[] floor) {
    return levels[row * lines + line] - floor[line];
  }
}
