package nullroom.io.audio;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.URISyntaxException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Objects;
import java.util.Random;
import nullroom.core.Trouble;
import nullroom.core.signal.Fft;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvFileSource;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Files by outside encoders, against what outside decoders make of them. */
class CompressedSoundTest {
  @TempDir Path folder;

  private static Path file(String name) {
    try {
      return Path.of(Objects.requireNonNull(CompressedSoundTest.class.getResource(name)).toURI());
    } catch (URISyntaxException e) {
      throw new AssertionError(e);
    }
  }

  private static double[] decoded(Path file) {
    return SoundFile.readChannel(file, 0).toArray();
  }

  private static double rmsDbfs(double[] x) {
    return 10 * Math.log10(2 * Arrays.stream(x).map(v -> v * v).sum() / x.length);
  }

  @ParameterizedTest(name = "{0} as {1} decodes it")
  @CsvFileSource(resources = "decoders.csv", useHeadersInDisplayName = false, numLinesToSkip = 4)
  void asOutsideDecodersDo(
      String name,
      String decoder,
      double rate,
      int channels,
      int frames,
      double rms,
      double peak,
      int bits) {
    try (SoundFile sound = SoundFile.open(file(name))) {
      assertThat(sound.sampleRateHz()).isEqualTo(rate);
      assertThat(sound.channels()).isEqualTo(channels);
      assertThat(sound.bitDepth().orElse(0)).isEqualTo(bits);
    }
    double[] x = decoded(file(name));
    assertThat(x).hasSize(frames);
    assertThat(rmsDbfs(x)).isCloseTo(rms, within(0.1));
    double largest = Arrays.stream(x).map(Math::abs).max().orElseThrow();
    assertThat(20 * Math.log10(largest)).isCloseTo(peak, within(0.1));
  }

  @ParameterizedTest
  @ValueSource(strings = {"free-lossless.flac", "lossless.m4a"})
  void losslessIsExact(String name) {
    assertThat(decoded(file(name))).containsExactly(decoded(file("plain.wav")));
  }

  @ParameterizedTest
  @DisplayName("what an encoder put before the sound is gone: no lag against what went in")
  @CsvSource({"vorbis.ogg", "layer3.mp3", "phone.m4a", "high-efficiency.m4a", "film.mov"})
  void noLag(String name) {
    double[] reversed = decoded(file("plain.wav"));
    int n = reversed.length;
    for (int i = 0; i < n / 2; i++) {
      double first = reversed[i];
      reversed[i] = reversed[n - 1 - i];
      reversed[n - 1 - i] = first;
    }
    double[] correlation = Fft.convolve(decoded(file(name)), reversed);
    int best = 0;
    for (int i = 0; i < correlation.length; i++) {
      best = correlation[i] > correlation[best] ? i : best;
    }
    assertThat(best - (n - 1)).isBetween(-1, 1);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "free-lossless.flac",
        "vorbis.ogg",
        "opus.opus",
        "layer3.mp3",
        "phone.m4a",
        "film.mov"
      })
  void cutShortGivesWhatIsThereOrOneSentence(String name) throws IOException {
    byte[] whole = Files.readAllBytes(file(name));
    for (double share : new double[] {0.02, 0.3, 0.6, 0.9}) {
      Path cut = folder.resolve(share + name);
      Files.write(cut, Arrays.copyOf(whole, (int) (share * whole.length)));
      readOrRefuse(cut);
    }
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "free-lossless.flac",
        "vorbis.ogg",
        "opus.opus",
        "layer3.mp3",
        "phone.m4a",
        "high-efficiency.m4a",
        "film.mov",
        "adpcm.wav",
        "alaw.aif"
      })
  void damagedBytesNeverCrash(String name) throws IOException {
    byte[] whole = Files.readAllBytes(file(name));
    Random random = new Random(4);
    for (int round = 0; round < 60; round++) {
      byte[] bytes = whole.clone();
      for (int i = 0; i < 1 + round / 4; i++) {
        bytes[random.nextInt(bytes.length)] = (byte) random.nextInt();
      }
      readOrRefuse(Files.write(folder.resolve(round + name), bytes));
    }
  }

  private static void readOrRefuse(Path file) {
    try {
      assertThat(Arrays.stream(decoded(file)).boxed()).isNotEmpty().allMatch(Double::isFinite);
    } catch (Trouble e) {
      assertThat(e.line()).contains(String.valueOf(file.getFileName())).doesNotContain("null");
    }
  }

  @Test
  void aDamagedFrameOfLosslessSoundIsSaid() throws IOException {
    byte[] bytes = Files.readAllBytes(file("free-lossless.flac"));
    for (int i = 20_000; i < 20_040; i++) {
      bytes[i] ^= 0x55;
    }
    try (SoundFile sound = SoundFile.open(Files.write(folder.resolve("damaged.flac"), bytes))) {
      sound.channel(0);
      assertThat(sound.warnings()).anyMatch(w -> w.contains("damaged") || w.contains("missing"));
    }
  }

  @ParameterizedTest
  @ValueSource(strings = {"other-rate.mp3", "two-channels.mp3"})
  void aChangeMidwayIsReadUpToThere(String second) throws IOException {
    Path both = folder.resolve("both.mp3");
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    for (int i = 0; i < 12; i++) { // longer than what is looked at before the first sample
      bytes.write(Files.readAllBytes(file("layer3-untagged.mp3")));
    }
    bytes.write(Files.readAllBytes(file(second)));
    Files.write(both, bytes.toByteArray());
    try (SoundFile sound = SoundFile.open(both)) {
      double[] x = sound.channel(0).toArray();
      assertThat(sound.sampleRateHz()).isEqualTo(44_100);
      assertThat(x.length).isBetween(12 * 26_000, 12 * 29_000);
      assertThat(sound.warnings()).anyMatch(w -> w.contains("changes midway"));
    }
  }

  @Test
  void aFilmWithoutSoundIsRefused() throws IOException {
    Path picture = folder.resolve("picture.png");
    Files.write(picture, new byte[] {(byte) 0x89, 'P', 'N', 'G', 13, 10, 26, 10, 0, 0, 0, 13});
    assertThatThrownBy(() -> SoundFile.open(picture))
        .isInstanceOf(Trouble.BadFile.class)
        .hasMessageContaining("no sound file");
  }

  @Test
  void theCommentOnPrimingIsReadOnlyInItsForm() {
    Gapless told = Gapless.parse(" 00000000 00000800 000002AB 0000000000012555 00000000 00000000");
    assertThat(told).isEqualTo(new Gapless(2048, 75_093));
    assertThat(Gapless.parse("nothing of the kind")).isEqualTo(new Gapless(0, 0));
    assertThat(Gapless.parse(" 0 7FFFFFFF 0 10")).isEqualTo(new Gapless(0, 0));
  }
}
