package nullroom.core.measure;

/** What made the room sound. */
public enum Excitation {
  /** Claps, pops, or an impulse response itself. */
  IMPULSE,
  /** An exponential sine sweep. */
  SWEEP,
  /** Noise that was switched off. */
  NOISE
}
