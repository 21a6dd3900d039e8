package nullroom.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nullroom.core.Figures;
import nullroom.core.book.Brief;
import nullroom.core.book.Handover;
import nullroom.core.measure.decay.BlindDecay;
import nullroom.core.measure.take.TakeChannel;
import nullroom.core.measure.take.TakeReport;
import nullroom.core.measure.take.WrittenAs;
import nullroom.core.plan.TakeCheck.Outcome;

/** What concerns a take as a whole: its channels together, its course, its room, its file. */
public final class WholeTakeChecks {
  private static final double LARGE_JUMP_LU = 10;

  /** The room is guessed from so much of a take. */
  public static final double DECAY_SECONDS = 300;

  private WholeTakeChecks() {}

  /** Channels, jumps of loudness, and whether the file asked for can be made of it. */
  public static List<TakeCheck> of(TakeReport report, Optional<Brief> brief) {
    List<TakeCheck> all = new ArrayList<>();
    if (report.channels().size() > 1) {
      int dead = report.deadChannels().size();
      all.add(
          new TakeCheck(
              "deadChannels",
              dead == 0 ? Outcome.PASS : Outcome.FAIL,
              dead,
              0,
              dead == 0
                  ? "Every channel has sound."
                  : "Sound is in some channels only: check the cable, or hand over one channel."));
      if (report.correlation().isPresent()) {
        boolean opposite = report.opposite();
        all.add(
            new TakeCheck(
                "polarity",
                opposite ? Outcome.FAIL : Outcome.PASS,
                report.correlation().getAsDouble(),
                -0.6,
                opposite
                    ? "The channels cancel each other on one loudspeaker: turn one of them over."
                    : "The channels go together."));
      }
    }
    double most = report.jumps().stream().mapToDouble(j -> Math.abs(j.changeLu())).max().orElse(0);
    all.add(
        new TakeCheck(
            "jumps",
            most > LARGE_JUMP_LU
                ? Outcome.FAIL
                : most > TakeReport.JUMP_LU ? Outcome.CLOSE : Outcome.PASS,
            most,
            TakeReport.JUMP_LU,
            most > TakeReport.JUMP_LU
                ? Figures.say(
                    "Loudness jumps by %.0f LU at %.0f s: level the passages, or viewers reach for the remote.",
                    most, report.jumps().getFirst().seconds())
                : "Passages are about equally loud."));
    brief.ifPresent(b -> file(report, b.handover(), all));
    return List.copyOf(all);
  }

  /** Whether the file asked for can be made of it. */
  private static void file(TakeReport report, Handover asked, List<TakeCheck> all) {
    double seconds = report.seconds();
    double shortest = asked.shortestSeconds().orElse(0);
    double longest = asked.longestSeconds().orElse(Double.POSITIVE_INFINITY);
    if (shortest > 0 || Double.isFinite(longest)) {
      boolean tooLong = seconds > longest;
      boolean fits = !tooLong && seconds >= shortest;
      all.add(
          new TakeCheck(
              "length",
              fits ? Outcome.PASS : Outcome.FAIL,
              seconds,
              seconds < shortest ? shortest : longest,
              fits
                  ? "It is as long as asked."
                  : tooLong
                      ? Figures.say("It is %.1f s too long: trim it.", seconds - longest)
                      : Figures.say("%.1f s are missing.", shortest - seconds)));
    }
    if (asked.rateHz().isPresent()) {
      double rate = asked.rateHz().getAsDouble();
      boolean low = report.sampleRateHz() < rate;
      all.add(
          new TakeCheck(
              "rate",
              low ? Outcome.CLOSE : Outcome.PASS,
              report.sampleRateHz(),
              rate,
              report.sampleRateHz() == rate
                  ? "The sampling rate is what is asked for."
                  : Figures.say(
                      low
                          ? "It is converted to %.1f kHz when it is written, which adds no treble: set the recorder to it."
                          : "It is converted to %.1f kHz when it is written.",
                      rate / 1000)));
    }
  }

  /** What the recorder wrote beside the sound. */
  public static TakeCheck written(WrittenAs written, TakeReport report) {
    List<String> faults = written.faults(report.channels().size(), report.alike());
    return new TakeCheck(
        "written",
        faults.isEmpty() ? Outcome.PASS : Outcome.CLOSE,
        faults.size(),
        0,
        faults.isEmpty()
            ? "Written as " + written.words() + ": that can stay."
            : String.join(" ", faults));
  }

  /**
   * Whether the reverberation guessed from a take suits; empty where nobody speaks.
   *
   * @param guess empty where nothing could be guessed
   * @param longestSeconds that the goal suits
   * @param take whose room it is
   */
  public static Optional<TakeCheck> reverberation(
      Optional<BlindDecay> guess, double longestSeconds, TakeChannel take) {
    if (take.peak() == 0 || take.activeSpeechDbfs().isEmpty()) {
      return Optional.empty();
    }
    return Optional.of(
        guess
            .map(g -> reverberation(g, longestSeconds))
            .orElseGet(() ->
                new TakeCheck(
                    "reverberation",
                    Outcome.CLOSE,
                    Double.NaN,
                    longestSeconds,
                    "How the room rings cannot be told from this take: clap to know.")));
  }

  static TakeCheck reverberation(BlindDecay guess, double longestSeconds) {
    double seconds = guess.midSeconds();
    double over = seconds - longestSeconds;
    Outcome outcome =
        over <= 0 ? Outcome.PASS : over <= guess.midSpreadSeconds() ? Outcome.CLOSE : Outcome.FAIL;
    String heard =
        Figures.say(
            "By the ends of words the room rings for about %.2f s, give or take %.2f",
            seconds, guess.midSpreadSeconds());
    return new TakeCheck(
        "reverberation",
        outcome,
        seconds,
        longestSeconds,
        outcome == Outcome.PASS
            ? heard + ": short enough."
            : heard
                + Figures.say(
                    "; up to %.2f s suits. Clap to know, and dress the room.", longestSeconds));
  }
}
