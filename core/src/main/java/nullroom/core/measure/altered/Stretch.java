package nullroom.core.measure.altered;

import java.util.ArrayList;
import java.util.List;

/**
 * Rows on end.
 *
 * @param from the first
 * @param to behind the last
 */
record Stretch(int from, int to) {
  int rows() {
    return to - from;
  }

  /** All that lie under a level, as long as they can be made. */
  static List<Stretch> under(double[] levels, double level) {
    List<Stretch> all = new ArrayList<>();
    int from = -1;
    for (int k = 0; k <= levels.length; k++) {
      boolean under = k < levels.length && levels[k] < level;
      if (under && from < 0) {
        from = k;
      }
      if (!under && from >= 0) {
        all.add(new Stretch(from, k));
        from = -1;
      }
    }
    return all;
  }
}
