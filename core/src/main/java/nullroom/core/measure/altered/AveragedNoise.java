package nullroom.core.measure.altered;

import java.util.Arrays;
import java.util.Comparator;
import java.util.Optional;
import java.util.stream.IntStream;
import nullroom.core.Decibels;
import nullroom.core.Figures;
import nullroom.core.Quantile;
import nullroom.core.measure.Blocks;
import nullroom.core.measure.Softest;
import nullroom.core.signal.Fft;
import nullroom.core.signal.HannSpectrum;

/**
 * Noise of the pauses with a gap at every so many hertz: what is left where each sample was
 * replaced by the mean of those around it. A mean over 12 ms has none of what fits into 12 ms a
 * whole number of times. The spectrum of a hum has lines at even distances, and that of a
 * reflection swells there; neither has gaps.
 */
final class AveragedNoise {
  private static final double BLOCK_SECONDS = 0.064;
  private static final int QUIETEST = 24;

  /** Of a short sound only so small a part is quiet. */
  private static final int QUIET_PART = 6;

  private static final int FEWEST = 10;
  private static final double LEVEL_FROM_HZ = 150;
  private static final double FROM_HZ = 500;
  private static final double TO_HZ = 10_000;
  private static final double MOST_OF_RATE = 0.42;
  private static final double LEAST = 1e-25;

  /** Bins on each side whose mean is taken for the spectrum's own shape. */
  private static final int AROUND = 30;

  private static final double SHORTEST_SECONDS = 0.0035;
  private static final double LONGEST_MEAN_SECONDS = 0.04;
  private static final double STEP_SECONDS = 0.00005;

  /** Times the median of all distances; 36 in untouched sound. */
  private static final double CLEAR = 40;

  /** Gaps, not lines or swellings: the part of it that is of this sign. */
  private static final double GAPS = -0.5;

  /** Lines stand higher over what is around them. */
  private static final double HIGHEST_DB = 10;

  private static final double HIGH_SHARE = 0.98;

  private final HannSpectrum spectrum;
  private final double rate;
  private final Blocks cut;
  private int blocks;
  private final Softest<double[]> quietest = new Softest<>(QUIETEST);

  /**
   * How much of a spectrum comes again at even distances.
   *
   * @param seconds one over the distance
   * @param much of it there is
   * @param sign -1 for gaps at the multiples, 1 for lines
   */
  private record Again(double seconds, double much, double sign) {}

  AveragedNoise(double rate) {
    this.rate = rate;
    spectrum = new HannSpectrum(Fft.sizeFor(Math.max(64, Math.round(BLOCK_SECONDS * rate))), rate);
    cut = new Blocks(spectrum.size(), this::keep);
  }

  void add(double[] samples, int length) {
    cut.add(samples, length);
  }

  private void keep(double[] block) {
    blocks++;
    double[] power = spectrum.of(block, 0);
    double level = spectrum.between(power, LEVEL_FROM_HZ, rate / 2);
    if (quietest.wants(level)) {
      quietest.add(level, power.clone());
    }
  }

  /** What speaks for a mean over moments. */
  Optional<String> told() {
    int most = Math.min(quietest.count(), blocks / QUIET_PART);
    if (most < FEWEST) {
      return Optional.empty();
    }
    int from = spectrum.bin(FROM_HZ);
    int to = spectrum.bin(Math.min(TO_HZ, MOST_OF_RATE * rate));
    double[] mean = new double[to - from];
    quietest.first(most).forEach(q -> Arrays.setAll(mean, k -> mean[k] + q[from + k] / most));
    Arrays.setAll(mean, k -> Decibels.ofEnergy(mean[k] + LEAST));
    HannSpectrum.level(mean, AROUND);
    double high = Quantile.of(mean, HIGH_SHARE);
    for (int k = 0; k < mean.length; k++) {
      mean[k] *= 1 - Math.cos(2 * Math.PI * k / mean.length);
    }
    Again[] all =
        IntStream.range(
                (int) (SHORTEST_SECONDS / STEP_SECONDS),
                (int) (LONGEST_MEAN_SECONDS / STEP_SECONDS))
            .mapToObj(k -> again(mean, from, k * STEP_SECONDS))
            .toArray(Again[]::new);
    double usual = Quantile.median(Arrays.stream(all).mapToDouble(Again::much).toArray());
    return Arrays.stream(all)
        .max(Comparator.comparingDouble(Again::much))
        .filter(a -> high < HIGHEST_DB && a.much() > CLEAR * usual && a.sign() < GAPS)
        .map(a ->
            Figures.say(
                "the noise of the pauses has a gap at every %.0f Hz: somebody put the mean of %.0f ms in place of each sample",
                1 / a.seconds(), 1000 * a.seconds()));
  }

  private Again again(double[] ripple, int from, double seconds) {
    double turn = 2 * Math.PI * seconds * spectrum.binHz();
    double real = 0;
    double imaginary = 0;
    for (int k = 0; k < ripple.length; k++) {
      real += ripple[k] * Math.cos(turn * (from + k));
      imaginary += ripple[k] * Math.sin(turn * (from + k));
    }
    double much = Math.hypot(real, imaginary);
    return new Again(seconds, much, real / (much + LEAST));
  }
}
