package nullroom.app.level;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import nullroom.app.control.TakePlot;
import nullroom.app.shell.StationContext;
import nullroom.core.Decibels;
import nullroom.core.Figures;
import nullroom.core.book.Levels;
import nullroom.core.measure.meter.LiveReading;
import nullroom.core.measure.take.TakeChannel;
import nullroom.core.measure.take.TakeMeter;
import nullroom.core.measure.take.TakeReport;
import nullroom.core.plan.GainPlan;
import nullroom.core.predict.Heard;
import nullroom.core.room.PlacedMicrophone;
import nullroom.core.room.Room;
import nullroom.core.signal.SampleSource;
import nullroom.io.device.AudioDevice;
import nullroom.io.device.AudioStream;
import nullroom.io.device.Recording;

/** Half a minute that finds the gain: a quiet line, a normal line, the loudest line. */
public final class LoudLine {
  private static final double STEP_SECONDS = 10;
  private static final List<String> STEPS =
      List.of(
          "Speak a quiet line.",
          "Speak as you will in the take.",
          "Speak or sing the loudest line of all.");

  /** The peak may miss its target by so much. */
  private static final double GOOD_DB = 1.5;

  /** A clipped peak is taken to have wanted so much more than full scale. */
  private static final double CLIPPED_DB = 6;

  private static final double LOWEST_GAIN_DB = -20;
  private static final double HIGHEST_GAIN_DB = 100;

  /**
   * The meter of now.
   *
   * @param seconds since it began
   * @param peakDbfs of the last blocks
   * @param heldDbfs largest sample so far
   * @param truePeakDbtp largest between samples so far
   * @param momentaryLufs of the last 400 ms
   * @param live what a live meter shows, the FAST level among it
   */
  public record Reading(
      double seconds,
      double peakDbfs,
      double heldDbfs,
      double truePeakDbtp,
      OptionalDouble momentaryLufs,
      LiveReading live) {}

  /**
   * What came of it.
   *
   * @param report of the half minute
   * @param gainDb that it was recorded at
   * @param channels what is wrong between two channels; may be empty
   */
  public record Result(TakeReport report, double gainDb, String channels) {
    private TakeChannel channel() {
      return report.channels().getFirst();
    }

    private boolean clipped() {
      return channel().clippedRuns() > 0;
    }
  }

  private final ReadOnlyObjectWrapper<Optional<Reading>> reading =
      new ReadOnlyObjectWrapper<>(Optional.empty());
  private final ReadOnlyObjectWrapper<Optional<Result>> result =
      new ReadOnlyObjectWrapper<>(Optional.empty());
  private final StationContext context;
  private final Supplier<GainPlan> plan;
  private volatile Optional<LoudLineWatch> watching = Optional.empty();

  LoudLine(StationContext context, Supplier<GainPlan> plan) {
    this.context = context;
    this.plan = plan;
    context
        .work()
        .runningProperty()
        .subscribe((was, on) -> {
          if (!on && !context.live().runningProperty().get()) {
            context.live().levelProperty().set(Optional.empty());
          }
        });
  }

  /** Where each line begins, for a picture. */
  static List<TakePlot.Flag> steps() {
    return List.of(
        new TakePlot.Flag(0, "the quiet line"),
        new TakePlot.Flag(STEP_SECONDS, "the normal line"),
        new TakePlot.Flag(2 * STEP_SECONDS, "the loudest line"));
  }

  /** What the input hears; empty before it began. */
  public ReadOnlyObjectProperty<Optional<Reading>> readingProperty() {
    return reading.getReadOnlyProperty();
  }

  /** What came of it last. */
  public ReadOnlyObjectProperty<Optional<Result>> resultProperty() {
    return result.getReadOnlyProperty();
  }

  /** Begins. */
  public void start() {
    reading.set(Optional.empty());
    result.set(Optional.empty());
    context.watch(
        "The loud line",
        AudioDevice.Prompt.VOICE,
        STEP_SECONDS * STEPS.size(),
        "loud-line",
        this::watch,
        (kept, progress) ->
            new Spoken(
                kept.simulated(), TakeMeter.measure(SampleSource.of(kept.samples()), progress)),
        this::done);
  }

  /** The same by a file in which the loudest line is spoken, at the gain of now. */
  public void open(Path file) {
    reading.set(Optional.empty());
    result.set(Optional.empty());
    watching = Optional.empty();
    context.stream(
        "Listening to " + file.getFileName(),
        file,
        "loud-line",
        (kept, sound, progress) -> new Spoken(false, TakeMeter.measure(sound, progress)),
        this::done);
  }

  private Recording.Watch watch(AudioStream input) {
    LoudLineWatch made =
        new LoudLineWatch(
            input,
            now ->
                Platform.runLater(() -> {
                  reading.set(Optional.of(now));
                  context.live().tell(now.live());
                }));
    watching = Optional.of(made);
    return made;
  }

  private record Spoken(boolean simulated, TakeReport report) {}

