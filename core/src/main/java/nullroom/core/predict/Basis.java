package nullroom.core.predict;

import java.util.Optional;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.OwnVoice;

/**
 * What a {@link Heard} stands on: where each of its terms comes from and by how much it may be off,
 * as a standard uncertainty.
 *
 * @param voice its level
 * @param ratio of voice to noise, where one recording at one gain held both: what the scale and the
 *     voice's level are off by then cancels
 * @param scale what digital levels of the noise's recording mean in the air; empty where no
 *     measured noise is in it
 * @param noise of the room
 * @param deviceDb standard uncertainty by what the device did to the measured noise after the
 *     microphone; 0 where it is known to do nothing
 * @param decay its uncertainty stands in {@code decayShare}
 * @param decayShare of the reverberation times, as a share of each, per octave
 * @param reply how the room answers, given its decay
 * @param peak loudest expected
 * @param chain data of microphone and input
 */
public record Basis(
    Term voice,
    Optional<Term> ratio,
    Optional<Term> scale,
    Term noise,
    double deviceDb,
    Origin decay,
    Bands decayShare,
    Term reply,
    Term peak,
    Term chain) {
  /**
   * One term.
   *
   * @param origin where it comes from
   * @param uncertaintyDb standard uncertainty
   */
  public record Term(Origin origin, double uncertaintyDb) {
    public Term {
      if (!(uncertaintyDb >= 0)) {
        throw new IllegalArgumentException("an uncertainty of " + uncertaintyDb + " dB");
      }
    }
  }

  /** Levels of voices differ by so much between people of one effort (ISO 9921, from memory). */
  public static final double VOICE_DB = 3.5;

  /** Loudest syllables of speech lie 12 to 20 dB over its active level (common practice). */
  public static final double CREST_DB = 2.5;

  /** The same of a voice that was measured, from day to day (common practice). */
  public static final double OWN_CREST_DB = 1.5;

  /** A voice at a known distance on a known scale, from day to day (common practice). */
  public static final double OWN_VOICE_DB = 1;

  /**
   * Speech of a said effort as a scale: people differ by 3 to 4 dB (ISO 9921, ANSI S3.5; from
   * memory), the effort said and the distance add to it.
   */
  public static final double VOICE_SCALE_DB = 4;

  /** Sensitivities and gains by data sheet (common practice). */
  public static final double CHAIN_DB = 3;

  /** Automatic gains move over some 30 dB (common practice), evenly: 30 / sqrt(12). */
  public static final double AUTOMATIC_DB = 9;

  /** Self-noise and hiss by data sheet (common practice). */
  public static final double OWN_NOISE_DB = 2;

  /** A noise that was described, not measured (common practice). */
  public static final double STATED_NOISE_DB = 3;

  /** A noise that nobody has said anything about: bedrooms at night lie within 20 to 35 dBA. */
  public static final double ASSUMED_NOISE_DB = 6;

  /** Times by tables of absorption (METHODS of rooms by handbooks; common practice). */
  public static final double TABLES_SHARE = 0.15;

  /**
   * The quick answer against the traced one, in Clear; docs/uncertainty.md says from which rooms.
   */
  public static final double QUICK_DB = 2.5;

  /** What a room as described alone is heard by. */
  static Basis described(boolean noiseStated, Optional<OwnVoice> own) {
    return new Basis(
        own.map(Basis::measured)
            .orElse(new Term(Origin.assumed("by a table of voices for that effort"), VOICE_DB)),
        Optional.empty(),
        Optional.empty(),
        noiseStated
            ? new Term(Origin.assumed("as the room's description states it"), STATED_NOISE_DB)
            : new Term(Origin.assumed("a quiet bedroom at night, about 25 dBA"), ASSUMED_NOISE_DB),
        0,
        Origin.predicted("from the room's size and materials"),
        Bands.all(TABLES_SHARE),
        quickReply(),
        new Term(
            Origin.predicted("from the voice and how far its loudest syllables pass it"),
            own.map(o -> Math.hypot(o.uncertaintyDb(), OWN_CREST_DB))
                .orElse(Math.hypot(VOICE_DB, CREST_DB))),
        new Term(Origin.assumed("by the data of microphone and input"), CHAIN_DB));
  }

  private static Term measured(OwnVoice own) {
    Origin heard = Origin.heard(own.simulated(), own.taken());
    return new Term(
        new Origin(
            heard.kind(),
            "your voice, "
                + heard.from()
                + (own.levelKnown() ? "" : "; its level is the table’s for the effort you said")),
        own.uncertaintyDb());
  }

  /** By the quick answer. */
  public static Term quickReply() {
    return new Term(Origin.predicted("by first reflections and a diffuse field"), QUICK_DB);
  }

  /** By tracing. */
  public static Term tracedReply(double standardErrorDb) {
    return new Term(Origin.predicted("by mirrored arrivals and traced rays"), standardErrorDb);
  }
}
