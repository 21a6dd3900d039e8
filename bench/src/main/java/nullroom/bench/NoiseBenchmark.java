package nullroom.bench;

import java.util.Random;
import nullroom.core.Progress;
import nullroom.core.measure.noise.NoiseMeter;
import nullroom.io.audio.SoundFile;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Warmup;

/** An hour of noise, mono, through all of the noise meter. */
@Fork(
    value = 1,
    jvmArgsAppend = {"-Xmx256m", "-XX:+UseSerialGC"})
@Warmup(iterations = 2)
@Measurement(iterations = 5)
public class NoiseBenchmark extends HourBenchmark {
  public NoiseBenchmark() {
    super(1);
  }

  @Override
  double sample(Random random, int second, int index) {
    return 300 * random.nextGaussian();
  }

  /** One measurement. */
  @Benchmark
  public double hour() {
    try (SoundFile file = SoundFile.open(hour)) {
      return NoiseMeter.measure(file, Progress.NONE).getFirst().laeqDbfs().orElseThrow();
    }
  }
}
