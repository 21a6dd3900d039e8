package nullroom.core.measure.voice;

import java.util.List;
import nullroom.core.acoustics.Bands;

/**
 * A voice as one microphone gave it.
 *
 * @param seconds of talk
 * @param activeDbfs active speech level (ITU-T P.56, method B), unweighted
 * @param activityPercent share of the time in which somebody speaks
 * @param octaveDbfs long-term level of the active voice in octaves from 63 Hz to 8 kHz, noise taken
 *     off
 * @param guessed octaves that do not stand out of the noise: their level is a bound, not a figure
 * @param crestDb the level that 0.01 % of the samples exceed, over the active level
 * @param sibilantDb the loudest hundredth of a second over 5 kHz, against the active level
 * @param plosiveDb the loudest hundredth of a second under 120 Hz, against the active level
 * @param voices how many seem to speak: 1 or 2
 */
public record VoiceReport(
    double seconds,
    double activeDbfs,
    double activityPercent,
    Bands octaveDbfs,
    List<Double> guessed,
    double crestDb,
    double sibilantDb,
    double plosiveDb,
    int voices) {
  public VoiceReport {
    guessed = List.copyOf(guessed);
  }
}
