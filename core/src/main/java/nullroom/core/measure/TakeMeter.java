package nullroom.core.measure;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import nullroom.core.Progress;
import nullroom.core.signal.SampleSource;

/**
 * Measures a take of any length block by block, in little memory. The channels are worked on side
 * by side, and beside the reading.
 */
public final class TakeMeter {
  private static final int BLOCK = 1 << 14;
  private static final int BLOCKS = 8;

  private TakeMeter() {}

  /** Sums of the first two channels for their correlation. */
  private static final class Pair {
    private double xx;
    private double yy;
    private double xy;

    void add(double[] x, double[] y, int count) {
      double a = 0;
      double b = 0;
      double c = 0;
      for (int i = 0; i < count; i++) {
        a += x[i] * x[i];
        b += y[i] * y[i];
        c += x[i] * y[i];
      }
      xx += a;
      yy += b;
      xy += c;
    }

    OptionalDouble correlation() {
      return xx > 0 && yy > 0 ? OptionalDouble.of(xy / Math.sqrt(xx * yy)) : OptionalDouble.empty();
    }
  }

  /**
   * Measures a source to its end.
   *
   * @param progress told how many samples were read, the whole unknown
   */
  public static TakeReport measure(SampleSource source, Progress progress) {
    int channels = source.channels();
    List<TakeChannelMeter> meters = new ArrayList<>();
    for (int c = 0; c < channels; c++) {
      meters.add(new TakeChannelMeter(source.sampleRateHz(), source.largestAmplitude()));
    }
    Pair pair = new Pair();
    try (ExecutorService beside =
        Executors.newFixedThreadPool(Runtime.getRuntime().availableProcessors())) {
      double[][][] blocks = new double[BLOCKS][channels][BLOCK];
      CompletableFuture<?>[][] done = new CompletableFuture<?>[BLOCKS][channels + 1];
      CompletableFuture<?>[] last = new CompletableFuture<?>[channels + 1];
      for (CompletableFuture<?>[] row : done) {
        Arrays.fill(row, CompletableFuture.completedFuture(null));
      }
      Arrays.fill(last, CompletableFuture.completedFuture(null));
      long samples = 0;
      for (int turn = 0; ; turn = (turn + 1) % BLOCKS) {
        CompletableFuture.allOf(done[turn]).join();
        double[][] block = blocks[turn];
        int length = source.read(block);
        if (length < 0) {
          break;
        }
        for (int c = 0; c <= channels; c++) { // each chain in the order of the blocks
          int which = c;
          last[c] =
              last[c].thenRunAsync(
                  () -> {
                    if (which < channels) {
                      meters.get(which).add(block[which], length);
                    } else {
                      pair.add(block[0], block[channels > 1 ? 1 : 0], length);
                    }
                  },
                  beside);
          done[turn][c] = last[c];
        }
        samples += length;
        progress.step(samples, -1);
      }
      CompletableFuture.allOf(last).join();
    }
    LoudnessMeter loudness =
        LoudnessMeter.together(meters.stream().map(TakeChannelMeter::loudness).toList());
    return new TakeReport(
        source.sampleRateHz(),
        meters.stream().map(TakeChannelMeter::result).toList(),
        loudness.loudness(),
        loudness.shortTermCourse(),
        channels > 1 ? pair.correlation() : OptionalDouble.empty());
  }
}
