package nullroom.io.device;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.concurrent.CancellationException;
import java.util.concurrent.locks.LockSupport;
import nullroom.core.Progress;
import nullroom.core.Trouble;
import nullroom.core.signal.Samples;
import org.junit.jupiter.api.Test;

class StreamTest {
  private static final double RATE = 48_000;
  private static final double[] LOOP = ramp(10_000);

  private static double[] ramp(int count) {
    double[] x = new double[count];
    for (int i = 0; i < count; i++) {
      x[i] = (i + 1.0) / count;
    }
    return x;
  }

  @Test
  void aRecordingIsTheStreamWithoutAGap() {
    try (AudioStream stream = new PacedStream(LOOP, RATE, Double.POSITIVE_INFINITY, 50)) {
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
    long begun = System.nanoTime();
    try (AudioStream stream = new PacedStream(LOOP, RATE, Double.POSITIVE_INFINITY, 1)) {
      Recording.of(stream, "test", 0.3, Progress.NONE);
    }
    assertThat((System.nanoTime() - begun) * 1e-9).isGreaterThan(0.29);
  }

  @Test
  void aDevicePulledOutGivesWhatWasHeard() {
    try (AudioStream stream = new PacedStream(LOOP, RATE, 0.7, 20)) {
      Samples heard = Recording.of(stream, "test", 2, Progress.NONE);
      assertThat(heard.seconds()).isCloseTo(0.7, within(0.011));
    }
    try (AudioStream stream = new PacedStream(LOOP, RATE, 0, 20)) {
      assertThatThrownBy(() -> Recording.of(stream, "the input", 2, Progress.NONE))
          .isInstanceOf(Trouble.BadSound.class)
          .hasMessageContaining("still plugged in");
    }
  }

  @Test
  void whatNobodyReadsInTimeIsCountedAsLost() {
    try (AudioStream stream = new PacedStream(LOOP, RATE, Double.POSITIVE_INFINITY, 1)) {
      double[] block = new double[480];
      assertThat(stream.read(block)).isEqualTo(480);
      LockSupport.parkNanos(900_000_000L);
      assertThat(stream.read(block)).isEqualTo(480);
      assertThat(stream.dropped()).isGreaterThan(30);
    }
  }

  @Test
  void aRecordingCanBeStopped() {
    try (AudioStream stream = new PacedStream(LOOP, RATE, Double.POSITIVE_INFINITY, 20)) {
      Progress cancel =
          (done, total) -> {
            throw new CancellationException();
          };
      assertThatThrownBy(() -> Recording.of(stream, "test", 5, cancel))
          .isInstanceOf(CancellationException.class);
    }
  }
}
