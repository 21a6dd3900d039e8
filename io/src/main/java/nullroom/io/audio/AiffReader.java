package nullroom.io.audio;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.UnsupportedAudioFileException;
import nullroom.core.Trouble;

/** AIFF and AIFF-C with plain samples, through javax.sound.sampled. */
final class AiffReader {
  private static final Set<AudioFormat.Encoding> PLAIN =
      Set.of(
          AudioFormat.Encoding.PCM_SIGNED,
          AudioFormat.Encoding.PCM_UNSIGNED,
          AudioFormat.Encoding.PCM_FLOAT);

  private AiffReader() {}

  static SoundStream open(Path file) throws IOException {
    AudioInputStream stream;
    try {
      stream = AudioSystem.getAudioInputStream(file.toFile());
    } catch (UnsupportedAudioFileException e) {
      throw new UnknownCoding("AIFF that is not plain");
    }
    AudioFormat f = stream.getFormat();
    if (!PLAIN.contains(f.getEncoding())) {
      stream.close();
      throw new UnknownCoding("AIFF " + f.getEncoding());
    }
    if (f.getChannels() < 1
        || f.getChannels() > SoundFile.MOST_CHANNELS
        || !(f.getSampleRate() >= SoundFile.LOWEST_RATE_HZ
            && f.getSampleRate() <= SoundFile.HIGHEST_RATE_HZ)) {
      stream.close();
      throw new Trouble.BadFile(
          file.toString(), "claims a sampling rate or channel count that is no recording");
    }
    SampleFormat format =
        new SampleFormat(
            f.getSampleRate(),
            f.getChannels(),
            (f.getSampleSizeInBits() + 7) / 8 * 8,
            f.getSampleSizeInBits(),
            kind(f));
    return new PcmStream(
        format,
        new PcmStream.ByteReader() {
          @Override
          public int read(byte[] buffer, int count) throws IOException {
            return stream.readNBytes(buffer, 0, count);
          }

          @Override
          public void close() throws IOException {
            stream.close();
          }
        },
        stream.getFrameLength(),
        "",
        List.of());
  }

  private static SampleFormat.Kind kind(AudioFormat f) {
    if (f.getEncoding().equals(AudioFormat.Encoding.PCM_FLOAT)) {
      return f.isBigEndian() ? SampleFormat.Kind.FLOAT_BIG : SampleFormat.Kind.FLOAT_LITTLE;
    }
    if (f.getEncoding().equals(AudioFormat.Encoding.PCM_UNSIGNED)) {
      return SampleFormat.Kind.UNSIGNED;
    }
    return f.isBigEndian() ? SampleFormat.Kind.SIGNED_BIG : SampleFormat.Kind.SIGNED_LITTLE;
  }
}
