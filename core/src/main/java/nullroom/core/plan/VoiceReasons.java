package nullroom.core.plan;

import java.util.List;
import java.util.OptionalDouble;
import nullroom.core.Figures;
import nullroom.core.plan.Why.Input;
import nullroom.core.predict.Origin;

/** Why the figures of one clip and of a lean test are what they are. */
public final class VoiceReasons {
  private static final String PRACTICE = "common practice";

  private VoiceReasons() {}

  /** What one recording at one gain gives. */
  public enum OfClip {
    NOISE(
        "room noise",
        "Energy mean of the quiet stretch, A-weighted; in the air by the voice as its scale.",
        "IEC 61672-1; ISO 9921 for the voice as a scale",
        "the quiet",
        "a calibrator, or a meter held beside the microphone"),
    RINGING(
        "ringing",
        "Mean T20 of 500 and 1000 Hz of the claps, averaged; from the ends of words where there are none.",
        "ISO 3382-2",
        "the claps",
        "more claps, and more places"),
    VOICE(
        "voice",
        "Active speech level, A-weighted, by 1/r from the distance said to 1 m, the room's part taken out.",
        "ITU-T P.56, method B; ANSI S3.5 for the effort",
        "the talk",
        "the distance from the lips, and how loud it was spoken"),
    PEAKS(
        "loudest peaks",
        "Level that one sample in ten thousand exceeds, over the active speech level.",
        "ITU-T P.56; the share by common practice",
        "the talk",
        "how evenly you speak"),
    CONSONANTS(
        "hisses, pops",
        "Loudest hundredth of a second over 5 kHz and under 120 Hz, each against the active speech level.",
        "ITU-T P.56; the bands by common practice",
        "the talk",
        "the angle to the lips, and a pop screen");

    private final String label;
    private final String formula;
    private final String source;
    private final String part;
    private final String mostly;

    OfClip(String label, String formula, String source, String part, String mostly) {
      this.label = label;
      this.formula = formula;
      this.source = source;
      this.part = part;
      this.mostly = mostly;
    }

    /** Name for people. */
    public String label() {
      return label;
    }

    /**
     * Why a figure of it is so.
     *
     * @param figure with its unit
     * @param sound name of the recording
     * @param origin of the recording
     * @param uncertaintyDb standard uncertainty, where it is one of level
     */
    public Why why(String figure, String sound, Origin origin, OptionalDouble uncertaintyDb) {
      return new Why(
          label,
          figure,
          formula,
          source,
          List.of(new Input(part, "of " + sound, origin)),
          uncertaintyDb,
          mostly);
    }
  }

  /** How far the voice falls at the softest, as heard. */
  public static Why fall(Leaning leaning, Origin heard) {
    return lean(
        "softest",
        -leaning.measured().fallDb(),
        "Level of the softest twentieth of the seconds in movement under that of sitting still.",
        heard);
  }

  /** How far the highs fall at the dullest, as heard. */
  public static Why toneFall(Leaning leaning, Origin heard) {
    return lean(
        "highs at the dullest",
        -leaning.measured().toneFallDb(),
        "Fall of what lies over 3 kHz against the middle, in the dullest twentieth of the seconds.",
        heard);
  }

  /** How far its level spreads from second to second. */
  public static Why spread(Leaning leaning, Origin heard) {
    return lean(
        "spread from second to second",
        leaning.measured().spreadDb(),
        "Standard deviation of the level of the seconds in movement.",
        heard);
  }

  /** What of that spread the moving adds. */
  public static Why moved(Leaning leaning, Origin heard) {
    return lean(
        "of it by moving",
        leaning.measured().movedDb(),
        "Root of the difference of the squares of the spreads in movement and sitting still.",
        heard);
  }

  /** How far the geometry says that the level falls. */
  public static Why fallByGeometry(Leaning leaning) {
    return byGeometry("softest", -leaning.predictedFallDb(), leaning);
  }

  /** How far the geometry says that the highs fall. */
  public static Why toneByGeometry(Leaning leaning) {
    return byGeometry("highs at the dullest", -leaning.predictedToneDb(), leaning);
  }

  private static Why lean(String name, double db, String formula, Origin heard) {
    return new Why(
        name,
        Figures.say("%.1f dB", db),
        formula,
        PRACTICE,
        List.of(new Input("the talk", "while still and while moving", heard)),
        OptionalDouble.empty(),
        "how you move, and the distance");
  }

  private static Why byGeometry(String name, double db, Leaning leaning) {
    Origin described = Origin.predicted("from the room as described");
    return new Why(
        name,
        Figures.say("%.1f dB", db),
        "The worst end of leaning and turning as described: 1/r, the mouth's and the microphone's pattern, and what the room sends back.",
        "ANSI S3.5 for the mouth; ISO 3382-1",
        List.of(
            new Input(
                "how far you lean",
                Figures.say("%.0f cm", 100 * leaning.movement().leanMetres()),
                described),
            new Input(
                "how far you turn",
                Figures.say("%.0f°", leaning.movement().turnDegrees()),
                described)),
        OptionalDouble.empty(),
        "the distance, and how far you lean");
  }
}
