package nullroom.core.measure.altered;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nullroom.core.Figures;

/**
 * Noise that stands still in three neighbouring bands, free of what still rings in others, and then
 * falls to the floor of the pauses while all else falls with it, every time by as many decibels: a
 * gate that shuts, or a gain that hears ahead. Sounds end on levels of their own, each in another
 * band by as much as it stood over the noise there; so one or another may fall alike, but not most
 * of them by the same. Where the steps of the file hide the floor, all that stands over them is to
 * fall, and each time from the same level: that of the noise.
 */
final class ShutNoise {
  private static final double SHUTS_DB = 5;
  private static final double SAME_SECONDS = 0.4;

  /** Smaller falls than this share of what a gate does are no gate's. */
  private static final double OTHERS_SHARE = 0.4;

  private static final int FEWEST = 3;
  private static final double MOST_OF_THEM = 0.4;

  /** So often, less what falls otherwise: where it falls alike in many bands, and where in few. */
  private static final double SURE = 1.4;

  private static final double SURE_OF_FEW = 3;

  /** Of falls as deep as this no untouched sound has two. */
  private static final double DEEP_DB = 24;

  private static final int FEWEST_DEEP = 2;
  private static final double SURE_OF_DEEP = 1;

  /** In the mean of all falls so many bands fall by the same. */
  private static final double MANY_BANDS = 4.2;

  /** A gate shuts behind what sounded; a gain that hears ahead makes room for what comes. */
  private static final double AHEAD_SHARE = 0.8;

  private final List<NoiseFall> all;
  private final double seconds;

  private ShutNoise(List<NoiseFall> all, double seconds) {
    this.all = all;
    this.seconds = seconds;
  }

  /** What speaks for a gate. */
  static Optional<Alteration> of(FineBands fine) {
    ShutNoise noise = new ShutNoise(NoiseFalls.of(fine), fine.seconds());
    return noise.all.stream()
        .filter(f -> (f.alike() || f.hidden()) && f.byDb() > SHUTS_DB)
        .map(noise::told)
        .flatMap(Optional::stream)
        .findFirst();
  }

  /** Whether most falls are as this one. */
  private Optional<Alteration> told(NoiseFall one) {
    List<NoiseFall> same = new ArrayList<>();
    List<NoiseFall> others = new ArrayList<>();
    for (NoiseFall f : all) {
      if (f.again(one)) {
        same.add(f);
      } else if (f.byDb() > Math.max(SHUTS_DB, OTHERS_SHARE * one.byDb())) {
        others.add(f);
      }
    }
    List<Integer> moments = moments(same);
    int near = (int) (SAME_SECONDS / seconds);
    others.removeIf(f -> moments.stream().anyMatch(m -> Math.abs(m - f.row()) < near));
    int n = moments.size();
    double share = (double) n / (n + moments(others).size());
    double bands =
        moments.stream()
            .mapToInt(m ->
                same.stream()
                    .filter(f -> Math.abs(f.row() - m) < near)
                    .mapToInt(NoiseFall::bands)
                    .max()
                    .orElse(0))
            .average()
            .orElse(0);
    boolean deep = one.byDb() > DEEP_DB;
    return n >= (deep ? FEWEST_DEEP : FEWEST)
            && share >= MOST_OF_THEM
            && n * share >= (deep ? SURE_OF_DEEP : bands >= MANY_BANDS ? SURE : SURE_OF_FEW)
        ? Optional.of(told(same, moments))
        : Optional.empty();
  }

  private Alteration told(List<NoiseFall> same, List<Integer> moments) {
    double by = same.stream().mapToDouble(NoiseFall::byDb).average().orElseThrow();
    boolean ahead = same.stream().filter(NoiseFall::ahead).count() > AHEAD_SHARE * same.size();
    return new Alteration(
        ahead ? Alteration.Kind.AUTOMATIC_GAIN : Alteration.Kind.GATE,
        ahead
            ? Figures.say(
                "%d times the noise itself stands still and then falls by %.0f dB, just before something begins: in a room nothing comes before its cause",
                moments.size(), by)
            : Figures.say(
                "%d times the noise itself stands still and then falls by %.0f dB, and all else with it: sounds end on levels of their own",
                moments.size(), by),
        moments.getFirst() * seconds,
        (moments.getLast() + 1) * seconds);
  }

  /** Rows of falls that are not seen in several bands at the same moment. */
  private List<Integer> moments(List<NoiseFall> falls) {
    List<Integer> all = new ArrayList<>();
    for (NoiseFall f : falls) {
      if (all.isEmpty() || (f.row() - all.getLast()) * seconds > SAME_SECONDS) {
        all.add(f.row());
      }
    }
    return all;
  }
}
