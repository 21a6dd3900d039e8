package nullroom.app.mic;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Lines of equal value through a field that is known at the corners of a mesh. */
final class Contour {
  private Contour() {}

  /**
   * Straight pieces of a line, each x0, y0, x1, y1.
   *
   * @param xs of the columns
   * @param ys of the rows
   * @param field row by row; NaN where there is none
   */
  static List<double[]> of(double[] xs, double[] ys, double[][] field, double level) {
    List<double[]> pieces = new ArrayList<>();
    for (int j = 0; j + 1 < ys.length; j++) {
      for (int i = 0; i + 1 < xs.length; i++) {
        cross(xs, ys, field, new int[] {i, j}, level).ifPresent(pieces::add);
      }
    }
    return pieces;
  }

  /** Where the line crosses one mesh; of two ways through a saddle, one. */
  private static Optional<double[]> cross(
      double[] xs, double[] ys, double[][] field, int[] at, double level) {
    double[] found = new double[4];
    int count = 0;
    int i = at[0];
    int j = at[1];
    int[][] corners = {{i, j}, {i + 1, j}, {i + 1, j + 1}, {i, j + 1}};
    for (int k = 0; k < corners.length && count < 4; k++) {
      int[] a = corners[k];
      int[] b = corners[(k + 1) % corners.length];
      double from = field[a[1]][a[0]] - level;
      double to = field[b[1]][b[0]] - level;
      if (from * to < 0) { // never of NaN
        double share = from / (from - to);
        found[count++] = xs[a[0]] + share * (xs[b[0]] - xs[a[0]]);
        found[count++] = ys[a[1]] + share * (ys[b[1]] - ys[a[1]]);
      }
    }
    return count == 4 ? Optional.of(found) : Optional.empty();
  }
}
