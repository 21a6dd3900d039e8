package nullroom.core.book;

import java.util.Optional;
import nullroom.core.acoustics.Capture;
import nullroom.core.measure.noise.Calibration;
import nullroom.core.measure.noise.Scale;

/**
 * A watch over the noise, whose seconds are in a CSV file of its own.
 *
 * @param file name under survey/
 * @param started local date and time, ISO 8601
 * @param simulated whether an acted room was watched
 * @param chain that it was recorded with, where somebody knows
 * @param scale what its levels mean in the air, where that is known
 * @param ended whether it was ended; one that was not may go on
 */
public record SurveyNote(
    String file,
    String started,
    boolean simulated,
    Optional<Capture> chain,
    Optional<Scale> scale,
    boolean ended) {
  /** Ended. */
  public SurveyNote asEnded() {
    return new SurveyNote(file, started, simulated, chain, scale, true);
  }

  /** The same with its levels as a calibration makes them out. */
  public SurveyNote by(Calibration calibration) {
    return new SurveyNote(
        file, started, simulated, chain, chain.flatMap(calibration::scale), ended);
  }
}
