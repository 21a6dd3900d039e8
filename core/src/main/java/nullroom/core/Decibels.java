package nullroom.core;

/** The one place where decibels are made, undone and added. */
public final class Decibels {
  /** 0 dBV in dBu: 20 lg(1 V / 0.7746 V). */
  public static final double DBV_IN_DBU = 2.2185;

  /** AES17: the mean square of a full-scale sine, 1/2, is 0 dBFS. */
  private static final double FULL_SCALE_SINE_MEAN_SQUARE = 0.5;

  private Decibels() {}

  /** Energy ratio to decibels; negative infinity for 0. */
  public static double ofEnergy(double ratio) {
    return 10 * Math.log10(ratio);
  }

  /** Amplitude ratio to decibels. */
  public static double ofAmplitude(double ratio) {
    return 20 * Math.log10(Math.abs(ratio));
  }

  /** Decibels to energy ratio. */
  public static double toEnergy(double decibels) {
    return Math.pow(10, decibels / 10);
  }

  /** Decibels to amplitude ratio. */
  public static double toAmplitude(double decibels) {
    return Math.pow(10, decibels / 20);
  }

  /** Energy sum of levels. */
  public static double sum(double... levels) {
    double energy = 0;
    for (double level : levels) {
      energy += toEnergy(level);
    }
    return ofEnergy(energy);
  }

  /** RMS level of a mean square in dBFS by AES17 (a full-scale sine reads 0). */
  public static double dbfs(double meanSquare) {
    return ofEnergy(meanSquare / FULL_SCALE_SINE_MEAN_SQUARE);
  }

  /** Mean square of an RMS level in dBFS by AES17; the inverse of {@link #dbfs}. */
  public static double meanSquareOfDbfs(double dbfs) {
    return FULL_SCALE_SINE_MEAN_SQUARE * toEnergy(dbfs);
  }
}
