package nullroom.io.device;

import java.util.Arrays;
import nullroom.core.Progress;
import nullroom.core.Trouble;
import nullroom.core.signal.Samples;

/** Takes a stretch of a stream into memory. */
public final class Recording {
  private Recording() {}

  /**
   * Reads some seconds; where the device goes away before, what was heard until then.
   *
   * @param name of the device, for its trouble
   * @throws Trouble.BadSound if nothing was heard at all
   */
  public static Samples of(AudioStream stream, String name, double seconds, Progress progress) {
    double rate = stream.sampleRateHz();
    double[] samples = new double[(int) Math.round(seconds * rate)];
    double[] block = new double[(int) Math.round(AudioStream.BLOCK_SECONDS * rate)];
    int count = 0;
    int read;
    while (count < samples.length && (read = stream.read(block)) >= 0) {
      int kept = Math.min(read, samples.length - count);
      System.arraycopy(block, 0, samples, count, kept);
      count += kept;
      progress.step(count, samples.length);
    }
    if (count == 0) {
      throw new Trouble.BadSound(name, "delivered no sound; is it still plugged in?");
    }
    return new Samples(Arrays.copyOf(samples, count), rate);
  }
}
