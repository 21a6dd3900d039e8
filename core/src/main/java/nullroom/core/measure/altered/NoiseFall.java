package nullroom.core.measure.altered;

/**
 * A fall of noise that stood still in three neighbouring bands, free of what still rang in others,
 * to the floor of the pauses.
 *
 * @param row where it ends
 * @param byDb mean of the three bands
 * @param alike whether they fell together, and all others with them
 * @param bands how many of all fell by as much
 * @param hidden whether all fell under the steps in which the file was written
 * @param band the lowest of the three
 * @param fromDb mean level of the three before
 * @param ahead whether something loud begins right behind it
 */
record NoiseFall(
    int row,
    double byDb,
    boolean alike,
    int bands,
    boolean hidden,
    int band,
    double fromDb,
    boolean ahead) {
  private static final double SAME_DB = 1;

  /** What a gate does it does again: by as much, or from the noise as it stands. */
  boolean again(NoiseFall other) {
    return alike && other.alike && Math.abs(byDb - other.byDb) < SAME_DB
        || hidden
            && other.hidden
            && band == other.band
            && Math.abs(fromDb - other.fromDb) < SAME_DB;
  }
}
