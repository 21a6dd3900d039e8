package nullroom.core.measure.altered;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.function.Function;
import java.util.stream.Collectors;
import nullroom.core.Figures;
import nullroom.core.Keyed;

/**
 * Something that was done to a sound after the microphone.
 *
 * @param kind what
 * @param evidence what in the sound speaks for it, with its figures
 * @param fromSeconds of the file, where that begins
 * @param toSeconds where it ends
 */
public record Alteration(Kind kind, String evidence, double fromSeconds, double toSeconds) {
  /** Kinds, each with how a device is told to leave it. */
  public enum Kind implements Keyed {
    AUTOMATIC_GAIN("automatic gain", "set the recording level by hand, or choose “manual gain”"),
    GATE("a gate", "switch off the gate, “voice activation” or “silence skipping”"),
    NOISE_REDUCTION(
        "noise reduction", "switch off noise reduction, “voice focus” or “enhanced voice”"),
    LIMITER("a limiter", "record at a lower level, or switch the limiter off"),
    BAND_LIMIT(
        "a band limit", "record with a higher sampling rate or quality, not as a call or memo"),
    LOSSY("a coder of a low rate", "choose WAV, or a higher bit rate, in the recorder");

    private final String label;
    private final String remedy;

    Kind(String label, String remedy) {
      this.label = label;
      this.remedy = remedy;
    }

    /** Name for people. */
    public String label() {
      return label;
    }

    /** How to do without it, in general words. */
    public String remedy() {
      return remedy;
    }
  }

  /** What is measured of a sound. */
  public enum Measured {
    NOISE,
    DECAY,
    LEVEL
  }

  /**
   * Both of two kinds, where what speaks for one speaks for the other as well.
   *
   * @param evidence that they have in common, and are told together by
   */
  public static List<Alteration> either(
      Kind one, Kind other, String evidence, double fromSeconds, double toSeconds) {
    return List.of(
        new Alteration(one, evidence, fromSeconds, toSeconds),
        new Alteration(other, evidence, fromSeconds, toSeconds));
  }

  /** Those of one evidence together, in the order in which they were found. */
  public static List<List<Alteration>> together(List<Alteration> all) {
    return List.copyOf(
        all.stream()
            .collect(
                Collectors.groupingBy(
                    Alteration::evidence, LinkedHashMap::new, Collectors.toList()))
            .values());
  }

  /** What each does to a figure, and what to do; one or two sentences each. */
  public static List<String> warnings(List<Alteration> all, Measured what) {
    return together(all).stream()
        .map(a ->
            "The sound shows "
                + labels(a)
                + ": "
                + spoils(a, what)
                + ". On the device: "
                + remedy(a)
                + ".")
        .toList();
  }

  /** Whether what is soft is no longer as soft as it was. */
  public boolean movesTheFloor() {
    return kind == Kind.AUTOMATIC_GAIN || kind == Kind.GATE || kind == Kind.NOISE_REDUCTION;
  }

  /**
   * What is to be said before a verdict on an altered sound; empty, or sentences with a space
   * behind.
   */
  public static String doubt(List<Alteration> all, Measured what) {
    return together(all).stream()
        .map(a ->
            "Not to be believed as it stands, for the sound shows "
                + labels(a)
                + ": "
                + spoils(a, what)
                + ". ")
        .collect(Collectors.joining());
  }

  /** What speaks for them, and how to do without; empty, or sentences with a space ahead. */
  public static String remedies(List<Alteration> all) {
    return together(all).stream()
        .map(a ->
            " "
                + Figures.capital(labels(a))
                + ": "
                + a.getFirst().evidence
                + ". On the device: "
                + remedy(a)
                + ".")
        .collect(Collectors.joining());
  }

  /** Names of what was found, for people. */
  public static String named(List<Alteration> all) {
    return together(all).stream().map(Alteration::labels).collect(Collectors.joining(", "));
  }

  private static String labels(List<Alteration> alike) {
    return each(alike, a -> a.kind.label, " or ");
  }

  private static String remedy(List<Alteration> alike) {
    return each(alike, a -> a.kind.remedy, "; or ");
  }

  private static String spoils(List<Alteration> alike, Measured what) {
    return each(alike, a -> a.spoils(what), ", or ");
  }

  private static String each(
      List<Alteration> alike, Function<Alteration, String> says, String between) {
    return alike.stream().map(says).distinct().collect(Collectors.joining(between));
  }

  private String spoils(Measured what) {
    return switch (what) {
      case NOISE ->
          switch (kind) {
            case AUTOMATIC_GAIN ->
                "the noise reads too loud where nothing sounds, and no calibration holds";
            case GATE, NOISE_REDUCTION -> "the noise reads too low";
            case LIMITER -> "the loudest moments read too low";
            case BAND_LIMIT -> "the noise above the limit is missing";
            case LOSSY -> "the faintest highs are missing from the noise";
          };
      case DECAY ->
          switch (kind) {
            case AUTOMATIC_GAIN -> "decays read too long, and C50 too low";
            case GATE, NOISE_REDUCTION -> "decays read too short, and C50 too high";
            case LIMITER -> "the direct sound is held down: C50 reads too low";
            case BAND_LIMIT -> "nothing can be said of the bands above the limit";
            case LOSSY -> "the ends of decays in the highs are missing";
          };
      case LEVEL ->
          switch (kind) {
            case AUTOMATIC_GAIN ->
                "soft and loud lie nearer to each other than they were, and the noise between words is raised";
            case GATE, NOISE_REDUCTION ->
                "the noise floor reads lower than under the voice, and speech to noise too high";
            case LIMITER -> "peaks were louder than they read, and their shape is lost";
            case BAND_LIMIT -> "the voice has lost what lay above the limit";
            case LOSSY -> "the faintest highs are gone, and no later treatment brings them back";
          };
    };
  }
}
