package nullroom.app.cli;

import java.nio.file.Path;
import java.util.Map;
import java.util.concurrent.Callable;
import nullroom.core.Progress;
import nullroom.core.Trouble;
import nullroom.core.book.Hearing;
import nullroom.core.predict.Heard;
import nullroom.core.predict.ResponseSound;
import nullroom.core.predict.RoomResponse;
import nullroom.core.room.Room;
import nullroom.core.signal.Samples;
import nullroom.io.audio.WavWriter;
import nullroom.io.book.BookFolder;
import nullroom.io.device.AudioDevice;
import nullroom.io.device.SimulatedDevice;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(
    name = "simulate",
    mixinStandardHelpOptions = true,
    description = "write what the simulated device would record in a room")
final class SimulateCommand implements Callable<Integer> {
  private static final Map<String, AudioDevice.Prompt> RECORDINGS =
      Map.of(
          "claps",
          AudioDevice.Prompt.CLAPS,
          "sweep",
          AudioDevice.Prompt.SWEEP,
          "noise",
          AudioDevice.Prompt.QUIET,
          "voice",
          AudioDevice.Prompt.VOICE,
          "clip",
          AudioDevice.Prompt.CLIP);

  @Parameters(
      index = "0",
      paramLabel = "BOOK|ROOM.json",
      description = "folder of a room book, or a room file")
  Path path = Path.of("");

  @Parameters(index = "1", paramLabel = "OUT.wav", description = "file to write")
  Path out = Path.of("");

  @Option(
      names = "--what",
      defaultValue = "claps",
      description =
          "response, claps, sweep (20 Hz to 20 kHz in 10 s), noise or voice; default ${DEFAULT-VALUE}")
  String what = "claps";

  @Option(
      names = "--seed",
      defaultValue = "1",
      description = "default ${DEFAULT-VALUE}; the same seed gives the identical file")
  long seed;

  @Option(names = "--seconds", description = "length, default 10; for a sweep 14")
  @Nullable Double length;

  @Option(names = "--json", description = "print one JSON object")
  boolean json;

  @Override
  public Integer call() {
    double seconds = length != null ? length : what.equals("sweep") ? 14 : 10;
    if (!(seconds > 0 && seconds <= 600)) {
      throw new Trouble.BadField("--seconds", "must lie between 0 and 600, not " + seconds);
    }
    Room room = BookFolder.readRoom(path);
    Heard heard = Hearing.quick(room).heard();
    SimulatedDevice device = SimulatedDevice.in(room, heard, seed);
    AudioDevice.Prompt prompt = RECORDINGS.get(what);
    if (prompt != null) {
      WavWriter.write24(out, device.record(prompt, seconds, Progress.NONE));
    } else if (what.equals("response")) {
      double rate = device.sampleRateHz();
      double[] response =
          ResponseSound.of(RoomResponse.of(room, seed, Progress.NONE), rate, seconds, seed);
      WavWriter.writeFloat(out, new Samples(response, rate));
    } else {
      throw new Trouble.BadField(
          "--what", "must be response, claps, sweep, noise, voice or clip, not " + what);
    }
    if (json) {
      JsonOut said = new JsonOut();
      said.put("file", out.toString());
      said.put("what", what);
      said.put("seed", seed);
      said.put("seconds", seconds);
      said.put("fullScaleDbSpl", heard.capture().fullScaleDbSpl());
      said.print();
    } else {
      System.out.println(out);
    }
    return 0;
  }
}
