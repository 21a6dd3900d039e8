package nullroom.core.measure.decay;

import java.util.OptionalDouble;
import nullroom.core.Decibels;
import nullroom.core.Regression;

/** Times of a decay whose energy over time is known without noise. */
public final class EnergyDecay {
  /** Fewer points make no line. */
  private static final int FEWEST = 4;

  /** A curve that leaps over more of the range than this with the direct sound has no line. */
  private static final double MOST_LEAPT = 0.75;

  private EnergyDecay() {}

  /**
   * The time for 60 dB by a line through the backwards integrated energy (M. R. Schroeder, J.
   * Acoust. Soc. Am. 37 (1965) 409).
   *
   * @param energy per step; not modified
   * @param stepSeconds of one step
   * @param fromDb where the line begins, 0 or less
   * @param toDb where it ends
   * @return empty where the decay does not cover that range, or leaps over most of it
   */
  public static OptionalDouble seconds(
      double[] energy, double stepSeconds, double fromDb, double toDb) {
    double[] curve = new double[energy.length];
    double sum = 0;
    for (int i = energy.length - 1; i >= 0; i--) {
      sum += energy[i];
      curve[i] = sum;
    }
    if (!(sum > 0)) {
      return OptionalDouble.empty();
    }
    boolean covered = false;
    double first = 0;
    for (int i = 0; i < curve.length; i++) {
      curve[i] = Decibels.ofEnergy(Math.max(1e-30, curve[i] / sum));
      covered |= curve[i] < toDb;
      first = first < fromDb || i == 0 ? first : curve[i];
    }
    boolean leapt = first < fromDb + MOST_LEAPT * (toDb - fromDb);
    Regression line = Regression.between(curve, fromDb, toDb);
    return covered && !leapt && line.count() >= FEWEST && line.slope() < 0
        ? OptionalDouble.of(-60 / line.slope() * stepSeconds)
        : OptionalDouble.empty();
  }
}
