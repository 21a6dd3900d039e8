package nullroom.io.device;

import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.TargetDataLine;

/** A line of javax.sound.sampled, 16 bit; the first of its channels is heard. */
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
    int frame = format.getFrameSize();
    if (bytes.length != frame * block.length) {
      bytes = new byte[frame * block.length];
    }
    if (line.available() >= line.getBufferSize()) {
      dropped++; // a full buffer has most likely run over
    }
    int got = line.isOpen() ? line.read(bytes, 0, bytes.length) : 0;
    if (got <= 0) {
      return -1;
    }
    int count = got / frame;
    for (int i = 0; i < count; i++) {
      block[i] = (short) ((bytes[frame * i] & 0xff) | bytes[frame * i + 1] << 8) / 32768.0;
    }
    return count;
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
