package nullroom.core.measure.altered;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import nullroom.core.Decibels;
import nullroom.core.Quantile;
import nullroom.core.measure.Blocks;
import nullroom.core.measure.Frames;
import nullroom.core.measure.Softest;
import nullroom.core.signal.Fft;
import nullroom.core.signal.HannSpectrum;
import nullroom.core.signal.Sums;

/**
 * What the spectra of a sound tell: their mean, levels of octaves over time, holes among the highs,
 * and the quietest of them.
 */
final class SpectraSeen {
  /** Octaves from 250 Hz on that automatic gain moves alike. */
  static final int OCTAVES = 6;

  /** Bands beside the voice: under its pitch, and over its hisses. */
  static final int ASIDE = 4;

  private static final double[] ASIDE_FROM_HZ = {24, 8000, 10_500, 13_000};
  private static final double[] ASIDE_TO_HZ = {68, 10_500, 13_000, 15_500};
  private static final double MOST_OF_RATE = 0.48;

  /** From that of 250 Hz to that of 8 kHz. */
  private static final double[] OCTAVE_EDGES_HZ =
      IntStream.rangeClosed(0, OCTAVES).mapToDouble(o -> 250 * Math.pow(2, o - 0.5)).toArray();

  private static final double BLOCK_SECONDS = 0.043;
  private static final int QUIETEST = 60;

  /** Of a short sound only so small a part is quiet. */
  private static final int QUIET_PART = 4;

  private static final int FEWEST_QUIET = 15;

  /** No converter is so quiet: that was worked out, and not recorded. */
  private static final double NO_CONVERTER_DB = -130;

  private static final double QUIET_FROM_HZ = 200;
  private static final double QUIET_TO_HZ = 8000;

  /** Where they lie less under the mean, something sounds in the quietest moments, too. */
  private static final double LEAST_UNDER_DB = 8;

  /** What comes or goes within a spectrum spreads over neighbouring bins. */
  private static final double UNEVEN_DB = 5;

  private static final int PARTS = 4;
  private static final double LEAST = 1e-20;

  /** A spectrum and its place in time. */
  @SuppressWarnings("ArrayRecordComponent") // never compared
  private record Quiet(int block, double[] power, double unevenDb) {
    QuietTexture.Spectrum db(int first, int last) {
      float[] db = new float[Math.max(0, last - first)];
      for (int k = 0; k < db.length; k++) {
        db[k] = (float) Decibels.ofEnergy(power[first + k] + LEAST);
      }
      return new QuietTexture.Spectrum(block, db);
    }
  }

  private final double rate;
  private final HannSpectrum spectrum;
  private final Blocks cut;
  private final double[] mean;

  /** Of the bins of one spectrum. */
  private final double[] db;

  private final Frames octaves = new Frames(OCTAVES);
  private final Frames aside = new Frames(ASIDE);
  private final LineTexture lines;
  private final LevelsBetween between;
  private final Softest<Quiet> quietest = new Softest<>(QUIETEST);
  private final Holes holes;
  private int blocks;

  /** Of them, those in which there is something. */
  private int sounding;

  private double loudest = Double.NEGATIVE_INFINITY;

  SpectraSeen(double rate) {
    this.rate = rate;
    spectrum =
        new HannSpectrum(Fft.sizeFor(Math.max(64, Math.round(BLOCK_SECONDS * rate * 0.75))), rate);
    cut = new Blocks(spectrum.size(), this::block);
    lines = new LineTexture(spectrum, rate);
    between = new LevelsBetween(spectrum, rate);
    holes = new Holes(spectrum);
    mean = new double[spectrum.size() / 2 + 1];
    db = new double[mean.length];
  }

  private int bin(double hz) {
    return spectrum.bin(hz);
  }

  void add(double[] samples, int length) {
    cut.add(samples, length);
  }

  private void block(double[] samples) {
    double[] power = spectrum.of(samples, 0);
    for (int k = 0; k < power.length; k++) {
      power[k] *= 2; // a full sine is 0 dB
    }
    octaves.add(octaves(power));
    aside.add(aside(power));
    if (blocks * secondsPerBlock() < FirstMinutes.SECONDS) {
      first(samples, power);
    }
  }

  /** What is looked at more closely: the first minutes. */
  private void first(double[] samples, double[] power) {
    double sum = 0;
    for (int k = 0; k < power.length; k++) {
      mean[k] += power[k];
      sum += power[k];
      db[k] = Decibels.ofEnergy(power[k] + Double.MIN_NORMAL);
    }
    blocks++;
    lines.add(power, db);
    if (sum > 1e-15) {
      between.add(db);
      double level = Decibels.ofEnergy(sum);
      sounding++;
      holes.add(power, lines.lastFollowing());
      loudest = Math.max(loudest, level);
      if (quietest.wants(level)) {
        quietest.add(level, new Quiet(blocks, power.clone(), unevenDb(samples)));
      }
    }
  }

