package nullroom.app;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Path;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;

/** Sounds to test with. */
public final class TestSounds {
  private TestSounds() {}

  /** Two channels of 48 kHz in a float WAV, by the JDK's own writer. */
  public static Path stereo(Path file, double[] left, double[] right) {
    ByteBuffer bytes = ByteBuffer.allocate(8 * left.length).order(ByteOrder.LITTLE_ENDIAN);
    for (int i = 0; i < left.length; i++) {
      bytes.putFloat((float) left[i]).putFloat((float) right[i]);
    }
    AudioFormat format =
        new AudioFormat(AudioFormat.Encoding.PCM_FLOAT, 48_000, 32, 2, 8, 48_000, false);
    try (AudioInputStream in =
        new AudioInputStream(new ByteArrayInputStream(bytes.array()), format, left.length)) {
      AudioSystem.write(in, AudioFileFormat.Type.WAVE, file.toFile());
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return file;
  }
}
