package nullroom.core.measure.decay;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import nullroom.core.Decibels;
import nullroom.core.Quantile;
import nullroom.core.signal.Butterworth;
import nullroom.core.signal.Sums;

/**
 * Cuts claps and pops out of a recording; what is no impulse, as a thump or a word, is left out,
 * however loud it is.
 */
final class ImpulseTakes {
  /** No home room rings longer than this lets see. */
  private static final double LONGEST_SECONDS = 12;

  /** Sound before an impulse that may hold its direct sound's filtered energy. */
  static final double LEAD_SECONDS = 0.08;

  /** What is left free before the next impulse. */
  private static final double GUARD_SECONDS = 0.03;

  /** Rise of an impulse over what follows; under it, it was no impulse. */
  private static final double LEAST_RANGE_DB = 10;

  /** Claps of one series differ by less; weaker sudden sounds are steps, clicks and echoes. */
  private static final double RANGE_BELOW_LOUDEST = 0.03;

  /** A clap brings at least this share of its energy over 400 Hz; a thump on a desk does not. */
  private static final double LEAST_TREBLE = 0.1;

  /** A slammed door brings so much less of it than the claps beside it. */
  private static final double LEAST_TREBLE_OF_MOST = 0.5;

  /** Rumble and offsets lie under this. */
  private static final double RUMBLE_HZ = 80;

  private static final double TREBLE_WITHIN_SECONDS = 0.04;

  /** A word goes on; a clap is this much weaker soon after, or half as much as the others are. */
  private static final double LEAST_DROP_DB = 6;

  private static final double STEP_SECONDS = 0.01;

  /** What comes up by so much is something new, over 400 Hz and over all, which varies more. */
  private static final double NEW_TREBLE_DB = 10;

  private static final double NEW_SOUND_DB = 13;

  /** Against the impulse's own energy; what is weaker is rounding (90 dB). */
  private static final double SILENT = 1e-9;

  /** Over how many steps levels are taken for that. */
  private static final int TREBLE_STEPS = 3;

  private static final int SOUND_STEPS = 10;

  private final double[] x;
  private final double rate;
  private final double[] treble;
  private final double[] sound;

  private ImpulseTakes(double[] x, double rate) {
    this.x = x;
    this.rate = rate;
    treble = Onsets.treble(x, rate);
    sound = new double[x.length];
    Butterworth.highPass(2, RUMBLE_HZ, rate).filter(x, sound, x.length);
  }

  static Takes find(double[] x, double rate) {
    return new ImpulseTakes(x, rate).find();
  }

  /** Whether a sudden sound has the treble and the drop of a clap. */
  static boolean likeAClap(double[] x, int onset, double rate) {
    ImpulseTakes takes = new ImpulseTakes(x, rate);
    return takes.trebleShare(onset) >= LEAST_TREBLE && takes.drop(onset) >= LEAST_DROP_DB;
  }

