package nullroom.bench;

import java.util.Optional;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import nullroom.core.acoustics.Octave;
import nullroom.core.measure.decay.DecayAnalysis;
import nullroom.core.measure.decay.Excitation;
import nullroom.core.signal.Fft;
import nullroom.core.signal.Samples;
import nullroom.core.signal.Sweep;
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

/**
 * Three repeats of a 10 s sweep at 48 kHz, evaluated in all octaves, against the transforms alone
 * that dividing by the sweep takes: both spectra, and the response back.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 3, time = 5)
@Measurement(iterations = 5, time = 5)
public class SweepBenchmark {
  private static final double RATE = 48_000;
  private double[] played = new double[1];
  private Samples recorded = new Samples(new double[1], RATE);

  /** Plays the sweeps in an invented room. */
  @Setup
  public void setUp() {
    Random random = new Random(1);
    played = Sweep.USUAL.samples(RATE);
    double[] response = new double[(int) RATE];
    for (int i = 0; i < response.length; i++) {
      response[i] = 0.02 * random.nextGaussian() * Math.pow(10, -3 * i / RATE / 0.5);
    }
    response[0] = 1;
    double[] one = Fft.convolve(played, response);
    double[] all = new double[(int) (39.5 * RATE)];
    for (int k = 0; k < 3; k++) {
      int at = (int) ((0.5 + 13 * k) * RATE);
      for (int i = 0; i < one.length && at + i < all.length; i++) {
        all[at + i] += 0.2 * one[i];
      }
    }
    for (int i = 0; i < all.length; i++) {
      all[i] += 1e-4 * random.nextGaussian();
    }
    recorded = new Samples(all, RATE);
  }

  /** The whole analysis. */
  @Benchmark
  public double analysis() {
    return DecayAnalysis.analyse(
            recorded,
            new DecayAnalysis.Request(
                Optional.of(Excitation.SWEEP),
                Optional.of(Sweep.USUAL),
                Optional.empty(),
                Octave.ALL))
        .tMidSeconds()
        .orElseThrow();
  }

  /** Two spectra and one way back, of the size that holds recording and sweep. */
  @Benchmark
  public double bareTransforms() {
    Fft fft = new Fft(Fft.sizeFor((long) played.length + recorded.count()));
    double[] x = java.util.Arrays.copyOf(played, fft.size());
    double[] y = java.util.Arrays.copyOf(recorded.toArray(), fft.size());
    fft.forward(x);
    fft.forward(y);
    fft.inverse(y);
    return x[0] + y[0];
  }
}
