package nullroom.core.plan;

/** How a margin stands against its target, as far as its uncertainty lets anyone say. */
public enum Verdict {
  /** At its target or over it. */
  MET("met", "met", "●"),
  /** Less than 3 dB under it. */
  CLOSE("close", "close", "◆"),
  /** Further under it. */
  SHORT("short", "short", "▲"),
  /** Nearer to its target than it may be off. */
  CANNOT_TELL("cannotTell", "cannot tell", "?");

  /** A margin this little under its target is close, further under it is short. */
  static final double CLOSE_DB = 3;

  private final String id;
  private final String label;
  private final String sign;

  Verdict(String id, String label, String sign) {
    this.id = id;
    this.label = label;
    this.sign = sign;
  }

  /**
   * The word for a margin.
   *
   * @param overDb what it has over its target; negative where it falls short
   * @param uncertaintyDb standard uncertainty of that (coverage 1)
   */
  public static Verdict of(double overDb, double uncertaintyDb) {
    if (Math.abs(overDb) < uncertaintyDb) {
      return CANNOT_TELL;
    }
    return overDb >= 0 ? MET : overDb >= -CLOSE_DB ? CLOSE : SHORT;
  }

  /** Key on the command line, and its style class. */
  public String id() {
    return id;
  }

  /** For people. */
  public String label() {
    return label;
  }

  /** A shape that stands beside the word, never a colour alone. */
  public String sign() {
    return sign;
  }
}
