package nullroom.core.room;

import nullroom.core.Trouble;

/**
 * A camera that films, with its lens, held level. It is no obstacle to sound.
 *
 * @param at of the lens
 * @param aim of the middle of the picture
 * @param focalMillimetres focal length as if the longer side of the picture were 36 mm, as lenses
 *     for pictures of 36 by 24 mm are told
 * @param aspectRatio width of the picture over its height
 */
public record Camera(Point at, Aim aim, double focalMillimetres, double aspectRatio)
    implements Placed<Camera> {
  /** A picture as wide as most are watched. */
  public static final double WIDE = 16.0 / 9;

  private static final double LONGER_SIDE_MILLIMETRES = 36;
  private static final double SHORTEST_MILLIMETRES = 8;

  /** No lens is longer. */
  public static final double LONGEST_MILLIMETRES = 1200;

  private static final double MOST_RATIO = 4;
  private static final double USUAL_FOCAL = 35;
  private static final double USUAL_METRES = 2;
  private static final double NEAREST_METRES = 0.3;
  private static final double STEP_METRES = 0.1;

  public Camera {
    if (!(focalMillimetres >= SHORTEST_MILLIMETRES && focalMillimetres <= LONGEST_MILLIMETRES)) {
      throw new IllegalArgumentException(
          "the focal length must lie between 8 and 1200 mm, not " + focalMillimetres);
    }
    if (!(aspectRatio >= 1 / MOST_RATIO && aspectRatio <= MOST_RATIO)) {
      throw new IllegalArgumentException(
          "the picture's width over its height must lie between 0.25 and 4, not " + aspectRatio);
    }
  }

  /**
   * One with a usual lens before a room's talker, two metres away or as far as there is room.
   *
   * @throws Trouble.BadField where there is no talker, or no room before them
   */
  public static Camera before(Room room) {
    Talker talker = room.requireTalker();
    Point ahead = new Aim(talker.aim().azimuthDegrees(), 0).direction();
    Point best = talker.at();
    for (double d = NEAREST_METRES; d <= USUAL_METRES; d += STEP_METRES) {
      Point p = talker.at().plus(ahead, d);
      best = room.isFree(p) ? p : best;
    }
    if (best.equals(talker.at())) {
      throw new Trouble.BadField(
          "camera", "there is no room before the talker; turn them away from the wall");
    }
    return new Camera(best, Aim.along(talker.at().minus(best)), USUAL_FOCAL, WIDE);
  }

  /**
   * The same camera with the lens whose picture is so high at a distance, as far as there is one.
   */
  public Camera showing(double heightMetres, double atMetres) {
    double longer = heightMetres * Math.max(1, aspectRatio);
    return with(
        Math.clamp(
            LONGER_SIDE_MILLIMETRES * atMetres / longer, SHORTEST_MILLIMETRES, LONGEST_MILLIMETRES),
        aspectRatio);
  }

  /** Half the picture's width at a distance of one. */
  private double halfWidth() {
    return LONGER_SIDE_MILLIMETRES / 2 / focalMillimetres * Math.min(1, aspectRatio);
  }

  /** What it takes in from left to right. */
  public double widthDegrees() {
    return 2 * Math.toDegrees(Math.atan(halfWidth()));
  }

  /** What it takes in from bottom to top. */
  public double heightDegrees() {
    return 2 * Math.toDegrees(Math.atan(halfWidth() / aspectRatio));
  }

  /**
   * A point as the lens sees it: metres to the right of its axis, metres over it, and metres away
   * along it; negative behind the lens.
   */
  public Point seen(Point p) {
    Point forward = aim.direction();
    double azimuth = Math.toRadians(aim.azimuthDegrees());
    Point right = new Point(Math.sin(azimuth), -Math.cos(azimuth), 0);
    Point up = right.cross(forward);
    Point to = p.minus(at);
    return new Point(to.dot(right), to.dot(up), to.dot(forward));
  }

  /** Whether a point lies in its picture, were nothing before it. */
  public boolean frames(Point p) {
    Point seen = seen(p);
    double half = halfWidth() * seen.z();
    return seen.z() > 0 && Math.abs(seen.x()) <= half && Math.abs(seen.y()) <= half / aspectRatio;
  }

  @Override
  public Camera placed(Point place, Aim direction) {
    return new Camera(place, direction, focalMillimetres, aspectRatio);
  }

  /** The same camera elsewhere, pointing at a target. */
  public Camera movedTo(Point place, Point target) {
    return new Camera(place, Aim.along(target.minus(place)), focalMillimetres, aspectRatio);
  }

  /** The same camera shifted, pointing the same way. */
  public Camera movedBy(Point shift) {
    return new Camera(at.plus(shift, 1), aim, focalMillimetres, aspectRatio);
  }

  /** The same place with another lens or picture. */
  public Camera with(double otherFocalMillimetres, double otherRatio) {
    return new Camera(at, aim, otherFocalMillimetres, otherRatio);
  }
}
