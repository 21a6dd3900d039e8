package nullroom.app.ring;

/** How loud a sweep is played. */
public enum Loudness {
  VERY_LOW("very soft", -42),
  LOW("soft", -32),
  MIDDLE("middle", -22),
  LOUD("loud", -12);

  private final String label;
  private final double peakDbfs;

  Loudness(String label, double peakDbfs) {
    this.label = label;
    this.peakDbfs = peakDbfs;
  }

  /** Name for people. */
  public String label() {
    return label;
  }

  /** Its peak. */
  public double peakDbfs() {
    return peakDbfs;
  }

  /** The next step up, or the same at the top. */
  Loudness louder() {
    return values()[Math.min(ordinal() + 1, values().length - 1)];
  }
}
