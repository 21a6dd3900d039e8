package nullroom.bench;

import java.io.BufferedOutputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.TearDown;

/**
 * An hour of sound in a file, 48 kHz in 16 bits. Where FFmpeg is installed, its loudness filter is
 * timed on the same file in the same run, since only the ratio means something on a machine that is
 * shared.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SingleShotTime)
@OutputTimeUnit(TimeUnit.SECONDS)
public abstract class HourBenchmark {
  static final int RATE = 48_000;
  private static final int SECONDS = 3600;
  private final int channels;
  Path hour = Path.of("");

  HourBenchmark(int channels) {
    this.channels = channels;
  }

  /** A sample in 16 bits. */
  abstract double sample(Random random, int second, int index);

  /** Writes the file. */
  @Setup
  public void setUp() throws IOException {
    hour = Files.createTempFile("hour", ".wav");
    int frameBytes = 2 * channels;
    int bytes = SECONDS * RATE * frameBytes;
    Random random = new Random(1);
    byte[] second = new byte[RATE * frameBytes];
    try (DataOutputStream out =
        new DataOutputStream(new BufferedOutputStream(Files.newOutputStream(hour)))) {
      out.writeBytes("RIFF");
      out.writeInt(Integer.reverseBytes(36 + bytes));
      out.writeBytes("WAVEfmt ");
      out.writeInt(Integer.reverseBytes(16));
      out.writeInt(Integer.reverseBytes(1 | channels << 16)); // plain samples
      out.writeInt(Integer.reverseBytes(RATE));
      out.writeInt(Integer.reverseBytes(RATE * frameBytes));
      out.writeInt(Integer.reverseBytes(frameBytes | 16 << 16));
      out.writeBytes("data");
      out.writeInt(Integer.reverseBytes(bytes));
      for (int s = 0; s < SECONDS; s++) {
        for (int i = 0; i < RATE; i++) {
          int code = (int) Math.round(sample(random, s, i));
          for (int c = 0; c < channels; c++) {
            second[frameBytes * i + 2 * c] = (byte) code;
            second[frameBytes * i + 2 * c + 1] = (byte) (code >> 8);
          }
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
