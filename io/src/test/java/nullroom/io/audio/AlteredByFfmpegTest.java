package nullroom.io.audio;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.Random;
import nullroom.core.Progress;
import nullroom.core.acoustics.Bands;
import nullroom.core.measure.altered.Alteration;
import nullroom.core.measure.altered.Alteration.Kind;
import nullroom.core.measure.altered.AlterationMeter;
import nullroom.core.predict.SyntheticRoom;
import nullroom.core.signal.Fft;
import nullroom.core.signal.SampleSource;
import nullroom.core.signal.Samples;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.javacpp.DoublePointer;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Sounds of known truth, altered by FFmpeg's own filters. */
class AlteredByFfmpegTest {
  private static final int RATE = 48_000;
  private static final int N = 24 * RATE;

  /** Lines of talk with pauses in a room of 0.4 s, 35 dB over noise. */
  private static Samples talk() {
    double[] voice = SyntheticRoom.voice(Bands.of(45, 55, 60, 62, 58, 54, 50, 46), RATE, N, 61);
    for (int from = (int) (2.2 * RATE); from < N; from += (int) (3.6 * RATE)) {
      Arrays.fill(voice, from, Math.min(N, from + (int) (1.4 * RATE)), 0);
    }
    double[] reply = new double[(int) (0.4 * RATE)];
    Random random = new Random(62);
    Arrays.setAll(reply, k -> 0.02 * random.nextGaussian() * Math.pow(10, -3.0 * k / reply.length));
    reply[0] = 1;
    double[] wet = Arrays.copyOf(Fft.convolve(voice, reply), N);
    double[] noise = SyntheticRoom.noise(Bands.of(40, 33, 27, 22, 17, 13, 10, 8), RATE, N, 63);
    double over = Math.pow(10, -35 / 20.0) * rms(wet) / rms(noise);
    double scale = 0.05 / rms(wet);
    Arrays.setAll(wet, k -> scale * (wet[k] + over * noise[k]));
    return new Samples(wet, RATE);
  }

  private static double rms(double[] x) {
    return Math.sqrt(Arrays.stream(x, 0, N).map(v -> v * v).average().orElseThrow());
  }

  private static List<Kind> through(String filter, String arguments) {
    double[] out = new double[N + RATE];
    int[] count = {0};
    FfmpegFilter.run(
        SampleSource.of(talk()),
        filter,
        arguments,
        frame -> count[0] += copied(frame, out, count[0]));
    Samples heard = new Samples(Arrays.copyOf(out, count[0]), RATE);
    return AlterationMeter.measure(SampleSource.of(heard), Progress.NONE).getFirst().stream()
        .map(Alteration::kind)
        .toList();
  }

  private static int copied(AVFrame frame, double[] out, int at) {
    new DoublePointer(frame.data(0)).get(out, at, frame.nb_samples());
    return frame.nb_samples();
  }

  @Test
  @DisplayName("what nothing was done to is told as nothing")
  void untouched() {
    assertThat(through("anull", "")).isEmpty();
  }

  @ParameterizedTest(name = "{0} {1}")
  @DisplayName("gates, gains, limiters and reductions are told by their kind")
  @CsvSource(
      delimiter = '|',
      value = {
        "agate       | threshold=0.008:range=0.02:ratio=50:attack=5:release=150   | GATE",
        "agate       | threshold=0.02:range=0.02:ratio=9000:attack=5:release=150  | GATE",
        "agate       | threshold=0.01:range=0.05:ratio=9000:attack=2:release=80   | GATE",
        "agate       | threshold=0.02:range=0.1:ratio=9000:attack=5:release=250   | GATE",
        "agate       | threshold=0.015:range=0.003:ratio=9000:attack=1:release=50 | GATE",
        "acompressor | threshold=0.01:ratio=12:attack=5:release=900:makeup=4    | AUTOMATIC_GAIN",
        "afftdn      | nr=20:nf=-62                                             | NOISE_REDUCTION",
        "anlmdn      | s=0.001                                                  | NOISE_REDUCTION",
        "alimiter    | limit=0.1:level=0:attack=1:release=20                    | LIMITER"
      })
  void altered(String filter, String arguments, Kind kind) {
    assertThat(through(filter, arguments)).contains(kind);
  }
}
