package nullroom.core.measure.decay;

/** Least-squares line through points added one by one. */
final class Regression {
  private long count;
  private double meanX;
  private double meanY;
  private double sxx;
  private double syy;
  private double sxy;

  void add(double x, double y) {
    count++;
    double dx = x - meanX;
    double dy = y - meanY;
    meanX += dx / count;
    meanY += dy / count;
    sxx += dx * (x - meanX);
    syy += dy * (y - meanY);
    sxy += dx * (y - meanY);
  }

  /** The line through a falling curve between two levels, over its indices. */
  static Regression between(double[] curve, double fromDb, double toDb) {
    Regression fit = new Regression();
    for (int i = 0; i < curve.length && curve[i] >= toDb; i++) {
      if (curve[i] <= fromDb) {
        fit.add(i, curve[i]);
      }
    }
    return fit;
  }

  long count() {
    return count;
  }

  double slope() {
    return sxx > 0 ? sxy / sxx : 0;
  }

  double intercept() {
    return meanY - slope() * meanX;
  }

  /** Square of the correlation coefficient. */
  double rSquared() {
    return sxx > 0 && syy > 0 ? sxy * sxy / (sxx * syy) : 0;
  }
}
