package nullroom.core.room;

/**
 * Where something points.
 *
 * @param azimuthDegrees counter-clockwise from +x
 * @param elevationDegrees up from the horizontal
 */
public record Aim(double azimuthDegrees, double elevationDegrees) {
  public Aim {
    if (!(Math.abs(azimuthDegrees) <= 720 && Math.abs(elevationDegrees) <= 90)) {
      throw new IllegalArgumentException(
          "azimuth must lie within 720 degrees and elevation within 90");
    }
  }

  /** Unit vector of this direction. */
  public Point direction() {
    double az = Math.toRadians(azimuthDegrees);
    double el = Math.toRadians(elevationDegrees);
    return new Point(Math.cos(el) * Math.cos(az), Math.cos(el) * Math.sin(az), Math.sin(el));
  }

  /** The aim of a vector that is not zero. */
  public static Aim along(Point v) {
    double azimuth = Math.toDegrees(Math.atan2(v.y(), v.x()));
    return new Aim(azimuth, Math.toDegrees(Math.atan2(v.z(), Math.hypot(v.x(), v.y()))));
  }

  /** Angle between this aim and a vector, 0 to 180 degrees. */
  public double angleTo(Point vector) {
    double dot = direction().dot(vector);
    return Math.toDegrees(Math.acos(Math.clamp(dot / Math.max(1e-12, vector.length()), -1, 1)));
  }
}
