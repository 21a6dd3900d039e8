package nullroom.core.measure.take;

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
    ChannelPair pair = new ChannelPair();
    List<BlockHearer> hearers = new ArrayList<>();
    hearers.add((block, length) -> pair.add(block[0], block[channels > 1 ? 1 : 0], length));
    for (int c = 0; c < channels; c++) {
      int which = c;
      meters
          .get(c)
          .hearers()
          .forEach(one -> hearers.add((block, length) -> one.add(block[which], length)));
    }
    read(source, hearers, progress);
    meters.forEach(TakeChannelMeter::end);
    LoudnessMeter loudness =
        LoudnessMeter.together(meters.stream().map(TakeChannelMeter::loudness).toList());
    return new TakeReport(
        source.sampleRateHz(),
        meters.parallelStream().map(TakeChannelMeter::result).toList(),
        loudness.loudness(),
        loudness.shortTermCourse(),
        channels > 1 ? pair.correlation() : OptionalDouble.empty());
  }

  /** All channels of a block, for one that hears them. */
  private interface BlockHearer {
    void add(double[][] block, int length);
  }

  /** Reads a source to its end, while each hears it, all side by side, block after block. */
  private static void read(SampleSource source, List<BlockHearer> hearers, Progress progress) {
    try (ExecutorService beside =
        Executors.newFixedThreadPool(Runtime.getRuntime().availableProcessors())) {
      double[][][] blocks = new double[BLOCKS][source.channels()][BLOCK];
      CompletableFuture<?>[][] done = new CompletableFuture<?>[BLOCKS][hearers.size()];
      CompletableFuture<?>[] last = new CompletableFuture<?>[hearers.size()];
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
        for (int c = 0; c < last.length; c++) { // each in the order of the blocks
          BlockHearer one = hearers.get(c);
          last[c] = last[c].thenRunAsync(() -> one.add(block, length), beside);
          done[turn][c] = last[c];
        }
        samples += length;
        progress.step(samples, -1);
      }
      CompletableFuture.allOf(last).join();
    }
  }
}
