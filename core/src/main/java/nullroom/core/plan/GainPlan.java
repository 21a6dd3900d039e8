package nullroom.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nullroom.core.Decibels;
import nullroom.core.Figures;
import nullroom.core.acoustics.Capture;
import nullroom.core.acoustics.Octave;
import nullroom.core.book.School;
import nullroom.core.book.Staging;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Margins;

/**
 * How far to turn the gain up, and what comes of it. All levels in dBFS, a full-scale sine 0.
 *
 * @param school it was set by
 * @param gainDb of the preamp
 * @param changeDb against the gain of now
 * @param activeDbfs active speech level, as a meter of it shows
 * @param voiceDbfsA the same A-weighted, the voice of the ladder
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
    double voiceDbfsA,
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
  public static GainPlan of(Heard heard, Margins targets, Staging staging) {
    School school = staging.school();
    double allowanceDb = staging.allowanceDb();
    Capture capture = heard.capture();
    double active = heard.dbfs(heard.activeSpeechDbSpl());
    double peak = heard.dbfs(heard.peakDbSpl());
    double gain = school.gainDb(heard, targets, allowanceDb);
    double set = staging.rightGainDb(heard, targets);
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
      double rounding = Capture.roundingDbfsA(bits);
      double all = Decibels.sum(analogueDbfs, rounding);
      words.add(new Word(bits, all, all - analogueDbfs));
    }
    words.add(new Word(32, analogueDbfs, 0));
    double used = Decibels.sum(analogueDbfs, Capture.roundingDbfsA(capture.bits()));
    boolean tight = -shout < LEAST_HEADROOM_DB && school != School.FLOAT;
    double track = tight ? Math.ceil((shout - SAFE_SHOUT_DBFS) / TRACK_STEP_DB) * TRACK_STEP_DB : 0;
    return new GainPlan(
        school,
        set,
        change,
        active + change,
        heard.dbfs(heard.voiceDbSplA()) + change,
        peak + change,
        shout,
        -shout,
        used,
        words,
        track,
        tight,
        advice(heard, gain, staging, words, track));
  }

  private static List<String> advice(
      Heard heard, double gain, Staging staging, List<Word> words, double track) {
    double highest = staging.highestGainDb();
    List<String> all = new ArrayList<>();
    Capture capture = heard.capture();
    capture
        .automatic()
        .ifPresent(stage ->
            all.add(
                "“"
                    + stage.name()
                    + "” sets its own gain: no level behind it can be planned. Switch that off; these"
                    + " figures are for when it is."));
    double loudest = heard.peakDbSpl() + staging.allowanceDb();
    if (!capture.preamp()) {
      all.add(
          "It gives digits by itself: there is no gain to plan, its level follows from the distance"
              + " and the voice. If it sets its own level, switch that off: it cannot be planned.");
      return all;
    }
    overload(capture, loudest).ifPresent(all::add);
    if (gain > highest) {
      all.add(
          Figures.say(
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
          Figures.say(
              capture.stages().isEmpty()
                  ? "The preamp’s hiss adds %.1f dB to the noise: a quieter one or a booster before it pays."
                  : "The hiss of what lies behind the microphone adds %.1f dB to the noise: more gain in its first stage pays.",
              hiss));
    }
    if (words.getFirst().costDb() > NOTABLE_HISS_DB) {
      all.add(
          Figures.say(
              "16 bits would cost %.1f dB of noise: record with 24.", words.getFirst().costDb()));
    }
    if (track > 0) {
      all.add(
          Figures.say(
              "A shout would come within %.0f dB of clipping: switch the limiter on, or keep a second track %.0f dB lower.",
              LEAST_HEADROOM_DB, track));
    }
    return all;
  }

  private static Optional<String> overload(Capture capture, double loudestDbSpl) {
    double over = loudestDbSpl - capture.limitDbSpl();
    if (over <= 0) {
      return Optional.empty();
    }
    return Optional.of(
        ChainLink.firstToOverload(capture)
            .map(link ->
                Figures.say(
                    "The loudest sound would overload “%s” by %.0f dB: turn down what comes before it; the preamp’s gain cannot help.",
                    link.name(), over))
            .orElseGet(() ->
                Figures.say(
                    "The loudest sound would overload the microphone itself by %.0f dB: step back, gain cannot help.",
                    over)));
  }
}
