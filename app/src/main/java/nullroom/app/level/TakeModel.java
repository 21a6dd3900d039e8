package nullroom.app.level;

import java.nio.file.Path;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.locks.LockSupport;
import java.util.stream.Stream;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import nullroom.app.shell.StationContext;
import nullroom.core.Figures;
import nullroom.core.Progress;
import nullroom.core.Trouble;
import nullroom.core.book.Brief;
import nullroom.core.book.Handover;
import nullroom.core.measure.Moment;
import nullroom.core.measure.clip.AlteredTake;
import nullroom.core.measure.decay.BlindDecay;
import nullroom.core.measure.take.TakeChannel;
import nullroom.core.measure.take.TakeReport;
import nullroom.core.measure.take.WrittenAs;
import nullroom.core.plan.Delivery;
import nullroom.core.plan.TakeCheck;
import nullroom.core.plan.TakeChecks;
import nullroom.core.plan.WholeTakeChecks;
import nullroom.core.plan.WrittenTake;
import nullroom.core.predict.Margins;
import nullroom.core.signal.Mixed;
import nullroom.core.signal.SampleSource;
import nullroom.core.signal.Samples;
import nullroom.io.audio.SoundFile;
import nullroom.io.audio.TakeExport;
import nullroom.io.device.AudioDevice;
import nullroom.io.device.Loudspeaker;

/** A take checked: what is wrong where, whether it meets its brief, and the file to hand over. */
public final class TakeModel {
  private static final double TAKE_SECONDS = 20;

  /** Heard before and after a finding. */
  private static final double AROUND_SECONDS = 1.5;

  private static final double HEAR_STEP_SECONDS = 0.05;

  /** Clipping that goes on after less than this is the same. */
  private static final double SAME_CLIPPING_SECONDS = 2;

  /**
   * A take.
   *
   * @param sound its name in the book
   * @param report of it
   * @param mono of one channel made of all of its own; its own report where it has one only
   * @param decay the room's, guessed from the ends of words; empty where there are too few
   * @param written what a recorder wrote beside it; empty of what was recorded here
   */
  public record Checked(
      String sound,
      TakeReport report,
      TakeReport mono,
      Optional<BlindDecay> decay,
      Optional<WrittenAs> written) {
    /** What is measured of the file that a brief asks for. */
    TakeReport of(Brief brief) {
      return brief.mono() ? mono : report;
    }
  }

  /**
   * Something that was found at a time.
   *
   * @param kind one word
   * @param moment when
   * @param words for people
   */
  public record Finding(String kind, Moment moment, String words) {}

  private final ReadOnlyObjectWrapper<Optional<Checked>> take =
      new ReadOnlyObjectWrapper<>(Optional.empty());
  private final StationContext context;

  TakeModel(StationContext context) {
    this.context = context;
  }

  /** The take checked last. */
  public ReadOnlyObjectProperty<Optional<Checked>> takeProperty() {
    return take.getReadOnlyProperty();
  }

  /** Checks a sound file; a copy of it stays in the book. */
  public void open(Path file) {
    context.stream("Checking " + file.getFileName(), file, "take", this::checked, this::keep);
  }

  private void keep(Checked checked) {
    take.set(Optional.of(checked));
    context.session().edit("Check a take", b -> b.with(b.levels().withTake(checked.sound())));
  }

  /** Checks the take of last time again, where its copy is still in the book. */
  public void recall() {
    String sound = context.session().book().levels().take();
    if (take.get().isPresent() || sound.isEmpty() || context.work().runningProperty().get()) {
      return;
    }
    context
        .work()
        .start(
            "Checking " + sound + " again",
            progress -> {
              try (SoundFile file =
                  SoundFile.open(context.session().folder().sounds().file(sound))) {
                return checked(sound, file, progress);
              }
            },
            again -> take.set(Optional.of(again)));
  }

  private Checked checked(String kept, SoundFile sound, Progress progress) {
    TakeReport report = AlteredTake.measure(sound, progress);
    Samples part = part(kept, 0, WholeTakeChecks.DECAY_SECONDS);
    TakeReport mono = report;
    if (report.channels().size() > 1) {
      try (SoundFile again = SoundFile.open(context.session().folder().sounds().file(kept))) {
        mono = AlteredTake.measure(new Mixed(again, report.monoShares()), progress);
      }
    }
    return new Checked(kept, report, mono, BlindDecay.of(part), Optional.of(sound.writtenAs()));
  }

