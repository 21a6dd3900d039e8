package nullroom.core.measure.altered;

import java.util.stream.IntStream;
import nullroom.core.Decibels;
import nullroom.core.Quantile;
import nullroom.core.measure.Blocks;
import nullroom.core.measure.Frames;
import nullroom.core.signal.Fft;
import nullroom.core.signal.HannSpectrum;

/** Levels of the bands from 180 Hz to 20 kHz, each ten milliseconds or so. */
final class FineBands {
  /** Octaves, above 5.7 kHz half octaves: noise has most of its energy to show there. */
  private static final double[] EDGES_HZ = {
    177, 354, 707, 1414, 2828, 5657, 8000, 11_314, 15_500, 20_000
  };

  private static final int NOISE_BANDS = 8;
  private static final double MOST_OF_RATE = 0.45;
  private static final double BLOCK_SECONDS = 0.02;
  private static final double LEAST = 1e-20;

  /** Decibels: of one degree of freedom, 10 / ln 10. */
  private static final double SCATTER_DB = 4.34;

  /**
   * A voice has a colour of its own: its bands lie so far apart over the noise. Knocks, keys and
   * claps have none.
   */
  private static final double COLOUR_DB = 8;

  private static final double LOUD_SHARE = 0.97;
  private static final double LOUD_DB = 12;
  private static final double FLOOR_SHARE = 0.12;

  /** Steps and a noise that was added to smooth them make so much. */
  private static final double ON_STEPS_DB = 7;

  /** Of the seconds from row to row a Hann window hears so much. */
  private static final double HEARD = 1.33;

  private final double rate;
  private final HannSpectrum spectrum;
  private final Blocks blocks;
  private final int bands;
  private final Frames levels;
  private final Steps steps = new Steps();
  private final BinEnergies energies;

  FineBands(double rate) {
    this.rate = rate;
    spectrum =
        new HannSpectrum(Fft.sizeFor(Math.max(64, Math.round(0.75 * BLOCK_SECONDS * rate))), rate);
    blocks = new Blocks(spectrum.size(), spectrum.size() / 2, this::row);
    int within = 0;
    while (within + 1 < EDGES_HZ.length && EDGES_HZ[within + 1] < MOST_OF_RATE * rate) {
      within++;
    }
    bands = within;
    levels = new Frames(Math.max(1, bands));
    energies = new BinEnergies(spectrum, rate);
  }

  void add(double[] samples, int length) {
    steps.add(samples, length);
    blocks.add(samples, length);
  }

  private void row(double[] block) {
    double[] power = spectrum.of(block, 0);
    energies.add(power);
    double[] row = new double[Math.max(1, bands)];
    for (int b = 0; b < bands; b++) {
      row[b] = Decibels.ofEnergy(2 * spectrum.between(power, EDGES_HZ[b], EDGES_HZ[b + 1]) + LEAST);
    }
    levels.add(row);
  }

  /** How many lie under 15.5 kHz, over which coders of music save. */
  int noiseBands() {
    return Math.min(NOISE_BANDS, bands);
  }

  /** Levels of those in a row. */
  double[] row(int k) {
    return IntStream.range(0, noiseBands()).mapToDouble(b -> levels.get(k, b)).toArray();
  }

  /** The same of all rows. */
  double[][] rows() {
    return IntStream.range(0, levels.count()).mapToObj(this::row).toArray(double[][]::new);
  }

  /** Whether the bands of what is loud lie as far apart over their floors as those of a voice. */
  boolean isColoured() {
    double[] total = totals();
    double loud = Quantile.of(total, LOUD_SHARE) - LOUD_DB;
    double[] floors =
        IntStream.range(0, noiseBands())
            .mapToDouble(b -> Quantile.of(levels.column(b), FLOOR_SHARE))
            .toArray();
    return Quantile.median(
            IntStream.range(0, total.length)
                .filter(k -> total[k] > loud)
                .mapToDouble(k -> Scatter.of(Weighted.over(row(k), floors)))
                .toArray())
        > COLOUR_DB;
  }

  /** Level of all bands together, row by row. */
  double[] totals() {
    return SpectraSeen.totals(levels);
  }

  /** How many there are under half the sampling rate. */
  int bands() {
    return bands;
  }

  /** How far the mean level of so many rows scatters where a band holds plain noise. */
  double scatterDb(int band, int rows) {
    double widthHz = EDGES_HZ[band + 1] - EDGES_HZ[band];
    return SCATTER_DB / Math.sqrt(widthHz * seconds() * HEARD * rows);
  }

  /** How far one row scatters in each band of {@link #row} that holds plain noise. */
  double[] scatterDb() {
    return IntStream.range(0, noiseBands()).mapToDouble(b -> scatterDb(b, 1)).toArray();
  }

  /**
   * How far a level lies over the noise of the steps in which the sound was written; far without.
   * Near it the noise of a room is not told from that of the steps, which follows what sounds.
   */
  double overStepsDb(int band, double level) {
    double widthHz = EDGES_HZ[band + 1] - EDGES_HZ[band];
    return level - stepsDb() - Decibels.ofEnergy(widthHz / (rate / 2));
  }

  /** One step of the sound as it was written. */
  double step() {
    return 1 / steps.perUnit();
  }

  /** Level of the noise of the steps, of all frequencies. */
  double stepsDb() {
    return Decibels.ofEnergy(2 * steps.meanSquare() + LEAST);
  }

  /** Whether the level of all frequencies is no more than the steps make by themselves. */
  boolean onSteps(double level) {
    return level < stepsDb() + ON_STEPS_DB;
  }

  /** Level of a band under which the steps make by themselves what it holds. */
  double leastDb(int band) {
    return ON_STEPS_DB - overStepsDb(band, 0);
  }

  /** Whether a level is no more than the steps make by themselves. */
  boolean onSteps(int band, double level) {
    return level < leastDb(band);
  }

  /** How the energies of its bins scatter in the quietest moments. */
  BinEnergies energies() {
    return energies;
  }

  /** Levels in decibels, a full-scale sine 0 dB, row by row. */
  Frames levels() {
    return levels;
  }

  /** From row to row. */
  double seconds() {
    return spectrum.size() / 2 / rate;
  }
}
