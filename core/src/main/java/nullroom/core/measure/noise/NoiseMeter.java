package nullroom.core.measure.noise;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.OptionalDouble;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.ObjIntConsumer;
import nullroom.core.Decibels;
import nullroom.core.Progress;
import nullroom.core.measure.ClipCounter;
import nullroom.core.measure.FastLevel;
import nullroom.core.measure.LevelHistogram;
import nullroom.core.signal.Band;
import nullroom.core.signal.BandEnvelope;
import nullroom.core.signal.BlockSpectrum;
import nullroom.core.signal.SampleSource;
import nullroom.core.signal.SpectrumMeter;
import nullroom.core.signal.Sums;
import nullroom.core.signal.Weighting;

/**
 * Measures room noise from a stream of any length, one meter per channel, in little memory: the
 * intrusions alone keep 3 MB an hour. Spectra and weighted levels run beside the reading.
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
  private final List<Band> octaves;
  private final BandEnvelope envelope;
  private final List<BlockSpectrum> fresh = new ArrayList<>();
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
    octaves = Band.within(Band.OCTAVES, sampleRateHz);
    spectrum = new SpectrumMeter(sampleRateHz, fresh::add);
    envelope = new BandEnvelope(octaves, spectrum.blockSize(), sampleRateHz);
    aWeighting = Weighting.A.filter(sampleRateHz);
    aLevel = new FastLevel(sampleRateHz);
    for (int i = 0; i < octaves.size(); i++) {
      octaveLevels.add(new FastLevel(1 / envelope.stepSeconds()));
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
        Executors.newSingleThreadExecutor(Thread.ofPlatform().daemon().factory())) {
      // blocks in turn, so that reading and transforming may run ahead of the rest
      double[][][] blocks = new double[BLOCKS][source.channels()][BLOCK];
      List<CompletableFuture<Void>> done =
          new ArrayList<>(Collections.nCopies(BLOCKS, CompletableFuture.completedFuture(null)));
      long samples = 0;
      int read;
      for (int turn = 0;
          (read = next(source, blocks[turn], done.get(turn))) >= 0;
          turn = (turn + 1) % BLOCKS) {
        double[][] block = blocks[turn];
        int length = read;
        List<List<BlockSpectrum>> spectra = new ArrayList<>();
        each(meters, (m, c) -> spectra.add(m.transform(block[c], length)));
        done.set(
            turn,
            CompletableFuture.runAsync(
                () -> each(meters, (m, c) -> m.follow(block[c], length, spectra.get(c))), beside));
        samples += length;
        progress.step(samples, -1);
      }
      CompletableFuture.allOf(done.toArray(CompletableFuture[]::new)).join();
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

  private List<BlockSpectrum> transform(double[] block, int length) {
    spectrum.add(block, length);
    List<BlockSpectrum> ready = List.copyOf(fresh);
    fresh.clear();
    return ready;
  }

  private void follow(double[] block, int length, List<BlockSpectrum> spectra) {
    spectra.forEach(this::followBands);
    aWeighting.filter(block, weighted, length);
    aLevel.add(weighted, length);
    intrusions.add(weighted, block, length);
    sum += Sums.of(block, 0, length);
    squares += Sums.ofSquares(block, 0, length);
    weightedSquares += Sums.ofSquares(weighted, 0, length);
    clips.add(block, length);
    count += length;
  }

  private void followBands(BlockSpectrum block) {
    envelope.add(block, (band, steps, n) -> octaveLevels.get(band).add(steps, n));
  }

  private NoiseReport report() {
    spectrum.finish();
    fresh.forEach(this::followBands);
    boolean enough = count / sampleRateHz >= SHORTEST_SECONDS;
    LevelHistogram a = aLevel.histogram();
    List<NoiseReport.BandLevel> octaveReports = new ArrayList<>();
    for (int i = 0; i < octaves.size(); i++) {
      Band band = octaves.get(i);
      OptionalDouble l90 =
          enough ? octaveLevels.get(i).histogram().exceeded(0.9) : OptionalDouble.empty();
      octaveReports.add(
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
        octaveReports,
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
