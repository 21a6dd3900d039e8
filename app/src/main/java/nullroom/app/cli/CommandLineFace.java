package nullroom.app.cli;

import java.nio.file.Path;
import java.util.concurrent.Callable;
import java.util.stream.Stream;
import nullroom.app.desktop.Desktop;
import nullroom.app.desktop.Tour;
import nullroom.core.Trouble;
import nullroom.io.book.BookFolder;
import nullroom.io.book.KeptSounds;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** The root command; without a subcommand it opens the desktop. */
@Command(
    name = "nullroom",
    mixinStandardHelpOptions = true,
    version = "nullroom 0.1.0",
    description =
        "Measures a room for recording a voice, and says what to hang, where the microphone goes and how far up.",
    subcommands = {
      OpenCommand.class,
      TourCommand.class,
      MeasureCommand.class,
      SweepCommand.class,
      SimulateCommand.class,
      PredictCommand.class,
      TreatCommand.class,
      MicCommand.class,
      GainCommand.class,
      CheckCommand.class
    })
public final class CommandLineFace implements Callable<Integer> {
  @Option(
      names = "--demo",
      description =
          "open a fresh copy of the demo book; without a display, run the demo in text and pictures")
  boolean demo;

  @Option(
      names = "--exit-when-shown",
      hidden = true,
      description = "leave once the window is painted; trains the start-up cache")
  boolean exitWhenShown;

  /** Runs a command line and gives its exit code: 0 done, 1 could not be done, 2 bad usage. */
  public static int run(String... args) {
    if (args.length == 0) { // the window: reading the whole command line's shape would hold it up
      try {
        return Desktop.lastBook();
      } catch (Trouble e) {
        System.err.println(sentence(e));
        return 1;
      }
    }
    return new CommandLine(new CommandLineFace())
        .setExecutionExceptionHandler((e, line, parsed) -> {
          line.getErr().println(sentence(e));
          return 1;
        })
        .setUsageHelpAutoWidth(true)
        .execute(args);
  }

  /**
   * Does once what users do most, for the start-up cache to learn from.
   *
   * @param book with claps among its sounds
   * @return 0 where all of it could be done
   */
  static int rehearse(Path book) {
    KeptSounds sounds = new BookFolder(book).sounds();
    String claps =
        sounds.list().stream()
            .map(KeptSounds.Sound::name)
            .filter(name -> name.contains("claps"))
            .findFirst()
            .map(name -> sounds.file(name).toString())
            .orElseThrow(() -> new Trouble.BadFile(book.toString(), "holds no claps"));
    return Stream.of("level", "noise", "decay")
            .mapToInt(figure -> run("measure", figure, claps, "--json"))
            .max()
            .orElseThrow()
        + run("predict", book.toString(), "--json");
  }

  private static String sentence(Exception e) {
    String said =
        e instanceof Trouble trouble
            ? trouble.line()
            : "unexpected " + e.getClass().getSimpleName() + ": " + e.getMessage();
    return "nullroom: " + said.replace('\n', ' ');
  }

  @Override
  public Integer call() {
    if (exitWhenShown) {
      return rehearse(Tour.rehearse());
    }
    return demo ? Desktop.demo() : Desktop.lastBook();
  }
}
