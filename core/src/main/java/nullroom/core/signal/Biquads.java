package nullroom.core.signal;

/**
 * Second-order sections in series, transposed direct form II, with their running state. Not
 * thread-safe; one instance per stream.
 */
public final class Biquads {
  private final double[][] sections;
  private final double[] s1;
  private final double[] s2;

  /**
   * @param sections rows of b0, b1, b2, a1, a2 with a0 = 1; copied
   */
  Biquads(double[][] sections) {
    this.sections = new double[sections.length][];
    for (int i = 0; i < sections.length; i++) {
      this.sections[i] = sections[i].clone();
    }
    s1 = new double[sections.length];
    s2 = new double[sections.length];
  }

  /**
   * Filters a block; section by section, so that each inner loop keeps five numbers and two states
   * in registers.
   *
   * @param input samples; not modified unless it is {@code output}
   * @param output overwritten; may be {@code input}
   * @param count samples to filter
   */
  public void filter(double[] input, double[] output, int count) {
    double[] from = input;
    for (int k = 0; k < sections.length; k++) {
      double[] c = sections[k];
      double b0 = c[0];
      double b1 = c[1];
      double b2 = c[2];
      double a1 = c[3];
      double a2 = c[4];
      double u = s1[k];
      double v = s2[k];
      for (int i = 0; i < count; i++) {
        double x = from[i];
        double y = b0 * x + u;
        u = b1 * x - a1 * y + v;
        v = b2 * x - a2 * y;
        output[i] = y;
      }
      // a decayed state would sink into denormal numbers, which cost a hundred times a normal one
      s1[k] = Math.abs(u) < 1e-200 ? 0 : u;
      s2[k] = Math.abs(v) < 1e-200 ? 0 : v;
      from = output;
    }
  }

  /** Magnitude of the response at {@code hz}. */
  public double magnitude(double hz, double sampleRateHz) {
    double w = 2 * Math.PI * hz / sampleRateHz;
    double power = 1;
    for (double[] c : sections) {
      double numRe = c[0] + c[1] * Math.cos(w) + c[2] * Math.cos(2 * w);
      double numIm = c[1] * Math.sin(w) + c[2] * Math.sin(2 * w);
      double denRe = 1 + c[3] * Math.cos(w) + c[4] * Math.cos(2 * w);
      double denIm = c[3] * Math.sin(w) + c[4] * Math.sin(2 * w);
      power *= (numRe * numRe + numIm * numIm) / (denRe * denRe + denIm * denIm);
    }
    return Math.sqrt(power);
  }
}
