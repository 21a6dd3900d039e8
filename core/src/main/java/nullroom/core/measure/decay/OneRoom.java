package nullroom.core.measure.decay;

import java.util.Arrays;
import java.util.List;
import nullroom.core.acoustics.Octave;
import nullroom.core.signal.Band;
import org.apache.commons.statistics.descriptive.Variance;

/**
 * Whether several claps die away alike, as one room lets them. Knocks, keys and notes end each by
 * itself, before the room does; how they bend says nothing of a gain.
 */
final class OneRoom {
  /**
   * Times the variance from clap to clap that noise-like decays have by chance, for each clap but
   * the first, and at most. Of 92 series that gains, gates and reductions bent three of four stay
   * under 3, and all but two claps before a gate under 15; five of seven series of knocks and notes
   * that bend by themselves are over it.
   */
  private static final double MOST_EACH = 5;

  private static final double MOST = 20;

  private OneRoom() {}

  /** One clap, or those of which nothing can be compared, may be of one. */
  static boolean of(Takes claps, double rate) {
    double[] off =
        Band.within(Octave.ALL, rate).stream()
            .filter(band -> band.nominalHz() > BentDecay.LOWEST_HZ)
            .mapToDouble(band -> varianceOverChance(claps, band, rate))
            .filter(Double::isFinite)
            .toArray();
    double most = Math.min(MOST, MOST_EACH * (claps.found() - 1));
    return claps.found() < 2 || !(Arrays.stream(off).average().orElse(0) > most);
  }

  /** Of the first ten decibels of one band; not a number where fewer than two have them. */
  private static double varianceOverChance(Takes claps, Band band, double rate) {
    double[] logs =
        claps.responses().stream()
            .map(clap ->
                new BandEvaluation(
                        band, rate, List.of(clap), List.of(new ZeroPhase(clap, rate)), claps.lead())
                    .evaluate())
            .mapToDouble(decay -> Math.log(BentDecay.firstSeconds(decay)))
            .filter(Double::isFinite)
            .toArray();
    double seconds = Math.exp(Arrays.stream(logs).average().orElse(Double.NaN));
    return logs.length < 2
        ? Double.NaN
        : Variance.of(logs).getAsDouble()
            * band.widthHz()
            * seconds
            / (BentDecay.ONE_SPREAD * BentDecay.ONE_SPREAD);
  }
}
