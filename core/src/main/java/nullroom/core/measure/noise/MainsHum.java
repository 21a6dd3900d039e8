package nullroom.core.measure.noise;

import java.util.List;
import java.util.Optional;

/**
 * Hum from the mains: tones at multiples of about 50 or 60 Hz.
 *
 * @param fundamentalHz as it was found, near 50 or 60, even where only multiples are heard
 * @param harmonicsHz the tones that belong to it, ascending
 * @param levelDbfs power sum of those tones
 * @param prominenceDb of the most prominent of them
 */
public record MainsHum(
    double fundamentalHz, List<Double> harmonicsHz, double levelDbfs, double prominenceDb) {

  /** The hum among tones found in one sound, where there is one. */
  public static Optional<MainsHum> among(List<Tone> tones) {
    return Tones.hum(tones);
  }
}
