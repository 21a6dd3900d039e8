package nullroom.core.measure.altered;

import java.util.Arrays;

/** Decibels of bands, each counted by how little plain noise scatters in it; with 0 not at all. */
final class Weighted {
  private Weighted() {}

  /** How many count. */
  static long heard(double[] weights) {
    return Arrays.stream(weights).filter(w -> w > 0).count();
  }

  /** Of each band how far it lies over another level. */
  static double[] over(double[] bands, double[] others) {
    double[] over = new double[others.length];
    Arrays.setAll(over, b -> bands[b] - others[b]);
    return over;
  }

  static double mean(double[] bands, double[] weights) {
    double sum = 0;
    double all = 0;
    for (int b = 0; b < bands.length; b++) {
      if (weights[b] > 0) {
        sum += bands[b] * weights[b];
        all += weights[b];
      }
    }
    return sum / all;
  }

  /**
   * How far bands lie apart; 1 of plain noise.
   *
   * @param weights one over the variances
   */
  static double apart(double[] bands, double[] weights) {
    double mean = mean(bands, weights);
    double sum = 0;
    for (int b = 0; b < bands.length; b++) {
      double off = bands[b] - mean;
      sum += weights[b] > 0 ? off * off * weights[b] : 0;
    }
    return sum / (heard(weights) - 1);
  }
}
