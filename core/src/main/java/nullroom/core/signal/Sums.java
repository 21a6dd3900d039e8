package nullroom.core.signal;

/** Sums over parts of a stream; four of them side by side do not wait for each other. */
public final class Sums {
  private Sums() {}

  /** The sum of {@code count} samples from {@code from}. */
  public static double of(double[] x, int from, int count) {
    double a = 0;
    double b = 0;
    double c = 0;
    double d = 0;
    int i = from;
    int end = from + count;
    for (; i + 4 <= end; i += 4) {
      a += x[i];
      b += x[i + 1];
      c += x[i + 2];
      d += x[i + 3];
    }
    for (; i < end; i++) {
      a += x[i];
    }
    return a + b + (c + d);
  }

  /** The sum of the squares of {@code count} samples from {@code from}. */
  public static double ofSquares(double[] x, int from, int count) {
    double a = 0;
    double b = 0;
    double c = 0;
    double d = 0;
    int i = from;
    int end = from + count;
    for (; i + 4 <= end; i += 4) {
      a += x[i] * x[i];
      b += x[i + 1] * x[i + 1];
      c += x[i + 2] * x[i + 2];
      d += x[i + 3] * x[i + 3];
    }
    for (; i < end; i++) {
      a += x[i] * x[i];
    }
    return a + b + (c + d);
  }

  /** The sum of the products of the first {@code count} samples of two streams. */
  public static double ofProducts(double[] x, double[] y, int count) {
    double a = 0;
    double b = 0;
    int i = 0;
    for (; i + 2 <= count; i += 2) {
      a += x[i] * y[i];
      b += x[i + 1] * y[i + 1];
    }
    return a + b + (i < count ? x[i] * y[i] : 0);
  }

  /** Adds the squares of the samples from {@code from} on to {@code sum}, which says how many. */
  public static void addSquares(double[] sum, double[] x, int from) {
    for (int i = 0; i < sum.length; i++) {
      sum[i] += x[from + i] * x[from + i];
    }
  }

  /** The largest size of {@code count} samples from {@code from}; 0 of none. */
  public static double peak(double[] x, int from, int count) {
    long a = 0; // without their signs numbers stand in the order of their bits
    long b = 0;
    long c = 0;
    long d = 0;
    int i = from;
    int end = from + count;
    for (; i + 4 <= end; i += 4) {
      a = Math.max(a, unsigned(x[i]));
      b = Math.max(b, unsigned(x[i + 1]));
      c = Math.max(c, unsigned(x[i + 2]));
      d = Math.max(d, unsigned(x[i + 3]));
    }
    for (; i < end; i++) {
      a = Math.max(a, unsigned(x[i]));
    }
    return Double.longBitsToDouble(Math.max(Math.max(a, b), Math.max(c, d)));
  }

  private static long unsigned(double number) {
    return Double.doubleToRawLongBits(number) & Long.MAX_VALUE;
  }
}
