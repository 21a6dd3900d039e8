package nullroom.core.predict;

import nullroom.core.acoustics.Bands;

/**
 * What a microphone clipped to the breast hears of the voice beyond its level: the body lifts the
 * middle, the chin takes the top. It stands in place of the directivity of the mouth, which holds
 * for places far from the body.
 *
 * <p>From memory: 5 to 8 dB more about 700 Hz, and loss above 3 kHz, under the chin.
 */
final class Chest {
  private static final Bands GAIN_DB = Bands.of(0, 0, 1, 5, 4, -2, -6, -9);

  private Chest() {}

  /** Over the voice on the mouth's axis at the same distance, per octave. */
  static double gainDb(int octave) {
    return GAIN_DB.get(octave);
  }
}
