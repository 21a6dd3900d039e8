package nullroom.app.control;

/** What a fold-out is tinted by: what its surfaces send back. */
public enum Tint {
  NOTHING("no tint"),
  EARLY("sent back within 50 ms"),
  LATE("sent back later");

  private final String label;

  Tint(String label) {
    this.label = label;
  }

  /** Name for people. */
  public String label() {
    return label;
  }
}
