package nullroom.core.measure.altered;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import nullroom.core.Figures;
import nullroom.core.measure.Frames;

/**
 * Pauses laid over one another from their beginnings: a gain that recovers lifts the floor of all
 * of them along one curve, and by as much in all octaves, where the noise of a room rises in one
 * and falls in the next. Sees smaller and shorter recoveries than a single pause shows.
 */
final class RisingTogether {
  private static final int FEWEST = 3;
  private static final int SMOOTH = 2;

  /** The next sound may begin softly. */
  private static final double BEGINNING_SECONDS = 0.15;

  private static final double LONGEST_SECONDS = 2.5;
  private static final double LATEST_LOW_SECONDS = 1.2;
  private static final double RISE_DB = 1.5;

  /** So many standard errors. */
  private static final double SURE = 4;

  /** A pause whose floor rises by less speaks against it. */
  private static final double LEAST_DB = 0.7;

  private static final double MOST_OF_THEM = 0.8;
  private static final double ALIKE_DB = 1;
  private static final double ALIKE_SHARE = 0.25;

  private RisingTogether() {}

  /**
   * A pause.
   *
   * @param from its first frame
   * @param to behind its last
   */
  record Span(int from, int to) {}

  static Optional<Alteration> of(Frames octaves, List<Span> pauses, double seconds) {
    int beginning = (int) Math.ceil(BEGINNING_SECONDS / seconds);
    int[] lengths = pauses.stream().mapToInt(p -> p.to() - p.from() - beginning).sorted().toArray();
    if (lengths.length < FEWEST) {
      return Optional.empty();
    }
    int common = (int) Math.min(lengths[lengths.length / 3], LONGEST_SECONDS / seconds);
    List<Span> long_ =
        pauses.stream().filter(p -> p.to() - p.from() - beginning >= common).toList();
    if (common < 3 * SMOOTH || long_.size() < FEWEST) {
      return Optional.empty();
    }
    double[] mean = new double[common];
    for (Span p : long_) {
      for (int k = 0; k < common; k++) {
        mean[k] += level(octaves, p.from() + k, p.from() + k + 1) / long_.size();
      }
    }
    int low = lowest(mean, (int) (LATEST_LOW_SECONDS / seconds));
    int end = common - SMOOTH;
    double[] rises =
        long_.stream()
            .mapToDouble(p ->
                level(octaves, p.from() + end, p.from() + common)
                    - level(octaves, p.from() + low, p.from() + low + SMOOTH))
            .toArray();
    double rise = Arrays.stream(rises).average().orElseThrow();
    double squares = Arrays.stream(rises).map(r -> (r - rise) * (r - rise)).sum();
    double error = Math.sqrt(squares / (rises.length - 1) / rises.length);
    long with = Arrays.stream(rises).filter(r -> r > LEAST_DB).count();
    return rise > RISE_DB
            && rise > SURE * error
            && with >= MOST_OF_THEM * rises.length
            && alike(octaves, long_, low, end, rise)
        ? Optional.of(
            new Alteration(
                Alteration.Kind.AUTOMATIC_GAIN,
                Figures.say(
                    "laid over one another, %d pauses after loud sounds all come up again, by %.1f dB on average and alike in all octaves",
                    with, rise),
                long_.getFirst().from() * seconds,
                long_.getLast().to() * seconds))
        : Optional.empty();
  }

  private static int lowest(double[] mean, int latest) {
    int low = 0;
    for (int k = 0; k <= Math.min(latest, mean.length - 2 * SMOOTH); k++) {
      low = mean[k] + mean[k + 1] < mean[low] + mean[low + 1] ? k : low;
    }
    return low;
  }

  private static boolean alike(Frames octaves, List<Span> pauses, int low, int end, double rise) {
    double squares = 0;
    for (int o = 0; o < SpectraSeen.OCTAVES; o++) {
      double one = 0;
      for (Span p : pauses) {
        for (int k = 0; k < SMOOTH; k++) {
          one += octaves.get(p.from() + end + k, o) - octaves.get(p.from() + low + k, o);
        }
      }
      squares += Math.pow(one / SMOOTH / pauses.size() - rise, 2);
    }
    return Math.sqrt(squares / SpectraSeen.OCTAVES) < Math.max(ALIKE_DB, ALIKE_SHARE * rise);
  }

  /** Mean of all octaves, decibels: of noise alone it scatters by half a decibel. */
  private static double level(Frames octaves, int from, int to) {
    double sum = 0;
    for (int k = from; k < to; k++) {
      for (int o = 0; o < SpectraSeen.OCTAVES; o++) {
        sum += octaves.get(k, o);
      }
    }
    return sum / SpectraSeen.OCTAVES / (to - from);
  }
}
