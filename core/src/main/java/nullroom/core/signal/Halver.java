package nullroom.core.signal;

/**
 * Halves the sampling rate of a stream: a half-band low-pass, a sinc under a Kaiser window
 * (Oppenheim and Schafer, Discrete-Time Signal Processing, ch. 7), and every second sample. Flat to
 * 0.12 of the rate it is given; what would fold onto that range is 90 dB down. Not thread-safe.
 */
final class Halver {
  private static final int PAIRS = 6;
  private static final int CENTRE = 2 * PAIRS - 1;

  /** Kaiser's parameter for 90 dB. */
  private static final double BETA = 0.1102 * (90 - 8.7);

  private final double[] taps = new double[PAIRS];
  private double[] line = new double[2 * CENTRE];
  private boolean skipFirst;

  Halver() {
    double sum = 0;
    for (int k = 0; k < PAIRS; k++) {
      int n = 2 * k + 1; // the taps at even distances from the centre are nought
      double share = (double) n / (CENTRE + 1);
      double window = besselI0(BETA * Math.sqrt(1 - share * share)) / besselI0(BETA);
      taps[k] = Math.sin(Math.PI * n / 2) / (Math.PI * n) * window;
      sum += taps[k];
    }
    for (int k = 0; k < PAIRS; k++) {
      taps[k] *= 0.25 / sum; // together with the centre's 0.5, exactly 1 at 0 Hz
    }
  }

  private static double besselI0(double x) {
    double sum = 1;
    double term = 1;
    for (int k = 1; k < 40; k++) {
      term *= x * x / (4.0 * k * k);
      sum += term;
    }
    return sum;
  }

  /**
   * Takes a block and gives half of it.
   *
   * @param block {@code count} samples in; the first samples are overwritten with the result
   * @return samples that came out
   */
  int halve(double[] block, int count) {
    int past = 2 * CENTRE;
    if (line.length < past + count) {
      line = java.util.Arrays.copyOf(line, past + count);
    }
    System.arraycopy(block, 0, line, past, count);
    double[] x = line;
    double t0 = taps[0];
    double t1 = taps[1];
    double t2 = taps[2];
    double t3 = taps[3];
    double t4 = taps[4];
    double t5 = taps[5];
    int kept = 0;
    for (int i = skipFirst ? 1 : 0; i < count; i += 2) {
      double near = t0 * (x[i + 10] + x[i + 12]) + t1 * (x[i + 8] + x[i + 14]);
      double half = t2 * (x[i + 6] + x[i + 16]) + t3 * (x[i + 4] + x[i + 18]);
      double far = t4 * (x[i + 2] + x[i + 20]) + t5 * (x[i] + x[i + 22]);
      block[kept++] = 0.5 * x[i + CENTRE] + near + (half + far);
    }
    skipFirst = (count % 2 == 1) != skipFirst;
    System.arraycopy(line, count, line, 0, past);
    return kept;
  }
}
