package nullroom.core.measure.noise;

/**
 * A steady tone in noise.
 *
 * @param frequencyHz where it is
 * @param levelDbfs its level, AES17
 * @param prominenceDb its level over the noise in the critical band around it
 * @param kind whether it belongs to a mains hum
 */
public record Tone(double frequencyHz, double levelDbfs, double prominenceDb, Kind kind) {
  /** Where a tone comes from. */
  public enum Kind {
    MAINS,
    TONE
  }

  /** Whether it belongs to a mains hum. */
  public boolean mains() {
    return kind == Kind.MAINS;
  }
}
