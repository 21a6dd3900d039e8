package nullroom.io.audio;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;

/**
 * Writes a WAV file of any length block by block, 16 or 24 bits or 32-bit float; past 4 GiB it
 * becomes RF64 (EBU Tech 3306).
 */
final class WavStream implements SoundSink {
  private static final int HEADER_BYTES = 80;
  private static final int DS64_BYTES = 28;
  private static final long MOST_RIFF_BYTES = 0xFFFF_FFFFL;
  private static final int FLOAT_BITS = 32;

  private final NewFile file;
  private final Codes codes;
  private final RandomAccessFile out;
  private final int channels;
  private final double sampleRateHz;
  private final int bits;
  private ByteBuffer bytes = ByteBuffer.allocate(0);
  private long data;
  private boolean whole;

  /**
   * Begins a file.
   *
   * @param bits 16, 24 or 32 for float
   * @param codes of that word length; not asked in float
   */
  WavStream(Path target, double sampleRateHz, int channels, int bits, Codes codes) {
    file = new NewFile(target);
    this.channels = channels;
    this.sampleRateHz = sampleRateHz;
    this.bits = bits;
    this.codes = codes;
    try {
      out = new RandomAccessFile(file.part().toFile(), "rw");
      out.setLength(0);
      out.write(new byte[HEADER_BYTES]);
    } catch (IOException e) {
      throw file.cannot(e);
    }
  }

  @Override
  public void write(double[][] block, int count) {
    int size = count * channels * bits / 8;
    if (bytes.capacity() < size) {
      bytes = ByteBuffer.allocate(size).order(ByteOrder.LITTLE_ENDIAN);
    }
    bytes.clear();
    for (int i = 0; i < count; i++) {
      for (int c = 0; c < channels; c++) {
        put(block[c][i]);
      }
    }
    try {
      out.write(bytes.array(), 0, bytes.position());
    } catch (IOException e) {
      throw file.cannot(e);
    }
    data += bytes.position();
  }

  private void put(double sample) {
    if (bits == FLOAT_BITS) {
      bytes.putFloat((float) sample);
      return;
    }
    int code = codes.of(sample);
    bytes.put((byte) code).put((byte) (code >> 8));
    if (bits == 24) {
      bytes.put((byte) (code >> 16));
    }
  }

  @Override
  public void finish() {
    try {
      if ((data & 1) == 1) {
        out.write(0);
      }
      long riff = HEADER_BYTES - 8 + data + (data & 1);
      boolean large = riff > MOST_RIFF_BYTES;
      ByteBuffer head = ByteBuffer.allocate(HEADER_BYTES).order(ByteOrder.LITTLE_ENDIAN);
      head.put(ascii(large ? "RF64" : "RIFF")).putInt(large ? -1 : (int) riff).put(ascii("WAVE"));
      head.put(ascii(large ? "ds64" : "JUNK")).putInt(DS64_BYTES);
      head.putLong(large ? riff : 0).putLong(large ? data : 0);
      head.putLong(large ? data * 8 / bits / channels : 0).putInt(0);
      head.put(ascii("fmt ")).putInt(16);
      int frame = channels * bits / 8;
      int rate = (int) Math.round(sampleRateHz);
      head.putShort((short) (bits == FLOAT_BITS ? 3 : 1)).putShort((short) channels);
      head.putInt(rate).putInt(rate * frame).putShort((short) frame).putShort((short) bits);
      head.put(ascii("data")).putInt(large ? -1 : (int) data);
      out.seek(0);
      out.write(head.array());
      out.getFD().sync();
      whole = true;
    } catch (IOException e) {
      throw file.cannot(e);
    }
  }

  private static byte[] ascii(String text) {
    return text.getBytes(StandardCharsets.US_ASCII);
  }

  @Override
  public void close() {
    try {
      out.close();
    } catch (IOException e) {
      throw file.cannot(e);
    }
    file.close(whole);
  }
}
