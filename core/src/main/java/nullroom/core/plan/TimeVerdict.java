package nullroom.core.plan;

import nullroom.core.book.Goal;

/**
 * A reverberation time against the range that suits a goal.
 *
 * @param seconds the time
 * @param uncertaintySeconds its standard uncertainty
 * @param word how it stands
 */
public record TimeVerdict(double seconds, double uncertaintySeconds, Word word) {
  /** How a time stands. */
  public enum Word {
    SUITS,
    LONGER,
    SHORTER,
    CANNOT_TELL
  }

  /** The word for a time; nobody can tell where it lies nearer to an end than it may be off. */
  public static TimeVerdict of(Goal goal, double seconds, double uncertaintySeconds) {
    boolean unsure =
        Math.abs(seconds - goal.longestSeconds()) < uncertaintySeconds
            || Math.abs(seconds - goal.shortestSeconds()) < uncertaintySeconds;
    Word word =
        unsure
            ? Word.CANNOT_TELL
            : seconds > goal.longestSeconds()
                ? Word.LONGER
                : seconds < goal.shortestSeconds() ? Word.SHORTER : Word.SUITS;
    return new TimeVerdict(seconds, uncertaintySeconds, word);
  }
}
