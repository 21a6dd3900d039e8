package nullroom.io.device;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.lang.reflect.InvocationHandler;
import java.lang.reflect.Proxy;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CancellationException;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.TargetDataLine;
import nullroom.core.Progress;
import nullroom.core.Trouble;
import nullroom.core.measure.noise.NoiseMeter;
import nullroom.core.measure.take.ChannelPair;
import nullroom.core.measure.take.TakeChannel;
import nullroom.core.measure.take.TakeMeter;
import nullroom.core.signal.SampleSource;
import nullroom.core.signal.Samples;
import nullroom.io.audio.SoundFile;
import nullroom.io.audio.WavWriter;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class StreamTest {
  private static final double RATE = 48_000;
  private static final double[] LOOP = ramp(10_000);

  /** What the clock goes on by whenever it is looked at. */
  private static final long TICK = 1_000_000;

  private long now;

  private PacedStream stream(double goneAfterSeconds, double speed) {
    return new PacedStream(LOOP, RATE, goneAfterSeconds, speed, () -> now += TICK);
  }

  private static double[] ramp(int count) {
    double[] x = new double[count];
    for (int i = 0; i < count; i++) {
      x[i] = (i + 1.0) / count;
    }
    return x;
  }

  @Test
  void aRecordingIsTheStreamWithoutAGap() {
    try (AudioStream stream = stream(Double.POSITIVE_INFINITY, 50)) {
      Samples heard = Recording.of(stream, "test", 2, Progress.NONE);
      assertThat(heard.seconds()).isEqualTo(2);
      double[] x = heard.toArray();
      for (int i = 0; i < x.length; i++) {
        assertThat(x[i]).isEqualTo(LOOP[i % LOOP.length]);
      }
      assertThat(stream.dropped()).isZero();
    }
  }

  @Test
  void itComesAtItsPace() {
    try (AudioStream stream = stream(Double.POSITIVE_INFINITY, 1)) {
      double[] block = new double[480];
      for (int b = 1; b <= 30; b++) {
        assertThat(stream.read(block)).isEqualTo(480);
        assertThat(now).isBetween(b * 10_000_000L, b * 10_000_000L + 2 * TICK);
      }
    }
  }

  @Test
  void aDevicePulledOutGivesWhatWasHeard() {
    try (AudioStream stream = stream(0.7, 20)) {
      Samples heard = Recording.of(stream, "test", 2, Progress.NONE);
      assertThat(heard.seconds()).isCloseTo(0.7, within(0.011));
    }
    try (AudioStream stream = stream(0, 20)) {
      assertThatThrownBy(() -> Recording.of(stream, "the input", 2, Progress.NONE))
          .isInstanceOf(Trouble.BadSound.class)
          .hasMessageContaining("still plugged in");
    }
  }

  @Test
  void whatNobodyReadsInTimeIsCountedAsLost() {
    try (AudioStream stream = stream(Double.POSITIVE_INFINITY, 1)) {
      double[] block = new double[480];
      assertThat(stream.read(block)).isEqualTo(480);
      now += 1_900_000_000L; // within the buffer
      assertThat(stream.read(block)).isEqualTo(480);
      assertThat(stream.dropped()).isZero();
      now += 2_400_000_000L;
      assertThat(stream.read(block)).isEqualTo(480);
      assertThat(stream.dropped()).isGreaterThan(200);
    }
  }

  @Test
  void aRecordingCanBeStopped() {
    try (AudioStream stream = stream(Double.POSITIVE_INFINITY, 20)) {
      Progress cancel =
          (done, total) -> {
            throw new CancellationException();
          };
      assertThatThrownBy(() -> Recording.of(stream, "test", 5, cancel))
          .isInstanceOf(CancellationException.class);
    }
  }

  /** A line that gives a ramp of frames and is then unplugged. */
  private static TargetDataLine line(AudioFormat format, int frames, int[] read) {
    InvocationHandler acts =
        (proxy, method, arguments) ->
            switch (method.getName()) {
              case "available" -> 0;
              case "getBufferSize" -> 192_000;
              case "isOpen" -> read[0] < frames;
              case "read" -> fill((byte[]) arguments[0], format, frames, read);
              default -> null;
            };
    return (TargetDataLine)
        Proxy.newProxyInstance(
            StreamTest.class.getClassLoader(), new Class<?>[] {TargetDataLine.class}, acts);
  }

  private static int fill(byte[] bytes, AudioFormat format, int frames, int[] read) {
    int count = Math.min(bytes.length / format.getFrameSize(), frames - read[0]);
    ByteBuffer out = ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN);
    for (int i = 0; i < count; i++, read[0]++) {
      out.putShort((short) (read[0] - 500));
      for (int c = 1; c < format.getChannels(); c++) {
        out.putShort((short) 9999);
      }
    }
    return count * format.getFrameSize();
  }

  @ParameterizedTest
  @ValueSource(ints = {1, 2})
  void aLineGivesItsFirstChannelUntilItIsUnplugged(int channels) {
    AudioFormat format = new AudioFormat(48_000, 16, channels, true, false);
    try (LineStream stream = new LineStream(line(format, 1100, new int[1]), format)) {
      assertThat(stream.sampleRateHz()).isEqualTo(48_000);
      List<ChannelPair> pairs = new ArrayList<>();
      Recording.Watch watch =
          new Recording.Watch() {
            @Override
            public boolean hear(double[] block, int count) {
              return true;
            }

            @Override
            public void channels(ChannelPair pair) {
              pairs.add(pair);
            }
          };
      Samples heard = Recording.of(stream, "line", 1, watch, Progress.NONE);
      assertThat(pairs).as("told of two channels only").hasSize(channels - 1);
      assertThat(pairs).allSatisfy(p -> assertThat(p.correlation().orElseThrow()).isPositive());
      double[] x = heard.toArray();
      assertThat(x).hasSize(1100);
      for (int i = 0; i < x.length; i++) {
        assertThat(x[i]).isEqualTo((i - 500) / 32768.0);
      }
      assertThat(stream.dropped()).isZero();
    }
  }

  @Test
  void aSixteenBitInputDrivenTooFarIsClippedWhereverItIsLookedAt(@TempDir Path folder) {
    AudioFormat format = new AudioFormat(48_000, 16, 1, true, false);
    InvocationHandler acts =
        (proxy, method, arguments) ->
            switch (method.getName()) {
              case "available" -> 0;
              case "getBufferSize" -> 192_000;
              case "isOpen" -> true;
              case "read" -> overdriven((byte[]) arguments[0]);
              default -> null;
            };
    TargetDataLine line =
        (TargetDataLine)
            Proxy.newProxyInstance(
                StreamTest.class.getClassLoader(), new Class<?>[] {TargetDataLine.class}, acts);
    Samples heard;
    try (LineStream stream = new LineStream(line, format)) {
      heard = Recording.of(stream, "line", 1, Progress.NONE);
    }
    Path file = folder.resolve("kept.wav");
    WavWriter.writeRecording(file, heard);
    Samples kept = SoundFile.readChannel(file, 0);
    assertThat(kept.toArray()).isEqualTo(heard.toArray());
    for (Samples sound : List.of(heard, kept)) {
      TakeChannel take =
          TakeMeter.measure(SampleSource.of(sound), Progress.NONE).channels().getFirst();
      assertThat(take.clippedRuns()).as("100 waves").isEqualTo(100);
      assertThat(take.flatTops()).as("cut off before the converter").isZero();
      assertThat(NoiseMeter.measure(SampleSource.of(sound), Progress.NONE).getFirst())
          .matches(r -> r.clippedSamples() >= 300);
    }
    Samples fine = new Samples(heard.toArray(), 48_000, 1); // as a float that never reaches 1
    assertThat(TakeMeter.measure(SampleSource.of(fine), Progress.NONE).channels().getFirst())
        .matches(t -> t.clippedRuns() == 0);
  }

  /** A hundred waves of 100 Hz whose upper halves alone stand at the largest code. */
  private static int overdriven(byte[] bytes) {
    ByteBuffer out = ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN);
    for (int i = 0; i < bytes.length / 2; i++) {
      double wave = 1.3 * Math.sin(2 * Math.PI * i / 480);
      out.putShort((short) Math.clamp(Math.round(29_000 * wave), -32_000, 32_767));
    }
    return bytes.length;
  }
}
