package nullroom.core.measure.altered;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import nullroom.core.Figures;
import nullroom.core.measure.Frames;

/**
 * A floor that comes up after loud sounds, by as much in all octaves: a gain that recovers. A room
 * falls quiet after them and stays so. Cannot see a gain that recovers within a tenth of a second,
 * or sounds without a pause of half a second.
 */
final class AutomaticGain {
  private static final double LOUD_DB = 15;
  private static final double RISE_DB = 3;
  private static final double ALIKE_DB = 2;
  private static final double PAUSE_SECONDS = 0.55;
  private static final double MEAN_SECONDS = 0.17;

  /** Shortly before a pause something must have been loud. */
  private static final double BEFORE_SECONDS = 0.5;

  private static final double OVER_DB = 6;

  /** The next sound may begin softly. */
  private static final double BEGINNING_SECONDS = 0.2;

  /** Of all moments so many may be louder than what is called loud: clicks. */
  private static final int LOUDEST = 3;

  private static final double QUIET_SHARE = 0.05;
  private static final double HALF = 0.5;

  /** Where the gain has come up far, the floor is never far under what is loud. */
  private static final double UNDER_LOUD_DB = 10;

  /** The floor is lowest so soon after the loud sound, or nobody held it down. */
  private static final double LATEST_LOW_SECONDS = 1.2;

  /** Something that is switched on comes up within two rows, and by more than noise scatters. */
  private static final double AT_ONCE_SHARE = 0.75;

  private static final double AT_ONCE_DB = 6;

  private static final int FEWEST = 2;
  private static final double MOST_OF_THEM = 0.6;

  /** Of so few pauses none may be otherwise beside two, and one beside three. */
  private static final int FEW = 3;

  /** Of what has no colour as a voice has, as a rustle, or cars. */
  private static final int FEWEST_COLOURLESS = 4;

  /**
   * The same noise stands at the end of each, however far the gain has come up; what passes by
   * leaves the pauses where it will. So far apart for each pause after the first, less a half.
   */
  private static final double APART_DB = 3.4;

  private static final double ALIKE_ENDS = 1.5;

  private AutomaticGain() {}

  private record Pause(int from, int to, double rise, boolean alike, double endDb) {}

  /**
   * What speaks for a gain.
   *
   * @param octaves levels of the voice's octaves
   * @param seconds length of a row
   * @param coloured whether what is loud has the colour of a voice
   */
  static Optional<Alteration> of(Frames octaves, double seconds, boolean coloured) {
    double[] total = SpectraSeen.totals(octaves);
    double[] sorted = total.clone();
    Arrays.sort(sorted);
    double loud = sorted[sorted.length - 1 - Math.min(sorted.length - 1, LOUDEST)];
    double quiet = sorted[(int) (QUIET_SHARE * (sorted.length - 1))];
    if (loud - quiet < LOUD_DB) {
      return Optional.empty();
    }
    List<Pause> half = pauses(octaves, total, seconds, loud, quiet + HALF * (loud - quiet));
    List<Pause> under = pauses(octaves, total, seconds, loud, loud - UNDER_LOUD_DB);
    return rising(half, seconds, coloured).or(() -> rising(under, seconds, coloured));
  }

  private static Optional<Alteration> rising(List<Pause> pauses, double seconds, boolean coloured) {
    List<Pause> rising = pauses.stream().filter(p -> p.rise() > RISE_DB && p.alike()).toList();
    if (rising.size() < FEWEST
        || rising.size() < MOST_OF_THEM * pauses.size()
        || rising.size() <= FEW // as chance comes up, too
            && pauses.size() - rising.size() > rising.size() - FEWEST
        || !coloured && rising.size() < FEWEST_COLOURLESS) {
      return Optional.empty();
    }
    double[] ends = rising.stream().mapToDouble(Pause::endDb).sorted().toArray();
    if (ends[ends.length - 1] - ends[0] > (ends.length - ALIKE_ENDS) * APART_DB) {
      return Optional.empty();
    }
    double mean = rising.stream().mapToDouble(Pause::rise).average().orElseThrow();
    return Optional.of(
        new Alteration(
            Alteration.Kind.AUTOMATIC_GAIN,
            Figures.say(
                "in %d of %d pauses after loud sounds the floor comes up again, by %.0f dB on average and alike in all octaves",
                rising.size(), pauses.size(), mean),
            rising.getFirst().from() * seconds,
            rising.getLast().to() * seconds));
  }

  /** Stretches in which nothing loud sounds, each after something loud. */
  private static List<Pause> pauses(
      Frames octaves, double[] total, double seconds, double loud, double threshold) {
    int least = (int) Math.ceil(PAUSE_SECONDS / seconds);
    int mean = Math.max(1, (int) Math.round(MEAN_SECONDS / seconds));
    List<Stretch> all =
        Stretch.under(total, threshold).stream()
            .filter(p ->
                p.rows() >= least && loudBefore(total, p.from(), seconds) > threshold + OVER_DB)
            .toList();
    return AnotherSound.before(all, octaves, total, seconds, BEFORE_SECONDS).stream()
        .flatMap(p -> pause(octaves, total, p.from(), p.to(), mean, seconds, loud).stream())
        .toList();
  }

  private static double loudBefore(double[] total, int from, double seconds) {
    double most = Double.NEGATIVE_INFINITY;
    for (int k = Math.max(0, from - (int) (BEFORE_SECONDS / seconds)); k < from; k++) {
      most = Math.max(most, total[k]);
    }
    return most;
  }

  private static Optional<Pause> pause(
      Frames octaves, double[] total, int from, int to, int mean, double seconds, double loud) {
    int end = to - (int) Math.ceil(BEGINNING_SECONDS / seconds);
    int lowest = from;
    double low = Double.POSITIVE_INFINITY;
    for (int k = from; k + mean <= end; k++) {
      double here = Rows.mean(total, k, mean);
      if (here < low) {
        low = here;
        lowest = k;
      }
    }
    if (low > loud - LOUD_DB || end - mean < from) {
      return Optional.empty();
    }
    double[] rises = new double[SpectraSeen.OCTAVES];
    for (int o = 0; o < rises.length; o++) {
      rises[o] = Rows.mean(octaves, o, end - mean, mean) - Rows.mean(octaves, o, lowest, mean);
    }
    double average = Rows.mean(rises, 0, rises.length);
    boolean soon = (lowest - from) * seconds < LATEST_LOW_SECONDS;
    boolean atOnce =
        average > AT_ONCE_DB
            && IntStream.range(lowest, end - 2)
                .anyMatch(k -> total[k + 2] - total[k] > AT_ONCE_SHARE * average);
    boolean alike = Scatter.of(rises) < Math.max(ALIKE_DB, 0.2 * average);
    return Optional.of(
        new Pause(
            from, to, soon && !atOnce ? average : 0, alike, Rows.mean(total, end - mean, mean)));
  }
}
