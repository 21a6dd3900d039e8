package nullroom.core.predict;

/**
 * What air and loose objects leave of each octave's energy over a way, read from a table: rays ask
 * for it twice at each reflection. Exact to a millionth of a decibel.
 */
final class Loss {
  private static final double LARGEST_STEP_METRES = 0.1;

  /** Exponent over a step from which the rest of the way is worked out to second order. */
  private static final double MOST_PER_STEP = 0.01;

  private static final int MOST_ROWS = 20_000;

  private final double[] perMetre;
  private final int octaves;
  private final double step;
  private final double[] table;
  private final int rows;

  /**
   * @param perMetre exponent per octave
   * @param longestMetres of ways that are asked for often; longer ones take longer
   */
  Loss(double[] perMetre, double longestMetres) {
    this.perMetre = perMetre.clone();
    octaves = perMetre.length;
    double most = 0;
    for (double loss : perMetre) {
      most = Math.max(most, loss);
    }
    step = Math.min(LARGEST_STEP_METRES, MOST_PER_STEP / Math.max(1e-9, most));
    rows = (int) Math.min(MOST_ROWS, Math.ceil(longestMetres / step) + 1);
    table = new double[rows * octaves];
    for (int k = 0; k < rows; k++) {
      for (int b = 0; b < octaves; b++) {
        table[k * octaves + b] = Math.exp(-perMetre[b] * k * step);
      }
    }
  }

  /**
   * What is left.
   *
   * @param left overwritten, one per octave
   */
  void over(double metres, double[] left) {
    int row = (int) (metres / step);
    if (row >= rows) {
      for (int b = 0; b < octaves; b++) {
        left[b] = Math.exp(-perMetre[b] * metres);
      }
      return;
    }
    double rest = metres - row * step;
    for (int b = 0; b < octaves; b++) {
      double x = perMetre[b] * rest;
      left[b] = table[row * octaves + b] * (1 - x + 0.5 * x * x);
    }
  }
}
