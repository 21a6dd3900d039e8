package nullroom.core.plan;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import nullroom.core.Decibels;
import nullroom.core.Figures;
import nullroom.core.book.Brief;
import nullroom.core.measure.Moment;
import nullroom.core.measure.altered.Alteration;
import nullroom.core.measure.noise.MainsHum;
import nullroom.core.measure.take.Fault;
import nullroom.core.measure.take.Loudness;
import nullroom.core.measure.take.TakeChannel;
import nullroom.core.measure.take.TakeReport;
import nullroom.core.plan.TakeCheck.Outcome;

/** Holds a take against common practice and a brief. Limits without a source are the former. */
public final class TakeChecks {
  /** A peak this far over its target may stay. */
  private static final double PEAK_SLACK_DB = Verdict.CLOSE_DB;

  /** A peak this far under its target asks for gain before the next take. */
  private static final double LOW_PEAK_DB = 12;

  /** Raised by more than this the preamp's hiss is heard (common practice). */
  private static final double FAR_TOO_LOW_DB = LOW_PEAK_DB + Verdict.CLOSE_DB;

  private static final double GOOD_SPEECH_TO_NOISE_DB = 40;
  private static final double LEAST_SPEECH_TO_NOISE_DB = 25;

  /** A constant louder than this clicks at every cut. */
  private static final double LARGEST_OFFSET = 0.001;

  /** Hum this far under the voice is covered by it, and near this it is heard in the pauses. */
  private static final double HUM_UNDER_VOICE_DB = 50;

  private static final double LOUD_HUM_UNDER_VOICE_DB = 40;
  private static final int MANY_THUMPS = 5;
  private static final double FLOOR_SLACK_DB = 3;

  private static final Set<Alteration.Kind> MILD =
      EnumSet.of(Alteration.Kind.BAND_LIMIT, Alteration.Kind.LOSSY);

  private final List<TakeCheck> all = new ArrayList<>();
  private final TakeChannel take;
  private final Loudness loudness;
  private final Optional<Brief> brief;

  private TakeChecks(TakeChannel take, Loudness loudness, Optional<Brief> brief) {
    this.take = take;
    this.loudness = loudness;
    this.brief = brief;
  }

  /**
   * Verdicts of one channel.
   *
   * @param loudness of all channels together, or of it alone
   * @param peakTargetDbfs where its sample peak belongs
   */
  public static List<TakeCheck> of(
      TakeChannel take, Loudness loudness, double peakTargetDbfs, Optional<Brief> brief) {
    if (take.peak() == 0) {
      return List.of();
    }
    TakeChecks v = new TakeChecks(take, loudness, brief);
    v.peak(peakTargetDbfs);
    v.clipping();
    v.offset();
    v.noise();
    v.hum();
    v.thumps();
    v.altered();
    brief.ifPresent(b -> v.brief(b));
    return List.copyOf(v.all);
  }

  /**
   * Verdicts of a channel of a take, and of the file that a brief asks for.
   *
   * @param file what would be handed over: the take itself, or its channels made one
   */
  public static List<TakeCheck> of(
      TakeReport take, int channel, TakeReport file, double peakTargetDbfs, Optional<Brief> brief) {
    TakeChannel own = take.channels().get(channel);
    if (file.channels().size() == take.channels().size()) {
      return of(own, take.loudness(), peakTargetDbfs, brief);
    }
    List<TakeCheck> all =
        new ArrayList<>(of(own, take.loudness(), peakTargetDbfs, Optional.empty()));
    TakeChecks asked = new TakeChecks(file.channels().getFirst(), file.loudness(), brief);
    brief.filter(b -> own.peak() > 0).ifPresent(asked::brief);
    all.addAll(asked.all);
    return List.copyOf(all);
  }

  /** What is not as it should be in the other channels, each said with its channel. */
  public static List<TakeCheck> ofOthers(TakeReport take, int channel, double peakTargetDbfs) {
    List<TakeCheck> all = new ArrayList<>();
    for (int c = 0; c < take.channels().size(); c++) {
      if (c != channel) {
        TakeChannel other = take.channels().get(c);
        String name = "Channel " + (c + 1) + ": ";
        of(other, other.loudness(), peakTargetDbfs, Optional.empty()).stream()
            .filter(check -> check.outcome() != Outcome.PASS)
            .map(check ->
                new TakeCheck(
                    check.check(),
                    check.outcome(),
                    check.measured(),
                    check.limit(),
                    name + check.advice()))
            .forEach(all::add);
      }
    }
    return List.copyOf(all);
  }

  private void add(String check, Outcome outcome, double measured, double limit, String advice) {
    all.add(new TakeCheck(check, outcome, measured, limit, advice));
  }

