package nullroom.bench;

import java.util.Random;
import java.util.concurrent.TimeUnit;
import nullroom.core.Progress;
import nullroom.core.measure.NoiseMeter;
import nullroom.core.signal.SampleSource;
import nullroom.core.signal.Samples;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;

/** One minute of noise through all of the noise meter, from memory. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
public class NoiseBenchmark {
  private static final double RATE = 48_000;
  private Samples minute = new Samples(new double[1], RATE);

  /** Makes the noise. */
  @Setup
  public void setUp() {
    Random random = new Random(1);
    minute = new Samples(random.doubles((long) (60 * RATE), -0.1, 0.1).toArray(), RATE);
  }

  /** One measurement. */
  @Benchmark
  public double minute() {
    return NoiseMeter.measure(SampleSource.of(minute), Progress.NONE)
        .getFirst()
        .laeqDbfs()
        .orElseThrow();
  }
}
