package nullroom.core.measure.decay;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** What made the room sound. */
public enum Excitation {
  /** Claps, pops, or an impulse response itself. */
  IMPULSE,
  /** An exponential sine sweep. */
  SWEEP,
  /** Noise that was switched off. */
  NOISE;

  /** Name in files and on the command line. */
  public String id() {
    return name().toLowerCase(Locale.ROOT);
  }

  /** The one of that name. */
  public static Optional<Excitation> find(String id) {
    return Arrays.stream(values()).filter(e -> e.id().equals(id)).findFirst();
  }
}
