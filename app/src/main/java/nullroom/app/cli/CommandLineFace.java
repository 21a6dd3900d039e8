package nullroom.app.cli;

import java.util.concurrent.Callable;
import nullroom.app.desktop.Desktop;
import nullroom.app.desktop.Tour;
import nullroom.core.Trouble;
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
      SimulateCommand.class,
      PredictCommand.class,
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
  public static int run(String[] args) {
    return new CommandLine(new CommandLineFace())
        .setExecutionExceptionHandler((e, line, parsed) -> explain(e, line))
        .setUsageHelpAutoWidth(true)
        .execute(args);
  }

  private static int explain(Exception e, CommandLine line) {
    String said =
        e instanceof Trouble trouble
            ? trouble.line()
            : "unexpected " + e.getClass().getSimpleName() + ": " + e.getMessage();
    line.getErr().println("nullroom: " + said.replace('\n', ' '));
    return 1;
  }

  @Override
  public Integer call() {
    if (exitWhenShown) {
      return Tour.train();
    }
    return demo ? Desktop.demo() : Desktop.lastBook();
  }
}
