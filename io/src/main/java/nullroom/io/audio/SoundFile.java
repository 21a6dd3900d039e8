package nullroom.io.audio;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import nullroom.core.Trouble;
import nullroom.core.signal.SampleSource;
import nullroom.core.signal.Samples;

/** An open sound file as a stream of samples. Close it. */
public final class SoundFile implements SampleSource, AutoCloseable {
  /** Rates beyond these are damage, not sound. */
  static final double LOWEST_RATE_HZ = 4_000;

  static final double HIGHEST_RATE_HZ = 768_000;
  static final int MOST_CHANNELS = 64;

  /** A sound that must be held in memory whole may be this long. */
  private static final int MOST_SECONDS_IN_MEMORY = 20 * 60;

  private static final int BLOCK_FRAMES = 1 << 15;

  private final String name;
  private final SampleFormat format;
  private final ByteReader bytes;
  private final byte[] buffer;
  private final List<String> warnings;
  private long frames;

  SoundFile(String name, SampleFormat format, ByteReader bytes, List<String> warnings) {
    this.name = name;
    this.format = format;
    this.bytes = bytes;
    this.buffer = new byte[BLOCK_FRAMES * format.frameBytes()];
    this.warnings = new ArrayList<>(warnings);
  }

  /** Where the sample bytes come from. */
  interface ByteReader extends AutoCloseable {
    /** Fills the buffer as far as the sound goes; returns bytes read, 0 at the end. */
    int read(byte[] buffer) throws IOException;

    @Override
    void close() throws IOException;
  }

  /**
   * Opens a file.
   *
   * @throws Trouble.BadFile with one sentence, if it is missing, unreadable, without samples, or no
   *     sound we can read
   */
  public static SoundFile open(Path file) {
    try {
      if (Files.isDirectory(file)) {
        throw new Trouble.BadFile(file.toString(), "is a folder, not a sound file");
      }
      String magic = magic(file);
      return switch (magic) {
        case "RIFF", "RF64", "BW64" -> WavReader.open(file);
        case "FORM" -> AiffReader.open(file);
        case "" -> throw new Trouble.BadFile(file.toString(), "is empty");
        default ->
            throw new Trouble.BadFile(
                file.toString(),
                "is no WAV or AIFF file (it starts with "
                    + printable(magic)
                    + "); convert it to WAV");
      };
    } catch (NoSuchFileException e) {
      throw new Trouble.BadFile(file.toString(), "does not exist");
    } catch (java.nio.file.AccessDeniedException e) {
      throw new Trouble.BadFile(file.toString(), "may not be read: its permissions forbid it");
    } catch (IOException e) {
      throw new Trouble.BadFile(file.toString(), "cannot be read: " + e.getMessage());
    }
  }

  private static String magic(Path file) throws IOException {
    try (FileChannel channel = FileChannel.open(file)) {
      ByteBuffer head = ByteBuffer.allocate(4);
      while (head.hasRemaining() && channel.read(head) >= 0) {}
      return new String(head.array(), 0, head.position(), StandardCharsets.ISO_8859_1);
    }
  }

  private static String printable(String magic) {
    boolean text = magic.chars().allMatch(c -> c >= ' ' && c < 127);
    return text ? "“" + magic + "”" : "bytes that are no text";
  }

  /** Reads one channel of a whole file, for analyses that need all of it. */
  public static Samples readChannel(Path file, int channel) {
    try (SoundFile sound = open(file)) {
      return sound.channel(channel);
    }
  }

  /** Reads what is left of one channel. */
  public Samples channel(int channel) {
    if (channel < 0 || channel >= channels()) {
      throw new Trouble.BadSound(
          name,
          "has " + channels() + " channel(s), counted from 0; there is no channel " + channel);
    }
    double[][] block = new double[channels()][BLOCK_FRAMES];
    double[] all = new double[BLOCK_FRAMES];
    int count = 0;
    int read;
    while ((read = read(block)) >= 0) {
      if (count + read > MOST_SECONDS_IN_MEMORY * sampleRateHz()) {
        throw new Trouble.BadSound(name, "is longer than 20 minutes; cut out the part to measure");
      }
      if (count + read > all.length) {
        all = java.util.Arrays.copyOf(all, Math.max(count + read, all.length * 2));
      }
      System.arraycopy(block[channel], 0, all, count, read);
      count += read;
    }
    return new Samples(java.util.Arrays.copyOf(all, count), sampleRateHz());
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

  /** Bits of a sample as stored. */
  public int bitDepth() {
    return format.validBits();
  }

  /**
   * Sentences on damage that did not keep the file from being read; complete once the end was
   * reached.
   */
  public List<String> warnings() {
    return List.copyOf(warnings);
  }

  @Override
  public int read(double[][] block) {
    int want = Math.min(block[0].length, BLOCK_FRAMES) * format.frameBytes();
    try {
      byte[] target = want == buffer.length ? buffer : new byte[want];
      int got = bytes.read(target);
      int count = got / format.frameBytes();
      if (count == 0) {
        if (frames == 0) {
          throw new Trouble.BadFile(name, "has a header but no samples");
        }
        return -1;
      }
      format.decode(target, count, block);
      check(block, count);
      frames += count;
      return count;
    } catch (IOException e) {
      throw new Trouble.BadFile(name, "cannot be read on: " + e.getMessage());
    }
  }

  private void check(double[][] block, int count) {
    for (double[] channel : block) {
      for (int i = 0; i < count; i++) {
        if (!(Math.abs(channel[i]) <= 1e6)) {
          throw new Trouble.BadFile(
              name,
              String.format(
                  java.util.Locale.ROOT,
                  "holds samples that are no sound (not a number, or beyond a million times full scale) at %.3f s",
                  (frames + i) / sampleRateHz()));
        }
      }
    }
  }

  @Override
  public void close() {
    try {
      bytes.close();
    } catch (IOException e) {
      throw new Trouble.BadFile(name, "cannot be closed: " + e.getMessage());
    }
  }
}
