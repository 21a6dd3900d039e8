package nullroom.core.predict;

import nullroom.core.Decibels;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Cloth;
import nullroom.core.room.Ride;

/**
 * What a microphone clipped to the breast hears of the voice beyond its level: the body lifts the
 * middle, the chin takes the top. It stands in place of the directivity of the mouth, which holds
 * for places far from the body.
 *
 * <p>From memory: 5 to 8 dB more about 700 Hz, and loss above 3 kHz, under the chin. What hides
 * under a shirt hears through it as through a limp porous sheet ({@link Cloth.Sheet}).
 */
final class Chest {
  private static final Bands GAIN_DB = Bands.of(0, 0, 1, 5, 4, -2, -6, -9);

  /** A shirt: woven cotton, its mass and flow resistance (from memory). */
  private static final Cloth SHIRT = new Cloth.Sheet(0.15, 200);

  private Chest() {}

  /** Whether a microphone there is clipped to the breast. */
  static boolean isOf(Ride.Part part) {
    return part == Ride.Part.CHEST || part == Ride.Part.UNDER_CLOTH;
  }

  /** Over the voice on the mouth's axis at the same distance, per octave. */
  static double gainDb(Ride.Part part, int octave) {
    double cloth =
        part == Ride.Part.UNDER_CLOTH ? Decibels.ofEnergy(SHIRT.transmission(octave, 1)) : 0;
    return GAIN_DB.get(octave) + cloth;
  }
}
