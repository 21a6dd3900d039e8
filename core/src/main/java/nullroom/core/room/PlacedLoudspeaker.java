package nullroom.core.room;

import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Directivity;

/**
 * A loudspeaker that plays a backing: to a microphone it is noise.
 *
 * @param at of its middle
 * @param aim of its axis
 * @param dbSplAtMetre on axis at 1 m, per octave, as it plays
 * @param directivity of it
 */
public record PlacedLoudspeaker(Point at, Aim aim, Bands dbSplAtMetre, Directivity directivity)
    implements Placed<PlacedLoudspeaker> {
  @Override
  public PlacedLoudspeaker placed(Point place, Aim direction) {
    return new PlacedLoudspeaker(place, direction, dbSplAtMetre, directivity);
  }
}