  /** Records twenty seconds of voice and checks them. */
  public void record() {
    context.record(
        "Recording a take",
        AudioDevice.Prompt.VOICE,
        TAKE_SECONDS,
        "take",
        (kept, progress) -> {
          TakeReport report = AlteredTake.measure(SampleSource.of(kept.samples()), progress);
          return new Checked(
              kept.name(), report, report, BlindDecay.of(kept.samples()), Optional.empty());
        },
        this::keep);
  }

  /** What the recording is handed over as; empty where nobody said. */
  public Optional<Brief> brief() {
    return context.session().book().levels().handedOverAs();
  }

  /** What it can be handed over as: those that ship with the program, and the user's own. */
  public List<Brief> briefs() {
    return Stream.concat(Brief.all().stream(), context.session().book().levels().own().stream())
        .toList();
  }

  /** Hands it over as something else. */
  public void setBrief(Brief brief) {
    context
        .session()
        .edit("Choose a brief", book -> book.with(book.levels().withBrief(brief.id())));
  }

  /** Hands it over as the user says. */
  public void setOwn(Brief own) {
    context.session().edit("Change your brief", book -> book.with(book.levels().withOwn(own)));
  }

  /** The user's own brief; where there is none yet, one that begins with what is chosen. */
  public Brief own() {
    return context
        .session()
        .book()
        .levels()
        .own()
        .orElseGet(() -> brief().orElse(Brief.all().getFirst()).asOwn("your own"));
  }

  /** The file that is asked for. */
  public Handover handover() {
    return brief().map(Brief::handover).orElse(Handover.USUAL);
  }

  /** The formats it can be written in, the one asked for first. */
  public List<Handover.Format> formats() {
    return Stream.of(Handover.Format.values())
        .sorted(Comparator.comparing(format -> format != handover().format()))
        .toList();
  }

  /** The name of the file to hand over. */
  public String fileName() {
    return handover()
        .fileName(
            take.get().map(Checked::sound).orElse("take"),
            context.session().book().name(),
            context.today().toString());
  }

  /** How long there is, in words; empty where nobody said. */
  public String due() {
    String due = handover().due();
    return due.isEmpty() ? "" : due(LocalDate.parse(due), context.today());
  }

  static String due(LocalDate day, LocalDate today) {
    long days = ChronoUnit.DAYS.between(today, day);
    String count = Math.abs(days) == 1 ? "one day" : Math.abs(days) + " days";
    return days < 0
        ? "It was due on " + day + ", " + count + " ago."
        : days == 0 ? "It is due today." : "It is due on " + day + ", in " + count + ".";
  }

  private double peakTarget() {
    return -context.session().book().goal().targets().get(Margins.Kind.SAFE);
  }

  /** What the checks came to, failures first. */
  public List<TakeCheck> verdicts() {
    return take.get()
        .map(t ->
            Stream.of(
                    TakeChecks.of(
                        t.report(),
                        0,
                        brief().map(t::of).orElse(t.report()),
                        peakTarget(),
                        brief()),
                    TakeChecks.ofOthers(t.report(), 0, peakTarget()),
                    WholeTakeChecks.of(t.report(), brief()),
                    t.written().stream().map(w -> WholeTakeChecks.written(w, t.report())).toList(),
                    reverberation(t).stream().toList())
                .flatMap(List::stream)
                .sorted(Comparator.comparing(TakeCheck::outcome).reversed())
                .toList())
        .orElse(List.of());
  }

  private Optional<TakeCheck> reverberation(Checked checked) {
    return WholeTakeChecks.reverberation(
        checked.decay(), context.session().book().goal().longestSeconds(), first(checked));
  }

  private static TakeChannel first(Checked checked) {
    return checked.report().channels().getFirst();
  }

  /** All that was found at a time, in order. */
  public List<Finding> findings() {
    List<Finding> all = new ArrayList<>();
    take.get()
        .ifPresent(t -> {
          for (int c = 0; c < t.report().channels().size(); c++) {
            all.addAll(of(t.report().channels().get(c), c == 0 ? "" : " in channel " + (c + 1)));
          }
          for (TakeReport.Jump j : t.report().jumps()) {
            String words = Figures.say("jump of %+.0f LU at %s", j.changeLu(), clock(j.seconds()));
            all.add(new Finding("jump", new Moment(j.seconds(), 0), words));
          }
        });
    all.sort(Comparator.comparingDouble(f -> f.moment().startSeconds()));
    return all;
  }

