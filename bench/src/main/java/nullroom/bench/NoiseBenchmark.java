package nullroom.bench;

import java.io.BufferedOutputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import nullroom.core.Progress;
import nullroom.core.measure.NoiseMeter;
import nullroom.io.audio.SoundFile;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.TearDown;
import org.openjdk.jmh.annotations.Warmup;

/**
 * An hour of noise, a file of 48 kHz mono in 16 bits, through all of the noise meter. Where FFmpeg
 * is installed, its loudness filter is timed on such a file right after, since only the ratio means
 * something on a machine that is shared.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SingleShotTime)
@OutputTimeUnit(TimeUnit.SECONDS)
@Fork(
    value = 1,
    jvmArgsAppend = {"-Xmx256m", "-XX:+UseSerialGC"})
@Warmup(iterations = 2)
@Measurement(iterations = 5)
public class NoiseBenchmark {
  private static final int RATE = 48_000;
  private static final int SECONDS = 3600;
  private Path hour = Path.of("");

  /** Writes the file. */
  @Setup
  public void setUp() throws IOException {
    hour = Files.createTempFile("hour", ".wav");
    int bytes = SECONDS * RATE * 2;
    Random random = new Random(1);
    byte[] second = new byte[RATE * 2];
    try (DataOutputStream out =
        new DataOutputStream(new BufferedOutputStream(Files.newOutputStream(hour)))) {
      out.writeBytes("RIFF");
      out.writeInt(Integer.reverseBytes(36 + bytes));
      out.writeBytes("WAVEfmt ");
      out.writeInt(Integer.reverseBytes(16));
      out.writeInt(Integer.reverseBytes(1 | 1 << 16)); // plain samples, one channel
      out.writeInt(Integer.reverseBytes(RATE));
      out.writeInt(Integer.reverseBytes(RATE * 2));
      out.writeInt(Integer.reverseBytes(2 | 16 << 16));
      out.writeBytes("data");
      out.writeInt(Integer.reverseBytes(bytes));
      for (int s = 0; s < SECONDS; s++) {
        for (int i = 0; i < RATE; i++) {
          int code = (int) Math.round(300 * random.nextGaussian());
          second[2 * i] = (byte) code;
          second[2 * i + 1] = (byte) (code >> 8);
        }
        out.write(second);
      }
    }
  }

  /** Removes it. */
  @TearDown
  public void tearDown() throws IOException {
    Files.delete(hour);
  }

  /** One measurement. */
  @Benchmark
  public double hour() {
    try (SoundFile file = SoundFile.open(hour)) {
      return NoiseMeter.measure(file, Progress.NONE).getFirst().laeqDbfs().orElseThrow();
    }
  }

  /** The outside yardstick, on the same file; fails where FFmpeg is not installed. */
  @Benchmark
  public int outsideLoudnessFilter() throws IOException, InterruptedException {
    int exit =
        new ProcessBuilder(
                "ffmpeg", "-nostats", "-i", hour.toString(), "-af", "ebur128", "-f", "null", "-")
            .redirectErrorStream(true)
            .redirectOutput(ProcessBuilder.Redirect.DISCARD)
            .start()
            .waitFor();
    if (exit != 0) {
      throw new IOException("the loudness filter ended with " + exit);
    }
    return exit;
  }
}
