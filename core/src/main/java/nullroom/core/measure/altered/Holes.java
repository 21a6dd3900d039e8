package nullroom.core.measure.altered;

import nullroom.core.Decibels;
import nullroom.core.signal.HannSpectrum;
import nullroom.core.signal.Sums;

/**
 * Places among the highs that a coder left empty: far under what is beside them, and emptier than
 * the pauses, where the noise of the room still is. Between the lines of a tone it is there, too.
 */
final class Holes {
  private static final int GROUP = 16;
  private static final double FROM_HZ = 4000;
  private static final double TO_HZ = 16_000;

  /** A group this far under both its neighbours is empty. */
  private static final double EMPTY_DB = 18;

  /** And so far under itself in the pauses; of plain noise a group scatters by 1 dB. */
  private static final double UNDER_PAUSES_DB = 5;

  /** Empty in more of the spectra than this, a place is no hole but a gap between steady lines. */
  private static final double STEADY_SHARE = 0.8;

  /** Where tones stand still, gaps between them are no holes. */
  private static final double TONES = 0.4;

  /** Neighbours must themselves be heard; pauses under it hold no noise to compare to. */
  private static final double HEARD_DB = -120;

  private static final int LEVELS = 240;
  private static final double LEAST = 1e-20;

  private final int first;

  /** Of each group, and of each level in whole decibels under full scale, the empty ones. */
  private final int[][] empty;

  private int spectra;

  Holes(HannSpectrum spectrum) {
    first = spectrum.bin(FROM_HZ) / GROUP;
    int last = Math.min(spectrum.bin(TO_HZ), spectrum.size() / 2) / GROUP;
    empty = new int[Math.max(0, last - first)][LEVELS];
  }

  /**
   * The next spectrum.
   *
   * @param following how far its lines are those of the one before, up to 1
   */
  void add(double[] power, double following) {
    spectra++;
    double[] db = levels(power);
    for (int g = 2; g + 2 < db.length && following < TONES; g++) {
      double beside = Math.min(db[g - 2], db[g + 2]);
      if (beside > HEARD_DB && beside - db[g] > EMPTY_DB) {
        empty[g][Math.clamp((int) -db[g], 0, LEVELS - 1)]++;
      }
    }
  }

  private double[] levels(double[] power) {
    double[] db = new double[empty.length];
    for (int g = 0; g < db.length; g++) {
      int from = (first + g) * GROUP;
      db[g] = Decibels.ofEnergy(Sums.of(power, from, GROUP) + LEAST);
    }
    return db;
  }

  /**
   * Share of all groups of all spectra that are holes.
   *
   * @param pauses mean spectrum of the quietest moments
   */
  double share(double[] pauses) {
    if (empty.length <= 4 || spectra == 0) {
      return 0;
    }
    double[] pause = levels(pauses);
    long holes = 0;
    for (int g = 0; g < empty.length; g++) {
      if (pause[g] > HEARD_DB && under(empty[g], 0) < STEADY_SHARE * spectra) {
        holes += under(empty[g], pause[g] - UNDER_PAUSES_DB);
      }
    }
    return (double) holes / spectra / (empty.length - 4);
  }

  private static long under(int[] levels, double level) {
    long sum = 0;
    for (int i = Math.clamp((int) Math.ceil(-level), 0, LEVELS); i < LEVELS; i++) {
      sum += levels[i];
    }
    return sum;
  }
}
