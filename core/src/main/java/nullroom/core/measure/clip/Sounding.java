package nullroom.core.measure.clip;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import nullroom.core.Decibels;
import nullroom.core.Quantile;
import nullroom.core.measure.decay.Talk;
import nullroom.core.signal.Butterworth;
import nullroom.core.signal.Samples;
import nullroom.core.signal.Sums;

/** What of a recording rises from its quiet, in hundredths of a second over 150 Hz. */
final class Sounding {
  private static final double STEP_SECONDS = 0.01;
  private static final double RUMBLE_HZ = 150;

  /** The quiet is the least level of so long a stretch, most of it. */
  private static final double QUIET_SECONDS = 1.5;

  /** Where nothing is quiet for so long, the least of a pause. */
  private static final double PAUSE_SECONDS = 0.3;

  private static final double NO_QUIET_DB = 6;
  private static final double QUIET_QUANTILE = 0.7;

  /** What sounds stands so far over it. */
  private static final double OVER_DB = 7;

  /** What is fainter against the loudest is not looked at. */
  private static final double FAINTEST_DB = 70;

  /** What stops for less goes on. */
  private static final double GAP_SECONDS = 0.12;

  private static final double SHORTEST_SECONDS = 0.02;

  /** So soon after a sound no other begins. */
  private static final int SHORTEST_STEPS = 5;

  /** A clap is at its loudest at once. */
  private static final double SUDDEN_SECONDS = 0.05;

  /** And stands over the quiet by more. */
  private static final double CLAP_OVER_DB = 15;

  /** What rises by so much within something that sounds is another sound. */
  private static final double ANOTHER_DB = 20;

  /** And comes up again by no more. */
  private static final double RISE_DB = 7;

  /** And is so much weaker soon after. */
  private static final double DROP_DB = 5;

  private static final double DROP_SECONDS = 0.1;
  private static final double RISE_WITHIN_SECONDS = 0.03;

  /** The first instant stands so far over the mean of what follows. */
  private static final double SHARP_DB = 15;

  private static final double SHARP_SECONDS = 0.06;

  private static final int FEWEST_SYLLABLES = 3;

  /** Of speech a tenth to a quarter; of instruments more than half. */
  private static final double HELD = 0.4;

  private final double[] db;
  private final double[] sharp;
  private final double threshold;
  private final Samples sound;

  private Sounding(Samples sound, double[] db, double[] sharp) {
    this.sound = sound;
    this.db = db;
    this.sharp = sharp;
    double quiet = least(db, QUIET_SECONDS);
    double pause = least(db, PAUSE_SECONDS);
    threshold =
        Math.max(
            (quiet - pause > NO_QUIET_DB ? pause : quiet) + OVER_DB,
            Arrays.stream(db).max().orElse(0) - FAINTEST_DB);
  }

  private static double least(double[] db, double seconds) {
    int width = Math.min(db.length, (int) (seconds / STEP_SECONDS));
    double least = Double.POSITIVE_INFINITY;
    for (int k = 0; k + width <= db.length; k += Math.max(1, width / 8)) {
      least = Math.min(least, Quantile.of(db, k, k + width, QUIET_QUANTILE));
    }
    return least;
  }

  static Sounding of(Samples sound) {
    double rate = sound.sampleRateHz();
    double[] x = sound.toArray();
    double[] high = new double[x.length];
    Butterworth.highPass(2, RUMBLE_HZ, rate).filter(x, high, x.length);
    int step = Math.max(1, (int) (STEP_SECONDS * rate));
    double[] db = new double[x.length / step];
    double[] sharp = new double[db.length];
    for (int k = 0; k < db.length; k++) {
      db[k] = Decibels.ofEnergy(Sums.ofSquares(high, k * step, step) / step + 1e-20);
      sharp[k] = Decibels.ofAmplitude(Sums.peak(high, k * step, step) + 1e-10);
    }
    return new Sounding(sound, db, sharp);
  }

  /**
   * Something that sounds.
   *
   * @param from seconds
   * @param to seconds
   * @param peakDb its loudest sample
   * @param likeAClap whether it begins suddenly with its loudest and then dies away
   */
  record Region(double from, double to, double peakDb, boolean likeAClap) {}

