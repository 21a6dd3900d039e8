package nullroom.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import nullroom.core.Decibels;
import nullroom.core.acoustics.Capture;
import nullroom.core.acoustics.Octave;
import nullroom.core.book.School;
import nullroom.core.book.Staging;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Margins;
import nullroom.core.signal.Weighting;

/**
 * How far to turn the gain up, and what comes of it. All levels in dBFS, a full-scale sine 0.
 *
 * @param school it was set by
 * @param gainDb of the preamp
 * @param changeDb against the gain of now
 * @param activeDbfs active level of the voice
 * @param peakDbfs loudest expected sample peak
 * @param shoutDbfs the same for a laugh or a shout
 * @param headroomDb left over that
 * @param noiseDbfsA all noise, A-weighted
 * @param words noise and what it costs for each word length
 * @param safetyTrackDb a second track lower by this takes the shout with room to spare; 0 where
 *     none is needed
 * @param limiter whether a limiter is worth its while
 * @param advice sentences, the most pressing first
 */
public record GainPlan(
    School school,
    double gainDb,
    double changeDb,
    double activeDbfs,
    double peakDbfs,
    double shoutDbfs,
    double headroomDb,
    double noiseDbfsA,
    List<Word> words,
    double safetyTrackDb,
    boolean limiter,
    List<String> advice) {
  /** Less left over a shout is a risk. */
  private static final double LEAST_HEADROOM_DB = 3;

  /** A safety track holds the shout this far under full scale, in whole steps of this. */
  private static final double SAFE_SHOUT_DBFS = -6;

  private static final double TRACK_STEP_DB = 6;

  /** A preamp that adds more than this to the noise is not quiet enough. */
  private static final double NOTABLE_HISS_DB = 1;

  private static final double BOOSTER_DB = 25;
  private static final int[] BITS = {16, 24};

  /** Dither as it is used (triangular) is louder than bare rounding by this. */
  private static final double DITHER_DB = 4.77;

  private static final int WHITE_TO_HZ = 24_000;
  private static final double WHITE_A_DB = whiteA();

  /**
   * Noise with a word length.
   *
   * @param bits of a sample, 32 for float
   * @param noiseDbfsA all noise with dithered words of it, A-weighted
   * @param costDb over what it would be without rounding
   */
  public record Word(int bits, double noiseDbfsA, double costDb) {}

  public GainPlan {
    words = List.copyOf(words);
    advice = List.copyOf(advice);
  }

  /**
   * Plans the gain.
   *
   * @param heard with the gain of now
   * @param targets of the goal
   * @param staging what it is planned for
   */
  public static GainPlan of(Heard heard, Margins targets, School school, Staging staging) {
    double highestGainDb = staging.highestGainDb();
    double allowanceDb = staging.allowanceDb();
    Capture capture = heard.capture();
    double active = heard.dbfs(heard.voiceDbSpl());
    double peak = heard.dbfs(heard.peakDbSpl());
    double gain = school.gainDb(heard, targets, allowanceDb);
    double set = Math.clamp(gain, 0, highestGainDb);
    double change = set - capture.gainDb();
    double shout = peak + change + allowanceDb;
    double analogue =
        Decibels.sum(
            Octave.aWeightedSum(heard.placeNoiseDbSpl()),
            Octave.aWeightedSum(heard.selfNoiseDbSpl()),
            Octave.aWeightedSum(heard.preampNoiseDbSpl()));
    double analogueDbfs = heard.dbfs(analogue) + change;
    List<Word> words = new ArrayList<>();
    for (int bits : BITS) {
      double rounding = rounding(bits);
      double all = Decibels.sum(analogueDbfs, rounding);
      words.add(new Word(bits, all, all - analogueDbfs));
    }
    words.add(new Word(32, analogueDbfs, 0));
    double used =
        capture.bits() >= 32 ? analogueDbfs : Decibels.sum(analogueDbfs, rounding(capture.bits()));
    boolean tight = -shout < LEAST_HEADROOM_DB && school != School.FLOAT;
    double track = tight ? Math.ceil((shout - SAFE_SHOUT_DBFS) / TRACK_STEP_DB) * TRACK_STEP_DB : 0;
    return new GainPlan(
        school,
        set,
        change,
        active + change,
        peak + change,
        shout,
        -shout,
        used,
        words,
        track,
        tight,
        advice(heard, gain, highestGainDb, allowanceDb, words, track));
  }

  /** Dithered rounding, A-weighted, for words of a length: white up to 24 kHz. */
  static double rounding(int bits) {
    double step = Math.pow(2, 1 - bits);
    return Decibels.dbfs(step * step / 12) + DITHER_DB + WHITE_A_DB;
  }

  /** What A-weighting leaves of white noise up to 24 kHz. */
  private static double whiteA() {
    double sum = 0;
    for (int hz = 1; hz <= WHITE_TO_HZ; hz++) {
      sum += Weighting.A.power(hz);
    }
    return Decibels.ofEnergy(sum / WHITE_TO_HZ);
  }

  private static List<String> advice(
      Heard heard, double gain, double highest, double allowance, List<Word> words, double track) {
    List<String> all = new ArrayList<>();
    Capture capture = heard.capture();
    double overCapsule = heard.peakDbSpl() + allowance - capture.maxDbSpl();
    if (overCapsule > 0) {
      all.add(
          say(
              "The loudest sound would overload the microphone itself by %.0f dB: step back, gain cannot help.",
              overCapsule));
    }
    if (gain > highest) {
      all.add(
          say(
              "%.0f dB of gain are wanted and the preamp has %.0f: an inline booster adds about %.0f, or come nearer.",
              gain, highest, BOOSTER_DB));
    }
    if (gain < 0) {
      all.add("Even without gain it is too hot: use the pad or step back.");
    }
    double quiet =
        Decibels.sum(Octave.aWeightedSum(heard.placeNoiseDbSpl()), capture.selfNoiseDbA());
    double hiss = Decibels.sum(quiet, capture.preampNoiseDbA()) - quiet;
    if (hiss > NOTABLE_HISS_DB) {
      all.add(
          say(
              "The preamp’s hiss adds %.1f dB to the noise: a quieter one or a booster before it pays.",
              hiss));
    }
    if (words.getFirst().costDb() > NOTABLE_HISS_DB) {
      all.add(
          say("16 bits would cost %.1f dB of noise: record with 24.", words.getFirst().costDb()));
    }
    if (track > 0) {
      all.add(
          say(
              "A shout would come within %.0f dB of clipping: switch the limiter on, or keep a second track %.0f dB lower.",
              LEAST_HEADROOM_DB, track));
    }
    return all;
  }

  private static String say(String format, Object... figures) {
    return String.format(Locale.ROOT, format, figures);
  }
}
