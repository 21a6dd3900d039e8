package nullroom.core.book;

import java.util.OptionalDouble;
import nullroom.core.Keyed;
import nullroom.core.Trouble;

/**
 * The file that is asked for when a recording is handed over.
 *
 * @param format how it is stored
 * @param bits 16, 24, or 32 for float, which only WAV holds
 * @param rateHz sampling rate; empty where the take's own will do
 * @param shortestSeconds empty where any is long enough
 * @param longestSeconds empty where any is short enough
 * @param namePattern the file's name, in which {@code {take}}, {@code {room}} and {@code {date}}
 *     stand for those
 * @param due the day, as 2026-12-24; empty where nobody said
 */
public record Handover(
    Format format,
    int bits,
    OptionalDouble rateHz,
    OptionalDouble shortestSeconds,
    OptionalDouble longestSeconds,
    String namePattern,
    String due) {
  /** How the file is stored. */
  public enum Format implements Keyed {
    /** Plain samples. */
    WAV,
    /** Losslessly coded. */
    FLAC
  }

  /** Nothing special: WAV in 24 bits, as the take is. */
  public static final Handover USUAL =
      new Handover(
          Format.WAV,
          24,
          OptionalDouble.empty(),
          OptionalDouble.empty(),
          OptionalDouble.empty(),
          "{take}",
          "");

  private static final int FLOAT_BITS = 32;
  private static final double LOWEST_RATE_HZ = 8_000;
  private static final double HIGHEST_RATE_HZ = 192_000;
  private static final int LONGEST_NAME = 120;

  public Handover {
    if (bits != 16 && bits != 24 && bits != FLOAT_BITS) {
      throw new Trouble.BadField("bits", "must be 16, 24 or 32, not " + bits);
    }
    if (format == Format.FLAC && bits == FLOAT_BITS) {
      throw new Trouble.BadField("bits", "FLAC holds 16 or 24 bits; for float write WAV");
    }
    if (rateHz.isPresent()
        && !(rateHz.getAsDouble() >= LOWEST_RATE_HZ && rateHz.getAsDouble() <= HIGHEST_RATE_HZ)) {
      throw new Trouble.BadField("rate", "must lie between 8 and 192 kHz");
    }
    if (!(shortestSeconds.orElse(0) >= 0)
        || !(longestSeconds.orElse(Double.POSITIVE_INFINITY) > shortestSeconds.orElse(0))) {
      throw new Trouble.BadField("length", "the longest must be longer than the shortest");
    }
    if (namePattern.isBlank() || namePattern.length() > LONGEST_NAME) {
      throw new Trouble.BadField("file name", "must have 1 to " + LONGEST_NAME + " characters");
    }
  }

  /**
   * The file's name with its ending; what a file name may not hold becomes a hyphen.
   *
   * @param take name of the take's file
   * @param room name of the room
   * @param today the day
   */
  public String fileName(String take, String room, String today) {
    int dot = take.lastIndexOf('.');
    String filled =
        namePattern
            .replace("{take}", dot > 0 ? take.substring(0, dot) : take)
            .replace("{room}", room)
            .replace("{date}", today)
            .strip()
            .replaceAll("[\\\\/:*?\"<>|\\p{Cntrl}]", "-")
            .replaceAll("^\\.+", "");
    return (filled.isEmpty() ? "take" : filled) + "." + format.id();
  }
}
