package nullroom.io.book;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import nullroom.core.measure.Calibration;

/**
 * All that is known about the noise.
 *
 * @param noise measured last at the spot of now
 * @param calibration what levels mean in the air
 * @param suspects the culprit board
 * @param spots candidate places and hours
 * @param surveys long watches, oldest first
 * @param humTest the last test of a hum's path
 */
public record Listening(
    Optional<NoiseMeasurement> noise,
    Calibration calibration,
    List<Suspect> suspects,
    List<NoiseMeasurement> spots,
    List<SurveyNote> surveys,
    Optional<HumTest> humTest) {

  /** Nothing heard yet. */
  public static final Listening NOTHING =
      new Listening(
          Optional.empty(), Calibration.BY_DATA, List.of(), List.of(), List.of(), Optional.empty());

  public Listening {
    suspects = List.copyOf(suspects);
    spots = List.copyOf(spots);
    surveys = List.copyOf(surveys);
  }

  /** With the noise measured now. */
  public Listening withNoise(NoiseMeasurement measured) {
    return new Listening(Optional.of(measured), calibration, suspects, spots, surveys, humTest);
  }

  /** With another calibration. */
  public Listening withCalibration(Calibration other) {
    return new Listening(noise, other, suspects, spots, surveys, humTest);
  }

  /** With a suspect changed; does nothing where there is none of that name. */
  public Listening withSuspect(String name, UnaryOperator<Suspect> change) {
    return withSuspects(
        suspects.stream().map(s -> s.name().equals(name) ? change.apply(s) : s).toList());
  }

  /** With one more suspect. */
  public Listening plus(Suspect suspect) {
    List<Suspect> more = new ArrayList<>(suspects);
    more.add(suspect);
    return withSuspects(more);
  }

  /** With other suspects. */
  public Listening withSuspects(List<Suspect> others) {
    return new Listening(noise, calibration, others, spots, surveys, humTest);
  }

  /** With other spots. */
  public Listening withSpots(List<NoiseMeasurement> others) {
    return new Listening(noise, calibration, suspects, others, surveys, humTest);
  }

  /** With other surveys. */
  public Listening withSurveys(List<SurveyNote> others) {
    return new Listening(noise, calibration, suspects, spots, others, humTest);
  }

  /** With a survey begun, or changed where it is there already. */
  public Listening with(SurveyNote survey) {
    List<SurveyNote> others = new ArrayList<>(surveys);
    others.removeIf(s -> s.file().equals(survey.file()));
    others.add(survey);
    return withSurveys(others);
  }

  /** With a test of a hum's path. */
  public Listening with(HumTest test) {
    return new Listening(noise, calibration, suspects, spots, surveys, Optional.of(test));
  }
}