  List<Region> regions() {
    List<Region> all = new ArrayList<>();
    int gap = (int) (GAP_SECONDS / STEP_SECONDS);
    int k = 0;
    while (k < db.length) {
      if (db[k] <= threshold) {
        k++;
        continue;
      }
      int to = k;
      int silent = 0;
      int j = k;
      while (j < db.length && silent <= gap) {
        if (db[j] > threshold) {
          to = j + 1;
          silent = 0;
        } else {
          silent++;
        }
        j++;
      }
      split(k, to, all);
      k = to + 1;
    }
    return all;
  }

  /** What rises suddenly out of something else that sounds is a region of its own. */
  private void split(int from, int to, List<Region> all) {
    int start = from;
    int before = (int) (RISE_WITHIN_SECONDS / STEP_SECONDS);
    for (int k = from + 2 * before; k < to; k++) {
      double was = db[k - before];
      boolean sudden = db[k] > was + ANOTHER_DB;
      if (sudden && k - start > SHORTEST_STEPS) {
        add(start, k - 1, all);
        start = k - 1;
        k += 2 * SHORTEST_STEPS;
      }
    }
    add(start, to, all);
  }

  private void add(int from, int to, List<Region> all) {
    if ((to - from) * STEP_SECONDS < SHORTEST_SECONDS) {
      return;
    }
    double peak = Arrays.stream(sharp, from, to).max().orElse(-200);
    all.add(new Region(from * STEP_SECONDS, to * STEP_SECONDS, peak, likeAClap(from, to)));
  }

  private boolean likeAClap(int from, int to) {
    int loudest = from;
    for (int k = from; k < to; k++) {
      loudest = db[k] > db[loudest] ? k : loudest;
    }
    if ((loudest - from) * STEP_SECONDS > SUDDEN_SECONDS
        || db[loudest] < threshold - OVER_DB + CLAP_OVER_DB) {
      return false;
    }
    int soon = Math.min(db.length - 1, loudest + (int) (DROP_SECONDS / STEP_SECONDS));
    double low = db[loudest];
    for (int k = loudest; k < to; k++) {
      double here = k + 2 < db.length ? Math.max(db[k], Math.max(db[k + 1], db[k + 2])) : db[k];
      if (here > low + RISE_DB && k > loudest + SHORTEST_STEPS) {
        return false;
      }
      low = Math.min(low, here);
    }
    return db[loudest] - db[soon] > DROP_DB && isSharp(from, to);
  }

  /** The loudest sample over the mean of the sixty milliseconds from it on. */
  private boolean isSharp(int from, int to) {
    int loudest = from;
    for (int k = from; k < to; k++) {
      loudest = sharp[k] > sharp[loudest] ? k : loudest;
    }
    int end = Math.min(db.length, loudest + (int) (SHARP_SECONDS / STEP_SECONDS));
    double sum = 0;
    for (int k = loudest; k < end; k++) {
      sum += Decibels.toEnergy(db[k]);
    }
    return sharp[loudest] - Decibels.ofEnergy(sum / (end - loudest)) > SHARP_DB;
  }

  /** Mean level of a part, decibels. */
  double levelDb(ClipPart part) {
    int from = (int) (part.fromSeconds() / STEP_SECONDS);
    int to = Math.min(db.length, (int) (part.toSeconds() / STEP_SECONDS));
    double sum = 0;
    for (int k = from; k < to; k++) {
      sum += Decibels.toEnergy(db[k]);
    }
    return Decibels.ofEnergy(sum / Math.max(1, to - from) + 1e-20);
  }

  /** What a stretch that sounds holds: talk goes up and down, music stands on its tones. */
  ClipPart.Kind kind(double from, double to) {
    if (Tones.held(sound, from, to) > HELD) {
      return ClipPart.Kind.MUSIC;
    }
    return undulates(from, to) ? ClipPart.Kind.TALK : ClipPart.Kind.OTHER;
  }

  /** Whether a stretch goes up and down as syllables do. */
  boolean undulates(double from, double to) {
    int first = (int) (from / STEP_SECONDS);
    int last = Math.min(db.length, (int) (to / STEP_SECONDS));
    return Talk.undulates(
        Arrays.stream(db, first, last).map(Decibels::toEnergy).toArray(), FEWEST_SYLLABLES);
  }
}
