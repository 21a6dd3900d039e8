package nullroom.core.measure.noise;

import java.util.Optional;

/** How a mains hum gets into a recording, as a test with the microphone put out of work tells. */
public enum HumPath {
  /** It is in the air: it goes when the microphone cannot hear. */
  ACOUSTIC,
  /** It is in the wires: it stays when the microphone cannot hear. */
  ELECTRICAL,
  /** Some of it goes: both, or a capsule that was not well covered. */
  BOTH,
  /** There was no hum to begin with. */
  NONE;

  /** A hum that falls by less than this has stayed (common practice). */
  public static final double STAYS_DB = 6;

  /** A hum that falls by more has gone. */
  public static final double GOES_DB = 12;

  /**
   * Judges a hum by two recordings at the same gain.
   *
   * @param open tones with the microphone listening
   * @param closed tones with the input terminated or the capsule covered
   */
  public static HumPath of(Optional<MainsHum> open, Optional<MainsHum> closed) {
    if (open.isEmpty()) {
      return NONE;
    }
    if (closed.isEmpty()) {
      return ACOUSTIC;
    }
    double fall = open.get().levelDbfs() - closed.get().levelDbfs();
    return fall < STAYS_DB ? ELECTRICAL : fall > GOES_DB ? ACOUSTIC : BOTH;
  }
}
