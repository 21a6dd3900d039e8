package nullroom.io.audio;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.util.Arrays;
import java.util.OptionalDouble;
import java.util.Random;
import nullroom.core.Progress;
import nullroom.core.Trouble;
import nullroom.core.book.Brief;
import nullroom.core.measure.take.TakeChannel;
import nullroom.core.measure.take.TakeMeter;
import nullroom.core.plan.Delivery;
import nullroom.core.signal.Samples;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class TakeExportTest {
  private static final double RATE = 48_000;
  private static final double END = Double.POSITIVE_INFINITY;

  @TempDir Path folder;

  private Path take(int bits, double level) {
    Random random = new Random(6);
    double[][] x = new double[2][(int) (3 * RATE)];
    for (int i = 0; i < x[0].length; i++) {
      x[0][i] = level * Math.sin(2 * Math.PI * 440 * i / RATE);
      x[1][i] = 0.2 * level * random.nextGaussian();
    }
    Path file = folder.resolve("take" + bits + ".wav");
    try (WavStream out = new WavStream(file, RATE, 2, bits, new Codes(bits, false, 1))) {
      out.write(x, x[0].length);
      out.finish();
    }
    return file;
  }

  private static double[] read(Path file, int channel) {
    return SoundFile.readChannel(file, channel).toArray();
  }

  private static TakeChannel measure(Path file) {
    try (SoundFile sound = SoundFile.open(file)) {
      return TakeMeter.measure(sound, Progress.NONE).channels().getFirst();
    }
  }

  @ParameterizedTest
  @ValueSource(ints = {16, 24, 32})
  @DisplayName("at 0 dB and the same word length every sample stays, and the original too")
  void bitExact(int bits) throws Exception {
    Path source = take(bits, 0.4);
    byte[] before = Files.readAllBytes(source);
    Path target = folder.resolve("out.wav");
    long cut = new TakeExport(0, END, 0, bits).write(source, target, Progress.NONE);
    assertThat(cut).isZero();
    for (int c = 0; c < 2; c++) {
      assertThat(read(target, c)).isEqualTo(read(source, c));
    }
    assertThat(Files.readAllBytes(source)).isEqualTo(before);
    assertThat(folder.toFile().list()).noneMatch(name -> name.endsWith(".part"));
  }

  /** FLAC keeps a digest of the samples as they were before coding (RFC 9639, section 8.2). */
  private static byte[] digest(Path flac) throws Exception {
    return Arrays.copyOfRange(Files.readAllBytes(flac), 26, 42);
  }

  @ParameterizedTest
  @ValueSource(ints = {16, 24})
  @DisplayName("as FLAC too, whose own digest is that of the take's samples")
  void bitExactFlac(int bits) throws Exception {
    Path source = take(bits, 0.4);
    Path target = folder.resolve("out.FLAC");
    new TakeExport(0, END, 0, bits).write(source, target, Progress.NONE);
    double[][] was = {read(source, 0), read(source, 1)};
    for (int c = 0; c < 2; c++) {
      assertThat(read(target, c)).isEqualTo(was[c]);
    }
    MessageDigest md5 = MessageDigest.getInstance("MD5");
    for (int i = 0; i < was[0].length; i++) {
      for (double[] channel : was) {
        int code = (int) Math.rint(Math.scalb(channel[i], bits - 1));
        for (int shift = 0; shift < bits; shift += 8) {
          md5.update((byte) (code >> shift));
        }
      }
    }
    assertThat(digest(target)).isEqualTo(md5.digest());
    assertThat(Files.size(target)).isLessThan(Files.size(source));
    try (SoundFile sound = SoundFile.open(target)) {
      assertThat(sound.bitDepth()).hasValue(bits);
    }
    assertThatThrownBy(() -> new TakeExport(0, END, 0, 32).write(source, target, Progress.NONE))
        .hasMessageContaining("16 or 24 bits");
    Path nowhere = folder.resolve("no such folder").resolve("out.flac");
    assertThatThrownBy(() -> new TakeExport(0, END, 0, 24).write(source, nowhere, Progress.NONE))
        .isInstanceOfSatisfying(
            Trouble.class, t -> assertThat(t.line()).contains("the folder takes no new file"));
    assertThat(folder.toFile().list()).noneMatch(name -> name.endsWith(".part"));
  }

  @ParameterizedTest
  @CsvSource({"44100, wav", "96000, flac"})
  @DisplayName("at another rate: as long, the same tone, and nothing folded back")
  void anotherRate(double rate, String format) {
    Path source = take(32, 0.4);
    Path target = folder.resolve("rate." + format);
    new TakeExport(0, END, 0, 24, OptionalDouble.of(rate)).write(source, target, Progress.NONE);
    double[] is = read(target, 0);
    assertThat(is.length).isCloseTo((int) (3 * rate), within(2));
    double worst = 0;
    for (int i = 2000; i < is.length - 2000; i++) {
      double truth = 0.4 * Math.sin(2 * Math.PI * 440 * i / rate);
      worst = Math.max(worst, Math.abs(is[i] - truth));
    }
    assertThat(20 * Math.log10(worst)).isLessThan(-100);
    double[] high = new double[(int) RATE];
    for (int i = 0; i < high.length; i++) {
      high[i] = 0.5 * Math.sin(2 * Math.PI * 23_000 * i / RATE);
    }
    Path treble = folder.resolve("treble.wav");
    WavWriter.writeFloat(treble, new Samples(high, RATE));
    new TakeExport(0, END, 0, 32, OptionalDouble.of(44_100))
        .write(treble, target.resolveSibling("folded.wav"), Progress.NONE);
    double[] folded = read(folder.resolve("folded.wav"), 0);
    assertThat(Arrays.stream(folded, 2000, folded.length - 2000).map(Math::abs).max().orElseThrow())
        .as("but for where the tone begins and ends")
        .isLessThan(1e-4);
  }

  @Test
  @DisplayName("trimmed to the sample, and louder by the gain")
  void trimAndGain() {
    Path source = take(32, 0.1);
    Path target = folder.resolve("louder.wav");
    new TakeExport(0.5, 2.25, 6, 32).write(source, target, Progress.NONE);
    double[] was = read(source, 0);
    double[] is = read(target, 0);
    assertThat(is).hasSize((int) (1.75 * RATE));
    for (int i = 0; i < is.length; i += 97) {
      assertThat(is[i]).isCloseTo(was[i + (int) (0.5 * RATE)] * Math.pow(10, 0.3), within(1e-6));
    }
  }

  @Test
  @DisplayName("fewer bits are dithered: the error is noise at -93.3 dBFS, and no whistle")
  void dither() {
    Path source = take(32, 0.3);
    Path target = folder.resolve("short.wav");
    new TakeExport(0, END, 0, 16).write(source, target, Progress.NONE);
    double[] was = read(source, 0);
    double[] is = read(target, 0);
    double squares = 0;
    double along = 0;
    for (int i = 0; i < is.length; i++) {
      double error = is[i] - was[i];
      squares += error * error;
      along += error * was[i];
    }
    // triangular dither and rounding: step^2 / 4, by AES17 -93.32 dBFS for 16 bits
    assertThat(10 * Math.log10(2 * squares / is.length)).isCloseTo(-93.32, within(0.1));
    assertThat(Math.abs(along) / is.length).isLessThan(1e-7);
    Path again = folder.resolve("again.wav");
    new TakeExport(0, END, 0, 16).write(source, again, Progress.NONE);
    assertThat(read(again, 0)).as("the same dither each time").isEqualTo(is);
  }

  @Test
  @DisplayName("brought to a brief it meets it, and peaks that are in the way are said")
  void delivered() {
    Path source = take(24, 0.1);
    Brief brief = Brief.find("podcast-16").orElseThrow();
    Delivery delivery;
    try (SoundFile sound = SoundFile.open(source)) {
      delivery = Delivery.of(TakeMeter.measure(sound, Progress.NONE), brief).orElseThrow();
    }
    assertThat(delivery.shortLu()).isZero();
    assertThat(delivery.words()).contains("would come to");
    Path target = folder.resolve("delivered.wav");
    new TakeExport(0, END, delivery.gainDb(), 24).write(source, target, Progress.NONE);
    try (SoundFile sound = SoundFile.open(target)) {
      assertThat(TakeMeter.measure(sound, Progress.NONE).loudness().integratedLufs().orElseThrow())
          .isCloseTo(-16, within(0.05));
    }
    assertThat(20 * Math.log10(measure(target).truePeak()))
        .isCloseTo(delivery.peakDb(), within(0.3));
    double[] spiky = new double[(int) (5 * RATE)];
    for (int i = 0; i < spiky.length; i++) {
      spiky[i] = i % 4800 == 0 ? 0.5 : 0.01 * Math.sin(i * 0.1);
    }
    Path hard = folder.resolve("spiky.wav");
    WavWriter.writeFloat(hard, new Samples(spiky, RATE));
    try (SoundFile sound = SoundFile.open(hard)) {
      Delivery held = Delivery.of(TakeMeter.measure(sound, Progress.NONE), brief).orElseThrow();
      assertThat(held.peakDb()).isCloseTo(-1, within(1e-9));
      assertThat(held.shortLu()).isPositive();
      assertThat(held.words()).contains("Tame the peaks");
    }
  }

  @Test
  @DisplayName("never onto itself, never nothing, and what passes full scale is counted")
  void refused() {
    Path source = take(24, 0.6);
    assertThatThrownBy(() -> new TakeExport(0, END, 0, 24).write(source, source, Progress.NONE))
        .isInstanceOfSatisfying(
            Trouble.class, t -> assertThat(t.line()).contains("stays as it is"));
    Path target = folder.resolve("none.wav");
    assertThatThrownBy(() -> new TakeExport(9, END, 0, 24).write(source, target, Progress.NONE))
        .hasMessageContaining("nothing is left");
    assertThat(target).doesNotExist();
    assertThatThrownBy(() -> new TakeExport(2, 1, 0, 24)).hasMessageContaining("after");
    assertThatThrownBy(() -> new TakeExport(0, END, 0, 20)).hasMessageContaining("16, 24 or 32");
    assertThat(new TakeExport(0, END, 12, 24).write(source, target, Progress.NONE)).isPositive();
  }
}