  private void peak(double target) {
    double peak = Decibels.ofAmplitude(take.peak());
    double change = target - peak;
    Outcome outcome =
        change < -PEAK_SLACK_DB || change > FAR_TOO_LOW_DB
            ? Outcome.FAIL
            : change < 0 || change > LOW_PEAK_DB ? Outcome.CLOSE : Outcome.PASS;
    String advice =
        outcome == Outcome.PASS
            ? "The level is right."
            : Figures.say("Change the gain by %+.1f dB before the next take.", change);
    add("peak", outcome, peak, target, advice);
  }

  /** Kinds that leave the voice's dynamics as they were are close; others fail. */
  private void altered() {
    List<Alteration> found = take.altered();
    boolean worse = found.stream().anyMatch(a -> !MILD.contains(a.kind()));
    add(
        "altered",
        found.isEmpty() ? Outcome.PASS : worse ? Outcome.FAIL : Outcome.CLOSE,
        Alteration.together(found).size(),
        0,
        found.isEmpty()
            ? "Nothing shows that the device worked on the sound; a careful reduction of noise need not show."
            : String.join(" ", Alteration.warnings(found, Alteration.Measured.LEVEL)));
  }

  private void clipping() {
    long runs = take.clippedRuns();
    add(
        "clipping",
        runs == 0 ? Outcome.PASS : Outcome.FAIL,
        runs,
        0,
        runs == 0
            ? "Nothing is clipped."
            : "Turn the gain down and record again: clipping cannot be mended.");
    int flat = runs == 0 ? take.flatTops() : 0;
    add(
        "clippingBefore",
        flat == 0 ? Outcome.PASS : Outcome.FAIL,
        flat,
        0,
        flat == 0
            ? "No peaks are cut off before the converter."
            : "Peaks are cut off under full scale: something before the converter is too loud. Turn down there.");
    int dropouts = take.dropouts().size();
    add(
        "dropouts",
        dropouts == 0 ? Outcome.PASS : Outcome.FAIL,
        dropouts,
        0,
        dropouts == 0
            ? "No drop-outs."
            : Figures.say(
                "Sound stands still at %.2f s: the computer, the card or a wireless link did not keep up; record again.",
                take.dropouts().getFirst().startSeconds()));
  }

  private void offset() {
    double offset = Math.abs(take.dcOffset());
    add(
        "dcOffset",
        offset <= LARGEST_OFFSET ? Outcome.PASS : Outcome.FAIL,
        take.dcOffset(),
        LARGEST_OFFSET,
        offset <= LARGEST_OFFSET
            ? "No offset."
            : "An offset clicks at every cut; a high-pass at 20 Hz takes it out.");
  }

  private void noise() {
    if (take.music()) {
      add(
          "music",
          Outcome.CLOSE,
          1,
          0,
          "There is music in the pauses: figures of speech and noise mean little. Check the voice alone.");
    }
    OptionalDouble over = take.speechToNoiseDb();
    if (over.isEmpty() && !take.music() && take.activeSpeechDbfs().isPresent()) {
      bound();
    }
    if (over.isPresent()) {
      double db = over.getAsDouble();
      add(
          "speechToNoise",
          db >= GOOD_SPEECH_TO_NOISE_DB
              ? Outcome.PASS
              : db >= LEAST_SPEECH_TO_NOISE_DB ? Outcome.CLOSE : Outcome.FAIL,
          db,
          GOOD_SPEECH_TO_NOISE_DB,
          db >= GOOD_SPEECH_TO_NOISE_DB
              ? "Pauses are quiet."
              : "Noise is heard in the pauses: come nearer, or find what makes it in Listen.");
    }
  }

  /** Without pauses the quietest moments hold what the room still sends back: a bound. */
  private void bound() {
    take.noiseFloorDbfs()
        .ifPresent(floor -> {
          double least = take.activeSpeechDbfs().getAsDouble() - floor;
          add(
              "speechToNoise",
              least >= GOOD_SPEECH_TO_NOISE_DB ? Outcome.PASS : Outcome.CLOSE,
              least,
              GOOD_SPEECH_TO_NOISE_DB,
              Figures.say(
                  "There are no pauses to hear the noise in; it lies at least %.0f dB under the voice. Leave two seconds of silence to know.",
                  least));
        });
  }

  private void hum() {
    if (take.activeSpeechDbfs().isEmpty()) {
      return;
    }
    Optional<MainsHum> hum = take.mains();
    double under =
        hum.map(h -> take.activeSpeechDbfs().getAsDouble() - h.levelDbfs())
            .orElse(2 * HUM_UNDER_VOICE_DB);
    add(
        "hum",
        under >= HUM_UNDER_VOICE_DB
            ? Outcome.PASS
            : under >= LOUD_HUM_UNDER_VOICE_DB ? Outcome.CLOSE : Outcome.FAIL,
        under,
        HUM_UNDER_VOICE_DB,
        under >= HUM_UNDER_VOICE_DB
            ? "No hum is heard."
            : Figures.say(
                "Hum at %.0f Hz lies %.0f dB under the voice: look for its way in, in Listen.",
                hum.orElseThrow().fundamentalHz(), under));
  }

