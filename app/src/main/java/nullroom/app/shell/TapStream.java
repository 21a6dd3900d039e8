package nullroom.app.shell;

import java.util.Arrays;
import java.util.Optional;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import nullroom.io.device.AudioStream;

/** What a running {@link Live} hears, as a stream for whoever records from it. */
final class TapStream implements AudioStream, Live.Tap {
  private static final double[] END = new double[0];

  /** An input that is there gives a block a hundred times a second. */
  private static final long GONE_AFTER_SECONDS = 5;

  private final Live live;
  private final Live.Format format;
  private final BlockingQueue<double[]> blocks = new LinkedBlockingQueue<>();

  private TapStream(Live live, Live.Format format) {
    this.live = live;
    this.format = format;
    live.tap(this);
  }

  /** A tap on what is heard; empty while nothing is. */
  static Optional<AudioStream> on(Live live) {
    return live.format().map(format -> new TapStream(live, format));
  }

  @Override
  public void hear(double[] block, int count) {
    blocks.add(Arrays.copyOf(block, count));
  }

  @Override
  public void ended() {
    blocks.add(END);
  }

  @Override
  public double sampleRateHz() {
    return format.sampleRateHz();
  }

  @Override
  public double largestAmplitude() {
    return format.largestAmplitude();
  }

  @Override
  public int read(double[] block) {
    try {
      double[] next = blocks.poll(GONE_AFTER_SECONDS, TimeUnit.SECONDS);
      if (next == null || next.length == 0) {
        return -1;
      }
      int count = Math.min(next.length, block.length);
      System.arraycopy(next, 0, block, 0, count);
      return count;
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      return -1;
    }
  }

  @Override
  public long dropped() {
    return live.dropped();
  }

  @Override
  public void close() {
    live.untap(this);
  }
}
