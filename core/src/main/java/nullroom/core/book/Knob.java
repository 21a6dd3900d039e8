package nullroom.core.book;

import nullroom.core.Figures;
import nullroom.core.Keyed;
import nullroom.core.Trouble;

/**
 * The dial of a preamp in the marks that stand on it, learnt from one sound at two marks. Between
 * and about these it is taken to turn evenly, so many decibels a mark.
 *
 * @param marks what stands on it
 * @param mark where it stood ...
 * @param gainDb ... when the gain was this
 * @param dbPerMark what one mark more gives
 */
public record Knob(Marks marks, double mark, double gainDb, double dbPerMark) {
  /** What stands on dials. */
  public enum Marks implements Keyed {
    /** Numbers, such as 0 to 10. */
    NUMBERS,
    /** None: told as on the face of a clock, from 7 over 12 to 17, which is 5 o'clock. */
    CLOCK,
    /** A menu in whole steps. */
    STEPS
  }

  /** Two levels nearer than this say nothing of the marks between. */
  private static final double LEAST_CHANGE_DB = 2;

  private static final double LEAST_CLOCK = 6;
  private static final double MOST_CLOCK = 18;
  private static final double MOST_MARK = 1000;
  private static final double MOST_DB_PER_MARK = 60;

  public Knob {
    within(marks, mark);
    if (!(dbPerMark > 0 && dbPerMark <= MOST_DB_PER_MARK)) {
      throw new Trouble.BadField(
          "dial", "one mark must give more than 0 and at most 60 dB, not " + dbPerMark);
    }
  }

  private static void within(Marks marks, double mark) {
    double low = marks == Marks.CLOCK ? LEAST_CLOCK : -MOST_MARK;
    double high = marks == Marks.CLOCK ? MOST_CLOCK : MOST_MARK;
    if (!(mark >= low && mark <= high)) {
      throw new Trouble.BadField(
          "dial",
          marks == Marks.CLOCK
              ? "positions go from 7 over 12 to 17 (5 o'clock), not " + mark
              : "marks lie between -1000 and 1000, not " + mark);
    }
  }

  /**
   * Learns from one steady sound at two marks.
   *
   * @param gainDb of the book, at the second mark
   * @param firstDbfs level at the first mark
   * @param secondDbfs level at the second
   * @throws Trouble.BadField where both are one mark, or come out alike, or louder means less
   */
  public static Knob learnt(
      Marks marks,
      double first,
      double firstDbfs,
      double second,
      double secondDbfs,
      double gainDb) {
    within(marks, first);
    within(marks, second);
    double change = secondDbfs - firstDbfs;
    if (first == second) {
      throw new Trouble.BadField("dial", "turn it to another mark for the second sound");
    }
    if (Math.abs(change) < LEAST_CHANGE_DB) {
      throw new Trouble.BadField(
          "dial",
          Figures.say(
              "both marks sound alike (%.1f dB apart): was it turned, and the same sound played?",
              change));
    }
    if (change / (second - first) < 0) {
      throw new Trouble.BadField(
          "dial", "the higher mark came out softer; a gain that sets itself cannot be learnt");
    }
    return new Knob(marks, second, gainDb, change / (second - first));
  }

  /** The mark that gives a gain. */
  public double markOf(double gain) {
    double at = mark + (gain - gainDb) / dbPerMark;
    return marks == Marks.STEPS ? Math.rint(at) : at;
  }

  /** A mark in words: "6.5", "2 o'clock", "half past 2", "step 12". */
  public String words(double at) {
    return switch (marks) {
      case NUMBERS -> Figures.say("%.1f", at).replaceFirst("[.,]0$", "");
      case STEPS -> Figures.say("step %.0f", at);
      case CLOCK -> {
        double half = Math.rint(at * 2) / 2;
        long hour = (long) Math.floor(half);
        long shown = (hour + 11) % 12 + 1;
        yield half == hour ? shown + " o’clock" : "half past " + shown;
      }
    };
  }

  /** "from 4 to 6 on your dial", or that it stays; what lies beyond a clock's face is said. */
  public String turn(double fromGainDb, double toGainDb) {
    String from = words(markOf(fromGainDb));
    String to = words(markOf(toGainDb));
    boolean beyond =
        marks == Marks.CLOCK && (markOf(toGainDb) > MOST_CLOCK || markOf(toGainDb) < LEAST_CLOCK);
    return beyond
        ? "further than your dial turns"
        : from.equals(to)
            ? "leave your dial at " + to
            : "from " + from + " to " + to + " on your dial";
  }
}
