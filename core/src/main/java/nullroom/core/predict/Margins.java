package nullroom.core.predict;

/**
 * The three figures that decide, in decibels; also used for their targets.
 *
 * @param quietDb speech over all noise, A-weighted
 * @param clearDb direct and early voice over the late reply of the room, in the voice bands
 * @param safeDb loudest expected peak under the first thing that overloads
 */
public record Margins(double quietDb, double clearDb, double safeDb) {
  /** Which of the three. */
  public enum Kind {
    QUIET,
    CLEAR,
    SAFE
  }

  /** One of the three figures. */
  public double get(Kind kind) {
    return switch (kind) {
      case QUIET -> quietDb;
      case CLEAR -> clearDb;
      case SAFE -> safeDb;
    };
  }

  /** What a margin has over its target; negative where it falls short. */
  public double over(Margins targets, Kind kind) {
    return get(kind) - targets.get(kind);
  }

  /** The margin with the least over its target. */
  public Kind weakest(Margins targets) {
    Kind weakest = Kind.QUIET;
    for (Kind kind : Kind.values()) {
      if (over(targets, kind) < over(targets, weakest)) {
        weakest = kind;
      }
    }
    return weakest;
  }
}
