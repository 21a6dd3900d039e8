package nullroom.io.audio;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Objects;
import nullroom.core.measure.take.WrittenAs;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What recorders write beside the sound, of the files that the decoders are tested with. */
class WrittenAsTest {
  @TempDir Path folder;

  private WrittenAs of(String name) throws IOException {
    Path file = folder.resolve(name);
    try (InputStream in = WrittenAsTest.class.getResourceAsStream(name)) {
      Files.copy(Objects.requireNonNull(in), file, StandardCopyOption.REPLACE_EXISTING);
    }
    try (SoundFile sound = SoundFile.open(file)) {
      return sound.writtenAs();
    }
  }

  @Test
  @DisplayName("coder, bit rate and rates are read; a low bit rate is said with what to change")
  void coders() throws IOException {
    WrittenAs mp3 = of("layer3.mp3");
    assertThat(mp3.coder()).isEqualTo("MP3");
    assertThat(mp3.bitRate().orElseThrow()).isBetween(32_000.0, 320_000.0);
    assertThat(of("phone.m4a").coder()).isEqualTo("AAC");
    assertThat(of("opus.opus").coder()).isEqualTo("Opus");
    assertThat(of("reading.flac").bitRate()).as("nothing is lost").isEmpty();
    assertThat(of("reading.flac").faults(1, false))
        .as("its rate alone")
        .singleElement()
        .asString()
        .contains("Sampled 16000 times");
    WrittenAs low =
        new WrittenAs(
            "MP3", java.util.OptionalDouble.of(128_000), java.util.OptionalInt.empty(), 44_100, "");
    assertThat(low.faults(1, false))
        .singleElement()
        .asString()
        .startsWith("Recorded as 128 kbit/s MP3: change it on the recorder");
  }

  @Test
  @DisplayName("start time, bits and rate of a broadcast WAV; one microphone on two channels")
  void plain() throws IOException {
    byte[] bext = new byte[602];
    byte[] when = "2026-05-0607:08:09".getBytes(StandardCharsets.US_ASCII);
    System.arraycopy(when, 0, bext, 320, when.length);
    int frames = 4000;
    ByteBuffer file =
        ByteBuffer.allocate(12 + 8 + bext.length + 24 + 8 + frames).order(ByteOrder.LITTLE_ENDIAN);
    file.put("RIFF".getBytes(StandardCharsets.US_ASCII)).putInt(file.capacity() - 8);
    file.put("WAVEbext".getBytes(StandardCharsets.US_ASCII)).putInt(bext.length).put(bext);
    file.put("fmt ".getBytes(StandardCharsets.US_ASCII)).putInt(16);
    file.putShort((short) 1).putShort((short) 1).putInt(16_000).putInt(16_000);
    file.putShort((short) 1).putShort((short) 8);
    file.put("data".getBytes(StandardCharsets.US_ASCII)).putInt(frames);
    Path wav = folder.resolve("field.wav");
    Files.write(wav, file.array());
    try (SoundFile sound = SoundFile.open(wav)) {
      WrittenAs written = sound.writtenAs();
      assertThat(written.started()).isEqualTo("2026-05-06T07:08:09");
      assertThat(written.faults(2, true))
          .hasSize(3)
          .anyMatch(f -> f.contains("nothing over 8000 Hz"))
          .anyMatch(f -> f.contains("Only 8 bits"))
          .anyMatch(f -> f.contains("Both channels are the same"));
    }
  }
}