  private static List<Finding> of(TakeChannel channel, String where) {
    List<Finding> all = new ArrayList<>();
    clips(channel.clips())
        .forEach(f -> all.add(new Finding(f.kind(), f.moment(), f.words() + where)));
    channel.dropouts().forEach(m -> all.add(finding("drop-out", m, where)));
    channel.faults().forEach(f -> all.add(finding(f.kind().label(), f.moment(), where)));
    return all;
  }

  private static Finding finding(String kind, Moment moment, String where) {
    return new Finding(kind, moment, kind + " at " + clock(moment.startSeconds()) + where);
  }

  /** Places that clip close to each other are one finding. */
  static List<Finding> clips(List<Moment> clips) {
    List<Finding> all = new ArrayList<>();
    int from = 0;
    for (int i = 1; i <= clips.size(); i++) {
      Moment last = clips.get(i - 1);
      double end = last.startSeconds() + last.durationSeconds();
      if (i < clips.size() && clips.get(i).startSeconds() - end < SAME_CLIPPING_SECONDS) {
        continue;
      }
      double start = clips.get(from).startSeconds();
      String said =
          i - from == 1
              ? "clipped at " + clock(start)
              : "clipped " + (i - from) + " times between " + clock(start) + " and " + clock(end);
      all.add(new Finding("clipped", new Moment(start, end - start), said));
      from = i;
    }
    return all;
  }

  static String clock(double seconds) {
    return Figures.say("%d:%04.1f", (int) (seconds / 60), seconds % 60);
  }

  /** The gain that brings it to its brief; empty without a take or a brief. */
  public Optional<Delivery> delivery() {
    return take.get().flatMap(t -> brief().flatMap(b -> Delivery.of(t.of(b), b)));
  }

  /** Plays what was found with a little before and after it. */
  public void hear(Finding finding) {
    Checked checked = take.get().orElseThrow();
    double from = Math.max(0, finding.moment().startSeconds() - AROUND_SECONDS);
    double seconds =
        finding.moment().startSeconds()
            - from
            + finding.moment().durationSeconds()
            + AROUND_SECONDS;
    context
        .work()
        .start(
            "Playing " + finding.words(),
            progress -> {
              Samples part = part(checked.sound(), from, seconds);
              try (Loudspeaker playing = Loudspeaker.play(part)) {
                long steps = (long) Math.ceil(seconds / HEAR_STEP_SECONDS);
                for (long k = 0; k < steps; k++) {
                  progress.step(k, steps); // ends it where it was cancelled
                  LockSupport.parkNanos((long) (HEAR_STEP_SECONDS * 1e9));
                }
              }
              return part;
            },
            part -> {});
  }

  private Samples part(String sound, double from, double seconds) {
    return SoundFile.readStretch(context.session().folder().sounds().file(sound), 0, from, seconds);
  }

  /**
   * Writes the file to hand over: trimmed, brought to its brief as far as peaks allow, in the word
   * length and at the rate that are asked for, with dither.
   *
   * @param target FLAC where its name ends so, else WAV
   * @param from seconds
   * @param to seconds; the take's end where it is not after {@code from}
   */
  public void export(Path target, double from, double to) {
    Checked checked = take.get().orElseThrow(() -> new Trouble.BadField("take", "check one first"));
    Optional<Delivery> delivery = delivery();
    boolean mixed = brief().filter(Brief::mono).isPresent() && checked.report() != checked.mono();
    TakeExport export =
        new TakeExport(
            from,
            to > from ? to : Double.POSITIVE_INFINITY,
            delivery.map(Delivery::gainDb).orElse(0.0),
            handover().bits(),
            handover().rateHz(),
            mixed ? checked.report().monoShares() : List.of());
    boolean whole = from == 0 && !(to > from);
    context
        .work()
        .start(
            "Writing " + target.getFileName(),
            progress -> {
              long cut =
                  export.write(
                      context.session().folder().sounds().file(checked.sound()), target, progress);
              try (SoundFile written = SoundFile.open(target)) {
                return new Written(cut, AlteredTake.measure(written, progress));
              }
            },
            written -> said(target, written, whole ? delivery : Optional.empty()));
  }

  private record Written(long cut, TakeReport readBack) {}

  private void said(Path target, Written written, Optional<Delivery> delivery) {
    String back = "Read back: " + WrittenTake.words(written.readBack()) + ".";
    Optional<String> fault =
        brief().flatMap(b -> WrittenTake.fault(written.readBack(), b, delivery));
    String more =
        written.cut() > 0
            ? " " + written.cut() + " samples passed full scale and were cut."
            : fault.map(f -> " But " + f + ".").orElse("");
    context.work().wrote(target, back + more, !more.isEmpty());
  }
}
