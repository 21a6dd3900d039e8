package nullroom.bench;

import java.util.Random;
import nullroom.core.Progress;
import nullroom.core.measure.take.TakeMeter;
import nullroom.io.audio.SoundFile;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Warmup;

/** An hour of something like speech, stereo, through all of the take meter. */
@Fork(
    value = 1,
    jvmArgsAppend = {"-Xmx512m"})
@Warmup(iterations = 2)
@Measurement(iterations = 5)
public class LevelBenchmark extends HourBenchmark {
  private static final int CHANNELS = 2;

  public LevelBenchmark() {
    super(CHANNELS);
  }

  /** Four syllables a second, a pause every fifth. */
  @Override
  double sample(Random random, int second, int index) {
    double swell = second % 5 < 4 ? Math.pow(Math.sin(Math.PI * index * 4 / RATE), 2) : 0;
    return (20 + 3000 * swell) * random.nextGaussian();
  }

  /** One measurement. */
  @Benchmark
  public double take() {
    try (SoundFile file = SoundFile.open(hour)) {
      return TakeMeter.measure(file, Progress.NONE).loudness().integratedLufs().orElseThrow();
    }
  }
}
