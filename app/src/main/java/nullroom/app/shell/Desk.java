package nullroom.app.shell;

import java.nio.file.Path;
import java.time.Clock;
import java.time.LocalDateTime;
import java.time.temporal.ChronoUnit;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;
import nullroom.core.Progress;
import nullroom.core.Trouble;
import nullroom.core.signal.Samples;
import nullroom.io.audio.SoundFile;
import nullroom.io.device.AudioDevice;
import nullroom.io.device.Recording;

/**
 * What every station works with.
 *
 * @param session the open book
 * @param work the one long task
 * @param inputs what can record
 * @param live the input as it is heard now
 * @param clock dates measurements
 */
public record Desk(BookSession session, Work work, Inputs inputs, Live live, Clock clock) {

  private static final String SIMULATED = "simulated-";

  /** Less than this missing at the end of a recording is no loss. */
  private static final double LOST_SECONDS = 0.05;

  /** "Measured" or, where a simulated input made the sound, "Simulated". */
  public static String howKnown(String sound) {
    return sound.startsWith(SIMULATED) ? "Simulated" : "Measured";
  }

  /**
   * A sound kept in the book.
   *
   * @param name file name under sound/
   * @param samples of it
   * @param simulated whether an acted room was recorded
   */
  public record Kept(String name, Samples samples, boolean simulated) {}

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
      Function<Kept, T> measure,
      Consumer<T> done) {
    Inputs.Input chosen = inputs.chosenProperty().get();
    AudioDevice input = chosen.device().get();
    String keptStem = chosen.simulated() ? SIMULATED + stem : stem;
    work.start(
        name,
        progress -> {
          Samples recording = record(chosen, input, prompt, seconds, progress);
          String kept = session.folder().keep(keptStem, recording);
          return new Measured<>(
              measure.apply(new Kept(kept, recording, chosen.simulated())),
              seconds - recording.seconds());
        },
        measured -> {
          done.accept(measured.result());
          if (measured.missingSeconds() > LOST_SECONDS) {
            work.say(
                String.format(
                    Locale.ROOT,
                    "%s went away %.1f s early; what was heard until then is kept and measured.",
                    chosen.name(),
                    measured.missingSeconds()));
          }
        });
  }

  /** A real input that is heard already cannot be opened twice: what it hears is recorded. */
  private Samples record(
      Inputs.Input chosen,
      AudioDevice input,
      AudioDevice.Prompt prompt,
      double seconds,
      Progress progress) {
    Optional<Double> rate = live.sampleRateHz();
    if (chosen.simulated() || rate.isEmpty()) {
      return input.record(prompt, seconds, progress);
    }
    try (TapStream stream = new TapStream(live, rate.get())) {
      return Recording.of(stream, chosen.name(), seconds, progress);
    }
  }

  /** Reads a sound file, keeps an unchanged copy and measures it off the FX thread. */
  public <T> void open(
      String name, Path file, String stem, Function<Kept, T> measure, Consumer<T> done) {
    work.start(
        name,
        progress -> {
          Samples sound = SoundFile.readChannel(file, 0);
          progress.step(1, 3);
          String kept = session.folder().keepCopy(stem, file);
          try {
            return measure.apply(new Kept(kept, sound, false));
          } catch (Trouble.BadSound e) {
            session.folder().forget(kept);
            throw new Trouble.BadSound(
                file.getFileName().toString(), String.valueOf(e.getMessage()));
          }
        },
        done);
  }

  /** Now, to the minute, as measurements are dated. */
  public String now() {
    return LocalDateTime.now(clock).truncatedTo(ChronoUnit.MINUTES).toString();
  }
}
