package nullroom.core.room;

import nullroom.core.Keyed;

/**
 * What something rides on, and follows wherever that goes.
 *
 * @param what name of the carrier
 * @param part of it
 */
public record Ride(String what, Part part) {
  /** Parts of carriers. */
  public enum Part implements Keyed {
    /** Of a talker: clipped on, at the breastbone; stays where the head turns. */
    CHEST,
    /** Of a talker: there as well, hidden under a shirt. */
    UNDER_CLOTH,
    /** Of a talker: worn, beside the mouth. */
    HEAD,
    /** Of a talker: held before the mouth. */
    HAND,
    /** Of a camera, a microphone or a loudspeaker: mounted on it. */
    TOP
  }

  /** Under the lips, about a hand below the chin (common practice). */
  private static final double CHEST_DOWN_METRES = 0.22;

  private static final double CHEST_AHEAD_METRES = 0.05;
  private static final Point BESIDE_MOUTH = new Point(0.03, 0.05, -0.02);
  private static final Point BEFORE_MOUTH = new Point(0.1, 0, -0.03);
  private static final double ON_TOP_METRES = 0.08;

  /**
   * Where such a thing usually sits on its carrier.
   *
   * @param at its place
   * @param aim where it points: on a talker at the lips, on a thing as that does
   */
  public record Seat(Point at, Aim aim) {}

  /** The usual seat on a carrier. */
  public Seat seat(Placed<?> carrier) {
    Point off =
        switch (part) {
          case CHEST, UNDER_CLOTH -> new Point(CHEST_AHEAD_METRES, 0, -CHEST_DOWN_METRES);
          case HEAD -> BESIDE_MOUTH;
          case HAND -> BEFORE_MOUTH;
          case TOP -> new Point(0, 0, ON_TOP_METRES);
        };
    Point ahead = new Aim(carrier.aim().azimuthDegrees(), 0).direction();
    Point left = new Point(-ahead.y(), ahead.x(), 0);
    Point at =
        carrier.at().plus(ahead, off.x()).plus(left, off.y()).plus(new Point(0, 0, 1), off.z());
    return new Seat(at, part == Part.TOP ? carrier.aim() : Aim.along(carrier.at().minus(at)));
  }
}
