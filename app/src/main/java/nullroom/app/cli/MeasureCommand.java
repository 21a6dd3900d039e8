package nullroom.app.cli;

import java.nio.file.Path;
import nullroom.core.Trouble;
import nullroom.io.audio.SoundFile;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(
    name = "measure",
    mixinStandardHelpOptions = true,
    description = "measure a sound file",
    subcommands = {
      MeasureNoiseCommand.class,
      MeasureDecayCommand.class,
      MeasureLevelCommand.class,
      MeasureClipCommand.class
    },
    synopsisSubcommandLabel = "(noise | decay | level | clip)")
final class MeasureCommand implements Runnable {
  @picocli.CommandLine.Spec
  picocli.CommandLine.Model.@org.jspecify.annotations.Nullable CommandSpec spec;

  @Override
  public void run() {
    throw new picocli.CommandLine.ParameterException(
        java.util.Objects.requireNonNull(spec).commandLine(),
        "say what to measure: noise, decay, level or clip");
  }

  /** What every measurement takes. */
  static class Input {
    @Option(names = "--json", description = "print one JSON object")
    boolean json;

    @Option(
        names = "--channel",
        defaultValue = "0",
        description = "channel for the top-level figures, from 0")
    int channel;

    /** Refuses a channel that a file does not have. */
    void checkChannel(Path file, SoundFile sound) {
      if (channel < 0 || channel >= sound.channels()) {
        throw new Trouble.BadField(
            "--channel",
            file
                + " has "
                + sound.channels()
                + " channel(s), counted from 0; there is no "
                + channel);
      }
    }
  }

  /** What a measurement of one file takes. */
  static final class OneFile extends Input {
    @Parameters(paramLabel = "FILE", description = FILES)
    Path file = Path.of("");
  }

  static final String FILES =
      "sound file: WAV, AIFF, FLAC, Ogg, Opus, MP3, or the sound of M4A, MP4, MOV";
}
