package nullroom.core.measure.decay;

import java.util.OptionalDouble;

/**
 * How far a reverberation time may be off by chance alone: noise-like decays differ from one
 * another.
 *
 * <p>Source: ISO 3382-2:2008, Annex A, constants from memory.
 */
public final class DecayDeviation {
  /** A response integrated backwards is worth this many interrupted decays. */
  static final int RESPONSE_DECAYS = 10;

  private DecayDeviation() {}

  /**
   * Standard deviation of T20.
   *
   * @param seconds the time; empty where there is none
   * @param bandwidthHz of the band
   * @param decays averaged at one position
   */
  static OptionalDouble ofT20(OptionalDouble seconds, double bandwidthHz, int decays) {
    return seconds.isEmpty()
        ? OptionalDouble.empty()
        : OptionalDouble.of(ofT20(seconds.getAsDouble(), bandwidthHz, decays, 1));
  }

  /** Standard deviation in seconds of a T20 averaged over positions of source and microphone. */
  static double ofT20(double seconds, double bandwidthHz, int decays, int positions) {
    return 0.88 * seconds * Math.sqrt((1 + 1.90 / decays) / (positions * bandwidthHz * seconds));
  }
}
