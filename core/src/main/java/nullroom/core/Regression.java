package nullroom.core;

/** Least-squares line through points added one by one. */
public final class Regression {
  private long count;
  private double meanX;
  private double meanY;
  private double sxx;
  private double syy;
  private double sxy;

  /** One more point. */
  public void add(double x, double y) {
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
  public static Regression between(double[] curve, double fromDb, double toDb) {
    Regression fit = new Regression();
    for (int i = 0; i < curve.length && curve[i] >= toDb; i++) {
      if (curve[i] <= fromDb) {
        fit.add(i, curve[i]);
      }
    }
    return fit;
  }

  /** How many points there are. */
  public long count() {
    return count;
  }

  /** 0 where all points have one abscissa. */
  public double slope() {
    return sxx > 0 ? sxy / sxx : 0;
  }

  /** Where the line passes 0. */
  public double intercept() {
    return meanY - slope() * meanX;
  }

  /** Square of the correlation coefficient. */
  public double rSquared() {
    return sxx > 0 && syy > 0 ? sxy * sxy / (sxx * syy) : 0;
  }

  /** Root mean square of what the points are off the line. */
  public double off() {
    return count > 0 ? Math.sqrt(Math.max(0, syy * (1 - rSquared()) / count)) : 0;
  }
}
