package nullroom.core.measure.take;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import nullroom.core.Decibels;
import nullroom.core.Quantile;
import nullroom.core.measure.Frames;
import nullroom.core.measure.Moment;
import nullroom.core.measure.take.Fault.Kind;

/**
 * Tells what spoils a take apart: rumble by whether a syllable comes with it and how long it lasts,
 * rustle by highs that go on without a voice under them. Limits are common practice.
 */
final class Faults {
  /** Octaves of the voice's middle, of 250 Hz to 8 kHz: 500 Hz to 2 kHz. */
  private static final int MIDDLE_FROM = 1;

  private static final int MIDDLE_TO = 4;
  private static final int HIGH_FROM = 4;
  private static final int HIGH_TO = 6;
  private static final int LOW_TO = 3;

  /** A plosive is over by then, even where it lies across frames. */
  private static final double LONGEST_PLOSIVE_SECONDS = 0.35;

  /** Its syllable comes within this. */
  private static final double SYLLABLE_SECONDS = 0.25;

  /** A syllable is no softer against the loud ones. */
  private static final double SYLLABLE_DB = 15;

  /** Knocks so near to one another are one hand. */
  private static final double ONE_HAND_SECONDS = 1.5;

  private static final int FEWEST_OF_A_HAND = 3;

  /** Cloth is so much softer than the voice at most, louder than its own lows, than its quiet. */
  private static final double RUSTLE_UNDER_VOICE_DB = 24;

  private static final double RUSTLE_OVER_LOWS_DB = 3;
  private static final double RUSTLE_OVER_QUIET_DB = 12;

  /** A hiss of the voice is shorter. */
  private static final double SHORTEST_RUSTLE_SECONDS = 0.55;

  private static final double RUSTLE_GAP_SECONDS = 0.1;
  private static final double LOUD_SHARE = 0.9;
  private static final double QUIET_SHARE = 0.1;

  private final Frames octaves;
  private final double seconds;
  private final double voice;

  private Faults(Frames octaves, double seconds) {
    this.octaves = octaves;
    this.seconds = seconds;
    double[] middle = new double[octaves.count()];
    for (int k = 0; k < middle.length; k++) {
      middle[k] = level(k, MIDDLE_FROM, MIDDLE_TO);
    }
    voice = middle.length == 0 ? 0 : Quantile.of(middle, LOUD_SHARE);
  }

  /**
   * All faults in the order of time.
   *
   * @param thumps rumble
   * @param gaps of a link
   * @param octaves levels of the octaves from 250 Hz to 8 kHz
   * @param seconds length of their rows
   */
  static List<Fault> of(List<Moment> thumps, List<Moment> gaps, Frames octaves, double seconds) {
    List<Fault> all = new ArrayList<>();
    Faults faults = new Faults(octaves, seconds);
    faults.rumble(thumps, all);
    if (octaves.count() > 0) {
      faults.rustle(all);
    }
    gaps.forEach(g -> all.add(new Fault(Kind.LINK, g)));
    all.sort(Comparator.comparingDouble(f -> f.moment().startSeconds()));
    return List.copyOf(all);
  }

  private double level(int row, int from, int to) {
    double sum = 0;
    for (int o = from; o < to; o++) {
      sum += Decibels.toEnergy(octaves.get(row, o));
    }
    return Decibels.ofEnergy(sum + 1e-20);
  }

  private void rumble(List<Moment> thumps, List<Fault> all) {
    List<Moment> knocks = new ArrayList<>();
    for (Moment m : thumps) {
      if (m.durationSeconds() > LONGEST_PLOSIVE_SECONDS) {
        all.add(new Fault(Kind.WIND, m));
      } else if (spoken(m)) {
        all.add(new Fault(Kind.PLOSIVE, m));
      } else {
        knocks.add(m);
      }
    }
    int from = 0;
    for (int k = 1; k <= knocks.size(); k++) {
      Moment last = knocks.get(k - 1);
      if (k < knocks.size()
          && knocks.get(k).startSeconds() - last.startSeconds() < ONE_HAND_SECONDS) {
        continue;
      }
      if (k - from >= FEWEST_OF_A_HAND) {
        double start = knocks.get(from).startSeconds();
        all.add(
            new Fault(
                Kind.HANDLING,
                new Moment(start, last.startSeconds() + last.durationSeconds() - start)));
      } else {
        knocks.subList(from, k).forEach(m -> all.add(new Fault(Kind.BUMP, m)));
      }
      from = k;
    }
  }

  /** Whether a syllable sounds with it or soon after. */
  private boolean spoken(Moment m) {
    int from = Math.max(0, (int) (m.startSeconds() / seconds));
    int to =
        (int)
            Math.min(
                octaves.count(),
                (m.startSeconds() + m.durationSeconds() + SYLLABLE_SECONDS) / seconds);
    for (int k = from; k < to; k++) {
      if (level(k, MIDDLE_FROM, MIDDLE_TO) > voice - SYLLABLE_DB) {
        return true;
      }
    }
    return false;
  }

  private void rustle(List<Fault> all) {
    int n = octaves.count();
    double[] high = new double[n];
    for (int k = 0; k < n; k++) {
      high[k] = level(k, HIGH_FROM, HIGH_TO);
    }
    double quiet = Quantile.of(high, QUIET_SHARE);
    int gap = (int) Math.round(RUSTLE_GAP_SECONDS / seconds);
    int from = -1;
    int last = -1;
    for (int k = 0; k <= n; k++) {
      boolean rustles =
          k < n
              && high[k] > Math.max(voice - RUSTLE_UNDER_VOICE_DB, quiet + RUSTLE_OVER_QUIET_DB)
              && high[k] > level(k, 0, LOW_TO) + RUSTLE_OVER_LOWS_DB;
      if (rustles) {
        from = from < 0 ? k : from;
        last = k;
      } else if (from >= 0 && (k - last > gap || k == n)) {
        double length = (last + 1 - from) * seconds;
        if (length >= SHORTEST_RUSTLE_SECONDS) {
          all.add(new Fault(Kind.RUSTLE, new Moment(from * seconds, length)));
        }
        from = -1;
      }
    }
  }
}
