package nullroom.core.signal;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.jtransforms.fft.DoubleFFT_1D;

/**
 * Levels of bands over time, from the spectra of overlapping blocks: 64 neighbouring bins,
 * transformed back, are the course of their part of the sound in 64 steps over the block (of 11 ms
 * at 48 kHz), and the fades of two blocks, squared, add up to 1. A band that spans many such groups
 * weights their energies; a narrower one weights its bins. Sound shorter than a step spreads into
 * its neighbours, 30 dB down a tenth of a second away: fine for levels, not for onsets.
 */
public final class BandEnvelope {
  private static final int STEPS = BlockSpectrum.STEPS;

  /** A band wider than this many groups is flat enough over each of them. */
  private static final int WIDE = 24;

  /** Skirts go down to this share of the power. */
  private static final double LEAST_POWER = 1e-7;

  /** Steps that a window lets less through of than this tell nothing. */
  private static final double LEAST_WEIGHT = 0.5;

  /**
   * One group to transform back.
   *
   * @param from first bin
   * @param gains of its bins
   * @param bands that it belongs to, with the share of its energy that each takes
   */
  private record Group(int from, double[] gains, int[] bands, double[] powers) {}

  private final DoubleFFT_1D back = new DoubleFFT_1D(STEPS);
  private final double[] bins = new double[2 * STEPS];
  private final List<Group> groups = new ArrayList<>();
  private final double[][] energies;
  private final double[] weights = new double[STEPS];
  private final int size;
  private final double stepSeconds;

  /**
   * Follows bands.
   *
   * @param size samples of a block, a multiple of 128
   */
  public BandEnvelope(List<Band> bands, int size, double sampleRateHz) {
    this.size = size;
    stepSeconds = size / STEPS / sampleRateHz;
    energies = new double[bands.size()][STEPS];
    double binHz = sampleRateHz / size;
    int all = size / 2 / STEPS;
    boolean[][] wide = new boolean[all][bands.size()];
    for (int i = 0; i < bands.size(); i++) {
      Band band = bands.get(i);
      int first = (int) (band.lowHz() / binHz) / STEPS;
      int end = (int) (band.highHz() / binHz) / STEPS + 1;
      while (first > 0 && power(band, first * STEPS, binHz) > LEAST_POWER) {
        first--;
      }
      while (end < all && power(band, end * STEPS, binHz) > LEAST_POWER) {
        end++;
      }
      for (int g = first; g < end; g++) {
        if (end - first > WIDE) {
          wide[g][i] = true;
          continue;
        }
        double[] gains = new double[STEPS];
        for (int k = 0; k < STEPS; k++) {
          gains[k] = Math.sqrt(power(band, g * STEPS + k, binHz));
        }
        groups.add(new Group(g * STEPS, gains, new int[] {i}, new double[] {1}));
      }
    }
    double[] flat = new double[STEPS];
    Arrays.fill(flat, 1);
    for (int g = 0; g < all; g++) {
      int from = g * STEPS;
      boolean[] takes = wide[g];
      int[] those = IntStream.range(0, takes.length).filter(i -> takes[i]).toArray();
      double[] powers =
          IntStream.of(those)
              .mapToDouble(i -> power(bands.get(i), from + STEPS / 2, binHz))
              .toArray();
      if (those.length > 0) {
        groups.add(new Group(from, flat, those, powers));
      }
    }
  }

  private static double power(Band band, int bin, double binHz) {
    return band.powerResponse(bin * binHz, SpectrumMeter.BAND_ORDER);
  }

  /** Seconds from one step to the next: 0.01 to 0.02. */
  public double stepSeconds() {
    return stepSeconds;
  }

  /**
   * Takes the next block.
   *
   * @param receiver takes the root mean square of each band over the steps that are complete
   */
  public void add(BlockSpectrum block, FilterBank.Receiver receiver) {
    double[] spectrum = block.packed();
    for (int m = 0; m < STEPS; m++) {
      weights[m] += block.window()[m];
    }
    for (Group g : groups) {
      for (int k = 0; k < STEPS; k++) {
        bins[2 * k] = g.gains()[k] * spectrum[2 * (g.from() + k)];
        bins[2 * k + 1] = g.gains()[k] * spectrum[2 * (g.from() + k) + 1];
      }
      back.complexInverse(bins, false);
      for (int i = 0; i < g.bands().length; i++) {
        addSteps(energies[g.bands()[i]], g.powers()[i]);
      }
    }
    give(block.done(), receiver);
  }

  private void addSteps(double[] steps, double power) {
    for (int m = 0; m < STEPS; m++) {
      double re = bins[2 * m];
      double im = bins[2 * m + 1];
      steps[m] += power * (re * re + im * im);
    }
  }

  private void give(int done, FilterBank.Receiver receiver) {
    // two sides; the length of the transform back times the samples of a step is the size
    double scale = 2.0 / size / size;
    double[] amplitudes = new double[done];
    for (int band = 0; band < energies.length; band++) {
      double[] steps = energies[band];
      int count = 0;
      for (int m = 0; m < done; m++) {
        if (weights[m] >= LEAST_WEIGHT) {
          amplitudes[count++] = Math.sqrt(scale * steps[m] / weights[m]);
        }
      }
      receiver.accept(band, amplitudes, count);
      System.arraycopy(steps, done, steps, 0, STEPS - done);
      Arrays.fill(steps, STEPS - done, STEPS, 0);
    }
    System.arraycopy(weights, done, weights, 0, STEPS - done);
    Arrays.fill(weights, STEPS - done, STEPS, 0);
  }
}
