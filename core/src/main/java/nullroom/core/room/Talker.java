package nullroom.core.room;

import nullroom.core.acoustics.Directivity;
import nullroom.core.acoustics.VocalEffort;

/** Who speaks: place of the lips, direction, effort and directivity. */
public record Talker(Point at, Aim aim, VocalEffort effort, Directivity directivity) {
  /** The same voice in another direction. */
  public Talker turnedTo(double azimuthDegrees) {
    return new Talker(at, new Aim(azimuthDegrees, aim.elevationDegrees()), effort, directivity);
  }

  /** The same voice from another place. */
  public Talker movedTo(Point place) {
    return new Talker(place, aim, effort, directivity);
  }

  /** The same place with another effort. */
  public Talker with(VocalEffort other) {
    return new Talker(at, aim, other, directivity);
  }
}
