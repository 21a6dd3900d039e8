package nullroom.core.measure.decay;

import nullroom.core.Keyed;

/** What made the room sound. */
public enum Excitation implements Keyed {
  /** Claps, pops, or an impulse response itself. */
  IMPULSE,
  /** An exponential sine sweep. */
  SWEEP,
  /** Noise that was switched off. */
  NOISE
}