  /** From the softest part of a block to the loudest, in its highs. */
  private static double unevenDb(double[] samples) {
    double[] highs = new double[samples.length - 2];
    for (int k = 0; k < highs.length; k++) {
      highs[k] = samples[k] - 2 * samples[k + 1] + samples[k + 2];
    }
    int part = highs.length / PARTS;
    double[] parts =
        IntStream.range(0, PARTS)
            .mapToDouble(p -> Sums.ofSquares(highs, p * part, part))
            .sorted()
            .toArray();
    return Decibels.ofEnergy((parts[PARTS - 1] + LEAST) / (parts[0] + LEAST));
  }

  private double[] octaves(double[] power) {
    double[] all = new double[OCTAVES];
    for (int o = 0; o < OCTAVES; o++) {
      all[o] = band(power, OCTAVE_EDGES_HZ[o], OCTAVE_EDGES_HZ[o + 1]);
    }
    return all;
  }

  private double[] aside(double[] power) {
    double[] all = new double[ASIDE];
    for (int b = 0; b < ASIDE; b++) {
      all[b] =
          ASIDE_TO_HZ[b] < MOST_OF_RATE * rate
              ? band(power, ASIDE_FROM_HZ[b], ASIDE_TO_HZ[b] + binHz())
              : Double.NaN;
    }
    return all;
  }

  private double band(double[] power, double fromHz, double toHz) {
    return Decibels.ofEnergy(spectrum.between(power, fromHz, toHz) + LEAST);
  }

  /** Level of the quietest spectrum. */
  double quietestDb() {
    return quietest.least();
  }

  /** From the loudest spectrum down to the quietest. */
  double rangeDb() {
    return loudest - Math.min(loudest, quietest.least());
  }

  int blocks() {
    return blocks;
  }

  double secondsPerBlock() {
    return spectrum.size() / rate;
  }

  /** Levels of octaves, a row for each block. */
  Frames octaveLevels() {
    return octaves;
  }

  /** Levels of bands together, row by row. */
  static double[] totals(Frames bands) {
    return totals(bands, bands.width());
  }

  /** Levels of the first bands together, row by row. */
  static double[] totals(Frames bands, int first) {
    double[] total = new double[bands.count()];
    for (int k = 0; k < total.length; k++) {
      double sum = 0;
      for (int o = 0; o < first; o++) {
        sum += Decibels.toEnergy(bands.get(k, o));
      }
      total[k] = Decibels.ofEnergy(sum);
    }
    return total;
  }

  /** Levels of all octaves together, row by row. */
  double[] totals() {
    return totals(octaves);
  }

  /** Levels of the bands beside the voice, a row for each block. */
  Frames asideLevels() {
    return aside;
  }

  /** Share of the places among the highs that are holes. */
  double holeShare() {
    return holes.share(pauses());
  }

  /**
   * Spectrum of the quietest moments, by the medians of its bins: of plain noise a bin's energy is
   * spread exponentially, with a median of ln 2 times the mean.
   */
  private double[] pauses() {
    List<Quiet> quiet = quietest.first(Math.max(1, mostQuiet()));
    double[] all = new double[mean.length];
    Arrays.setAll(
        all,
        k ->
            quiet.isEmpty()
                ? 0
                : Quantile.median(quiet.stream().mapToDouble(q -> q.power()[k]).toArray())
                    / Math.log(2));
    return all;
  }

  /** How the sound ends among the highs. */
  BandLimit end(double stepsDb) {
    return new BandLimit(
        db(Arrays.stream(mean).map(m -> m / Math.max(1, blocks))),
        db(Arrays.stream(pauses())),
        stepsDb - Decibels.ofEnergy(spectrum.size() / 2.0),
        rate);
  }

  private static double[] db(DoubleStream powers) {
    return powers.map(p -> Decibels.ofEnergy(p + LEAST)).toArray();
  }

  TailTexture tails() {
    return new TailTexture(lines, totals());
  }

  /** How the lines between noise and sound stand. */
  LevelsBetween.Seen linesBetween() {
    return between.over(pauses());
  }

  double binHz() {
    return spectrum.binHz();
  }

  /** How the bins of the quietest spectra lie; empty where there are too few. */
  Optional<QuietTexture> quiet() {
    int most = mostQuiet();
    int first = bin(QUIET_FROM_HZ);
    int last = Math.min(spectrum.size() / 2, bin(QUIET_TO_HZ));
    return most < FEWEST_QUIET
            || quietest.least() < NO_CONVERTER_DB
            || underMeanDb(first, last) < LEAST_UNDER_DB
            || unevenDb(most) > UNEVEN_DB
        ? Optional.empty()
        : QuietTexture.of(
            quietest.first(most).stream()
                .sorted(Comparator.comparingInt(Quiet::block))
                .map(q -> q.db(first, last))
                .toList(),
            quietest.level(most - 1) - quietest.level(most / 10));
  }

  /** How far the quietest moments lie under the mean of all, in half of the bins at least. */
  private double underMeanDb(int first, int last) {
    double[] quiet = pauses();
    return Quantile.median(
        IntStream.range(first, last)
            .mapToDouble(k -> Decibels.ofEnergy((mean[k] / blocks + LEAST) / (quiet[k] + LEAST)))
            .toArray());
  }

  private double unevenDb(int most) {
    return Quantile.median(quietest.first(most).stream().mapToDouble(Quiet::unevenDb).toArray());
  }

  private int mostQuiet() {
    return Math.min(quietest.count(), sounding / QUIET_PART);
  }
}
