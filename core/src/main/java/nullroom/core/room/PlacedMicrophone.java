package nullroom.core.room;

import nullroom.core.acoustics.Capture;

/** A microphone with its input, at a place and pointing somewhere. */
public record PlacedMicrophone(Point at, Aim aim, Capture capture)
    implements Placed<PlacedMicrophone> {
  @Override
  public PlacedMicrophone placed(Point place, Aim direction) {
    return new PlacedMicrophone(place, direction, capture);
  }

  /** The same microphone elsewhere, pointing at a target. */
  public PlacedMicrophone movedTo(Point place, Point target) {
    return new PlacedMicrophone(place, Aim.along(target.minus(place)), capture);
  }

  /** The same microphone on its line to the lips, so far from them, pointing at them. */
  public PlacedMicrophone atDistance(Point lips, double metres) {
    Point away = at.minus(lips);
    return movedTo(lips.plus(away, metres / away.length()), lips);
  }

  /** The same microphone shifted, pointing the same way. */
  public PlacedMicrophone movedBy(Point shift) {
    return new PlacedMicrophone(at.plus(shift, 1), aim, capture);
  }

  /** The same place with another chain. */
  public PlacedMicrophone with(Capture other) {
    return new PlacedMicrophone(at, aim, other);
  }
}
