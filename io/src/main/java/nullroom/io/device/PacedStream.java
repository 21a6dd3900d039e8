package nullroom.io.device;

import java.util.function.LongSupplier;

/**
 * Samples that come at the pace of a real input, from a stretch that repeats without a seam. Like a
 * real one it loses what nobody reads within its buffer.
 */
final class PacedStream implements AudioStream {
  /** As long as that of a real line. */
  /** The clock is asked again at least so often. */
  private static final long LONGEST_WAIT_MILLIS = 50;

  private static final double BUFFER_SECONDS = AudioStream.BUFFER_SECONDS;

  /** Of 24 bits. */
  static final double LARGEST = 1 - 0x1p-23;

  private final double[] loop;
  private final double sampleRateHz;
  private final double goneAfterSeconds;
  private final LongSupplier nanos;
  private final long begun;
  private final double speed;
  private long at;
  private long dropped;
  private boolean closed;

  /**
   * A stream.
   *
   * @param loop what repeats; not modified
   * @param goneAfterSeconds when the device is pulled out
   * @param speed times real time, 1 but for tests
   * @param nanos a clock that goes on by itself
   */
  PacedStream(
      double[] loop,
      double sampleRateHz,
      double goneAfterSeconds,
      double speed,
      LongSupplier nanos) {
    this.nanos = nanos;
    begun = nanos.getAsLong();
    this.loop = loop;
    this.sampleRateHz = sampleRateHz;
    this.goneAfterSeconds = goneAfterSeconds;
    this.speed = speed;
  }

  @Override
  public double sampleRateHz() {
    return sampleRateHz;
  }

  @Override
  public double largestAmplitude() {
    return LARGEST;
  }

  private double heardSamples() {
    return (nanos.getAsLong() - begun) * 1e-9 * speed * sampleRateHz;
  }

  @Override
  public int read(double[] block) {
    double late = heardSamples() - (at + block.length);
    if (late > BUFFER_SECONDS * sampleRateHz * Math.max(1, speed)) {
      long lost = (long) (late / block.length);
      dropped += lost;
      at += lost * block.length;
    }
    if (!waitFor(at + block.length)) {
      return -1;
    }
    if (closed || at >= goneAfterSeconds * sampleRateHz) {
      return -1;
    }
    for (int i = 0; i < block.length; i++, at++) {
      block[i] = loop[(int) (at % loop.length)];
    }
    return block.length;
  }

  /**
   * Waits until so many samples have come, or the stream is closed; false where nobody waits on.
   */
  private synchronized boolean waitFor(long samples) {
    try {
      while (!closed) {
        double missing = (samples - heardSamples()) / speed / sampleRateHz;
        if (missing <= 0) {
          break;
        }
        wait(Math.clamp((long) Math.ceil(1000 * missing), 1, LONGEST_WAIT_MILLIS));
      }
      return true;
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      return false;
    }
  }

  @Override
  public long dropped() {
    return dropped;
  }

  @Override
  public synchronized void close() {
    closed = true;
    notifyAll();
  }
}
