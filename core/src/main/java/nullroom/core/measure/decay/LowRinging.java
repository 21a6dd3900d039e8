package nullroom.core.measure.decay;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import nullroom.core.Decibels;
import nullroom.core.Quantile;
import nullroom.core.Regression;

/**
 * Low frequencies that ring on when all around them has died away, as single modes of a small room
 * do. A narrow window is moved over the bass; where its late sound is a peak that stands out, and
 * lives longer than its neighbours, something rings.
 *
 * <p>A noise-like decay passes for ringing hardly ever: of 240 seeded ones none reached 0.8 of both
 * thresholds.
 */
final class LowRinging {
  private static final double FROM_HZ = 28;
  private static final double TO_HZ = 250;
  private static final double STEP_HZ = 1;

  /** Rings 50 ms long itself, and tells modes 6 Hz apart. */
  private static final double WINDOW_HZ = 3;

  /** Envelope values a second, at least. */
  private static final double LEAST_RATE = 750;

  /** What comes later than this is late. */
  private static final double LATE_SECONDS = 0.1;

  private static final double NEIGHBOURS = 1.6;
  private static final double LEAST_OVER_DB = 10;
  private static final double LEAST_LONGER = 1.5;

  /** Weaker late sound than this under the strongest does no harm. */
  private static final double BELOW_STRONGEST_DB = 25;

  private static final double LEAST_RANGE_DB = 25;

  private record Narrow(double hz, double lateDb, double seconds) {}

  private LowRinging() {}

  /** What rings, ascending. */
  static List<DecayReport.Ringing> find(List<ZeroPhase> takes, int lead, double rate) {
    if (takes.isEmpty()) {
      return List.of();
    }
    int every = Math.max(1, Integer.highestOneBit((int) (rate / LEAST_RATE)));
    List<Narrow> all = new ArrayList<>();
    for (double hz = FROM_HZ; hz <= TO_HZ; hz += STEP_HZ) {
      all.add(narrow(takes, hz, lead / every, every, rate / every));
    }
    double strongest = all.stream().mapToDouble(Narrow::lateDb).max().orElseThrow();
    List<DecayReport.Ringing> ringing = new ArrayList<>();
    for (int k = 1; k < all.size() - 1; k++) {
      Narrow here = all.get(k);
      if (here.lateDb() > all.get(k - 1).lateDb()
          && here.lateDb() >= all.get(k + 1).lateDb()
          && here.lateDb() > strongest - BELOW_STRONGEST_DB
          && here.lateDb() > LEAST_OVER_DB + usual(all, here.hz(), Narrow::lateDb)
          && here.seconds() > LEAST_LONGER * usual(all, here.hz(), Narrow::seconds)) {
        ringing.add(new DecayReport.Ringing(here.hz(), here.seconds()));
      }
    }
    return ringing;
  }

  private static Narrow narrow(List<ZeroPhase> takes, double hz, int lead, int every, double rate) {
    double[] squared = takes.getFirst().narrow(hz, WINDOW_HZ, every);
    for (ZeroPhase take : takes.subList(1, takes.size())) {
      double[] more = take.narrow(hz, WINDOW_HZ, every);
      for (int i = 0; i < squared.length; i++) {
        squared[i] += more[i];
      }
    }
    double[] after = Arrays.copyOfRange(squared, Math.min(lead, squared.length), squared.length);
    Lundeby tail = Lundeby.of(after, rate);
    double peak = Arrays.stream(after).max().orElse(0);
    if (tail.decayPerSample() == 0 || Decibels.ofEnergy(peak / tail.noise()) < LEAST_RANGE_DB) {
      return new Narrow(hz, Decibels.ofEnergy(1e-30), 0);
    }
    double late = 1e-30;
    double sum = 0;
    double[] curve = new double[tail.crossing()];
    for (int i = curve.length - 1; i >= 0; i--) {
      sum += Math.max(0, after[i] - tail.noise());
      curve[i] = sum;
      if (i >= LATE_SECONDS * rate) {
        late = Math.max(late, sum);
      }
    }
    for (int i = 0; i < curve.length; i++) {
      curve[i] = Decibels.ofEnergy(Math.max(1e-30, curve[i] / Math.max(1e-30, sum)));
    }
    Regression fit = Regression.between(curve, -5, -LEAST_RANGE_DB);
    boolean falls = fit.count() > 2 && fit.slope() < 0;
    return new Narrow(hz, Decibels.ofEnergy(late), falls ? -60 / fit.slope() / rate : 0);
  }

  /** Middle value of the neighbours that could be read. */
  private static double usual(
      List<Narrow> all, double hz, java.util.function.ToDoubleFunction<Narrow> figure) {
    double[] near =
        all.stream()
            .filter(n -> n.seconds() > 0 && n.hz() > hz / NEIGHBOURS && n.hz() < hz * NEIGHBOURS)
            .mapToDouble(figure)
            .toArray();
    return near.length == 0 ? Double.POSITIVE_INFINITY : Quantile.median(near);
  }
}
