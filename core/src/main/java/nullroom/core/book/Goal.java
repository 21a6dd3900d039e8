package nullroom.core.book;

import nullroom.core.Keyed;
import nullroom.core.predict.Margins;

/**
 * What the recording is for, with the margins it asks for and the reverberation that suits it.
 * Targets are our reading of common practice: delivered speech with pauses 40 to 50 dB down, peaks
 * near -12 dBFS; times from handbooks for small voice rooms (0.15 to 0.30 s), talk studios (0.2 to
 * 0.3 s) and dry singing (0.25 to 0.45 s).
 */
public enum Goal implements Keyed {
  SPOKEN_CLOSE("Spoken, close", new Margins(45, 16, 12), 0.15, 0.30),
  SPOKEN_ON_CAMERA("Spoken, on camera", new Margins(38, 10, 12), 0.20, 0.40),
  SUNG_DRY("Sung, dry", new Margins(42, 10, 12), 0.25, 0.45),
  SUNG_SOME_ROOM("Sung, some room", new Margins(38, 5, 12), 0.35, 0.60);

  private final String label;
  private final Margins targets;
  private final double shortestSeconds;
  private final double longestSeconds;

  Goal(String label, Margins targets, double shortestSeconds, double longestSeconds) {
    this.label = label;
    this.targets = targets;
    this.shortestSeconds = shortestSeconds;
    this.longestSeconds = longestSeconds;
  }

  /** Name for people. */
  public String label() {
    return label;
  }

  /** Least margins that this goal asks for. */
  public Margins targets() {
    return targets;
  }

  /** Lower end of the reverberation that suits, seconds. */
  public double shortestSeconds() {
    return shortestSeconds;
  }

  /** Upper end of the reverberation that suits, seconds. */
  public double longestSeconds() {
    return longestSeconds;
  }
}
