package nullroom.bench;

import java.util.Random;
import java.util.concurrent.TimeUnit;
import nullroom.core.measure.meter.LiveMeter;
import nullroom.core.measure.meter.LiveReading;
import nullroom.core.measure.noise.SecondMeter;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** What the thread that hears has to do for each block of 10 ms. */
@State(Scope.Thread)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Fork(1)
@Warmup(iterations = 2, time = 2)
@Measurement(iterations = 3, time = 2)
public class LiveBenchmark {
  private static final int BLOCK = 480;

  private final double[] block = new double[BLOCK];
  private final LiveMeter meter = new LiveMeter(48_000, 1);
  private final SecondMeter seconds = new SecondMeter(48_000, 1, levels -> {});

  /** A block of hiss. */
  @Setup
  public void hiss() {
    Random random = new Random(1);
    for (int i = 0; i < BLOCK; i++) {
      block[i] = 0.01 * random.nextGaussian();
    }
  }

  /** The live meter's block and its reading. */
  @Benchmark
  public LiveReading meter() {
    meter.add(block, BLOCK);
    return meter.reading();
  }

  /** A running survey's block. */
  @Benchmark
  public void survey() {
    seconds.add(block, BLOCK);
  }
}
