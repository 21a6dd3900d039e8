package nullroom.core.measure.noise;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import nullroom.core.Decibels;
import nullroom.core.Progress;
import nullroom.core.Quantile;
import nullroom.core.acoustics.Bands;
import nullroom.core.signal.SampleSource;
import nullroom.core.signal.Samples;
import nullroom.core.signal.Sums;
import nullroom.core.signal.Weighting;

/**
 * One recording in which something is switched on or off: the moments are found where the level of
 * half a second settles on another of two levels, and stays.
 *
 * @param onDbfs octaves while it is on, which is the louder
 * @param offDbfs octaves while it is off
 * @param switchedSeconds when it is switched
 */
public record Switching(Bands onDbfs, Bands offDbfs, List<Double> switchedSeconds) {
  private static final double STEP_SECONDS = 0.5;

  /** Between two of them lies more than what a steady noise does. */
  private static final double LEAST_DB = 2;

  /** It stays as it is for so long at least. */
  private static final double LEAST_SECONDS = 2.5;

  /** Around a switch nothing is measured. */
  private static final double AROUND_SECONDS = 0.75;

  private static final int ROUNDS = 20;

  public Switching {
    switchedSeconds = List.copyOf(switchedSeconds);
  }

  /** Empty where nothing is switched. */
  public static Optional<Switching> of(Samples sound) {
    double rate = sound.sampleRateHz();
    int step = (int) (STEP_SECONDS * rate);
    double[] db = levels(sound, step);
    if (db.length < 2 * LEAST_SECONDS / STEP_SECONDS) {
      return Optional.empty();
    }
    double[] two = twoLevels(db);
    if (two[1] - two[0] < LEAST_DB) {
      return Optional.empty();
    }
    boolean[] on = new boolean[db.length];
    for (int k = 0; k < db.length; k++) {
      on[k] = db[k] > (two[0] + two[1]) / 2;
    }
    settle(on);
    List<Double> switched = new ArrayList<>();
    for (int k = 1; k < on.length; k++) {
      if (on[k] != on[k - 1]) {
        switched.add(k * STEP_SECONDS);
      }
    }
    if (switched.isEmpty()) {
      return Optional.empty();
    }
    Optional<Bands> loud = octaves(sound, on, true);
    Optional<Bands> soft = octaves(sound, on, false);
    return loud.isPresent() && soft.isPresent()
        ? Optional.of(new Switching(loud.get(), soft.get(), switched))
        : Optional.empty();
  }

  private static double[] levels(Samples sound, int step) {
    double[] db = new double[sound.count() / step];
    double[] block = new double[step];
    Weighting.Filter a = Weighting.A.filter(sound.sampleRateHz());
    for (int k = 0; k < db.length; k++) {
      sound.copyTo(k * step, block, step);
      a.filter(block, block, step);
      db[k] = Decibels.ofEnergy(Sums.ofSquares(block, 0, step) / step + 1e-20);
    }
    return db;
  }

  /** The means of the softer and the louder half-seconds, by two means that settle. */
  private static double[] twoLevels(double[] db) {
    double low = Quantile.of(db, 0.1);
    double high = Quantile.of(db, 0.9);
    for (int round = 0; round < ROUNDS; round++) {
      double middle = (low + high) / 2;
      low = Arrays.stream(db).filter(v -> v <= middle).average().orElse(low);
      high = Arrays.stream(db).filter(v -> v > middle).average().orElse(high);
    }
    return new double[] {low, high};
  }

  /** What lasts too short belongs to what is around it. */
  private static void settle(boolean[] on) {
    int least = (int) Math.ceil(LEAST_SECONDS / STEP_SECONDS);
    int from = 0;
    for (int k = 1; k <= on.length; k++) {
      if (k == on.length || on[k] != on[from]) {
        if (k - from < least && !(from == 0 && k == on.length)) {
          boolean around = from > 0 ? on[from - 1] : !on[from];
          Arrays.fill(on, from, k, around);
        }
        from = k;
      }
    }
  }

  private static Optional<Bands> octaves(Samples sound, boolean[] on, boolean which) {
    double rate = sound.sampleRateHz();
    double[] all = new double[sound.count()];
    double[] x = sound.toArray();
    int n = 0;
    int around = (int) (AROUND_SECONDS * rate);
    int step = (int) (STEP_SECONDS * rate);
    int from = 0;
    for (int k = 1; k <= on.length; k++) {
      if (k == on.length || on[k] != on[from]) {
        if (on[from] == which) {
          int first = from * step + (from > 0 ? around : 0);
          int last = k * step - (k < on.length ? around : 0);
          if (last > first) {
            System.arraycopy(x, first, all, n, last - first);
            n += last - first;
          }
        }
        from = k;
      }
    }
    return n < rate
        ? Optional.empty()
        : NoiseMeter.measure(
                SampleSource.of(new Samples(Arrays.copyOf(all, n), rate)), Progress.NONE)
            .getFirst()
            .octaveDbSpl(0);
  }
}
