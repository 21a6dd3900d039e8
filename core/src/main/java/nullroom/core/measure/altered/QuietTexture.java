package nullroom.core.measure.altered;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import nullroom.core.signal.HannSpectrum;

/**
 * How single bins of quiet spectra lie beside one another and scatter. Of any noise that nobody has
 * worked on the logarithms of the bins scatter alike whatever its colour, each bin for itself but
 * for what the window shares with its neighbour; a gain set for each bin makes islands of them.
 *
 * @param beside correlation of a bin with its neighbour; 0.24 to 0.29 in untouched sound
 * @param scatterDb of the widest fifth of the bins, at least; up to 6.06 in untouched sound
 * @param high the same as {@code beside}, of the upper half of the bins alone: a coder makes more
 *     islands there, a reduction fewer; up to 0.28 in untouched sound
 * @param following correlation of a bin with itself in the next spectrum, or in one soon after;
 *     over 0.1 where tones move
 * @param rangeDb from the softest tenth of the spectra to the loudest
 */
record QuietTexture(
    double beside, double high, double scatterDb, double following, double rangeDb) {
  /** How many figures {@link #traces} has. */
  static final int TRACES = 5;

  private static final double BESIDE = 0.32;
  private static final double SCATTER_DB = 6.2;

  /** Beside it the neighbours must lie a little nearer than those of noise ever do. */
  private static final double WIDE_BESIDE = 0.312;

  private static final double TONES = 0.1;

  /** What is worked on follows by up to 0.06, but where hardly anything is left. */
  private static final double TONES_WORKED_ON = 0.07;

  private static final double HARDLY_LEFT = 0.4;

  /** Where little is, they follow a little; what a coder makes of noise does not. */
  private static final double UNEASY_DB = 5;

  private static final double TONES_UNEASY = 0.005;

  /** Where even the quietest moments lie so far apart there is no quiet. */
  private static final double NO_QUIET_DB = 30;

  /** Where nothing is quiet, tones that die away lie among the quietest, and follow less. */
  private static final double RESTLESS_DB = 8;

  private static final double TONES_DYING = 0.03;
  private static final double RESTLESS_SLACK = 0.025;
  private static final double RESTLESS_SLACK_DB = 0.05;

  /** Coders that fill their holes leave so much among the highs, and no more among all. */
  private static final double CODED = 0.32;

  private static final double CODED_SLACK = 0.02;
  private static final double MOST_CODED = 0.39;
  private static final double WIDEST = 0.8;

  /** Bins on each side whose mean is taken for the spectrum's own shape. */
  private static final int AROUND = 12;

  private static final int FEWEST_BINS = 100;
  private static final int FEWEST_PAIRS = 10;

  /** Half a second: as long a note sounds, and no island. */
  private static final int NEAR_BLOCKS = 12;

  /**
   * One spectrum.
   *
   * @param block its place in time
   * @param db levels of its bins
   */
  @SuppressWarnings("ArrayRecordComponent") // never compared
  record Spectrum(int block, float[] db) {}

  /**
   * Of spectra in the order of time; empty where they have too few bins.
   *
   * @param rangeDb of their levels
   */
  static Optional<QuietTexture> of(List<Spectrum> spectra, double rangeDb) {
    int bins = spectra.getFirst().db().length;
    if (bins < FEWEST_BINS) {
      return Optional.empty();
    }
    double[][] off = apart(spectra, bins);
    double all = 0;
    double beside = 0;
    double high = 0;
    double highAll = 0;
    double following = 0;
    int apart = farthest(spectra);
    int pairs = 0;
    for (int k = 0; k < off.length; k++) {
      boolean next = k > 0 && spectra.get(k).block() <= spectra.get(k - 1).block() + apart;
      pairs += next ? 1 : 0;
      for (int b = 0; b < bins; b++) {
        all += off[k][b] * off[k][b];
        beside += b > 0 ? off[k][b] * off[k][b - 1] : 0;
        high += b > bins / 2 ? off[k][b] * off[k][b - 1] : 0;
        highAll += b > bins / 2 ? off[k][b] * off[k][b] : 0;
        following += next ? off[k][b] * off[k - 1][b] : 0;
      }
    }
    if (all == 0) {
      return Optional.empty();
    }
    double mean = all / off.length / bins;
    return Optional.of(
        new QuietTexture(
            beside / off.length / (bins - 1) / mean,
            highAll == 0 ? 0 : high / highAll,
            widest(off, bins),
            pairs < FEWEST_PAIRS ? 0 : following / pairs / bins / mean,
            rangeDb));
  }

  /** All figures. */
  DoubleStream traces() {
    return DoubleStream.of(beside, scatterDb, high, following, rangeDb);
  }

  /** Whether tails of sounds are among what is quietest. */
  boolean diesAway() {
    return isRestless()
        || following > TONES_DYING
        || rangeDb > UNEASY_DB && following > TONES_UNEASY;
  }

  private boolean isRestless() {
    return rangeDb > RESTLESS_DB;
  }

  /** How many blocks from one to the next are near: one, if there are enough of them. */
  private static int farthest(List<Spectrum> spectra) {
    long near =
        IntStream.range(1, spectra.size())
            .filter(k -> spectra.get(k).block() == spectra.get(k - 1).block() + 1)
            .count();
    return near < FEWEST_PAIRS ? NEAR_BLOCKS : 1;
  }

  /** Whether a gain of its own was set for each bin. */
  boolean isWorkedOn() {
    boolean wide = scatterDb > SCATTER_DB + (isRestless() ? RESTLESS_SLACK_DB : 0);
    return (beside > BESIDE + (isRestless() ? RESTLESS_SLACK : 0) || wide && beside > WIDE_BESIDE)
        && following < mostFollowing()
        && rangeDb < NO_QUIET_DB;
  }

  private double mostFollowing() {
    if (isRestless()) {
      return TONES_DYING;
    }
    return beside > HARDLY_LEFT ? TONES : TONES_WORKED_ON;
  }

  /** Whether its islands lie as a coder's do. */
  boolean isCoded() {
    return high > CODED && high > beside - CODED_SLACK && beside < MOST_CODED && following < TONES;
  }

  /** What of each bin is neither its mean over time nor the shape of the spectrum around it. */
  private static double[][] apart(List<Spectrum> spectra, int bins) {
    double[] mean = new double[bins];
    double[][] off = new double[spectra.size()][bins];
    for (int k = 0; k < off.length; k++) {
      float[] db = spectra.get(k).db();
      double level = 0;
      for (float one : db) {
        level += one / bins;
      }
      for (int b = 0; b < bins; b++) {
        off[k][b] = db[b] - level;
        mean[b] += off[k][b] / off.length;
      }
    }
    for (double[] row : off) {
      for (int b = 0; b < bins; b++) {
        row[b] -= mean[b];
      }
      HannSpectrum.level(row, AROUND);
    }
    return off;
  }

  private static double widest(double[][] off, int bins) {
    double[] scatter = new double[bins];
    for (int b = 0; b < bins; b++) {
      double sum = 0;
      for (double[] row : off) {
        sum += row[b] * row[b];
      }
      scatter[b] = Math.sqrt(sum / off.length);
    }
    Arrays.sort(scatter);
    return scatter[(int) (WIDEST * (bins - 1))];
  }
}
