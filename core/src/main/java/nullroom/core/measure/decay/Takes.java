package nullroom.core.measure.decay;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import nullroom.core.signal.Band;
import nullroom.core.signal.Sweep;

/**
 * What was cut from a recording, each stretch with its direct sound, or the moment of switching
 * off, at the same place.
 *
 * @param responses all of one length; empty where nothing was found
 * @param lead index of the direct sound in each
 * @param found how many claps, sweeps or interruptions went into them
 * @param leftOut sudden sounds among claps that were none, or too close to the next
 * @param directSeconds file time of the first
 * @param distortionPercent of a sweep's harmonics
 * @param sweep what was played; empty where the room was excited otherwise
 * @param warnings sentences on what was left out or is doubtful; where nothing was found, why
 */
@SuppressWarnings("ArrayRecordComponent") // inside lists only; never compared
public record Takes(
    List<double[]> responses,
    int lead,
    int found,
    int leftOut,
    OptionalDouble directSeconds,
    OptionalDouble distortionPercent,
    Optional<Sweep> sweep,
    List<String> warnings) {
  /** A band of which less was played is not measured. */
  static final double LEAST_PLAYED = 0.5;

  static Takes none(String why) {
    return new Takes(
        List.of(),
        0,
        0,
        0,
        OptionalDouble.empty(),
        OptionalDouble.empty(),
        Optional.empty(),
        List.of(why));
  }

  /** What no sweep was played for. */
  static Takes of(
      List<double[]> responses,
      int lead,
      int leftOut,
      double directSeconds,
      List<String> warnings) {
    return new Takes(
        responses,
        lead,
        responses.size(),
        leftOut,
        OptionalDouble.of(directSeconds),
        OptionalDouble.empty(),
        Optional.empty(),
        warnings);
  }

  /** The same found, with other responses. */
  Takes with(List<double[]> others) {
    return new Takes(
        others, lead, found, leftOut, directSeconds, distortionPercent, sweep, warnings);
  }

  /** Share of a band, over logarithmic frequency, that was played, 0 to 1. */
  double played(Band band) {
    return sweep
        .map(s -> {
          double low = Math.max(band.lowHz(), s.fromHz());
          double high = Math.min(band.highHz(), s.toHz());
          return high > low ? Math.log(high / low) / Math.log(band.highHz() / band.lowHz()) : 0;
        })
        .orElse(1.0);
  }
}
