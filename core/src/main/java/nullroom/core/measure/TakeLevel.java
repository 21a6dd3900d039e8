package nullroom.core.measure;

import java.util.ArrayList;
import java.util.List;
import nullroom.core.signal.SampleSource;

/**
 * The plain levels of one channel of a take.
 *
 * @param samples how many
 * @param peak largest amplitude
 * @param meanSquare of all samples
 * @param dcOffset mean, full scale is 1
 * @param clippedSamples samples in clipped runs
 * @param clippedRuns runs of three or more samples at the largest or smallest amplitude
 */
public record TakeLevel(
    long samples,
    double peak,
    double meanSquare,
    double dcOffset,
    long clippedSamples,
    long clippedRuns) {

  /** Measures every channel of a source to its end. */
  public static List<TakeLevel> measure(SampleSource source) {
    int channels = source.channels();
    double[][] block = new double[channels][1 << 14];
    double[] peak = new double[channels];
    double[] squares = new double[channels];
    double[] sums = new double[channels];
    List<ClipCounter> clips = new ArrayList<>();
    for (int c = 0; c < channels; c++) {
      clips.add(new ClipCounter(source.largestAmplitude()));
    }
    long count = 0;
    int read;
    while ((read = source.read(block)) >= 0) {
      for (int c = 0; c < channels; c++) {
        for (int i = 0; i < read; i++) {
          double x = block[c][i];
          peak[c] = Math.max(peak[c], Math.abs(x));
          squares[c] += x * x;
          sums[c] += x;
        }
        clips.get(c).add(block[c], read);
      }
      count += read;
    }
    List<TakeLevel> levels = new ArrayList<>();
    double n = Math.max(1, count);
    for (int c = 0; c < channels; c++) {
      levels.add(
          new TakeLevel(
              count,
              peak[c],
              squares[c] / n,
              sums[c] / n,
              clips.get(c).samples(),
              clips.get(c).runs()));
    }
    return levels;
  }
}
