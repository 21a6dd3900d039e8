package nullroom.core.predict;

import nullroom.core.Figures;

/**
 * Where a figure comes from.
 *
 * @param kind how it was come by
 * @param from the rest of a sentence: "measured on 2026-01-02 at 20:15", "by the table of
 *     materials"
 */
public record Origin(Kind kind, String from) {
  /** How a figure was come by; decides its pattern everywhere. */
  public enum Kind {
    MEASURED,
    SIMULATED,
    PREDICTED,
    ASSUMED;

    /** Of what was recorded: in a real room, or in an acted one. */
    public static Kind heard(boolean simulated) {
      return simulated ? SIMULATED : MEASURED;
    }

    /** For people, and its style class. */
    public String label() {
      return Figures.word(this);
    }
  }

  /** Recorded, in a real room or an acted one, at a local date and time (ISO 8601). */
  public static Origin heard(boolean simulated, String taken) {
    String when = taken.replace("T", " at ");
    return new Origin(
        Kind.heard(simulated),
        simulated ? "heard in the simulated room on " + when : "measured on " + when);
  }

  /** Computed. */
  public static Origin predicted(String from) {
    return new Origin(Kind.PREDICTED, from);
  }

  /** Taken for granted. */
  public static Origin assumed(String from) {
    return new Origin(Kind.ASSUMED, from);
  }
}
