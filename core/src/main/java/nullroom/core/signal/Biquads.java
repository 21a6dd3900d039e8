package nullroom.core.signal;

import static nullroom.core.signal.Fused.madd;

import java.util.Arrays;

/**
 * Second-order sections in series, transposed direct form II, with their running state. Not
 * thread-safe; one instance per stream.
 */
public final class Biquads {
  /** Rows of b1/b0, b2/b0, a1, a2: the b0 of all sections is one factor in front. */
  private final double[][] sections;

  private final double gain;

  /** Whether every section has the numerator 1 - z^-2, as in a band-pass. */
  private final boolean resonators;

  /** Sections that one loop works on. */
  private final int atOnce;

  private final double[] s1;
  private final double[] s2;

  /**
   * @param rows one row of b0, b1, b2, a1, a2 a section, with a0 = 1 and b0 other than 0
   */
  Biquads(double[][] rows) {
    resonators =
        Arrays.stream(rows).allMatch(r -> r[1] == 0 && r[2] == -r[0]) && rows.length % 4 == 0;
    atOnce = resonators ? 4 : rows.length == 2 ? 2 : 3;
    sections = new double[Math.ceilDiv(rows.length, atOnce) * atOnce][4]; // the rest pass through
    double product = 1;
    for (int i = 0; i < rows.length; i++) {
      double[] r = rows[i];
      sections[i] = new double[] {r[1] / r[0], r[2] / r[0], r[3], r[4]};
      product *= r[0];
    }
    gain = product;
    s1 = new double[sections.length];
    s2 = new double[sections.length];
  }

  /**
   * Filters a block.
   *
   * @param input samples; not modified unless it is {@code output}
   * @param output overwritten; may be {@code input}
   * @param count samples to filter
   */
  public void filter(double[] input, double[] output, int count) {
    double[] from = input;
    double scale = gain;
    for (int k = 0; k < sections.length; k += atOnce) {
      if (resonators) {
        fourResonators(k, scale, from, output, count);
      } else if (atOnce == 2) {
        two(k, scale, from, output, count);
      } else {
        three(k, scale, from, output, count);
      }
      from = output;
      scale = 1;
    }
    for (int i = 0; i < s1.length; i++) { // a decayed state would sink into slow denormal numbers
      s1[i] = Math.abs(s1[i]) < 1e-200 ? 0 : s1[i];
      s2[i] = Math.abs(s2[i]) < 1e-200 ? 0 : s2[i];
    }
  }

  /** A section waits for its own last result; two others in the same loop fill that wait. */
  private void three(int k, double scale, double[] from, double[] to, int count) {
    double[] c = sections[k];
    double[] d = sections[k + 1];
    double[] e = sections[k + 2];
    double c1 = c[0];
    double c2 = c[1];
    double c3 = c[2];
    double c4 = c[3];
    double d1 = d[0];
    double d2 = d[1];
    double d3 = d[2];
    double d4 = d[3];
    double e1 = e[0];
    double e2 = e[1];
    double e3 = e[2];
    double e4 = e[3];
    double cu = s1[k];
    double cv = s2[k];
    double du = s1[k + 1];
    double dv = s2[k + 1];
    double eu = s1[k + 2];
    double ev = s2[k + 2];
    for (int i = 0; i < count; i++) {
      double x = scale * from[i];
      double y = x + cu;
      cu = madd(-c3, y, madd(c1, x, cv));
      cv = madd(-c4, y, c2 * x);
      double z = y + du;
      du = madd(-d3, z, madd(d1, y, dv));
      dv = madd(-d4, z, d2 * y);
      x = z + eu;
      eu = madd(-e3, x, madd(e1, z, ev));
      ev = madd(-e4, x, e2 * z);
      to[i] = x;
    }
    s1[k] = cu;
    s2[k] = cv;
    s1[k + 1] = du;
    s2[k + 1] = dv;
    s1[k + 2] = eu;
    s2[k + 2] = ev;
  }

  /** As {@link #three}, without the section that would only pass through. */
  private void two(int k, double scale, double[] from, double[] to, int count) {
    double[] c = sections[k];
    double[] d = sections[k + 1];
    double c1 = c[0];
    double c2 = c[1];
    double c3 = c[2];
    double c4 = c[3];
    double d1 = d[0];
    double d2 = d[1];
    double d3 = d[2];
    double d4 = d[3];
    double cu = s1[k];
    double cv = s2[k];
    double du = s1[k + 1];
    double dv = s2[k + 1];
    for (int i = 0; i < count; i++) {
      double x = scale * from[i];
      double y = x + cu;
      cu = madd(-c3, y, madd(c1, x, cv));
      cv = madd(-c4, y, c2 * x);
      x = y + du;
      du = madd(-d3, x, madd(d1, y, dv));
      dv = madd(-d4, x, d2 * y);
      to[i] = x;
    }
    s1[k] = cu;
    s2[k] = cv;
    s1[k + 1] = du;
    s2[k + 1] = dv;
  }

  /** As {@link #three} with two thirds of the arithmetic; the states are kept negated. */
  private void fourResonators(int k, double scale, double[] from, double[] to, int count) {
    double c1 = sections[k][2];
    double c2 = sections[k][3];
    double d1 = sections[k + 1][2];
    double d2 = sections[k + 1][3];
    double e1 = sections[k + 2][2];
    double e2 = sections[k + 2][3];
    double f1 = sections[k + 3][2];
    double f2 = sections[k + 3][3];
    double cu = s1[k];
    double cv = s2[k];
    double du = s1[k + 1];
    double dv = s2[k + 1];
    double eu = s1[k + 2];
    double ev = s2[k + 2];
    double fu = s1[k + 3];
    double fv = s2[k + 3];
    for (int i = 0; i < count; i++) {
      double x = scale * from[i];
      double y = x - cu;
      cu = madd(c1, y, cv);
      cv = madd(c2, y, x);
      double z = y - du;
      du = madd(d1, z, dv);
      dv = madd(d2, z, y);
      double w = z - eu;
      eu = madd(e1, w, ev);
      ev = madd(e2, w, z);
      double v = w - fu;
      fu = madd(f1, v, fv);
      fv = madd(f2, v, w);
      to[i] = v;
    }
    s1[k] = cu;
    s2[k] = cv;
    s1[k + 1] = du;
    s2[k + 1] = dv;
    s1[k + 2] = eu;
    s2[k + 2] = ev;
    s1[k + 3] = fu;
    s2[k + 3] = fv;
  }

  /** Magnitude of the response at {@code hz}. */
  public double magnitude(double hz, double sampleRateHz) {
    double w = 2 * Math.PI * hz / sampleRateHz;
    double power = gain * gain;
    for (double[] c : sections) {
      double numRe = 1 + c[0] * Math.cos(w) + c[1] * Math.cos(2 * w);
      double numIm = c[0] * Math.sin(w) + c[1] * Math.sin(2 * w);
      double denRe = 1 + c[2] * Math.cos(w) + c[3] * Math.cos(2 * w);
      double denIm = c[2] * Math.sin(w) + c[3] * Math.sin(2 * w);
      power *= (numRe * numRe + numIm * numIm) / (denRe * denRe + denIm * denIm);
    }
    return Math.sqrt(power);
  }
}
