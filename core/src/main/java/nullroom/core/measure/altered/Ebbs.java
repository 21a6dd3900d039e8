package nullroom.core.measure.altered;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Noise that falls in pauses by as much in all bands, and not because something died away: a fan, a
 * pump, or traffic that swells and ebbs by itself. What its level does beside sounds shows nothing
 * then. A gain lifts the noise of a pause and lets it stand; it falls by a gain only where the next
 * sound is heard ahead, at the end of the pause. Nothing is said of a gain that moves such noise.
 */
final class Ebbs {
  /** Where it turns by less, noise may scatter so. */
  private static final double TURN_DB = 0.8;

  private static final double LEAST_DB = 1.2;
  private static final double ALIKE_DB = 0.8;
  private static final int FEWEST = 2;

  /** Of all falls together; in pauses of a voice there may be two by a breath. */
  private static final double ALL_DB = 4.1;

  /** Falls that go on from the middle of a pause. */
  private final List<Double> through = new ArrayList<>();

  /** Falls after which the noise comes up again in the same pause. */
  private final List<Double> again = new ArrayList<>();

  /** Falls ahead of the first sound, where nothing dies away and no gain was moved yet. */
  private final List<Double> ahead = new ArrayList<>();

  private Ebbs() {}

  static Ebbs of(FineBands fine, Pauses pauses) {
    Ebbs ebbs = new Ebbs();
    for (Stretch pause : pauses.all()) {
      Optional<Moments> moments = Moments.of(fine, pause);
      moments.ifPresent(ebbs::add);
      if (pause.from() == 0) {
        moments.ifPresent(ebbs::addAhead);
      }
    }
    return ebbs;
  }

  /** Whether noise falls and comes up again by itself. */
  boolean turn() {
    return are(again);
  }

  /** Whether it does so, or falls until the end of pauses, as it does behind a gate. */
  boolean any() {
    List<Double> all = new ArrayList<>(again);
    all.addAll(through);
    return are(all) || !ahead.isEmpty();
  }

  private static boolean are(List<Double> falls) {
    return falls.size() >= FEWEST && falls.stream().mapToDouble(f -> f).sum() > ALL_DB;
  }

  private void add(Moments pause) {
    double[] curve = pause.curve();
    int top = curve.length / 2; // what dies away counts from there on
    int low = 0;
    boolean rises = false;
    boolean dies = true;
    for (int k = 1; k < curve.length; k++) {
      if (rises) {
        top = curve[k] > curve[top] ? k : top;
        rises = curve[k] > curve[top] - TURN_DB;
        low = k;
      } else if (curve[k] < curve[low]) {
        low = k;
      } else if (curve[k] > curve[low] + TURN_DB) {
        add(pause, top, low, dies ? through : again);
        rises = true;
        dies = false;
        top = k;
      }
    }
    if (dies) {
      add(pause, top, low, through);
    }
  }

  /** The deepest fall. */
  private void addAhead(Moments pause) {
    double[] curve = pause.curve();
    int top = 0;
    int from = 0;
    int to = 0;
    for (int k = 1; k < curve.length; k++) {
      top = curve[k] > curve[top] ? k : top;
      if (curve[top] - curve[k] > curve[from] - curve[to]) {
        from = top;
        to = k;
      }
    }
    add(pause, from, to, ahead);
  }

  private static void add(Moments pause, int top, int low, List<Double> falls) {
    if (low > top) {
      double[] by = pause.rises(low, 1, top, 1);
      double fall = Weighted.mean(by, pause.weights());
      if (fall > LEAST_DB && pause.apartDb(by) < ALIKE_DB) {
        falls.add(fall);
      }
    }
  }
}
