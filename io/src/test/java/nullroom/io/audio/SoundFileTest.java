package nullroom.io.audio;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import nullroom.core.Trouble;
import nullroom.core.signal.Samples;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class SoundFileTest {
  @TempDir Path folder;

  private static final double[] WAVE = wave();

  private static double[] wave() {
    double[] x = new double[4800];
    for (int i = 0; i < x.length; i++) {
      x[i] = 0.8 * Math.sin(i * 0.07);
    }
    return x;
  }

  private Path good() {
    Path file = folder.resolve("good.wav");
    WavWriter.write24(file, new Samples(WAVE, 48_000));
    return file;
  }

  @ParameterizedTest
  @ValueSource(ints = {8, 16, 24, 32})
  void readsWhatThePlatformWrites(int bits) throws IOException {
    AudioFormat format = new AudioFormat(44_100, bits, 1, bits > 8, false);
    byte[] data = new byte[WAVE.length * bits / 8];
    for (int i = 0; i < WAVE.length; i++) {
      long code = Math.round(WAVE[i] * (Math.pow(2, bits - 1) - 1)) + (bits == 8 ? 128 : 0);
      for (int b = 0; b < bits / 8; b++) {
        data[i * bits / 8 + b] = (byte) (code >> (8 * b));
      }
    }
    for (AudioFileFormat.Type type :
        Arrays.asList(AudioFileFormat.Type.WAVE, AudioFileFormat.Type.AIFF)) {
      if (type == AudioFileFormat.Type.AIFF && bits == 8) {
        continue; // the platform refuses unsigned AIFF, and writes 32 bits by way of float
      }
      Path file = folder.resolve("x" + bits + "." + type.getExtension());
      AudioSystem.write(
          new AudioInputStream(new ByteArrayInputStream(data), format, WAVE.length),
          type,
          file.toFile());
      double[] read = SoundFile.readChannel(file, 0).toArray();
      assertThat(read).hasSize(WAVE.length);
      assertThat(read[100]).isCloseTo(WAVE[100], within(2 / Math.pow(2, Math.min(bits, 24) - 1)));
      assertThat(read[4000]).isCloseTo(WAVE[4000], within(2 / Math.pow(2, Math.min(bits, 24) - 1)));
    }
  }

  @ParameterizedTest
  @CsvSource({"0", "-1", "2000000000"})
  void readsOnWhereTheHeaderLostItsLength(int claimed) throws IOException {
    byte[] bytes = Files.readAllBytes(good());
    ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN).putInt(40, claimed);
    Path file = Files.write(folder.resolve("lost.wav"), bytes);
    try (SoundFile sound = SoundFile.open(file)) {
      assertThat(sound.channel(0).count()).isEqualTo(WAVE.length);
      assertThat(sound.warnings()).hasSize(1);
    }
  }

  @Test
  void readsRf64() throws IOException {
    byte[] wav = Files.readAllBytes(good());
    ByteBuffer out = ByteBuffer.allocate(wav.length + 36).order(ByteOrder.LITTLE_ENDIAN);
    out.put("RF64".getBytes("ASCII")).putInt(-1).put("WAVEds64".getBytes("ASCII")).putInt(28);
    out.putLong(wav.length + 28).putLong(WAVE.length * 3L).putLong(WAVE.length).putInt(0);
    out.put(wav, 12, 28).putInt(-1).put(wav, 44, wav.length - 44);
    Path file = Files.write(folder.resolve("long.wav"), out.array());
    try (SoundFile sound = SoundFile.open(file)) {
      assertThat(sound.channel(0).count()).isEqualTo(WAVE.length);
      assertThat(sound.warnings()).isEmpty();
    }
  }

  @Test
  void saysWhatIsWrongInOneSentence() throws IOException {
    byte[] bytes = Files.readAllBytes(good());
    refuses(folder.resolve("missing.wav"), "does not exist");
    refuses(Files.write(folder.resolve("empty.wav"), new byte[0]), "is empty");
    refuses(Files.writeString(folder.resolve("text.wav"), "dear diary"), "no sound file");
    refuses(Files.write(folder.resolve("head.wav"), Arrays.copyOf(bytes, 44)), "no samples");
    refuses(folder, "is a folder");
    byte[] channels = bytes.clone();
    ByteBuffer.wrap(channels).order(ByteOrder.LITTLE_ENDIAN).putShort(22, (short) 60_000);
    refuses(Files.write(folder.resolve("channels.wav"), channels), "60000 channels");
    byte[] rate = bytes.clone();
    ByteBuffer.wrap(rate).order(ByteOrder.LITTLE_ENDIAN).putInt(24, 3);
    refuses(Files.write(folder.resolve("rate.wav"), rate), "3 samples a second");
  }

  @Test
  void refusesSamplesThatAreNoNumbersAndSaysWhere() {
    double[] x = WAVE.clone();
    x[2400] = Double.NaN;
    Path file = folder.resolve("nan.wav");
    WavWriter.writeFloat(file, new Samples(x, 48_000));
    assertThatThrownBy(() -> SoundFile.readChannel(file, 0))
        .isInstanceOf(Trouble.BadFile.class)
        .hasMessageContaining("0.050 s");
  }

  private static void refuses(Path file, String sentence) {
    assertThatThrownBy(() -> SoundFile.readChannel(file, 0))
        .isInstanceOf(Trouble.class)
        .hasMessageContaining(sentence);
  }
}
