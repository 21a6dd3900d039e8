package nullroom.app.level;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import nullroom.app.TestBooks;
import nullroom.core.Decibels;
import nullroom.core.Progress;
import nullroom.core.book.Hearing;
import nullroom.core.measure.take.ChannelPair;
import nullroom.core.signal.Sums;
import nullroom.io.device.AudioDevice;
import nullroom.io.device.AudioStream;
import nullroom.io.device.Recording;
import nullroom.io.device.SimulatedDevice;
import org.junit.jupiter.api.Test;

class LoudLineWatchTest {
  private static final double RATE = 48_000;
  private static final int BLOCK = 480;
  private final List<LoudLine.Reading> readings = new ArrayList<>();
  private final LoudLineWatch watch = watch(1, readings);

  /** A watch over an input whose samples reach no further. */
  private static LoudLineWatch watch(double largest, List<LoudLine.Reading> readings) {
    AudioStream input =
        new AudioStream() {
          @Override
          public double sampleRateHz() {
            return RATE;
          }

          @Override
          public double largestAmplitude() {
            return largest;
          }

          @Override
          public int read(double[] block) {
            return -1;
          }

          @Override
          public long dropped() {
            return 0;
          }

          @Override
          public void close() {}
        };
    return new LoudLineWatch(input, readings::add);
  }

  @Test
  void theLargestCodeOfSixteenBitsIsClipped() {
    double[] block = new double[BLOCK];
    Arrays.fill(block, 100, 110, 32_767 / 32_768.0);
    LoudLineWatch sixteen = watch(32_767 / 32_768.0, readings);
    sixteen.hear(block, BLOCK);
    sixteen.hear(block, BLOCK);
    assertThat(readings.getLast().live().clippedSamples()).isEqualTo(20);
    watch.hear(block, BLOCK);
    watch.hear(block, BLOCK);
    assertThat(readings.getLast().live().clippedSamples()).isZero();
  }

  @Test
  void aToneReadsTheSameOnEveryMeter() {
    double[] block = new double[BLOCK];
    for (int b = 0; b < 200; b++) {
      for (int i = 0; i < BLOCK; i++) {
        block[i] = 0.1 * Math.sin(2 * Math.PI * 1000 * (b * BLOCK + i) / RATE);
      }
      assertThat(watch.hear(block, BLOCK)).isTrue();
    }
    assertThat(readings).as("a reading every 20 ms").hasSize(100);
    LoudLine.Reading last = readings.getLast();
    assertThat(last.seconds()).isCloseTo(2, within(1e-9));
    assertThat(last.peakDbfs()).isCloseTo(-20, within(0.05));
    assertThat(last.heldDbfs()).isCloseTo(-20, within(0.05));
    assertThat(last.truePeakDbtp()).isCloseTo(-20, within(0.2));
    assertThat(last.live().aDbfs().orElseThrow()).as("FAST").isCloseTo(-20, within(0.1));
    // 1 kHz passes the K-weighting with +0.7 dB, which the -0.691 of the formula takes back
    assertThat(last.momentaryLufs().orElseThrow()).isCloseTo(-23, within(0.1));
  }

  private String told(double left, double right) {
    ChannelPair pair = new ChannelPair();
    pair.add(new double[] {left, -left, left}, new double[] {right, -right, right}, 3);
    watch.channels(pair);
    return watch.channelWords();
  }

  @Test
  void whatIsWrongBetweenTwoChannelsIsSaid() {
    assertThat(watch.channelWords()).isEmpty();
    assertThat(told(0.1, 0.1)).isEmpty();
    assertThat(told(0.1, -0.1)).contains("opposite polarity");
    assertThat(told(0.1, 0)).contains("only the first has sound");
    assertThat(told(0, 0.1)).contains("second channel only");
  }

  @Test
  void theSimulatedPersonSpeaksAQuietLineAUsualOneAndTheLoudest() {
    SimulatedDevice device =
        new SimulatedDevice(Hearing.quick(TestBooks.bedroom()).heard(), 343.2, 3).atSpeed(100);
    try (AudioStream stream = device.open(AudioDevice.Prompt.VOICE)) {
      double[] x = Recording.of(stream, "room", 30, Progress.NONE).toArray();
      int line = x.length / 3;
      double[] levels = new double[3];
      for (int k = 0; k < 3; k++) {
        levels[k] = Decibels.ofEnergy(Sums.ofSquares(x, k * line, line));
      }
      assertThat(levels[1] - levels[0]).isCloseTo(10, within(2.0));
      assertThat(levels[2] - levels[1]).isCloseTo(6, within(2.0));
    }
  }
}
