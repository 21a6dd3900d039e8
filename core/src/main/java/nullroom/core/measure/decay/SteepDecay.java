package nullroom.core.measure.decay;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import nullroom.core.Figures;
import nullroom.core.Quantile;
import nullroom.core.measure.altered.Alteration;

/**
 * A decay that for a moment falls much faster than it does most of the time, in most bands: what
 * shuts while a room still rings. Rooms only ever go on slower. Cannot see what shuts in the noise,
 * where the decay has ended.
 */
final class SteepDecay {
  private static final double LOWEST_HZ = 400;

  /** Slopes are over so many points. */
  private static final int OVER = (int) (0.06 / DecayReport.BandDecay.CURVE_STEP_SECONDS);

  private static final double OVER_NOISE_DB = 15;
  private static final double LOWEST_DB = -60;
  private static final int FEWEST_SLOPES = 20;

  /**
   * Times the usual slope; in untouched decays of noise 1.35 in two of three bands, in single claps
   * under a slanted ceiling 1.75.
   */
  private static final double STEEP = 2.1;

  /** The steepest part is no beginning: something before it was slower, by so much. */
  private static final double SLOWER_BEFORE = 1.5;

  private static final double MOST_OF_THEM = 0.8;

  private SteepDecay() {}

  /**
   * What speaks for something that shuts.
   *
   * @param fewestBands in which decays must be heard
   */
  static Optional<Alteration> of(DecayReport report, double seconds, int fewestBands) {
    double[] all =
        report.bands().stream()
            .filter(b -> b.centreHz() > LOWEST_HZ)
            .mapToDouble(SteepDecay::steepest)
            .filter(Double::isFinite)
            .toArray();
    double[] steep = Arrays.stream(all).filter(s -> s > STEEP).toArray();
    if (report.excitation().filter(Excitation.NOISE::equals).isPresent() // whose decays scatter
        || all.length < fewestBands
        || steep.length < MOST_OF_THEM * all.length) {
      return Optional.empty();
    }
    double times = Quantile.median(steep);
    return Optional.of(
        BentDecay.eachByItself(report)
            ? new Alteration(
                Alteration.Kind.NOISE_REDUCTION,
                Figures.say(
                    "decays fall %.1f times as fast for a moment as they do else, in %d of %d bands and in each at another moment: what takes away the noise of each band does that",
                    times, steep.length, all.length),
                0,
                seconds)
            : new Alteration(
                Alteration.Kind.GATE,
                Figures.say(
                    "decays fall %.1f times as fast for a moment as they do else, in %d of %d bands: rooms only ever go on slower",
                    times, steep.length, all.length),
                0,
                seconds));
  }

  /** The steepest part of a decay over the usual one; not a number where it is too short. */
  private static double steepest(DecayReport.BandDecay band) {
    List<Double> curve = band.curveDb();
    double end = Math.max(LOWEST_DB, BentDecay.lowestDb(band, OVER_NOISE_DB));
    double[] falls =
        IntStream.range(BentDecay.SETTLED, curve.size() - OVER)
            .takeWhile(k -> curve.get(k + OVER) > end)
            .mapToDouble(k -> curve.get(k) - curve.get(k + OVER))
            .toArray();
    if (falls.length < FEWEST_SLOPES) {
      return Double.NaN;
    }
    int steepest =
        IntStream.range(0, falls.length)
            .reduce((a, b) -> falls[b] > falls[a] ? b : a)
            .orElseThrow();
    double slowest = Arrays.stream(falls, 0, steepest + 1).min().orElseThrow();
    return falls[steepest] < SLOWER_BEFORE * slowest
        ? 1 // a room that goes on slower
        : falls[steepest] / Quantile.median(falls);
  }
}
