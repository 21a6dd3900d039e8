package nullroom.io.device;

import java.util.Optional;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.TargetDataLine;
import nullroom.core.measure.take.ChannelPair;

/** A line of javax.sound.sampled, 16 bit; the first of its channels is heard. */
final class LineStream implements AudioStream {
  private final TargetDataLine line;
  private final AudioFormat format;
  private final ChannelPair pair = new ChannelPair();
  private double[] second = new double[0];
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
    decode(block, 0, count);
    if (format.getChannels() > 1) {
      if (second.length < count) {
        second = new double[count];
      }
      decode(second, 1, count);
      pair.add(block, second, count);
    }
    return count;
  }

  private void decode(double[] samples, int channel, int count) {
    int frame = format.getFrameSize();
    for (int i = 0; i < count; i++) {
      int at = frame * i + 2 * channel;
      samples[i] = (short) ((bytes[at] & 0xff) | bytes[at + 1] << 8) / 32768.0;
    }
  }

  @Override
  public Optional<ChannelPair> channels() {
    return format.getChannels() > 1 ? Optional.of(pair) : Optional.empty();
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
