package nullroom.io.audio;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import nullroom.core.Figures;
import nullroom.core.Trouble;
import nullroom.core.measure.take.WrittenAs;
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

  /** How files begin whose first bytes are letters; the others begin with bytes that are none. */
  private static final Set<String> COMPRESSED = Set.of("fLaC", "OggS", "caff", "riff");

  private final String name;
  private final SoundStream stream;
  private long frames;

  private SoundFile(String name, SoundStream stream) {
    this.name = name;
    this.stream = stream;
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
      return new SoundFile(file.toString(), stream(file, magic(file)));
    } catch (LinkageError e) {
      throw new Trouble.BadFile(
          file.toString(),
          "needs a decoder that cannot be loaded on this computer; convert it to WAV or AIFF");
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

  private static SoundStream stream(Path file, String magic) throws IOException {
    try {
      return switch (magic) {
        case "RIFF", "RF64", "BW64" -> WavReader.open(file);
        case "FORM" -> AiffReader.open(file);
        case "" -> throw new Trouble.BadFile(file.toString(), "is empty");
        default -> {
          if (isText(magic) && !COMPRESSED.contains(magic)) {
            throw new Trouble.BadFile(
                file.toString(),
                "is no sound file that can be read (it starts with “" + magic + "”)");
          }
          yield CompressedStream.open(file);
        }
      };
    } catch (UnknownCoding e) {
      return CompressedStream.open(file);
    }
  }

  /** Text is refused without waking a decoder. */
  private static boolean isText(String magic) {
    return magic.chars().allMatch(c -> c >= ' ' && c < 127 || c == '\n' || c == '\r' || c == '\t');
  }

  /** Reads one channel of a whole file, for analyses that need all of it. */
  public static Samples readChannel(Path file, int channel) {
    try (SoundFile sound = open(file)) {
      return sound.channel(channel);
    }
  }

  /**
   * A stretch of one channel of a file of any length.
   *
   * @param from seconds
   * @param seconds at most; shorter where the file ends before
   */
  public static Samples readStretch(Path file, int channel, double from, double seconds) {
    try (SoundFile sound = open(file)) {
      double rate = sound.sampleRateHz();
      double[] kept = new double[(int) Math.round(seconds * rate)];
      double[][] block = new double[sound.channels()][BLOCK_FRAMES];
      long at = -Math.round(from * rate);
      int read;
      while (at < kept.length && (read = sound.read(block)) >= 0) {
        for (int i = 0; i < read; i++, at++) {
          if (at >= 0 && at < kept.length) {
            kept[(int) at] = block[channel][i];
          }
        }
      }
      double[] there = Arrays.copyOf(kept, (int) Math.clamp(at, 0, kept.length));
      return new Samples(there, rate, sound.largestAmplitude());
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
        all = Arrays.copyOf(all, Math.max(count + read, all.length * 2));
      }
      System.arraycopy(block[channel], 0, all, count, read);
      count += read;
    }
    return new Samples(Arrays.copyOf(all, count), sampleRateHz(), largestAmplitude());
  }

  @Override
  public double sampleRateHz() {
    return stream.sampleRateHz();
  }

  @Override
  public int channels() {
    return stream.channels();
  }

  @Override
  public double largestAmplitude() {
    return stream.largestAmplitude();
  }

  /** Bits of a sample, where the format keeps samples exactly; lossy ones have none. */
  public OptionalInt bitDepth() {
    return stream.bitDepth();
  }

  /** How long it says that it is, seconds; empty where only reading it tells. */
  public OptionalDouble seconds() {
    return stream.seconds();
  }

  /** What the recorder wrote beside the sound. */
  public WrittenAs writtenAs() {
    return stream.writtenAs();
  }

  /**
   * Sentences on damage that did not keep the file from being read; complete once the end was
   * reached.
   */
  public List<String> warnings() {
    return stream.warnings();
  }

  @Override
  public int read(double[][] block) {
    try {
      int count = stream.read(block);
      if (count == 0) {
        if (frames == 0) {
          throw new Trouble.BadFile(name, "has a header but no samples");
        }
        return -1;
      }
      check(block, count);
      frames += count;
      return count;
    } catch (IOException e) {
      throw new Trouble.BadFile(name, "cannot be read on: it " + e.getMessage());
    }
  }

  private void check(double[][] block, int count) {
    if (stream.largestAmplitude() < 1) { // whole numbers, which cannot be wrong
      return;
    }
    for (double[] channel : block) {
      for (int i = 0; i < count; i++) {
        if (!(Math.abs(channel[i]) <= 1e6)) {
          throw new Trouble.BadFile(
              name,
              Figures.say(
                  "holds samples that are no sound (not a number, or beyond a million times full scale) at %.3f s",
                  (frames + i) / sampleRateHz()));
        }
      }
    }
  }

  @Override
  public void close() {
    try {
      stream.close();
    } catch (IOException e) {
      throw new Trouble.BadFile(name, "cannot be closed: " + e.getMessage());
    }
  }
}
