package nullroom.core.measure;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.OptionalDouble;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.ObjIntConsumer;
import nullroom.core.Progress;
import nullroom.core.acoustics.Decibels;
import nullroom.core.signal.Band;
import nullroom.core.signal.FilterBank;
import nullroom.core.signal.SampleSource;
import nullroom.core.signal.SpectrumMeter;
import nullroom.core.signal.Weighting;

/**
 * Measures room noise from a stream of any length, one meter per channel, in little memory: the
 * intrusions alone keep 3 MB an hour. Spectrum, weighted levels and octaves over time run beside
 * each other.
 */
public final class NoiseMeter {
  /** Shorter sound gives no noise figures: FAST needs three time constants. */
  public static final double SHORTEST_SECONDS = 0.4;

  private static final int BLOCK = 1 << 14;
  private static final int BLOCKS = 32;

  private final double sampleRateHz;
  private final SpectrumMeter spectrum;
  private final Weighting.Filter aWeighting;
  private final FastLevel aLevel;
  private final FilterBank bank;
  private final List<FastLevel> octaveLevels = new ArrayList<>();
  private final ClipCounter clips;
  private final Intrusions intrusions;
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
    bank = new FilterBank(Band.OCTAVES, sampleRateHz);
    for (int i = 0; i < bank.bands().size(); i++) {
      octaveLevels.add(new FastLevel(bank.rateHz(i)));
    }
    clips = new ClipCounter(largestAmplitude);
    intrusions = new Intrusions(sampleRateHz);
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
    try (ExecutorService beside =
        Executors.newFixedThreadPool(2, Thread.ofPlatform().daemon().factory())) {
      // blocks in turn, so that reading may run ahead of the rest by all but one of them
      double[][][] blocks = new double[BLOCKS][source.channels()][BLOCK];
      List<CompletableFuture<Void>> done =
          new ArrayList<>(Collections.nCopies(BLOCKS, CompletableFuture.completedFuture(null)));
      CompletableFuture<Void> octaves = done.getFirst();
      CompletableFuture<Void> levels = done.getFirst();
      long samples = 0;
      int read;
      for (int turn = 0;
          (read = next(source, blocks[turn], done.get(turn))) >= 0;
          turn = (turn + 1) % BLOCKS) {
        double[][] block = blocks[turn];
        int length = read;
        octaves =
            octaves.thenRunAsync(
                () -> each(meters, (m, c) -> m.addOctaves(block[c], length)), beside);
        levels =
            levels.thenRunAsync(
                () -> each(meters, (m, c) -> m.addLevels(block[c], length)), beside);
        done.set(turn, CompletableFuture.allOf(octaves, levels));
        each(meters, (m, c) -> m.spectrum.add(block[c], length));
        samples += length;
        progress.step(samples, -1);
      }
      CompletableFuture.allOf(octaves, levels).join();
    }
    return meters.stream().map(NoiseMeter::report).toList();
  }

  private static int next(SampleSource source, double[][] block, CompletableFuture<Void> free) {
    free.join();
    return source.read(block);
  }

  private static void each(List<NoiseMeter> meters, ObjIntConsumer<NoiseMeter> work) {
    for (int c = 0; c < meters.size(); c++) {
      work.accept(meters.get(c), c);
    }
  }

  private void addLevels(double[] block, int length) {
    aWeighting.filter(block, weighted, length);
    aLevel.add(weighted, length);
    intrusions.add(weighted, block, length);
    for (int i = 0; i < length; i++) {
      sum += block[i];
      squares += block[i] * block[i];
      weightedSquares += weighted[i] * weighted[i];
    }
    clips.add(block, length);
    count += length;
  }

  private void addOctaves(double[] block, int length) {
    bank.add(block, length, (octave, band, count) -> octaveLevels.get(octave).add(band, count));
  }

  private NoiseReport report() {
    spectrum.finish();
    boolean enough = count / sampleRateHz >= SHORTEST_SECONDS;
    LevelHistogram a = aLevel.histogram();
    List<NoiseReport.BandLevel> octaves = new ArrayList<>();
    for (int i = 0; i < bank.bands().size(); i++) {
      Band band = bank.bands().get(i);
      OptionalDouble l90 =
          enough ? octaveLevels.get(i).histogram().exceeded(0.9) : OptionalDouble.empty();
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
        clips.samples(),
        Tones.find(spectrum.toneSpectrum(), spectrum.binHz()),
        enough ? intrusions.find() : List.of());
  }

  /** A level, where there is sound to have one: under 1e-22 only rounding is left. */
  private static OptionalDouble level(double meanSquare, boolean enough) {
    return enough && meanSquare > 1e-22
        ? OptionalDouble.of(Decibels.dbfs(meanSquare))
        : OptionalDouble.empty();
  }
}
