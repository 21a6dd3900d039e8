package nullroom.app.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.Arrays;
import org.junit.jupiter.api.Assumptions;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/** Every measurement against every kind of file that is none: one sentence, exit code 1. */
class BadInputTest {
  private static final String[] KINDS = {"noise", "decay", "level"};

  @TempDir Path folder;
  private byte[] good;

  @BeforeEach
  void aGoodFile() throws IOException {
    good = Files.readAllBytes(Run.sine(folder.resolve("good.wav"), 440, 0.3, 48_000, 1));
  }

  private void refused(Path file, String words) {
    for (String kind : KINDS) {
      Run.of("measure", kind, file).isRefusedWith(file.getFileName().toString(), words);
      Run.of("measure", kind, file, "--json").isRefusedWith(words);
    }
  }

  @Test
  void missing() {
    refused(folder.resolve("nowhere.wav"), "does not exist");
  }

  @Test
  void empty() throws IOException {
    refused(Files.write(folder.resolve("empty.wav"), new byte[0]), "is empty");
  }

  @Test
  void aFolder() throws IOException {
    refused(Files.createDirectory(folder.resolve("folder.wav")), "is a folder");
  }

  @Test
  void textRenamed() throws IOException {
    refused(
        Files.writeString(folder.resolve("text.wav"), "It was a quiet room.\n".repeat(200)),
        "no sound file that can be read");
  }

  @Test
  void headerOnly() throws IOException {
    int header = indexOfData() + 8;
    refused(Files.write(folder.resolve("header.wav"), Arrays.copyOf(good, header)), "no samples");
  }

  @ParameterizedTest
  @ValueSource(ints = {3, 11, 20, 30})
  void cutInsideTheHeader(int length) throws IOException {
    Path file = Files.write(folder.resolve("cut.wav"), Arrays.copyOf(good, length));
    for (String kind : KINDS) {
      Run.of("measure", kind, file).isRefusedWith("cut.wav");
    }
  }

  @Test
  void cutInsideTheSoundIsMeasuredAsFarAsItGoes() throws IOException {
    Path file = Files.write(folder.resolve("half.wav"), Arrays.copyOf(good, good.length / 2 + 1));
    JsonNode json = Run.json("measure", "level", file);
    assertThat(json.get("durationSeconds").asDouble()).isBetween(0.45, 0.55);
    assertThat(json.get("warnings").size()).isGreaterThan(1);
  }

  @ParameterizedTest
  @CsvSource({"24,0,0 samples", "24,7,7 samples", "24,2000000000,2000000000 samples"})
  void absurdRates(int at, int rate, String words) throws IOException {
    byte[] bytes = good.clone();
    ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN).putInt(at, rate);
    refused(Files.write(folder.resolve("rate.wav"), bytes), words);
  }

  @ParameterizedTest
  @CsvSource({"0", "9999"})
  void absurdChannelCounts(int channels) throws IOException {
    byte[] bytes = good.clone();
    ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN).putShort(22, (short) channels);
    refused(Files.write(folder.resolve("channels.wav"), bytes), channels + " channels");
  }

  @ParameterizedTest
  @ValueSource(doubles = {Double.NaN, Double.POSITIVE_INFINITY, 1e9})
  void samplesThatAreNoSound(double value) {
    double[] x = new double[48_000];
    x[24_000] = value;
    refused(Run.write(folder.resolve("nan.wav"), x, 48_000), "0.500 s");
  }

  @Test
  void unreadable() throws IOException {
    Path file = Files.write(folder.resolve("secret.wav"), good);
    Files.setPosixFilePermissions(file, PosixFilePermissions.fromString("---------"));
    Assumptions.assumeFalse(Files.isReadable(file), "this user may read everything");
    refused(file, "secret.wav");
  }

  @Test
  void oneSampleAndZerosAreNoErrors() {
    for (String kind : KINDS) {
      for (int count : new int[] {1, 48_000}) {
        Path file = Run.write(folder.resolve("zeros.wav"), new double[count], 48_000);
        assertThat(Run.json("measure", kind, file).get("warnings").size()).isPositive();
      }
    }
  }

  @Test
  void nothingIsWrittenBesideABadFile() throws IOException {
    Path place = Files.createDirectory(folder.resolve("place"));
    Path file = Files.writeString(place.resolve("a.wav"), "no sound");
    refused(file, "a.wav");
    try (var files = Files.list(place)) {
      assertThat(files).containsExactly(file);
    }
    assertThat(file).hasContent("no sound");
  }

  @Test
  void badUsageIsTwo() {
    assertThat(Run.of("measure").code()).isEqualTo(2);
    assertThat(Run.of("measure", "taste", "x.wav").code()).isEqualTo(2);
    assertThat(Run.of("measure", "noise").code()).isEqualTo(2);
    assertThat(Run.of("measure", "noise", "x.wav", "--loud").code()).isEqualTo(2);
    assertThat(Run.of("predict").err()).contains("BOOK");
    assertThat(Run.of("--nonsense").code()).isEqualTo(2);
  }

  @ParameterizedTest
  @ValueSource(strings = {"measure", "simulate", "predict", "tour", "check", "open"})
  void everyCommandHelps(String command) {
    Run run = Run.of(command, "--help");
    assertThat(run.code()).isZero();
    assertThat(run.out()).contains("Usage: nullroom " + command);
    assertThat(Run.of("--version").out()).startsWith("nullroom ");
  }

  private int indexOfData() {
    for (int i = 12; ; i++) {
      if (good[i] == 'd' && good[i + 1] == 'a' && good[i + 2] == 't' && good[i + 3] == 'a') {
        return i;
      }
    }
  }
}
