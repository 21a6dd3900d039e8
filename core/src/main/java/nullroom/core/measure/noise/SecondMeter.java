package nullroom.core.measure.noise;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.Consumer;
import nullroom.core.Decibels;
import nullroom.core.measure.ClipCounter;
import nullroom.core.measure.FastLevel;
import nullroom.core.signal.Band;
import nullroom.core.signal.FilterBank;
import nullroom.core.signal.Sums;
import nullroom.core.signal.Weighting;

/** Turns a stream that may run all night into levels of each second. Not thread-safe. */
public final class SecondMeter {
  private final double sampleRateHz;
  private final Consumer<SecondLevels> onSecond;
  private final Weighting.Filter aFilter;
  private final Weighting.Filter cFilter;
  private final FastLevel fast;
  private final FilterBank bank;
  private final double largestAmplitude;
  private ClipCounter clips;
  private final double[] octaveSquares;
  private final long[] octaveCounts;
  private double[] part = new double[0];
  private double[] weighted = new double[0];
  private double aSquares;
  private double cSquares;
  private double squares;
  private double sum;
  private double peak;
  private double fastMost;
  private int filled;

  /**
   * A meter for one channel.
   *
   * @param onSecond receives each whole second
   */
  public SecondMeter(
      double sampleRateHz, double largestAmplitude, Consumer<SecondLevels> onSecond) {
    this.sampleRateHz = sampleRateHz;
    this.largestAmplitude = largestAmplitude;
    this.onSecond = onSecond;
    aFilter = Weighting.A.filter(sampleRateHz);
    cFilter = Weighting.C.filter(sampleRateHz);
    fast = new FastLevel(sampleRateHz);
    bank = new FilterBank(Band.OCTAVES, sampleRateHz);
    clips = new ClipCounter(largestAmplitude);
    octaveSquares = new double[bank.bands().size()];
    octaveCounts = new long[bank.bands().size()];
  }

  /** The octaves of each second, ascending. */
  public List<Band> octaves() {
    return bank.bands();
  }

  /** Takes the next samples; {@code block} is not modified. */
  public void add(double[] block, int count) {
    int second = (int) Math.round(sampleRateHz);
    int at = 0;
    while (at < count) {
      int length = Math.min(count - at, second - filled);
      addWithin(block, at, length);
      at += length;
      filled += length;
      if (filled == second) {
        onSecond.accept(levels());
        restart();
      }
    }
  }

  private void addWithin(double[] block, int from, int length) {
    if (part.length < length) {
      part = new double[length];
      weighted = new double[length];
    }
    System.arraycopy(block, from, part, 0, length);
    aFilter.filter(part, weighted, length);
    aSquares += Sums.ofSquares(weighted, 0, length);
    int step = (int) (sampleRateHz / 100); // FAST is looked at every 10 ms
    for (int at = 0; at < length; at += step) {
      int here = Math.min(step, length - at);
      fast.add(Arrays.copyOfRange(weighted, at, at + here), here);
      fastMost = Math.max(fastMost, fast.meanSquare());
    }
    cFilter.filter(part, weighted, length);
    cSquares += Sums.ofSquares(weighted, 0, length);
    squares += Sums.ofSquares(part, 0, length);
    sum += Sums.of(part, 0, length);
    peak = Math.max(peak, Sums.peak(part, 0, length));
    clips.add(part, length);
    bank.add(
        part,
        length,
        (band, filtered, n) -> {
          octaveSquares[band] += Sums.ofSquares(filtered, 0, n);
          octaveCounts[band] += n;
        });
  }

  private SecondLevels levels() {
    List<Double> octaves = new ArrayList<>();
    for (int i = 0; i < octaveSquares.length; i++) {
      octaves.add(level(octaveSquares[i] / Math.max(1, octaveCounts[i])));
    }
    double mean = sum / filled;
    return new SecondLevels(
        level(aSquares / filled),
        level(fastMost),
        level(cSquares / filled),
        level(squares / filled - mean * mean),
        peak > 0 ? Decibels.ofAmplitude(peak) : SecondLevels.NOTHING_DBFS,
        clips.samples(),
        octaves);
  }

  private void restart() {
    Arrays.fill(octaveSquares, 0);
    Arrays.fill(octaveCounts, 0);
    clips = new ClipCounter(largestAmplitude);
    aSquares = 0;
    cSquares = 0;
    squares = 0;
    sum = 0;
    peak = 0;
    fastMost = 0;
    filled = 0;
  }

  private static double level(double meanSquare) {
    return Math.max(SecondLevels.NOTHING_DBFS, Decibels.dbfs(Math.max(meanSquare, 1e-30)));
  }
}
