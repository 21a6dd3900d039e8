package nullroom.core.measure.take;

import java.util.ArrayList;
import java.util.List;
import nullroom.core.Decibels;
import nullroom.core.measure.Moment;
import nullroom.core.signal.Sums;

/**
 * Gaps as a wireless link leaves them: the sound is gone within two thousandths of a second, stays
 * away for 15 to 400, and is back as suddenly. A voice that stops dies away with its room. Sound
 * that stands at one value is a {@link Dropouts drop-out} of the computer.
 */
final class LinkGaps {
  private static final double STEP_SECONDS = 0.001;
  private static final int BEFORE = 20;
  private static final double GONE_DB = 30;

  /** Back at once: nearly as loud as before, or risen so far within two steps. */
  private static final double NEARLY_DB = 17.5;

  private static final double BACK_DB = 25;
  private static final int SHORTEST = 15;
  private static final int LONGEST = 400;

  /** Sound is looked at from here on. */
  private static final double LOUD_DB = -50;

  private static final double LEAST = 1e-12;
  private static final int MOST = 1000;

  private final int step;
  private final double rate;
  private final double[] ring = new double[BEFORE];
  private final List<Moment> found = new ArrayList<>();
  private double squares;
  private int inStep;
  private long steps;
  private double before;
  private double two;
  private double last;
  private long since = -1;

  LinkGaps(double sampleRateHz) {
    rate = sampleRateHz;
    step = Math.max(1, (int) Math.round(STEP_SECONDS * sampleRateHz));
  }

  void add(double[] block, int length) {
    int at = 0;
    while (at < length) {
      int n = Math.min(length - at, step - inStep);
      squares += Sums.ofSquares(block, at, n);
      inStep += n;
      at += n;
      if (inStep == step) {
        end(Decibels.ofEnergy(2 * squares / step + LEAST));
        squares = 0;
        inStep = 0;
      }
    }
  }

  /** The next thousandth of a second has this level. */
  private void end(double db) {
    if (since >= 0) {
      gap(db);
    } else if (steps > BEFORE && db < two - GONE_DB && two > LOUD_DB && last > db) {
      before = mean();
      since = db < before - GONE_DB ? steps : -1;
    }
    ring[(int) (steps % BEFORE)] = db;
    two = last;
    last = db;
    steps++;
  }

  private void gap(double db) {
    long length = steps - since;
    if (db < before - GONE_DB) {
      since = length > LONGEST ? -1 : since;
      return;
    }
    boolean sudden = db > before - NEARLY_DB || db - Math.min(two, last) > BACK_DB;
    if (sudden && length >= SHORTEST && found.size() < MOST) {
      found.add(new Moment(since * step / rate, length * step / rate));
    }
    since = -1;
  }

  private double mean() {
    double sum = 0;
    for (double db : ring) {
      sum += Decibels.toEnergy(db);
    }
    return Decibels.ofEnergy(sum / BEFORE);
  }

  List<Moment> found() {
    return List.copyOf(found);
  }
}
