package nullroom.core.room;

import nullroom.core.acoustics.Directivity;
import nullroom.core.acoustics.VocalEffort;

/**
 * Who speaks.
 *
 * @param at place of the lips
 * @param aim where they face
 * @param effort how loud
 * @param directivity of the voice
 * @param movement how far they move meanwhile
 */
public record Talker(
    Point at, Aim aim, VocalEffort effort, Directivity directivity, Movement movement)
    implements Placed<Talker> {
  /** Somebody who sits still. */
  public Talker(Point at, Aim aim, VocalEffort effort, Directivity directivity) {
    this(at, aim, effort, directivity, Movement.NONE);
  }

  @Override
  public Talker placed(Point place, Aim direction) {
    return new Talker(place, direction, effort, directivity, movement);
  }

  /** The same voice in another direction. */
  public Talker turnedTo(double azimuthDegrees) {
    return placed(at, new Aim(azimuthDegrees, aim.elevationDegrees()));
  }

  /** The same voice from another place. */
  public Talker movedTo(Point place) {
    return placed(place, aim);
  }

  /** The same place with another effort. */
  public Talker with(VocalEffort other) {
    return new Talker(at, aim, other, directivity, movement);
  }

  /** The same voice, moving otherwise. */
  public Talker with(Movement other) {
    return new Talker(at, aim, effort, directivity, other);
  }
}
