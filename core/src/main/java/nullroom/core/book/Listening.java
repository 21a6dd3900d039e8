package nullroom.core.book;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import nullroom.core.acoustics.Capture;
import nullroom.core.measure.noise.Calibration;

/**
 * All that is known about the noise.
 *
 * @param noise measured last at the spot of now
 * @param calibration what levels mean in the air
 * @param suspects the culprit board
 * @param spots candidate places and hours
 * @param surveys long watches, oldest first
 * @param humTest the last test of a hum's path
 * @param chainKnown whether somebody said that the microphone, input and gain described are those
 *     that the input of this computer hears through
 */
public record Listening(
    Optional<NoiseMeasurement> noise,
    Calibration calibration,
    List<Suspect> suspects,
    List<NoiseMeasurement> spots,
    List<SurveyNote> surveys,
    Optional<HumTest> humTest,
    boolean chainKnown) {

  /** Nothing heard yet. */
  public static final Listening NOTHING =
      new Listening(
          Optional.empty(),
          Calibration.BY_DATA,
          List.of(),
          List.of(),
          List.of(),
          Optional.empty(),
          false);

  public Listening {
    suspects = List.copyOf(suspects);
    spots = List.copyOf(spots);
    surveys = List.copyOf(surveys);
  }

  /** With the noise measured now. */
  public Listening withNoise(NoiseMeasurement measured) {
    return new Listening(
        Optional.of(measured), calibration, suspects, spots, surveys, humTest, chainKnown);
  }

  /** With another calibration, and all levels as it makes them out. */
  public Listening withCalibration(Calibration other) {
    return new Listening(
        noise.map(n -> n.by(other)),
        other,
        suspects,
        spots.stream().map(s -> s.by(other)).toList(),
        surveys.stream().map(s -> s.by(other)).toList(),
        humTest,
        chainKnown);
  }

  /** With the noise of now made with another chain, and its levels as that makes them. */
  public Listening withChain(Optional<Capture> chain) {
    return new Listening(
        noise.map(n -> n.madeWith(chain, calibration)),
        calibration,
        suspects,
        spots,
        surveys,
        humTest,
        chainKnown);
  }

  /** With the microphone described being the one in use, or not. */
  public Listening withChainKnown(boolean known) {
    return new Listening(noise, calibration, suspects, spots, surveys, humTest, known);
  }

  /**
   * The chain that a recording is made with now.
   *
   * @param described microphone, input and gain of the room
   * @param simulated whether an acted room is heard, always through what is described
   */
  public Optional<Capture> chain(Capture described, boolean simulated) {
    return Optional.of(described).filter(c -> simulated || chainKnown);
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
    return new Listening(noise, calibration, others, spots, surveys, humTest, chainKnown);
  }

  /** With other spots. */
  public Listening withSpots(List<NoiseMeasurement> others) {
    return new Listening(noise, calibration, suspects, others, surveys, humTest, chainKnown);
  }

  /** With other surveys. */
  public Listening withSurveys(List<SurveyNote> others) {
    return new Listening(noise, calibration, suspects, spots, others, humTest, chainKnown);
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
    return new Listening(
        noise, calibration, suspects, spots, surveys, Optional.of(test), chainKnown);
  }
}
