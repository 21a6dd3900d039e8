package nullroom.core.acoustics;

/**
 * A person's own voice as it was measured, in place of the table's for its effort; other efforts
 * are as far from it as the table has them apart.
 *
 * @param name whose it is
 * @param sound file name under sound/ that it was found in
 * @param taken local date and time, ISO 8601
 * @param simulated whether an acted voice was heard
 * @param effort at which they spoke
 * @param distanceMetres from lips to microphone
 * @param levelsDbSpl octaves at 1 m on axis, as if without a room
 * @param crestDb the level that 0.01 % of the samples exceed, over the active level
 * @param sibilantDb loudest hundredth of a second over 5 kHz, against the active level
 * @param plosiveDb loudest hundredth of a second under 120 Hz, against the active level
 * @param levelKnown whether its level was measured on a scale; else it is the table's
 * @param uncertaintyDb of its level
 */
public record OwnVoice(
    String name,
    String sound,
    String taken,
    boolean simulated,
    VocalEffort effort,
    double distanceMetres,
    Bands levelsDbSpl,
    double crestDb,
    double sibilantDb,
    double plosiveDb,
    boolean levelKnown,
    double uncertaintyDb) {
  /** Octaves at 1 m on axis at an effort. */
  public Bands levelsDbSpl(VocalEffort at) {
    return levelsDbSpl
        .with(at.levelsDbSpl(), Double::sum)
        .with(effort.levelsDbSpl(), (sum, table) -> sum - table);
  }

  /** Loudest peaks over the active level at an effort. */
  public double crestDb(VocalEffort at) {
    return crestDb + at.crestDb() - effort.crestDb();
  }

  /** A-weighted level at 1 m at its own effort. */
  public double levelDbA() {
    return Octave.aWeightedSum(levelsDbSpl);
  }

  /** The same under another name. */
  public OwnVoice named(String other) {
    return new OwnVoice(
        other,
        sound,
        taken,
        simulated,
        effort,
        distanceMetres,
        levelsDbSpl,
        crestDb,
        sibilantDb,
        plosiveDb,
        levelKnown,
        uncertaintyDb);
  }
}
