package nullroom.io.book;

import java.util.Optional;
import nullroom.core.measure.Scale;

/**
 * A watch over the noise, whose seconds are in a CSV file of its own.
 *
 * @param file name under survey/
 * @param started local date and time, ISO 8601
 * @param simulated whether an acted room was watched
 * @param scale what its levels mean in the air, where that was known
 * @param ended whether it was ended; one that was not may go on
 */
public record SurveyNote(
    String file, String started, boolean simulated, Optional<Scale> scale, boolean ended) {
  /** Ended. */
  public SurveyNote asEnded() {
    return new SurveyNote(file, started, simulated, scale, true);
  }
}
