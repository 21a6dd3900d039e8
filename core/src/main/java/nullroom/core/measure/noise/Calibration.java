package nullroom.core.measure.noise;

import java.util.Optional;
import java.util.OptionalDouble;
import nullroom.core.Decibels;
import nullroom.core.Keyed;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Capture;

/**
 * How it is known what digital levels mean in the air. What was found at one gain holds at another:
 * it is kept as the distance from what the data of microphone and input say.
 *
 * @param method how
 * @param overDataDb full scale as found over full scale by the data of microphone and input
 * @param uncertaintyDb give or take
 * @param sensitivityDbvPerPascal of the microphone it was found with: it holds for no other
 */
public record Calibration(
    Method method, double overDataDb, double uncertaintyDb, double sensitivityDbvPerPascal) {

  /** How full scale came to be known. */
  public enum Method implements Keyed {
    /** By the sensitivity of the microphone and the gain and full scale of its input. */
    DATA("by the data of microphone and input"),
    /** By a calibrator's tone. */
    TONE("by a calibrator's tone"),
    /** It is known. */
    FULL_SCALE("by a known full scale"),
    /** By what a borrowed meter showed beside the microphone. */
    METER("by a borrowed meter"),
    /** By the user's own voice at a known distance. */
    VOICE("by a voice of a said effort at a known distance"),
    /** Not at all: levels compare with each other only. */
    NONE("not at all, relative only");

    private final String label;

    Method(String label) {
      this.label = label;
    }

    /** For people. */
    public String label() {
      return label;
    }
  }

  /** Capsules and gain knobs are off by about this (common practice). */
  public static final double DATA_UNCERTAINTY_DB = 3;

  /**
   * A class 2 calibrator is within 0.75 dB (IEC 60942, from memory); its fit on the capsule adds as
   * much.
   */
  public static final double TONE_UNCERTAINTY_DB = 1;

  /** Two microphones side by side in the same noise differ by this (common practice). */
  private static final double SIDE_BY_SIDE_DB = 1;

  /** A calibrator's tone stands over all the rest by more. */
  private static final double LEAST_TONE_DB = 15;

  /** By the data alone. */
  public static final Calibration BY_DATA = new Calibration(Method.DATA, 0, DATA_UNCERTAINTY_DB, 0);

  /** Relative only. */
  public static final Calibration UNKNOWN = new Calibration(Method.NONE, 0, 0, 0);

  private static Calibration found(
      Method method, double fullScaleDbSpl, double uncertaintyDb, Capture with) {
    try {
      Scale scale = new Scale(fullScaleDbSpl, uncertaintyDb);
      return new Calibration(
          method,
          scale.fullScaleDbSpl() - with.fullScaleDbSpl(),
          scale.uncertaintyDb(),
          with.sensitivityDbvPerPascal());
    } catch (IllegalArgumentException e) {
      throw new Trouble.BadField("calibration", String.valueOf(e.getMessage()));
    }
  }

  /**
   * Full scale by a calibrator's tone.
   *
   * @param levelDbSpl of the tone
   * @param recording of it
   * @throws Trouble.BadSound if no tone stands out of the recording, or it clips
   */
  public static double fullScaleOfTone(double levelDbSpl, NoiseReport recording) {
    double loudest =
        recording.octaves().stream()
            .flatMapToDouble(b -> b.leqDbfs().stream())
            .max()
            .orElseThrow(() -> new Trouble.BadSound("", "holds no calibrator tone"));
    double all = recording.lzeqDbfs().orElse(loudest);
    double rest = Decibels.toEnergy(all) - Decibels.toEnergy(loudest);
    if (Decibels.toEnergy(loudest) < rest * Decibels.toEnergy(LEAST_TONE_DB)) {
      throw new Trouble.BadSound(
          "", "holds no calibrator tone: nothing stands 15 dB over all the rest");
    }
    if (recording.clippedSamples() > 0) {
      throw new Trouble.BadSound("", "clips; turn the gain down and record the tone again");
    }
    return levelDbSpl - loudest;
  }

  /** By a calibrator's tone, recorded through a chain. */
  public static Calibration ofTone(double levelDbSpl, NoiseReport recording, Capture with) {
    return found(Method.TONE, fullScaleOfTone(levelDbSpl, recording), TONE_UNCERTAINTY_DB, with);
  }

  /** By a full scale that is known. */
  public static Calibration ofFullScale(double fullScaleDbSpl, double uncertaintyDb, Capture with) {
    return found(Method.FULL_SCALE, fullScaleDbSpl, uncertaintyDb, with);
  }

  /**
   * By a meter that stood beside the microphone.
   *
   * @param readingDbA the A-weighted level it showed
   * @param meterUncertaintyDb its own, 1.5 for a class 2 meter, more for a telephone
   * @param recording of the same noise at the same time
   * @throws Trouble.BadSound if the recording has no level
   */
  public static Calibration ofMeter(
      double readingDbA, double meterUncertaintyDb, NoiseReport recording, Capture with) {
    OptionalDouble level = recording.laeqDbfs();
    if (level.isEmpty()) {
      throw new Trouble.BadSound("", "holds no sound to match the meter with");
    }
    return found(
        Method.METER,
        readingDbA - level.getAsDouble(),
        Math.hypot(meterUncertaintyDb, SIDE_BY_SIDE_DB),
        with);
  }

  /**
   * By someone who spoke with a said effort.
   *
   * @param expectedDbSpl unweighted active level of such a voice at the microphone, in this room
   * @param activeDbfs active level as it was recorded
   * @param uncertaintyDb of voices of that effort
   */
  public static Calibration ofVoice(
      double expectedDbSpl, double activeDbfs, double uncertaintyDb, Capture with) {
    return found(Method.VOICE, expectedDbSpl - activeDbfs, uncertaintyDb, with);
  }

  /** What levels mean with a chain; empty where that is not known. */
  public Optional<Scale> scale(Capture chain) {
    double byData = chain.fullScaleDbSpl();
    return switch (method) {
      case NONE -> Optional.empty();
      case DATA -> Optional.of(new Scale(byData, uncertaintyDb));
      case TONE, FULL_SCALE, METER, VOICE ->
          Optional.of(
              chain.sensitivityDbvPerPascal() == sensitivityDbvPerPascal
                  ? new Scale(byData + overDataDb, uncertaintyDb)
                  : new Scale(byData, DATA_UNCERTAINTY_DB));
    };
  }
}