  /** What was heard counts from now on wherever the loudest peak does: the gain follows it. */
  private void done(Spoken spoken) {
    String channels = watching.map(LoudLineWatch::channelWords).orElse("");
    Room room = context.session().book().room();
    PlacedMicrophone microphone = room.requireMicrophone();
    Result heard = new Result(spoken.report(), microphone.capture().gainDb(), channels);
    if (heard.channel().peak() > 0) {
      double peak =
          Decibels.ofAmplitude(heard.channel().peak()) + (heard.clipped() ? CLIPPED_DB : 0);
      Levels.LoudestLine line =
          new Levels.LoudestLine(
              spoken.simulated(),
              room.requireTalker().effort(),
              new Levels.Locked(context.now(), room.requireTalker().at(), microphone, peak));
      context.session().edit("Hear the loudest line", b -> b.with(b.levels().with(line)));
    }
    result.set(Optional.of(heard));
  }

  /** Peak of the loudest line at the gain of now, dBFS; as heard, where it was heard. */
  public double peakDbfs() {
    Heard heard = context.session().heard();
    return heard.dbfs(heard.peakDbSpl());
  }

  /** By how much the gain should be turned. */
  public double changeDb() {
    return plan.get().changeDb();
  }

  /** Whether the loudest line was heard, did not clip, and the gain is right for it. */
  public boolean good() {
    return result.get().filter(r -> !r.clipped() || turnedSince(r)).isPresent()
        && Math.abs(changeDb()) <= GOOD_DB;
  }

  private boolean turnedSince(Result r) {
    return r.gainDb() != context.session().book().room().requireMicrophone().capture().gainDb();
  }

  /** Whether the gain is still to be turned by what was heard. */
  public boolean toTurn() {
    return result
            .get()
            .filter(r -> r.channel().peak() > 0 && r.channel().flatTops() == 0)
            .isPresent()
        && Math.abs(changeDb()) > GOOD_DB;
  }

  /** What to do now. */
  public String now() {
    if (context.work().runningProperty().get() && reading.get().isPresent()) {
      int step = (int) (reading.get().get().seconds() / STEP_SECONDS);
      return STEPS.get(Math.min(step, STEPS.size() - 1));
    }
    return result
        .get()
        .map(this::words)
        .orElse("A quiet line, a normal line, the loudest line; ten seconds each.");
  }

  private String words(Result r) {
    TakeChannel c = r.channel();
    if (c.peak() == 0) {
      return "Nothing but digital silence came in: is the microphone muted?";
    }
    if (c.flatTops() > 0) {
      return "Peaks are cut off under full scale: something before the converter is too loud. Turn down there, and do it again.";
    }
    if (r.clipped() && !turnedSince(r)) {
      return Figures.say(
          "That was clipped: turn the gain down by %.0f dB or more, and do it again.",
          Math.abs(changeDb()));
    }
    if (good()) {
      return Figures.say(
          turnedSince(r)
              ? "At this gain the loudest line comes to %.1f dBFS: speak it once more to be sure, or lock it."
              : "Good: the loudest line peaks at %.1f dBFS. Lock it.",
          peakDbfs());
    }
    double gain = context.session().book().room().requireMicrophone().capture().gainDb();
    String dial =
        context
            .session()
            .book()
            .levels()
            .knob()
            .map(k -> ", " + k.turn(gain, gain + changeDb()))
            .orElse("");
    return Figures.say(
        "The loudest line peaks at %.1f dBFS: turn the gain %s %.0f dB%s.",
        peakDbfs(), changeDb() < 0 ? "down by" : "up by", Math.abs(changeDb()), dial);
  }

  /** Warnings beside the level: channels, hum, offset. */
  public String more() {
    return result
        .get()
        .map(r -> {
          TakeChannel c = r.report().channels().getFirst();
          StringBuilder words = new StringBuilder(r.channels());
          c.mains()
              .ifPresent(
                  m -> words.append(Figures.say("There is hum at %.0f Hz. ", m.fundamentalHz())));
          words.append(Math.abs(c.dcOffset()) > 0.001 ? "The input has an offset. " : "");
          return words.toString();
        })
        .orElse("");
  }

  /** Turns the gain in the model as was done at the dial; does nothing where it is right. */
  public void turned() {
    if (!toTurn()) {
      return;
    }
    double gain = Math.clamp(Math.rint(plan.get().gainDb()), LOWEST_GAIN_DB, HIGHEST_GAIN_DB);
    context
        .session()
        .edit(
            "Turn the gain",
            book -> {
              PlacedMicrophone m = book.room().requireMicrophone();
              return book.with(book.room().withMicrophone(m.with(m.capture().withGainDb(gain))));
            });
  }

  /** Remembers the setting with the spot, where it is good. */
  public void lock() {
    if (!good()) {
      return;
    }
    double peak = peakDbfs();
    context
        .session()
        .edit(
            "Lock the gain",
            book ->
                book.with(
                    book.levels()
                        .with(
                            new Levels.Locked(
                                context.now(),
                                book.room().requireTalker().at(),
                                book.room().requireMicrophone(),
                                peak))));
  }

  /** Whether the chain is still as it was when the gain was locked, in a sentence. */
  public String locked() {
    return context
        .session()
        .book()
        .levels()
        .locked()
        .map(l ->
            l.changed(context.session().book().room())
                .map(what ->
                    "The gain was locked on "
                        + l.taken().replace('T', ' ')
                        + "; since then "
                        + what
                        + " changed: speak the loudest line again.")
                .orElse(
                    Figures.say(
                        "Locked at %.0f dB of gain on %s, the loudest line at %.1f dBFS.",
                        l.microphone().capture().gainDb(),
                        l.taken().replace('T', ' '),
                        l.peakDbfs())))
        .orElse("");
  }
}
