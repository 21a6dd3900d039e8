package nullroom.core.signal;

/** A peak between samples, by the parabola through three of them. */
public final class Peak {
  private Peak() {}

  /** How far from the middle one it lies, -0.5 to 0.5 where that is the largest; 0 on no peak. */
  public static double offset(double left, double middle, double right) {
    double curve = left - 2 * middle + right;
    return curve < 0 ? 0.5 * (left - right) / curve : 0;
  }

  /** Its height. */
  public static double height(double left, double middle, double right) {
    return middle - 0.25 * (left - right) * offset(left, middle, right);
  }
}
