package nullroom.core.measure;

import java.util.List;
import java.util.OptionalDouble;

/**
 * What was cut from a recording, each stretch with its direct sound, or the moment of switching
 * off, at the same place.
 *
 * @param responses all of one length; empty where nothing was found
 * @param lead index of the direct sound in each
 * @param found how many claps, sweeps or interruptions went into them
 * @param directSeconds file time of the first
 * @param distortionPercent of a sweep's harmonics
 * @param warnings sentences on what was left out or is doubtful; where nothing was found, why
 */
@SuppressWarnings("ArrayRecordComponent") // inside lists only; never compared
record Takes(
    List<double[]> responses,
    int lead,
    int found,
    OptionalDouble directSeconds,
    OptionalDouble distortionPercent,
    List<String> warnings) {

  static Takes none(String why) {
    return new Takes(List.of(), 0, 0, OptionalDouble.empty(), OptionalDouble.empty(), List.of(why));
  }
}
