package nullroom.core.measure;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import nullroom.core.acoustics.Decibels;
import nullroom.core.signal.Sums;

/**
 * Cuts claps and pops out of a recording; what is no impulse, as a thump or a word, is left out.
 */
final class ImpulseTakes {
  /** No home room rings longer than this lets see. */
  private static final double LONGEST_SECONDS = 12;

  /** Sound before an impulse that may hold its direct sound's filtered energy. */
  static final double LEAD_SECONDS = 0.08;

  /** What is left free before the next impulse. */
  private static final double GUARD_SECONDS = 0.03;

  /** Broadband rise of an impulse over what follows; under it, it was no impulse. */
  private static final double LEAST_RANGE_DB = 10;

  /** A clap has at least this share of its energy over 400 Hz; a thump on a desk has not. */
  private static final double LEAST_TREBLE = 0.1;

  private static final double TREBLE_HZ = 400;

  /** A word goes on; a clap is this much weaker soon after, or half as much as the others are. */
  private static final double LEAST_DROP_DB = 6;

  private static final double STEP_SECONDS = 0.01;

  private ImpulseTakes() {}

  static Takes find(double[] x, double rate) {
    List<Integer> onsets = Onsets.find(x, rate);
    List<Integer> claps = new ArrayList<>(onsets);
    if (onsets.size() > 1) {
      double usual = median(onsets.stream().mapToDouble(o -> drop(x, o, rate)).toArray());
      claps.removeIf(o ->
          treble(x, o, rate) < LEAST_TREBLE
              || drop(x, o, rate) < Math.min(LEAST_DROP_DB, usual / 2));
    }
    List<String> warnings = new ArrayList<>();
    if (claps.size() < onsets.size() && !claps.isEmpty()) {
      warnings.add(
          count(onsets.size() - claps.size(), "sudden sound was", "sudden sounds were")
              + " no clap and left out.");
    }
    List<int[]> ranges = ranges(x, onsets, claps, rate);
    if (ranges.isEmpty()) {
      return Takes.none(
          claps.size() > 1
              ? "The claps come too close together; leave two seconds of silence after each."
              : "No clap or other sudden sound stands out; clap once, sharply, and wait two seconds in silence.");
    }
    if (claps.size() > ranges.size()) {
      warnings.add(
          count(claps.size() - ranges.size(), "clap", "claps")
              + " came too close to the next sound and were left out.");
    }
    int lead = (int) (LEAD_SECONDS * rate);
    int common = ranges.stream().mapToInt(r -> r[1] - r[0]).min().orElse(0);
    List<double[]> takes = new ArrayList<>();
    for (int[] range : ranges) {
      double[] take = new double[lead + common];
      int from = Math.max(0, range[0] - lead);
      System.arraycopy(x, from, take, lead - (range[0] - from), range[0] - from + common);
      takes.add(take);
    }
    return new Takes(
        takes,
        lead,
        takes.size(),
        OptionalDouble.of(ranges.getFirst()[0] / rate),
        OptionalDouble.empty(),
        warnings);
  }

  /** Whether a sudden sound has the treble and the drop of a clap. */
  static boolean likeAClap(double[] x, int onset, double rate) {
    return treble(x, onset, rate) >= LEAST_TREBLE && drop(x, onset, rate) >= LEAST_DROP_DB;
  }

  private static String count(int n, String one, String many) {
    return n + " " + (n == 1 ? one : many);
  }

  private static double median(double[] values) {
    double[] sorted = values.clone();
    Arrays.sort(sorted);
    return sorted[sorted.length / 2];
  }

  private static List<int[]> ranges(
      double[] x, List<Integer> onsets, List<Integer> claps, double rate) {
    List<int[]> ranges = new ArrayList<>();
    int longest = 0;
    for (int onset : claps) {
      int next = onsets.indexOf(onset) + 1;
      int end = next < onsets.size() ? onsets.get(next) - (int) (GUARD_SECONDS * rate) : x.length;
      end = quietUntil(x, onset, (int) Math.min(end, onset + LONGEST_SECONDS * rate), rate);
      ranges.add(new int[] {onset, end});
      longest = Math.max(longest, end - onset);
    }
    int shortestKept = Math.max((int) (Onsets.SHORTEST_GAP_SECONDS * rate), longest / 3);
    ranges.removeIf(r -> r[1] - r[0] < shortestKept || !decays(x, r[0], r[1], rate));
    return ranges;
  }

  /** Until something else, that did not begin suddenly, comes up by 10 dB. */
  private static int quietUntil(double[] x, int onset, int end, double rate) {
    int step = (int) (STEP_SECONDS * rate);
    double least = Double.POSITIVE_INFINITY;
    for (int at = onset + 5 * step; at + 3 * step <= end; at += step) {
      double now = mean(x, at, at + 3 * step);
      if (now > 10 * least && now > 0) {
        return at - 2 * step;
      }
      least = Math.min(least, now);
    }
    return end;
  }

  private static boolean decays(double[] x, int from, int to, double rate) {
    int early = Math.min(to, from + (int) (0.02 * rate));
    return Decibels.ofEnergy(
            mean(x, from, early) / Math.max(1e-300, mean(x, to - (to - from) / 10, to)))
        > LEAST_RANGE_DB;
  }

  /** How much weaker it is 60 to 100 ms after than in the first 15 ms. */
  private static double drop(double[] x, int onset, double rate) {
    int end = x.length;
    double first = mean(x, onset, Math.min(end, onset + (int) (0.015 * rate)));
    double then =
        mean(
            x,
            Math.min(end, onset + (int) (0.06 * rate)),
            Math.min(end, onset + (int) (0.1 * rate)));
    return Decibels.ofEnergy(first / Math.max(1e-300, then));
  }

  private static double treble(double[] x, int onset, double rate) {
    double[] part = Arrays.copyOfRange(x, onset, onset + (int) (0.04 * rate));
    double all = BandEnergy.between(part, rate, 1, rate / 2);
    return all > 0 ? BandEnergy.between(part, rate, TREBLE_HZ, rate / 2) / all : 0;
  }

  private static double mean(double[] x, int from, int to) {
    return Sums.ofSquares(x, from, Math.max(0, to - from)) / Math.max(1, to - from);
  }
}
