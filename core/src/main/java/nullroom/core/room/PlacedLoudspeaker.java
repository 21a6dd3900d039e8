package nullroom.core.room;

import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Directivity;
import nullroom.core.acoustics.Octave;

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
  /** One whose octaves are alike, at a level on axis at 1 m, dBA. */
  public static PlacedLoudspeaker flat(Point at, Aim aim, double dbA, Directivity directivity) {
    return new PlacedLoudspeaker(at, aim, Bands.all(0), directivity).withLevelDbA(dbA);
  }

  /** Level on axis at 1 m, dBA. */
  public double levelDbA() {
    return Octave.aWeightedSum(dbSplAtMetre);
  }

  /** The same, playing louder or softer. */
  public PlacedLoudspeaker withLevelDbA(double dbA) {
    double change = dbA - levelDbA();
    return new PlacedLoudspeaker(at, aim, dbSplAtMetre.map(db -> db + change), directivity);
  }

  @Override
  public PlacedLoudspeaker placed(Point place, Aim direction) {
    return new PlacedLoudspeaker(place, direction, dbSplAtMetre, directivity);
  }
}
