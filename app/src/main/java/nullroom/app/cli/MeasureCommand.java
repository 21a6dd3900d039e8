package nullroom.app.cli;

import java.nio.file.Path;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(
    name = "measure",
    mixinStandardHelpOptions = true,
    description = "measure a sound file",
    subcommands = {MeasureNoiseCommand.class, MeasureDecayCommand.class, MeasureLevelCommand.class},
    synopsisSubcommandLabel = "(noise | decay | level)")
final class MeasureCommand implements Runnable {
  @picocli.CommandLine.Spec
  picocli.CommandLine.Model.@org.jspecify.annotations.Nullable CommandSpec spec;

  @Override
  public void run() {
    throw new picocli.CommandLine.ParameterException(
        java.util.Objects.requireNonNull(spec).commandLine(),
        "say what to measure: noise, decay or level");
  }

  /** What every measurement of a file takes. */
  static final class Input {
    @Parameters(
        paramLabel = "FILE",
        description = "sound file: WAV, AIFF, FLAC, Ogg, Opus, MP3, or the sound of M4A, MP4, MOV")
    Path file = Path.of("");

    @Option(names = "--json", description = "print one JSON object")
    boolean json;

    @Option(
        names = "--channel",
        defaultValue = "0",
        description = "channel for the top-level figures, from 0")
    int channel;
  }
}
