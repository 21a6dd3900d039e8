package nullroom.app.cli;

import java.nio.file.Path;
import java.util.concurrent.Callable;
import nullroom.core.Decibels;
import nullroom.core.Trouble;
import nullroom.core.signal.Samples;
import nullroom.core.signal.Sweep;
import nullroom.io.audio.WavWriter;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(
    name = "sweep",
    mixinStandardHelpOptions = true,
    description = "write the swept sine to play in the room")
final class SweepCommand implements Callable<Integer> {
  private static final double LONGEST_SECONDS = 600;

  @Parameters(paramLabel = "OUT.wav", description = "file to write, 24 bit mono")
  Path out = Path.of("");

  @Option(names = "--from", description = "hertz at the start, default 20")
  @Nullable Double from;

  @Option(names = "--to", description = "hertz at the end, default 20000")
  @Nullable Double to;

  @Option(names = "--seconds", description = "length of one sweep, default 10")
  @Nullable Double seconds;

  @Option(names = "--repeats", defaultValue = "1", description = "default ${DEFAULT-VALUE}")
  int repeats;

  @Option(
      names = "--pause",
      defaultValue = "3",
      description = "seconds of silence after each, default ${DEFAULT-VALUE}")
  double pause;

  @Option(
      names = "--rate",
      defaultValue = "48000",
      description = "samples a second, default ${DEFAULT-VALUE}")
  double rate;

  @Option(
      names = "--level",
      defaultValue = "-12",
      description = "peak in dBFS, default ${DEFAULT-VALUE}")
  double level;

  @Option(names = "--json", description = "print one JSON object")
  boolean json;

  /** A sweep of what was given, the usual one where nothing was. */
  static Sweep sweep(
      @Nullable Double from, @Nullable Double to, @Nullable Double seconds, String prefix) {
    double low = from == null ? Sweep.USUAL.fromHz() : from;
    double high = to == null ? Sweep.USUAL.toHz() : to;
    double length = seconds == null ? Sweep.USUAL.seconds() : seconds;
    if (!(low >= 1 && low <= 10_000)) {
      throw new Trouble.BadField(prefix + "from", "must lie between 1 and 10000 Hz, not " + low);
    }
    if (!(high >= 2 * low && high <= 96_000)) {
      throw new Trouble.BadField(
          prefix + "to", "must lie an octave above the start or more, not at " + high + " Hz");
    }
    if (!(length >= 0.5 && length <= 120)) {
      throw new Trouble.BadField(prefix + "seconds", "must lie between 0.5 and 120, not " + length);
    }
    return new Sweep(low, high, length);
  }

  @Override
  public Integer call() {
    Sweep sweep = sweep(from, to, seconds, "--");
    if (!(rate >= 8000 && rate <= 384_000)) {
      throw new Trouble.BadField("--rate", "must lie between 8000 and 384000, not " + rate);
    }
    if (sweep.toHz() > 0.5 * rate) {
      throw new Trouble.BadField(
          "--to", sweep.toHz() + " Hz is more than half the sampling rate of " + rate);
    }
    if (!(level <= 0 && level >= -80)) {
      throw new Trouble.BadField("--level", "must lie between -80 and 0 dBFS, not " + level);
    }
    if (!(pause >= 0 && pause <= 60)) {
      throw new Trouble.BadField("--pause", "must lie between 0 and 60, not " + pause);
    }
    double whole = repeats * (sweep.seconds() + pause);
    if (repeats < 1 || whole > LONGEST_SECONDS) {
      throw new Trouble.BadField(
          "--repeats", "must be 1 or more and keep the file under 600 s, not " + repeats);
    }
    Samples series = sweep.series(rate, repeats, pause, Decibels.toAmplitude(level));
    WavWriter.write24(out, series);
    if (json) {
      JsonOut said = new JsonOut();
      said.put("file", out.toString());
      said.put("fromHz", sweep.fromHz());
      said.put("toHz", sweep.toHz());
      said.put("sweepSeconds", sweep.seconds());
      said.put("repeats", (long) repeats);
      said.put("pauseSeconds", pause);
      said.put("sampleRateHz", rate);
      said.put("peakDbfs", level);
      said.put("durationSeconds", series.seconds());
      said.print();
    } else {
      System.out.println(out);
      System.out.println(
          "Start with the volume low and turn it up step by step: a sweep is harder on ears and tweeters than speech.");
    }
    return 0;
  }
}
