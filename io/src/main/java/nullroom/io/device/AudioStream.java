package nullroom.io.device;

import java.util.Optional;
import nullroom.core.measure.take.ChannelPair;

/** An input that is listening: blocks of one channel, as they come. Close it. Not thread-safe. */
public interface AudioStream extends AutoCloseable {
  /** A block is this long: a hundred a second. */
  double BLOCK_SECONDS = 0.01;

  /**
   * What a device keeps for a reader that is held up. It delays nothing: blocks are read as they
   * come.
   */
  double BUFFER_SECONDS = 2;

  /** Samples a second. */
  double sampleRateHz();

  /** The largest amplitude of its samples. */
  double largestAmplitude();

  /**
   * Waits for the next block.
   *
   * @param block overwritten from 0 on; its length is what is asked for
   * @return samples read, or -1 where the device is gone
   */
  int read(double[] block);

  /** Blocks that were lost because nobody read them in time. */
  long dropped();

  /** What is known about the two channels of an input of which the first is read, so far. */
  default Optional<ChannelPair> channels() {
    return Optional.empty();
  }

  @Override
  void close();
}
