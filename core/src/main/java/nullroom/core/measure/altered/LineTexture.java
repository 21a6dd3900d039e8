package nullroom.core.measure.altered;

import java.util.Arrays;
import java.util.Optional;
import java.util.stream.IntStream;
import nullroom.core.Decibels;
import nullroom.core.Quantile;
import nullroom.core.measure.Frames;
import nullroom.core.signal.HannSpectrum;

/**
 * How single bins of spectra lie beside one another, band by band and spectrum by spectrum, and
 * that of those spectra that are asked for by what sounds.
 */
final class LineTexture {
  private static final double[] EDGES_HZ = {1500, 2828, 4000, 5657, 8000, 11_314, 15_500};
  private static final int BANDS = EDGES_HZ.length - 1;
  private static final double MOST_OF_RATE = 0.45;

  /** Level, and the sums of squares, of neighbours and of followers. */
  private static final int COLUMNS = 4;

  /** Bins on each side whose mean is taken for the spectrum's own shape. */
  private static final int AROUND = 12;

  /** A steady line stands further over its neighbours than noise ever does. */
  private static final double HIGHEST_DB = 8;

  private static final double LOUD_SHARE = 0.97;
  private static final double LOUD_DB = 15;
  private static final double AROUND_SECONDS = 3;
  private static final double FLOOR_SHARE = 0.12;

  /** From the softest eighth to the mean. */
  private static final double FLOOR_DB = 0.5;

  private static final int FEWEST = 10;

  /** Bands over 4 kHz begin there, and over 8 kHz. */
  static final int HIGH = 2;

  static final int TOP = 4;

  private final HannSpectrum spectrum;
  private final double rate;
  private final Frames rows;
  private final double[][] before = new double[BANDS][0];
  private final int bands;
  private double lastFollowing;

  LineTexture(HannSpectrum spectrum, double rate) {
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
  record Texture(int rows, double scatterDb, double beside, double following) {}

  /**
   * Which spectra of a band are asked, by their seconds since something loud, their level, and by
   * how much it is lower than the one before.
   */
  interface Asked {
    boolean is(double since, double overFloorDb, double fallDb);
  }

  private double seconds() {
    return spectrum.size() / rate;
  }

  /**
   * One spectrum, behind the one before.
   *
   * @param bins of {@code power} in decibels
   */
  void add(double[] power, double[] bins) {
    if (bands == 0) {
      return;
    }
    double[] row = new double[COLUMNS * bands];
    for (int b = 0; b < bands; b++) {
      double[] off =
          Arrays.copyOfRange(bins, spectrum.bin(EDGES_HZ[b]), spectrum.bin(EDGES_HZ[b + 1]));
      HannSpectrum.level(off, AROUND);
      double squares = 0;
      double beside = 0;
      double following = 0;
      for (int k = 0; k < off.length; k++) {
        off[k] = Math.min(off[k], HIGHEST_DB);
        squares += off[k] * off[k];
        beside += k > 0 ? off[k] * off[k - 1] : 0;
        following += before[b].length > 0 ? off[k] * before[b][k] : 0;
      }
      row[COLUMNS * b + 1] = squares / off.length;
      row[COLUMNS * b + 2] = beside / (off.length - 1);
      row[COLUMNS * b + 3] = following / off.length;
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
    rows.add(row);
  }

  /**
   * Of the last spectrum, over 4 kHz: whether its lines stand where those of the one before stood.
   */
  double lastFollowing() {
    return lastFollowing;
  }

  /** How many there are under half the sampling rate. */
  int bands() {
    return bands;
  }

  /**
   * Of the bands from one to another; empty of few spectra.
   *
   * @param total levels of all of it, spectrum by spectrum
   */
  Optional<Texture> of(double[] total, int from, int to, Asked asked) {
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
}
