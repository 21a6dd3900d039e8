package nullroom.app.shell;

import java.nio.file.Path;
import java.time.Clock;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.temporal.ChronoUnit;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.function.ToDoubleFunction;
import java.util.function.UnaryOperator;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import nullroom.core.Figures;
import nullroom.core.Progress;
import nullroom.core.Trouble;
import nullroom.core.book.DecayMeasurement;
import nullroom.core.book.RoomBook;
import nullroom.core.plan.Why;
import nullroom.core.signal.Samples;
import nullroom.io.audio.SoundFile;
import nullroom.io.book.KeptSounds;
import nullroom.io.device.AudioDevice;
import nullroom.io.device.AudioStream;
import nullroom.io.device.Loudspeaker;
import nullroom.io.device.Recording;
import org.jspecify.annotations.Nullable;

/**
 * What every station works with.
 *
 * @param session the open book
 * @param work the one long task
 * @param inputs what can record
 * @param live the input as it is heard now
 * @param clock dates measurements
 * @param units how lengths are said
 * @param help opens a page of help by its id
 * @param asked what answers the question "why?" that was asked last, for the book as it is then
 */
public record StationContext(
    BookSession session,
    Work work,
    Inputs inputs,
    Live live,
    Clock clock,
    ObjectProperty<Units> units,
    ObjectProperty<String> help,
    ObjectProperty<Supplier<Optional<Why>>> asked) {

  /** One that says lengths in the units of a property. */
  public StationContext(
      BookSession session,
      Work work,
      Inputs inputs,
      Live live,
      Clock clock,
      ObjectProperty<Units> units) {
    this(
        session,
        work,
        inputs,
        live,
        clock,
        units,
        new SimpleObjectProperty<>(""),
        new SimpleObjectProperty<>(Optional::empty));
  }

  /** One of someone who measures in metres. */
  public StationContext(BookSession session, Work work, Inputs inputs, Live live, Clock clock) {
    this(session, work, inputs, live, clock, new SimpleObjectProperty<>(Units.METRES));
  }

  /** Less than this missing at the end of a recording is no loss. */
  private static final double LOST_SECONDS = 0.05;

  /** "Measured" or, where a simulated input made the sound, "Simulated". */
  public static String howKnown(String sound) {
    return DecayMeasurement.isSimulated(sound) ? "Simulated" : "Measured";
  }

  /**
   * A sound kept in the book.
   *
   * @param name file name under sound/
   * @param samples of it
   * @param simulated whether an acted room was recorded
   */
  public record Kept(String name, Samples samples, boolean simulated) {}

  /**
   * From a kept sound to a result, off the FX thread: it is handed all that it needs of the book.
   */
  @FunctionalInterface
  public interface Measurement<T> {
    /**
     * Measures.
     *
     * @param progress may cancel
     */
    T of(Kept sound, Progress progress);
  }

  private record Measured<T>(T result, double missingSeconds) {}

  /**
   * Records, keeps the recording and measures it off the FX thread.
   *
   * @param name of the work, for people
   * @param stem of the file name
   * @param measure from the kept sound to a result; off the FX thread
   * @param done receives the result on the FX thread
   */
  public <T> void record(
      String name,
      AudioDevice.Prompt prompt,
      double seconds,
      String stem,
      Measurement<T> measure,
      Consumer<T> done) {
    record(name, prompt, seconds, Optional.empty(), stem, measure, done);
  }

  /**
   * As {@link #record}, with a sound that a real input is to hear from this computer's output.
   *
   * @param played a simulated room plays its own
   */
  public <T> void record(
      String name,
      AudioDevice.Prompt prompt,
      double seconds,
      Optional<Samples> played,
      String stem,
      Measurement<T> measure,
      Consumer<T> done) {
    Source source = source();
    if (source == null) {
      return;
    }
    recordAnd(
        name,
        source,
        stem,
        progress -> {
          if (played.isEmpty() || source.simulated()) {
            return source.record(prompt, seconds, progress);
          }
          try (Loudspeaker playing =
              Loudspeaker.play(played.get(), inputs.outputProperty().get())) {
            return source.record(prompt, seconds, progress);
          }
        },
        recording -> seconds - recording.seconds(),
        measure,
        done);
  }

  /**
   * Records block by block until a watch has heard enough, then as {@link #record}.
   *
   * @param mostSeconds recorded at most
   * @param watch made for the input; hears every block off the FX thread
   */
  public <T> void watch(
      String name,
      AudioDevice.Prompt prompt,
      double mostSeconds,
      String stem,
      Function<AudioStream, Recording.Watch> watch,
      Measurement<T> measure,
      Consumer<T> done) {
    Source source = source();
    if (source == null) {
      return;
    }
    recordAnd(
        name,
        source,
        stem,
        progress -> source.watch(prompt, mostSeconds, watch, progress),
        recording -> 0.0,
        measure,
        done);
  }

  private <T> void recordAnd(
      String name,
      Source source,
      String stem,
      Function<Progress, Samples> recorder,
      ToDoubleFunction<Samples> missing,
      Measurement<T> measure,
      Consumer<T> done) {
    work.start(
        name,
        progress -> {
          Samples recording = recorder.apply(progress);
          String kept =
              session
                  .folder()
                  .sounds()
                  .keep(source.simulated() ? DecayMeasurement.SIMULATED + stem : stem, recording);
          T result = measure.of(new Kept(kept, recording, source.simulated()), progress);
          return new Measured<>(result, missing.applyAsDouble(recording));
        },
        measured -> {
          done.accept(measured.result());
          if (measured.missingSeconds() > LOST_SECONDS) {
            work.warn(
                Figures.say(
                    "%s went away %.1f s early; what was heard until then is kept and measured.",
                    source.name(), measured.missingSeconds()));
          }
        });
  }

  /** What records now; where nothing does, that is said. */
  private @Nullable Source source() {
    if (onlyRead()) {
      return null;
    }
    Inputs.Input chosen = inputs.chosenProperty().get();
    try {
      return new Source(chosen.name(), chosen.simulated(), chosen.device().get(), live);
    } catch (Trouble e) {
      work.warn(e.line());
      return null;
    }
  }

  /**
   * Keeps an unchanged copy of a sound file and measures its first channel whole, off the FX
   * thread.
   */
  public <T> void open(
      String name, Path file, String stem, Measurement<T> measure, Consumer<T> done) {
    keepAnd(
        name,
        file,
        stem,
        (kept, progress) ->
            measure.of(
                new Kept(
                    kept, SoundFile.readChannel(session.folder().sounds().file(kept), 0), false),
                progress),
        done);
  }

  /** Measures what is kept of a file, and forgets it where nothing can be measured. */
  private interface FromFile<T> {
    T measure(String kept, Progress progress);
  }

  /**
   * Keeps an unchanged copy of a sound file of any length and measures it block by block, off the
   * FX thread.
   *
   * @param measure from the copy's name and its open sound to a result
   */
  public <T> void stream(
      String name, Path file, String stem, Streamed<T> measure, Consumer<T> done) {
    keepAnd(
        name,
        file,
        stem,
        (kept, progress) -> {
          try (SoundFile sound = SoundFile.open(session.folder().sounds().file(kept))) {
            return measure.of(kept, sound, progress);
          }
        },
        done);
  }

  /** A measurement of a sound that is read block by block. */
  @FunctionalInterface
  public interface Streamed<T> {
    /**
     * @param kept the sound's name in the book
     * @param sound open, at its start
     * @param progress may cancel
     */
    T of(String kept, SoundFile sound, Progress progress);
  }

  /** Where the book is there to be read only, that is said: nothing can be kept in it. */
  private boolean onlyRead() {
    session.readOnly().ifPresent(work::warn);
    return session.readOnly().isPresent();
  }

  private <T> void keepAnd(
      String name, Path file, String stem, FromFile<T> measure, Consumer<T> done) {
    if (onlyRead()) {
      return;
    }
    work.start(
        name,
        progress -> {
          SoundFile.open(file).close(); // what cannot be read is not kept
          KeptSounds sounds = session.folder().sounds();
          boolean there = sounds.isKept(file);
          String kept = there ? String.valueOf(file.getFileName()) : sounds.keepCopy(stem, file);
          try {
            return measure.measure(kept, progress);
          } catch (Trouble | CancellationException e) {
            if (!there) {
              sounds.forget(kept);
            }
            throw e instanceof Trouble t
                ? new Trouble.BadSound(
                    String.valueOf(file.getFileName()), String.valueOf(t.getMessage()))
                : e;
          }
        },
        done);
  }

  /**
   * Goes to another place of the book.
   *
   * @throws Trouble.BadField while something is recorded, or where there is none of that name
   */
  public void goTo(String place) {
    elsewhere("Go to " + place, b -> b.goTo(place));
  }

  /** An edit whose trouble is said where the station's messages stand. */
  public void attempt(String name, UnaryOperator<RoomBook> edit) {
    work.attempt(() -> session.edit(name, edit), () -> {});
  }

  /**
   * An edit after which another place is the one of now.
   *
   * @throws Trouble.BadField while something is recorded: what is heard belongs to the place that
   *     it is heard in
   */
  public void elsewhere(String name, UnaryOperator<RoomBook> edit) {
    idle();
    session.edit(name, edit);
  }

  private void idle() {
    if (work.runningProperty().get() || live.runningProperty().get()) {
      throw new Trouble.BadField(
          "place", "not while something is heard here; stop that first, or wait until it is done");
    }
  }

  /**
   * Takes back the last step.
   *
   * @throws Trouble.BadField where that would leave the place that something is heard in
   */
  public void undo() {
    if (session.undoLeavesPlace()) {
      idle();
    }
    session.undo();
  }

  /**
   * Repeats the step taken back last.
   *
   * @throws Trouble.BadField where that would leave the place that something is heard in
   */
  public void redo() {
    if (session.redoLeavesPlace()) {
      idle();
    }
    session.redo();
  }

  /** Opens a page of help. */
  public void showHelp(String page) {
    help.set("");
    help.set(page);
  }

  /** Asks where a figure of the ladder comes from, by its name. */
  public void askWhy(String name) {
    asked.set(() -> session.ladder().findWhy(name));
  }

  /** Now, to the minute, as measurements are dated. */
  public String now() {
    return LocalDateTime.now(clock).truncatedTo(ChronoUnit.MINUTES).toString();
  }

  /** The day. */
  public LocalDate today() {
    return LocalDate.now(clock);
  }
}
