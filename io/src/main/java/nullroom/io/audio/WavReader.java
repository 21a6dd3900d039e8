package nullroom.io.audio;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import nullroom.core.Figures;
import nullroom.core.Trouble;

/**
 * RIFF, RF64 and BW64 by chunks (EBU Tech 3306, ITU-R BS.2088). Sizes in headers are believed only
 * as far as the file goes: recorders that lose power leave 0 or the largest number there.
 */
final class WavReader {
  private static final int PCM = 1;
  private static final int FLOAT = 3;
  private static final int EXTENSIBLE = 0xFFFE;
  private static final long UNKNOWN_SIZE = 0xFFFFFFFFL;
  private static final int HEAD = 8;
  private static final int BEXT_DATE = 320;
  private static final int BEXT_TIME = 330;
  private static final int BEXT_UNTIL = 338;

  private WavReader() {}

  static SoundStream open(Path file) throws IOException {
    FileChannel channel = FileChannel.open(file);
    try {
      return parse(file.toString(), channel);
    } catch (IOException | RuntimeException e) {
      channel.close();
      throw e;
    }
  }

  private static SoundStream parse(String name, FileChannel channel) throws IOException {
    long size = channel.size();
    List<String> warnings = new ArrayList<>();
    SampleFormat format = null;
    long wideDataSize = -1;
    String started = "";
    if (size < 12 || !text(bytes(channel, 8, 4), 0).equals("WAVE")) {
      throw new Trouble.BadFile(name, "starts like a WAV file but is none");
    }
    for (long at = 12; at + HEAD <= size; ) {
      ByteBuffer head = bytes(channel, at, HEAD);
      String id = text(head, 0);
      long length = head.getInt(4) & UNKNOWN_SIZE;
      long body = at + HEAD;
      if (id.equals("data")) {
        if (format == null) {
          throw new Trouble.BadFile(name, "has sound but no format chunk before it");
        }
        return data(
            name,
            channel,
            format,
            body,
            dataLength(length, wideDataSize, size - body, warnings),
            started,
            warnings);
      }
      if (id.equals("fmt ") && length >= 16) {
        format = format(name, bytes(channel, body, (int) Math.min(40, length)));
      } else if (id.equals("bext") && length >= BEXT_UNTIL) {
        started = began(bytes(channel, body, BEXT_UNTIL));
      } else if (id.equals("ds64") && length >= 24) {
        wideDataSize = bytes(channel, body, 24).getLong(8);
      }
      at = body + length + (length & 1);
    }
    throw new Trouble.BadFile(
        name, format == null ? "has no format chunk" : "has a header but no samples");
  }

  /** OriginationDate and OriginationTime of the broadcast extension (EBU Tech 3285). */
  private static String began(ByteBuffer bext) {
    String all = new String(bext.array(), StandardCharsets.ISO_8859_1);
    String date = all.substring(BEXT_DATE, BEXT_TIME);
    String time = all.substring(BEXT_TIME, BEXT_UNTIL);
    return date.matches("\\d{4}.\\d\\d.\\d\\d") && time.matches("\\d\\d.\\d\\d.\\d\\d")
        ? date.replaceAll("\\D", "-") + "T" + time.replaceAll("\\D", ":")
        : "";
  }

  private static long dataLength(long claimed, long wide, long there, List<String> warnings) {
    long length = claimed == UNKNOWN_SIZE && wide >= 0 ? wide : claimed;
    if ((length == 0 || length == UNKNOWN_SIZE) && there > 0) {
      warnings.add(
          "The header does not say how long the sound is (a recorder that lost power?); read to the end of the file.");
      return there;
    }
    if (length > there) {
      warnings.add(
          "The file is cut short: its header promises more sound than there is; measured as far as it goes.");
      return there;
    }
    return length;
  }

  private static SampleFormat format(String name, ByteBuffer fmt) throws UnknownCoding {
    int tag = fmt.getShort(0) & 0xFFFF;
    int channels = fmt.getShort(2) & 0xFFFF;
    double rate = fmt.getInt(4) & UNKNOWN_SIZE;
    int bits = fmt.getShort(14) & 0xFFFF;
    int block = fmt.getShort(12) & 0xFFFF;
    int valid = bits;
    if (tag == EXTENSIBLE && fmt.capacity() >= 26) {
      valid = fmt.getShort(18) & 0xFFFF;
      tag = fmt.getShort(24) & 0xFFFF;
    }
    if (channels < 1 || channels > SoundFile.MOST_CHANNELS) {
      throw new Trouble.BadFile(name, "claims " + channels + " channels; that is no recording");
    }
    if (rate < SoundFile.LOWEST_RATE_HZ || rate > SoundFile.HIGHEST_RATE_HZ) {
      throw new Trouble.BadFile(
          name, Figures.say("claims %.0f samples a second; that is no recording", rate));
    }
    if (bits % 8 != 0 && block % channels == 0) {
      bits = block / channels * 8; // such as 20 bits in three bytes, left-justified
    }
    boolean pcm = tag == PCM && (bits == 8 || bits == 16 || bits == 24 || bits == 32);
    boolean floating = tag == FLOAT && (bits == 32 || bits == 64);
    if (!pcm && !floating) {
      throw new UnknownCoding("WAV tag " + tag + " of " + bits + " bits");
    }
    if (valid < 1 || valid > bits) {
      valid = bits;
    }
    SampleFormat.Kind kind =
        floating
            ? SampleFormat.Kind.FLOAT_LITTLE
            : bits == 8 ? SampleFormat.Kind.UNSIGNED : SampleFormat.Kind.SIGNED_LITTLE;
    return new SampleFormat(rate, channels, bits, valid, kind);
  }

  private static SoundStream data(
      String name,
      FileChannel channel,
      SampleFormat format,
      long from,
      long length,
      String started,
      List<String> warnings) {
    if (length < format.frameBytes()) {
      throw new Trouble.BadFile(name, "has a header but no samples");
    }
    long end = from + length - length % format.frameBytes();
    return new PcmStream(
        format,
        new PcmStream.ByteReader() {
          private long at = from;

          @Override
          public int read(byte[] buffer, int count) throws IOException {
            ByteBuffer target = ByteBuffer.wrap(buffer, 0, (int) Math.min(count, end - at));
            while (target.hasRemaining()) {
              int got = channel.read(target, at);
              if (got < 0) {
                break;
              }
              at += got;
            }
            return target.position();
          }

          @Override
          public void close() throws IOException {
            channel.close();
          }
        },
        (end - from) / format.frameBytes(),
        started,
        warnings);
  }

  private static ByteBuffer bytes(FileChannel channel, long at, int count) throws IOException {
    ByteBuffer bytes = ByteBuffer.allocate(count).order(ByteOrder.LITTLE_ENDIAN);
    while (bytes.hasRemaining() && channel.read(bytes, at + bytes.position()) >= 0) {}
    return bytes;
  }

  private static String text(ByteBuffer bytes, int at) {
    return new String(bytes.array(), at, 4, StandardCharsets.ISO_8859_1);
  }
}
