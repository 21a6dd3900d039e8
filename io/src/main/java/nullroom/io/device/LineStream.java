package nullroom.io.device;

import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.TargetDataLine;

/** A line of javax.sound.sampled, 16 bit mono. */
final class LineStream implements AudioStream {
  private final TargetDataLine line;
  private final AudioFormat format;
  private byte[] bytes = new byte[0];
  private long dropped;

  /** A line that is open and started. */
  LineStream(TargetDataLine line, AudioFormat format) {
    this.line = line;
    this.format = format;
  }

  @Override
  public double sampleRateHz() {
    return format.getSampleRate();
  }

  @Override
  public double largestAmplitude() {
    return 1 - 0x1p-15;
  }

  @Override
  public int read(double[] block) {
    if (bytes.length != 2 * block.length) {
      bytes = new byte[2 * block.length];
    }
    if (line.available() >= line.getBufferSize()) {
      dropped++; // a full buffer has most likely run over
    }
    int got = line.isOpen() ? line.read(bytes, 0, bytes.length) : 0;
    if (got <= 0) {
      return -1;
    }
    for (int i = 0; i < got / 2; i++) {
      block[i] = (short) ((bytes[2 * i] & 0xff) | bytes[2 * i + 1] << 8) / 32768.0;
    }
    return got / 2;
  }

  @Override
  public long dropped() {
    return dropped;
  }

  @Override
  public void close() {
    line.close();
  }
}
