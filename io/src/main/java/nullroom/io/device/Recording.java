package nullroom.io.device;

import java.util.Arrays;
import nullroom.core.Progress;
import nullroom.core.Trouble;
import nullroom.core.measure.take.ChannelPair;
import nullroom.core.signal.Samples;

/** Takes a stretch of a stream into memory. */
public final class Recording {
  private Recording() {}

  /** Hears what is recorded, block by block, and says when it is enough. */
  @FunctionalInterface
  public interface Watch {
    /**
     * The next samples.
     *
     * @param block not to be modified; reused
     * @return whether more is wanted
     */
    boolean hear(double[] block, int count);

    /** At the end, of an input of two channels. */
    default void channels(ChannelPair pair) {}
  }

  /**
   * Reads some seconds; where the device goes away before, what was heard until then.
   *
   * @param name of the device, for its trouble
   * @throws Trouble.BadSound if nothing was heard at all
   */
  public static Samples of(AudioStream stream, String name, double seconds, Progress progress) {
    return of(stream, name, seconds, (block, count) -> true, progress);
  }

  /** The same, or less where a watch has heard enough. */
  public static Samples of(
      AudioStream stream, String name, double seconds, Watch watch, Progress progress) {
    double rate = stream.sampleRateHz();
    double[] samples = new double[(int) Math.round(seconds * rate)];
    double[] block = new double[(int) Math.round(AudioStream.BLOCK_SECONDS * rate)];
    int count = 0;
    int read;
    boolean more = true;
    while (more && count < samples.length && (read = stream.read(block)) >= 0) {
      int kept = Math.min(read, samples.length - count);
      System.arraycopy(block, 0, samples, count, kept);
      count += kept;
      more = watch.hear(block, kept);
      progress.step(count, samples.length);
    }
    stream.channels().ifPresent(watch::channels);
    if (count == 0) {
      throw new Trouble.BadSound(name, "delivered no sound; is it still plugged in?");
    }
    return new Samples(Arrays.copyOf(samples, count), rate, stream.largestAmplitude());
  }
}
