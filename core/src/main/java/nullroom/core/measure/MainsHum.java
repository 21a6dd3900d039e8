package nullroom.core.measure;

import java.util.List;

/**
 * Hum from the mains: tones at multiples of about 50 or 60 Hz.
 *
 * @param fundamentalHz as it was found, near 50 or 60, even where only multiples are heard
 * @param harmonicsHz the tones that belong to it, ascending
 * @param levelDbfs power sum of those tones
 * @param prominenceDb of the most prominent of them
 */
public record MainsHum(
    double fundamentalHz, List<Double> harmonicsHz, double levelDbfs, double prominenceDb) {}
