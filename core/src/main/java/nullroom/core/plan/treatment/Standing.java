package nullroom.core.plan.treatment;

import nullroom.core.Decibels;
import nullroom.core.acoustics.Octave;
import nullroom.core.book.Goal;

/**
 * How far a room is from a goal, and what has been spent on it; compared as plans are.
 *
 * @param offDb from the goal
 * @param price to be paid
 * @param minutes to put up
 * @param pieces how many
 */
record Standing(double offDb, double price, double minutes, int pieces)
    implements Comparable<Standing> {
  /** Rooms that differ by less are as far from the goal as each other. */
  static final double SAME_DB = 0.05;

  private static final double SUMS_DB = 1e-7;

  /** Octaves of the decay that count: 250 Hz to 4 kHz. */
  private static final int FIRST = Octave.FIRST_VOICE;

  private static final int LAST = Octave.COUNT - 2;

  /** What is missing of Clear, and what the times are beyond the goal's on average, dB. */
  static double offDb(Goal goal, double clearDb, double[] seconds) {
    return offDb(goal, clearDb, seconds, seconds);
  }

  /**
   * The same with other times for the too long and the too short.
   *
   * @param longSeconds taken for the too long
   * @param shortSeconds taken for the too short
   */
  static double offDb(Goal goal, double clearDb, double[] longSeconds, double[] shortSeconds) {
    double off = 0;
    for (int b = FIRST; b <= LAST; b++) {
      off += Math.max(0, Decibels.ofEnergy(longSeconds[b] / goal.longestSeconds()));
      off += Math.max(0, Decibels.ofEnergy(goal.shortestSeconds() / shortSeconds[b]));
    }
    return Math.max(0, goal.targets().clearDb() - clearDb) + off / (LAST - FIRST + 1);
  }

  private long step() {
    return Math.round(offDb / SAME_DB);
  }

  /** So coarse that sums made in another order come to the same. */
  private long fine() {
    return Math.round(offDb / SUMS_DB);
  }

  @Override
  public int compareTo(Standing other) {
    int byOff = Long.compare(step(), other.step());
    int byPrice = byOff != 0 ? byOff : Double.compare(price, other.price);
    int byMinutes = byPrice != 0 ? byPrice : Double.compare(minutes, other.minutes);
    int byCount = byMinutes != 0 ? byMinutes : Integer.compare(pieces, other.pieces);
    return byCount != 0 ? byCount : Long.compare(fine(), other.fine());
  }
}
