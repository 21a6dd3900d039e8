package nullroom.core.measure.altered;

import java.util.Arrays;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * What is left in a pause, moment by moment.
 *
 * @param bands levels of the bands of noise, by moment
 * @param weights of each band, by how little its plain noise scatters; 0 on the steps of the file
 */
record Moments(double[][] bands, double[] weights) {
  private static final double MEAN_SECONDS = 0.16;

  private static final int FEWEST_BANDS = 5;

  /** Variance of what differs from band to band by itself. */
  private static final double OWN = 0.5;

  /** Of a pause; none where too few bands are heard. */
  static Optional<Moments> of(FineBands fine, Stretch pause) {
    int mean = rows(fine);
    int count = pause.rows() / mean;
    double[][] bands =
        IntStream.range(0, count)
            .mapToObj(m ->
                IntStream.range(0, fine.noiseBands())
                    .mapToDouble(b -> Rows.mean(fine.levels(), b, pause.from() + m * mean, mean))
                    .toArray())
            .toArray(double[][]::new);
    double[] weights =
        IntStream.range(0, fine.noiseBands()).mapToDouble(b -> weight(fine, b, bands)).toArray();
    return Weighted.heard(weights) < FEWEST_BANDS
        ? Optional.empty()
        : Optional.of(new Moments(bands, weights));
  }

  /** Length of one. */
  static double seconds(FineBands fine) {
    return rows(fine) * fine.seconds();
  }

  private static int rows(FineBands fine) {
    return Math.max(1, (int) Math.round(MEAN_SECONDS / fine.seconds()));
  }

  private static double weight(FineBands fine, int band, double[][] moments) {
    double scatter = fine.scatterDb(band, 1);
    double softest =
        Arrays.stream(moments).mapToDouble(m -> m[band]).min().orElse(Double.NEGATIVE_INFINITY);
    return fine.onSteps(band, softest) ? 0 : 1 / (scatter * scatter + OWN);
  }

  /** Of all bands, moment by moment. */
  double[] curve() {
    return Arrays.stream(bands).mapToDouble(m -> Weighted.mean(m, weights)).toArray();
  }

  /** How much each band is louder in some moments on end than in others. */
  double[] rises(int from, int moments, int to, int others) {
    return IntStream.range(0, weights.length)
        .mapToDouble(b -> mean(b, to, others) - mean(b, from, moments))
        .toArray();
  }

  /** How far what bands do lies apart, in decibels. */
  double apartDb(double[] by) {
    double mean = Weighted.mean(by, weights);
    return Math.sqrt(
        Weighted.mean(Arrays.stream(by).map(r -> (r - mean) * (r - mean)).toArray(), weights));
  }

  private double mean(int band, int from, int moments) {
    return Arrays.stream(bands, from, from + moments)
        .mapToDouble(m -> m[band])
        .average()
        .orElseThrow();
  }
}
