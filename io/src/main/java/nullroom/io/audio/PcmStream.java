package nullroom.io.audio;

import java.io.IOException;
import java.util.List;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import nullroom.core.measure.take.WrittenAs;

/** Plain samples from bytes. */
final class PcmStream implements SoundStream {
  private static final int MOST_FRAMES = 1 << 15;

  private final SampleFormat format;
  private final ByteReader bytes;
  private final long frames;
  private final String started;
  private final List<String> warnings;
  private final byte[] buffer;

  PcmStream(
      SampleFormat format, ByteReader bytes, long frames, String started, List<String> warnings) {
    this.format = format;
    this.started = started;
    this.bytes = bytes;
    this.frames = frames;
    this.warnings = List.copyOf(warnings);
    buffer = new byte[MOST_FRAMES * format.frameBytes()];
  }

  /** Where the sample bytes come from. */
  interface ByteReader extends AutoCloseable {
    /** Reads up to {@code count} bytes, less only at the end; 0 there. */
    int read(byte[] buffer, int count) throws IOException;

    @Override
    void close() throws IOException;
  }

  @Override
  public WrittenAs writtenAs() {
    return WrittenAs.plain(format.validBits(), format.sampleRateHz(), started);
  }

  @Override
  public double sampleRateHz() {
    return format.sampleRateHz();
  }

  @Override
  public int channels() {
    return format.channels();
  }

  @Override
  public double largestAmplitude() {
    return format.largestAmplitude();
  }

  @Override
  public OptionalInt bitDepth() {
    return OptionalInt.of(format.validBits());
  }

  @Override
  public OptionalDouble seconds() {
    return OptionalDouble.of(frames / format.sampleRateHz());
  }

  @Override
  public int read(double[][] block) throws IOException {
    int want = Math.min(block[0].length, MOST_FRAMES) * format.frameBytes();
    int count = bytes.read(buffer, want) / format.frameBytes();
    format.decode(buffer, count, block);
    return count;
  }

  @Override
  public List<String> warnings() {
    return warnings;
  }

  @Override
  public void close() throws IOException {
    bytes.close();
  }
}
