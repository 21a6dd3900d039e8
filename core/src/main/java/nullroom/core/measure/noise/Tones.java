package nullroom.core.measure.noise;

import java.math.BigInteger;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import nullroom.core.Decibels;
import nullroom.core.Quantile;

/**
 * Finds steady tones in an averaged power spectrum and says which are mains hum.
 *
 * <p>The noise floor is a running median, which a tone of a few bins cannot offset and a slope of
 * any colour does not bend. A group of bins that stands over it is a tone where it is narrow and
 * where its level stands {@link #LEAST_PROMINENCE_DB} or more over the noise in the critical band
 * around it, whose width is that of ISO 1996-2:2007 Annex C: 100 Hz up to 500 Hz, a fifth of the
 * frequency above (from memory).
 */
public final class Tones {
  static final double LEAST_PROMINENCE_DB = 3;

  /** A partner of a hum that is plain already may be weaker. */
  private static final double LEAST_PARTNER_DB = -6;

  /** Bins over the floor by this factor belong to a tone or to the noise's luck. */
  private static final double STANDS_OUT = 4;

  private static final double WIDEST_HZ = 10;

  /** A Hann window's main lobe reaches two bins to each side, its first side lobe four. */
  private static final int LOBE_BINS = 5;

  /** Its side lobes lie 31 dB and more under it. */
  private static final double LEAST_OF_TOP = 0.002;

  private static final double FOOT = 0.01;
  private static final double LOWEST_HZ = 18;
  private static final int HALF_WINDOW_BINS = 24;

  private static final double[] MAINS_HZ = {50, 60};
  private static final double MAINS_DRIFT_HZ = 0.4;
  private static final double HARMONIC_SLACK_HZ = 0.8;
  private static final int HIGHEST_HARMONIC = 40;
  private static final int ALWAYS_HARMONIC = 6;
  private static final int ORDERS_APART = 4;

  /** Lines of a comb are looked for in so many parts of the distance between a hum's. */
  private static final int FINEST_PARTS = 6;

  private static final int FEWEST_BETWEEN = 3;

  private Tones() {}

  /**
   * The tones, by frequency, those of a hum marked.
   *
   * @param power mean square per bin, Hann weighted; bin k at k times {@code binHz}
   */
  public static List<Tone> find(double[] power, double binHz) {
    double[] floor = floor(power);
    List<Tone> all = new ArrayList<>();
    int last = (int) (power.length * 0.95);
    for (int k = (int) Math.ceil(LOWEST_HZ / binHz); k < last; k++) {
      if (power[k] > STANDS_OUT * floor[k]) {
        int from = k;
        while (k < last && power[k] > STANDS_OUT * floor[k]) {
          k++;
        }
        if ((k - from) * binHz <= WIDEST_HZ) {
          all.add(tone(power, floor, from, k, binHz));
        } else {
          peaks(power, floor, from, k, binHz, all);
        }
      }
    }
    Optional<MainsHum> hum = hum(all);
    return all.stream()
        .map(t ->
            new Tone(
                t.frequencyHz(),
                t.levelDbfs(),
                t.prominenceDb(),
                belongs(hum, t) ? Tone.Kind.MAINS : Tone.Kind.TONE))
        .filter(t -> t.mains() || t.prominenceDb() >= LEAST_PROMINENCE_DB)
        .toList();
  }

  /**
   * The tones in a stretch that is too wide for one: a strong tone spreads over many bins under the
   * window, its peak stays narrow; a band of noise has no narrow peak.
   */
  private static void peaks(
      double[] power, double[] floor, int from, int to, double binHz, List<Tone> all) {
    double top = 0;
    for (int k = from; k < to; k++) {
      top = Math.max(top, power[k]);
    }
    for (int k = Math.max(from, LOBE_BINS); k < to; k++) {
      boolean highest = power[k] > LEAST_OF_TOP * top;
      for (int j = k - LOBE_BINS; highest && j <= Math.min(power.length - 1, k + LOBE_BINS); j++) {
        highest = power[j] <= power[k];
      }
      if (highest && width(power, k) * binHz <= WIDEST_HZ) {
        all.add(tone(power, floor, k - 2, k + 3, binHz));
      }
    }
  }

  /** Bins around a peak down to 20 dB under it. */
  private static int width(double[] power, int peak) {
    int low = peak;
    int high = peak;
    while (low > 0 && power[low] > FOOT * power[peak]) {
      low--;
    }
    while (high < power.length - 1 && power[high] > FOOT * power[peak]) {
      high++;
    }
    return high - low - 1;
  }

  private static boolean belongs(Optional<MainsHum> hum, Tone tone) {
    return hum.isPresent() && hum.get().harmonicsHz().contains(tone.frequencyHz());
  }

  private static double[] floor(double[] power) {
    double[] floor = new double[power.length];
    for (int k = 0; k < power.length; k++) {
      int half = Math.min(HALF_WINDOW_BINS, Math.min(k, power.length - 1 - k));
      floor[k] = Math.max(Quantile.of(power, k - half, k + half + 1, 0.5), 1e-30);
    }
    return floor;
  }

