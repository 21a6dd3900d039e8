package nullroom.bench;

import java.util.Random;
import java.util.concurrent.TimeUnit;
import nullroom.core.Progress;
import nullroom.core.acoustics.Bands;
import nullroom.core.measure.clip.Clip;
import nullroom.core.predict.SyntheticRoom;
import nullroom.core.signal.Fft;
import nullroom.core.signal.Samples;
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

/** Five minutes of a film's sound: quiet, talk, claps, and that over again, sorted and measured. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SingleShotTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(3)
@Warmup(iterations = 1)
@Measurement(iterations = 3)
public class ClipBenchmark {
  private static final int RATE = 48_000;
  private static final int SECONDS = 300;
  private static final int ROUND = 60;
  private static final Bands VOICE = Bands.of(38, 52, 57, 60, 54, 49, 44, 38);
  private static final Bands NOISE = Bands.of(45, 38, 30, 25, 20, 16, 12, 10);

  private Samples film = new Samples(new double[1], RATE);

  /** Makes the film. */
  @Setup
  public void make() {
    double[] dry = SyntheticRoom.voice(VOICE, RATE, SECONDS * RATE, 5);
    Random random = new Random(7);
    for (int k = 0; k < dry.length; k++) {
      double at = k / (double) RATE % ROUND;
      boolean claps = at > 50 && k % (2 * RATE) < RATE / 250;
      dry[k] = at < 15 || at > 48 ? 0 : dry[k];
      dry[k] += claps ? 0.3 * random.nextGaussian() : 0;
    }
    double[] room = new double[RATE];
    for (int k = 1; k < room.length; k++) {
      room[k] = 0.02 * random.nextGaussian() * Math.pow(10, -3.0 * k / RATE / 0.5);
    }
    room[0] = 1;
    double[] wet = Fft.convolve(dry, room);
    double[] noise = SyntheticRoom.noise(NOISE, RATE, SECONDS * RATE, 9);
    double[] all = new double[SECONDS * RATE];
    for (int k = 0; k < all.length; k++) {
      all[k] = 0.5 * wet[k] + noise[k];
    }
    film = new Samples(all, RATE);
  }

  /** One measurement. */
  @Benchmark
  public Clip clip() {
    return Clip.of(film, Progress.NONE);
  }
}
