package nullroom.core.plan;

import nullroom.core.Figures;
import nullroom.core.Keyed;

/** How a margin stands against its target, as far as its uncertainty lets anyone say. */
public enum Verdict implements Keyed {
  /** At its target or over it. */
  MET("●"),
  /** Less than 3 dB under it. */
  CLOSE("◆"),
  /** Further under it. */
  SHORT("▲"),
  /** Nearer to its target than it may be off. */
  CANNOT_TELL("?");

  /** A margin this little under its target is close, further under it is short. */
  static final double CLOSE_DB = 3;

  private final String sign;

  Verdict(String sign) {
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

  /** For people. */
  public String label() {
    return Figures.word(this);
  }

  /** A shape that stands beside the word, never a colour alone. */
  public String sign() {
    return sign;
  }
}
