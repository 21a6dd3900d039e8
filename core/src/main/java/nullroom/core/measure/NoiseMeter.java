package nullroom.core.measure;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.concurrent.ForkJoinTask;
import nullroom.core.Progress;
import nullroom.core.acoustics.Decibels;
import nullroom.core.signal.Band;
import nullroom.core.signal.OctaveBank;
import nullroom.core.signal.SampleSource;
import nullroom.core.signal.SpectrumMeter;
import nullroom.core.signal.Weighting;

/**
 * Measures room noise from a stream of any length, one meter per channel, in memory that does not
 * grow. Two halves of the work run side by side: the spectrum on one core, the time-weighted levels
 * on the other.
 */
public final class NoiseMeter {
  /** Shorter sound gives no noise figures: FAST needs three time constants. */
  public static final double SHORTEST_SECONDS = 0.4;

  /** Long enough that handing over to the second core costs nothing, short enough for the cache. */
  private static final int BLOCK = 1 << 15;

  private final double sampleRateHz;
  private final SpectrumMeter spectrum;
  private final Weighting.Filter aWeighting;
  private final FastLevel aLevel;
  private final OctaveBank bank;
  private final List<FastLevel> octaveLevels = new ArrayList<>();
  private final ClipCounter clips;
  private final double[] weighted = new double[BLOCK];
  private double sum;
  private double squares;
  private double weightedSquares;
  private long count;

  private NoiseMeter(double sampleRateHz, double largestAmplitude) {
    this.sampleRateHz = sampleRateHz;
    spectrum = new SpectrumMeter(sampleRateHz);
    aWeighting = Weighting.A.filter(sampleRateHz);
    aLevel = new FastLevel(sampleRateHz);
    bank = new OctaveBank(sampleRateHz);
    clips = new ClipCounter(largestAmplitude);
  }

  /**
   * Measures every channel of a source to its end.
   *
   * @return one report per channel; never empty
   */
  public static List<NoiseReport> measure(SampleSource source, Progress progress) {
    List<NoiseMeter> meters = new ArrayList<>();
    for (int c = 0; c < source.channels(); c++) {
      meters.add(new NoiseMeter(source.sampleRateHz(), source.largestAmplitude()));
    }
    double[][] block = new double[source.channels()][BLOCK];
    int read;
    while ((read = source.read(block)) >= 0) {
      for (int c = 0; c < meters.size(); c++) {
        meters.get(c).add(block[c], read);
      }
      progress.step(meters.getFirst().count, -1);
    }
    return meters.stream().map(NoiseMeter::report).toList();
  }

  private void add(double[] block, int length) {
    ForkJoinTask<?> other =
        ForkJoinTask.adapt(
                () -> {
                  bank.add(block, length, this::octave);
                  spectrum.add(block, length);
                })
            .fork();
    aWeighting.filter(block, weighted, length);
    aLevel.add(weighted, length);
    for (int i = 0; i < length; i++) {
      sum += block[i];
      squares += block[i] * block[i];
      weightedSquares += weighted[i] * weighted[i];
    }
    clips.add(block, length);
    other.join();
    count += length;
  }

  private void octave(int octave, double[] band, int length, double rateHz) {
    while (octaveLevels.size() < bank.bands().size()) {
      octaveLevels.add(
          new FastLevel(1)); // replaced on first use, when the band's own rate is known
    }
    if (count == 0) {
      octaveLevels.set(octave, new FastLevel(rateHz));
    }
    octaveLevels.get(octave).add(band, length);
  }

  private NoiseReport report() {
    spectrum.finish();
    boolean enough = count / sampleRateHz >= SHORTEST_SECONDS;
    LevelHistogram a = aLevel.histogram();
    List<NoiseReport.BandLevel> octaves = new ArrayList<>();
    for (int i = 0; i < bank.bands().size(); i++) {
      Band band = bank.bands().get(i);
      OptionalDouble l90 =
          enough && i < octaveLevels.size()
              ? octaveLevels.get(i).histogram().exceeded(0.9)
              : OptionalDouble.empty();
      octaves.add(
          new NoiseReport.BandLevel(
              band.nominalHz(), level(spectrum.meanSquare(band), enough), l90));
    }
    List<NoiseReport.BandLevel> thirds =
        Band.within(Band.THIRDS, sampleRateHz).stream()
            .map(b ->
                new NoiseReport.BandLevel(
                    b.nominalHz(), level(spectrum.meanSquare(b), enough), OptionalDouble.empty()))
            .toList();
    double mean = count == 0 ? 0 : sum / count;
    return new NoiseReport(
        count / sampleRateHz,
        sampleRateHz,
        level(weightedSquares / Math.max(1, count), enough),
        level(spectrum.meanSquare(Weighting.C), enough),
        level(squares / Math.max(1, count) - mean * mean, enough),
        level(aLevel.largestMeanSquare(), enough),
        enough ? a.exceeded(0.1) : OptionalDouble.empty(),
        enough ? a.exceeded(0.5) : OptionalDouble.empty(),
        enough ? a.exceeded(0.9) : OptionalDouble.empty(),
        octaves,
        thirds,
        mean,
        clips.samples());
  }

  /** A level, where there is sound to have one: under 1e-22 only rounding is left. */
  private static OptionalDouble level(double meanSquare, boolean enough) {
    return enough && meanSquare > 1e-22
        ? OptionalDouble.of(Decibels.dbfs(meanSquare))
        : OptionalDouble.empty();
  }
}
