package nullroom.core.measure.altered;

import java.util.Arrays;
import nullroom.core.measure.Frames;

/** Levels on end. */
final class Rows {
  private Rows() {}

  static double mean(double[] levels, int from, int rows) {
    double sum = 0;
    for (int k = from; k < from + rows; k++) {
      sum += levels[k];
    }
    return sum / rows;
  }

  static double mean(Frames levels, int column, int from, int rows) {
    double sum = 0;
    for (int k = from; k < from + rows; k++) {
      sum += levels.get(k, column);
    }
    return sum / rows;
  }

  /** The loudest of those from one row up to another; one at least. */
  static double most(double[] levels, int from, int to) {
    double most = levels[from];
    for (int k = from + 1; k < to; k++) {
      most = Math.max(most, levels[k]);
    }
    return most;
  }

  /** The softest of them. */
  static double least(double[] levels, int from, int to) {
    double least = levels[from];
    for (int k = from + 1; k < to; k++) {
      least = Math.min(least, levels[k]);
    }
    return least;
  }

  /**
   * Whether a level stands still as plain noise does.
   *
   * @param scatterDb it scatters by less
   * @param driftDb its second half lies less over or under the first
   */
  static boolean still(double[] levels, int from, int rows, double scatterDb, double driftDb) {
    int half = rows / 2;
    return Scatter.of(Arrays.copyOfRange(levels, from, from + rows)) < scatterDb
        && Math.abs(mean(levels, from, half) - mean(levels, from + half, half)) < driftDb;
  }

  /** Row and its part at which a fall that begins there passes a level. */
  static double crossing(double[] levels, int row, double level) {
    return row + (levels[row] - level) / Math.max(Double.MIN_NORMAL, levels[row] - levels[row + 1]);
  }
}
