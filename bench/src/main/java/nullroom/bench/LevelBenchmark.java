package nullroom.bench;

import java.io.BufferedOutputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import nullroom.core.Progress;
import nullroom.core.measure.TakeMeter;
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
 * An hour of something like speech, 48 kHz stereo in 16 bits, through all of the take meter; and
 * FFmpeg's loudness filter with true peaks on the same file, since only the ratio means something
 * on a machine that is shared.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SingleShotTime)
@OutputTimeUnit(TimeUnit.SECONDS)
@Fork(
    value = 1,
    jvmArgsAppend = {"-Xmx512m"})
@Warmup(iterations = 1)
@Measurement(iterations = 3)
public class LevelBenchmark {
  private static final int RATE = 48_000;
  private static final int SECONDS = 3600;
  private static final int FRAME_BYTES = 4;
  private Path hour = Path.of("");

  /** Writes the file. */
  @Setup
  public void setUp() throws IOException {
    hour = Files.createTempFile("take", ".wav");
    int bytes = SECONDS * RATE * FRAME_BYTES;
    Random random = new Random(1);
    byte[] second = new byte[RATE * FRAME_BYTES];
    try (DataOutputStream out =
        new DataOutputStream(new BufferedOutputStream(Files.newOutputStream(hour)))) {
      out.writeBytes("RIFF");
      out.writeInt(Integer.reverseBytes(36 + bytes));
      out.writeBytes("WAVEfmt ");
      out.writeInt(Integer.reverseBytes(16));
      out.writeInt(Integer.reverseBytes(1 | 2 << 16)); // plain samples, two channels
      out.writeInt(Integer.reverseBytes(RATE));
      out.writeInt(Integer.reverseBytes(RATE * FRAME_BYTES));
      out.writeInt(Integer.reverseBytes(FRAME_BYTES | 16 << 16));
      out.writeBytes("data");
      out.writeInt(Integer.reverseBytes(bytes));
      for (int s = 0; s < SECONDS; s++) {
        for (int i = 0; i < RATE; i++) {
          double swell = s % 5 < 4 ? Math.pow(Math.sin(Math.PI * i * 4 / RATE), 2) : 0;
          int code = (int) Math.round((20 + 3000 * swell) * random.nextGaussian());
          for (int c = 0; c < 2; c++) {
            second[FRAME_BYTES * i + 2 * c] = (byte) code;
            second[FRAME_BYTES * i + 2 * c + 1] = (byte) (code >> 8);
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

  /** One measurement. */
  @Benchmark
  public double take() {
    try (SoundFile file = SoundFile.open(hour)) {
      return TakeMeter.measure(file, Progress.NONE).loudness().integratedLufs().orElseThrow();
    }
  }
}