  private void thumps() {
    faults(
        "thumps",
        "No plosives.",
        "Plosives, the first at %.1f s: speak past the microphone, use a pop screen.",
        Fault.Kind.PLOSIVE);
    faults(
        "wind",
        "No wind.",
        "Wind at the microphone, first at %.1f s: put a windscreen on, turn fans away.",
        Fault.Kind.WIND);
    faults(
        "bumps",
        "Nobody knocks at desk or stand.",
        "Knocks while nobody speaks, the first at %.1f s: keep off desk and stand, or hang the microphone in a shock mount.",
        Fault.Kind.BUMP);
    faults(
        "handling",
        "Nobody handles the microphone.",
        "The microphone or its cable is handled, first at %.1f s: put it on a stand and tie the cable.",
        Fault.Kind.HANDLING);
    faults(
        "rustle",
        "No clothes rustle.",
        "Clothes rustle at the microphone, first at %.1f s: clip it where nothing rubs, and fix cable and cloth with tape.",
        Fault.Kind.RUSTLE);
    faults(
        "link",
        "No gaps of a wireless link.",
        "The sound is gone and back at once, first at %.1f s: a wireless link that breaks off; bring transmitter and receiver nearer and in sight of each other.",
        Fault.Kind.LINK);
  }

  private void faults(String check, String none, String some, Fault.Kind kind) {
    List<Moment> found = take.moments(kind);
    boolean bad = kind == Fault.Kind.LINK ? !found.isEmpty() : found.size() >= MANY_THUMPS;
    add(
        check,
        found.isEmpty() ? Outcome.PASS : bad ? Outcome.FAIL : Outcome.CLOSE,
        found.size(),
        0,
        found.isEmpty() ? none : Figures.say(some, found.getFirst().startSeconds()));
  }

  private void limited(String check, double amplitude, double limit) {
    double peak = Decibels.ofAmplitude(amplitude);
    add(
        check,
        peak <= limit ? Outcome.PASS : Outcome.FAIL,
        peak,
        limit,
        peak <= limit
            ? "Peaks stay under the limit."
            : Figures.say("Bring it down by %.1f dB, or limit the peaks.", peak - limit));
  }

  private void brief(Brief b) {
    b.truePeakDbtp().ifPresent(limit -> limited("truePeak", take.truePeak(), limit));
    b.samplePeakDbfs().ifPresent(limit -> limited("samplePeak", take.peak(), limit));
    if (b.integratedLufs().isPresent() && loudness.integratedLufs().isPresent()) {
      loudness(b, loudness.integratedLufs().getAsDouble());
    }
    if (b.rmsLowDbfs().isPresent() && b.rmsHighDbfs().isPresent()) {
      rms(b.rmsLowDbfs().getAsDouble(), b.rmsHighDbfs().getAsDouble());
    }
    if (b.floorDbfs().isPresent() && take.noiseFloorDbfs().isPresent()) {
      double limit = b.floorDbfs().getAsDouble();
      double floor = take.noiseFloorDbfs().getAsDouble();
      add(
          "noiseFloor",
          floor <= limit
              ? Outcome.PASS
              : floor <= limit + FLOOR_SLACK_DB ? Outcome.CLOSE : Outcome.FAIL,
          floor,
          limit,
          floor <= limit
              ? "The floor is low enough."
              : "The floor is too high: a nearer microphone or a quieter room brings it down.");
    }
  }

  private void loudness(Brief b, double lufs) {
    double target = b.integratedLufs().getAsDouble();
    double change = target - lufs;
    boolean there = Math.abs(change) <= b.toleranceLu().orElse(1);
    double peak = Decibels.ofAmplitude(take.truePeak()) + change;
    boolean breaks = b.truePeakDbtp().isPresent() && peak > b.truePeakDbtp().getAsDouble();
    add(
        "loudness",
        there ? Outcome.PASS : breaks ? Outcome.FAIL : Outcome.CLOSE,
        lufs,
        target,
        there
            ? "Loudness is what the brief asks for."
            : Delivery.turn(change)
                + (breaks
                    ? Figures.say(
                        "; peaks would come to %.1f dBTP then and have to be limited.", peak)
                    : Figures.say("; peaks would come to %.1f dBTP then.", peak)));
  }

  private void rms(double low, double high) {
    double rms = Decibels.dbfs(take.meanSquare());
    double change = rms < low ? low - rms : rms > high ? high - rms : 0;
    add(
        "rms",
        change == 0 ? Outcome.PASS : Outcome.CLOSE,
        rms,
        change < 0 ? high : low,
        change == 0
            ? "The average level is what the brief asks for."
            : Delivery.turn(change) + ".");
  }
}