  private static Tone tone(double[] power, double[] floor, int from, int to, double binHz) {
    int top = from;
    for (int k = from; k < to; k++) {
      top = power[k] > power[top] ? k : top;
    }
    double energy = 0;
    double weighted = 0;
    for (int k = Math.max(1, from - 1); k <= Math.min(to, power.length - 1); k++) {
      double over = Math.max(0, power[k] - floor[k]);
      energy += over;
      weighted += over * k;
    }
    double hz = weighted / energy * binHz;
    double width = Math.max(100, 0.2 * hz);
    int low = Math.max(1, (int) Math.round((hz - width / 2) / binHz));
    int high = Math.min(power.length - 1, (int) Math.round((hz + width / 2) / binHz));
    double noise = 0;
    for (int k = low; k <= high; k++) {
      noise += floor[k];
    }
    noise *= width / ((high - low + 1) * binHz); // a band cut at 0 Hz counts in full
    return new Tone(hz, Decibels.dbfs(energy), Decibels.ofEnergy(energy / noise), Tone.Kind.TONE);
  }

  /** The mains family among the tones, where one is plain. */
  static Optional<MainsHum> hum(List<Tone> tones) {
    return Arrays.stream(MAINS_HZ)
        .mapToObj(base -> family(tones, base))
        .flatMap(Optional::stream)
        .max(Comparator.comparingDouble(MainsHum::levelDbfs));
  }

  private static Optional<MainsHum> family(List<Tone> tones, double base) {
    double best = base;
    double bestScore = 0;
    for (double f0 = base - MAINS_DRIFT_HZ; f0 <= base + MAINS_DRIFT_HZ; f0 += 0.01) {
      double score = 0;
      for (Tone t : tones) {
        double miss = miss(t, f0);
        if (miss < HARMONIC_SLACK_HZ && t.prominenceDb() >= LEAST_PARTNER_DB) {
          score += (1 - miss / HARMONIC_SLACK_HZ) * Math.max(0.1, t.prominenceDb() + 10);
        }
      }
      if (score > bestScore + 1e-9) {
        bestScore = score;
        best = f0;
      }
    }
    double f0 = best;
    List<Tone> members = new ArrayList<>();
    long reached = ALWAYS_HARMONIC;
    for (Tone t : tones) { // ascending: a high harmonic needs another not far below it
      long n = Math.round(t.frequencyHz() / f0);
      if (miss(t, f0) < HARMONIC_SLACK_HZ && t.prominenceDb() >= LEAST_PARTNER_DB && n <= reached) {
        members.add(t);
        reached = Math.max(reached, n + ORDERS_APART);
      }
    }
    boolean low =
        members.stream()
            .anyMatch(t ->
                t.prominenceDb() >= LEAST_PROMINENCE_DB && Math.round(t.frequencyHz() / f0) <= 2);
    if (!low && members.size() < 3) { // one line at 300 Hz is of both families, or of neither
      return Optional.empty();
    }
    if (ofFinerComb(members, tones, f0)) {
      return Optional.empty();
    }
    double energy = 0;
    double weighted = 0;
    double prominence = Double.NEGATIVE_INFINITY;
    for (Tone t : members) {
      double e = Decibels.meanSquareOfDbfs(t.levelDbfs());
      energy += e;
      weighted += e * t.frequencyHz() / Math.round(t.frequencyHz() / f0);
      prominence = Math.max(prominence, t.prominenceDb());
    }
    return Optional.of(
        new MainsHum(
            weighted / energy,
            members.stream().map(Tone::frequencyHz).toList(),
            Decibels.dbfs(energy),
            prominence));
  }

  /**
   * Whether the members are only every so many-th line of a comb that is stronger between them: the
   * folded harmonics of some other sound, which meet multiples of the mains by chance.
   */
  private static boolean ofFinerComb(List<Tone> members, List<Tone> tones, double f0) {
    BigInteger common = BigInteger.ZERO;
    double energy = 0;
    for (Tone t : members) {
      common = common.gcd(BigInteger.valueOf(Math.round(t.frequencyHz() / f0)));
      energy += Decibels.meanSquareOfDbfs(t.levelDbfs());
    }
    double top = members.getLast().frequencyHz();
    for (int parts = 2; parts <= FINEST_PARTS; parts++) {
      double step = common.longValue() * f0 / parts;
      int others = 0;
      double othersEnergy = 0;
      for (Tone t : tones) {
        double off = Math.abs(t.frequencyHz() - step * Math.round(t.frequencyHz() / step));
        if (off < HARMONIC_SLACK_HZ && t.frequencyHz() < top && !members.contains(t)) {
          others++;
          othersEnergy += Decibels.meanSquareOfDbfs(t.levelDbfs());
        }
      }
      if (others >= Math.max(FEWEST_BETWEEN, members.size()) && othersEnergy > energy) {
        return true;
      }
    }
    return false;
  }

  private static double miss(Tone tone, double f0) {
    long n = Math.round(tone.frequencyHz() / f0);
    return n < 1 || n > HIGHEST_HARMONIC
        ? Double.POSITIVE_INFINITY
        : Math.abs(tone.frequencyHz() - n * f0);
  }
}
