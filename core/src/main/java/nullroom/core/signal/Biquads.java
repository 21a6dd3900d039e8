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
    int k = 0;
    for (; k + 1 < sections.length; k += 2) {
      two(k, from, output, count);
      from = output;
    }
    if (k < sections.length) {
      one(k, from, output, count);
    }
    for (int i = 0; i < s1.length; i++) { // a decayed state would sink into slow denormal numbers
      s1[i] = Math.abs(s1[i]) < 1e-200 ? 0 : s1[i];
      s2[i] = Math.abs(s2[i]) < 1e-200 ? 0 : s2[i];
    }
  }

  private void one(int k, double[] from, double[] to, int count) {
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
      to[i] = y;
    }
    s1[k] = u;
    s2[k] = v;
  }

  /**
   * Two sections in one loop: a section waits for its own last result, and the other fills that
   * wait.
   */
  private void two(int k, double[] from, double[] to, int count) {
    double[] c = sections[k];
    double[] d = sections[k + 1];
    double b0 = c[0];
    double b1 = c[1];
    double b2 = c[2];
    double a1 = c[3];
    double a2 = c[4];
    double d0 = d[0];
    double d1 = d[1];
    double d2 = d[2];
    double e1 = d[3];
    double e2 = d[4];
    double u = s1[k];
    double v = s2[k];
    double p = s1[k + 1];
    double q = s2[k + 1];
    for (int i = 0; i < count; i++) {
      double x = from[i];
      double y = b0 * x + u;
      u = b1 * x - a1 * y + v;
      v = b2 * x - a2 * y;
      double z = d0 * y + p;
      p = d1 * y - e1 * z + q;
      q = d2 * y - e2 * z;
      to[i] = z;
    }
    s1[k] = u;
    s2[k] = v;
    s1[k + 1] = p;
    s2[k + 1] = q;
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
