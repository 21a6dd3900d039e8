package nullroom.app.shell;

import java.nio.file.Path;
import java.time.Clock;
import java.time.LocalDateTime;
import java.time.temporal.ChronoUnit;
import java.util.function.Consumer;
import java.util.function.Function;
import nullroom.core.Trouble;
import nullroom.core.signal.Samples;
import nullroom.io.audio.SoundFile;
import nullroom.io.device.AudioDevice;

/**
 * What every station works with.
 *
 * @param session the open book
 * @param work the one long task
 * @param inputs what can record
 * @param clock dates measurements
 */
public record Desk(BookSession session, Work work, Inputs inputs, Clock clock) {

  private static final String SIMULATED = "simulated-";

  /** "Measured" or, where a simulated input made the sound, "Simulated". */
  public static String howKnown(String sound) {
    return sound.startsWith(SIMULATED) ? "Simulated" : "Measured";
  }

  /** A sound kept in the book: the file's name under sound/ and its samples. */
  public record Kept(String name, Samples samples) {}

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
          Samples recording = input.record(prompt, seconds, progress);
          return measure.apply(new Kept(session.folder().keep(keptStem, recording), recording));
        },
        done);
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
            return measure.apply(new Kept(kept, sound));
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
