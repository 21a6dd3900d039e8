package nullroom.app.shell;

import java.util.Arrays;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import nullroom.io.device.AudioStream;

/** What a running {@link Live} hears, as a stream for whoever records from it. */
final class TapStream implements AudioStream, Live.Tap {
  private static final double[] END = new double[0];

  private final Live live;
  private final double sampleRateHz;
  private final BlockingQueue<double[]> blocks = new LinkedBlockingQueue<>();

  TapStream(Live live, double sampleRateHz) {
    this.live = live;
    this.sampleRateHz = sampleRateHz;
    live.tap(this);
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
    return sampleRateHz;
  }

  @Override
  public double largestAmplitude() {
    return 1;
  }

  @Override
  public int read(double[] block) {
    try {
      double[] next = blocks.take();
      if (next.length == 0) {
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
