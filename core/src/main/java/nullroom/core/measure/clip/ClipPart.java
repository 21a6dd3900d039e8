package nullroom.core.measure.clip;

/**
 * A stretch of a recording.
 *
 * @param kind what it holds
 * @param fromSeconds where it begins
 * @param toSeconds where it ends
 */
public record ClipPart(Kind kind, double fromSeconds, double toSeconds) {
  /** What a stretch may hold. */
  public enum Kind {
    QUIET("quiet"),
    TALK("talk"),
    CLAPS("claps"),
    MUSIC("music or singing"),
    OTHER("something else");

    private final String label;

    Kind(String label) {
      this.label = label;
    }

    /** For people. */
    public String label() {
      return label;
    }
  }

  /** Whether it begins while another goes on. */
  boolean beginsIn(ClipPart other) {
    return other.fromSeconds < fromSeconds && fromSeconds < other.toSeconds;
  }

  /** How long it is. */
  public double seconds() {
    return toSeconds - fromSeconds;
  }
}
