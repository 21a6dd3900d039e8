package nullroom.core.room;

/** A point, or a vector, in metres: x along the length, y along the width, z up. */
public record Point(double x, double y, double z) {
  public Point {
    if (!(Double.isFinite(x) && Double.isFinite(y) && Double.isFinite(z))) {
      throw new IllegalArgumentException("a point needs three numbers");
    }
  }

  /** Distance to another point in metres. */
  public double distanceTo(Point other) {
    return minus(other).length();
  }

  /** The vector from {@code other} to here. */
  public Point minus(Point other) {
    return new Point(x - other.x, y - other.y, z - other.z);
  }

  /** Here plus a vector times a factor. */
  public Point plus(Point vector, double factor) {
    return new Point(x + factor * vector.x, y + factor * vector.y, z + factor * vector.z);
  }

  /** Scalar product of two vectors. */
  public double dot(Point other) {
    return x * other.x + y * other.y + z * other.z;
  }

  /** Vector product. */
  public Point cross(Point other) {
    return new Point(
        y * other.z - z * other.y, z * other.x - x * other.z, x * other.y - y * other.x);
  }

  /** Length as a vector. */
  public double length() {
    return Math.sqrt(x * x + y * y + z * z);
  }
}