  private Takes find() {
    List<Onsets.Onset> sudden = Onsets.find(treble, rate);
    List<Onsets.Onset> claps = claps(sudden);
    double least =
        RANGE_BELOW_LOUDEST * claps.stream().mapToDouble(Onsets.Onset::energy).max().orElse(0);
    claps.removeIf(o -> o.energy() < least);
    List<Integer> onsets =
        sudden.stream().filter(o -> o.energy() >= least).map(Onsets.Onset::at).toList();
    List<int[]> ranges = ranges(onsets, claps.stream().map(Onsets.Onset::at).toList());
    if (ranges.isEmpty()) {
      return Takes.none(
          claps.size() > 1
              ? "The claps come too close together; leave two seconds of silence after each."
              : "No clap or other sudden sound stands out; clap once, sharply, and wait two seconds in silence.");
    }
    List<String> warnings = new ArrayList<>();
    if (claps.size() < onsets.size()) {
      warnings.add(
          count(onsets.size() - claps.size(), "sudden sound was", "sudden sounds were")
              + " no clap and left out.");
    }
    if (claps.size() > ranges.size()) {
      warnings.add(
          count(claps.size() - ranges.size(), "clap was", "claps were")
              + " left out: the next sound came too soon.");
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
    return Takes.of(
        takes, lead, onsets.size() - ranges.size(), ranges.getFirst()[0] / rate, warnings);
  }

  /** Those with the treble and, where there are several, the drop of a clap. */
  private List<Onsets.Onset> claps(List<Onsets.Onset> sudden) {
    double[] shares = sudden.stream().mapToDouble(o -> trebleShare(o.at())).toArray();
    double most = Arrays.stream(shares).max().orElse(0);
    double least = Math.max(LEAST_TREBLE, LEAST_TREBLE_OF_MOST * most);
    List<Onsets.Onset> claps = new ArrayList<>();
    for (int i = 0; i < shares.length; i++) {
      if (shares[i] >= least) {
        claps.add(sudden.get(i));
      }
    }
    if (sudden.size() > 1 && !claps.isEmpty()) {
      double usual = Quantile.median(claps.stream().mapToDouble(o -> drop(o.at())).toArray());
      claps.removeIf(o -> drop(o.at()) < Math.min(LEAST_DROP_DB, usual / 2));
    }
    return claps;
  }

  private static String count(int n, String one, String many) {
    return n + " " + (n == 1 ? one : many);
  }

  private List<int[]> ranges(List<Integer> onsets, List<Integer> claps) {
    List<int[]> ranges = new ArrayList<>();
    for (int onset : claps) {
      int next = onsets.indexOf(onset) + 1;
      int end = next < onsets.size() ? onsets.get(next) - (int) (GUARD_SECONDS * rate) : x.length;
      end = (int) Math.min(end, onset + LONGEST_SECONDS * rate);
      end = quietUntil(treble, onset, end, TREBLE_STEPS, NEW_TREBLE_DB);
      ranges.add(new int[] {onset, quietUntil(sound, onset, end, SOUND_STEPS, NEW_SOUND_DB)});
    }
    ranges.removeIf(
        r -> r[1] - r[0] < (int) (Onsets.SHORTEST_GAP_SECONDS * rate) || !decays(r[0], r[1]));
    return DecayRanges.complete(ranges, x, rate);
  }

  /** Until something else, that did not begin suddenly, comes up. */
  private int quietUntil(double[] of, int onset, int end, int steps, double risesDb) {
    int step = (int) (STEP_SECONDS * rate);
    double rise = Decibels.toEnergy(risesDb);
    double silent = SILENT * mean(of, onset, onset + 2 * step);
    double least = Double.POSITIVE_INFINITY;
    for (int at = onset + 5 * step; at + steps * step <= end; at += step) {
      double now = mean(of, at, at + steps * step);
      if (now > rise * least) {
        return at + (steps - 5) * step;
      }
      least = Math.max(silent, Math.min(least, now));
    }
    return end;
  }

  private boolean decays(int from, int to) {
    int early = Math.min(to, from + (int) (0.02 * rate));
    double late = mean(treble, to - (to - from) / 10, to);
    return Decibels.ofEnergy(mean(treble, from, early) / Math.max(1e-300, late)) > LEAST_RANGE_DB;
  }

  /** How much weaker it is 60 to 100 ms after than in the first 15 ms. */
  private double drop(int onset) {
    int end = x.length;
    double first = mean(treble, onset, Math.min(end, onset + (int) (0.015 * rate)));
    double then =
        mean(
            treble,
            Math.min(end, onset + (int) (0.06 * rate)),
            Math.min(end, onset + (int) (0.1 * rate)));
    return Decibels.ofEnergy(first / Math.max(1e-300, then));
  }

  /** Share of what came up with a sudden sound that lies over 400 Hz. */
  private double trebleShare(int onset) {
    int length = (int) (TREBLE_WITHIN_SECONDS * rate);
    double[] after = Arrays.copyOfRange(x, onset, onset + length);
    double[] before = new double[length];
    int known = Math.min(onset, length);
    System.arraycopy(x, onset - known, before, length - known, known);
    double high = BandEnergy.between(after, rate, Onsets.TREBLE_HZ, rate / 2);
    double low =
        BandEnergy.between(after, rate, RUMBLE_HZ, Onsets.TREBLE_HZ)
            - BandEnergy.between(before, rate, RUMBLE_HZ, Onsets.TREBLE_HZ);
    return high > 0 ? high / (high + Math.max(0, low)) : 0;
  }

  private static double mean(double[] x, int from, int to) {
    int count = Math.clamp(Math.min(to, x.length) - from, 0, x.length);
    return Sums.ofSquares(x, from, count) / Math.max(1, count);
  }
}
