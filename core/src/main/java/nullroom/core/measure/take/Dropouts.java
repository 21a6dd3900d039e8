package nullroom.core.measure.take;

import java.util.ArrayList;
import java.util.List;
import nullroom.core.measure.Moment;
import nullroom.core.signal.Sums;

/**
 * Digital drop-outs: runs of one and the same value in the middle of sound, of a millisecond up to
 * half a second.
 */
final class Dropouts {
  private static final double SHORTEST_SECONDS = 0.001;
  private static final double LONGEST_SECONDS = 0.5;

  /** Sound around a drop-out reaches this amplitude. */
  private static final double SOUND = 0.003;

  /** So long before and after it. */
  private static final double AROUND_SECONDS = 0.01;

  /** A value held near the peak is a peak cut off. */
  private static final double MOST_OF_PEAK = 0.5;

  private static final int MOST = 1000;

  /** A run has a pair of equal samples at one of every so many places. */
  private static final int STRIDE = 3;

  private final double rate;
  private final int around;
  private final List<Moment> found = new ArrayList<>();
  private double soundBefore;
  private double soundNow;
  private double last = Double.NaN;
  private int run;
  private double soundAtRun;
  private Moment awaited = new Moment(0, 0);
  private long awaitUntil = -1;
  private long count;

  Dropouts(double sampleRateHz) {
    rate = sampleRateHz;
    around = (int) (AROUND_SECONDS * sampleRateHz);
  }

  /**
   * Takes the next samples.
   *
   * @param top the largest size among them
   */
  void add(double[] block, int length, double top) {
    int from = 0;
    while (from < length) {
      int to = (int) Math.min(length, from + around - count % around);
      piece(block, from, to, from == 0 && to == length ? top : Sums.peak(block, from, to - from));
      count += to - from;
      from = to;
      if (count % around == 0) {
        soundBefore = soundNow;
        soundNow = 0;
      }
    }
  }

  private void piece(double[] block, int from, int to, double peak) {
    if (awaitUntil >= count && peak >= SOUND) {
      keep();
    }
    awaitUntil = awaitUntil < count ? -1 : awaitUntil;
    if (run > 0 || block[from] == last || pairs(block, from, to)) {
      look(block, from, from, to, Math.max(soundBefore, soundNow));
    } else { // a run may begin with the last samples
      int start = Math.max(from, to - STRIDE);
      look(block, from, start, to, Math.max(soundBefore, Math.max(soundNow, peak)));
    }
    soundNow = Math.max(soundNow, peak);
  }

  private static boolean pairs(double[] block, int from, int to) {
    boolean found = false;
    for (int i = from; i + 1 < to; i += STRIDE) {
      found |= block[i] == block[i + 1];
    }
    return found;
  }

  /** Looks for runs in a piece from one of its samples on, before which there was sound. */
  private void look(double[] block, int from, int start, int to, double soundBeforeStart) {
    double before = start == from ? last : block[start - 1];
    double sound = soundBeforeStart;
    for (int i = start; i < to; i++) {
      double x = block[i];
      if (x == before) {
        if (run++ == 0) {
          soundAtRun = sound;
        }
      } else if (run > 0) {
        end(count + i - from, before);
        if (awaitUntil >= 0 && Sums.peak(block, i, to - i) >= SOUND) {
          keep();
        }
      }
      if (Math.abs(x) > sound) {
        sound = Math.abs(x);
      }
      before = x;
    }
    last = before;
  }

  /** A run has ended before a sample. */
  private void end(long at, double value) {
    double seconds = (run + 1) / rate;
    boolean held = seconds >= SHORTEST_SECONDS && seconds <= LONGEST_SECONDS;
    if (held && soundAtRun >= SOUND && Math.abs(value) < MOST_OF_PEAK * soundAtRun) {
      awaited = new Moment((at - run - 1) / rate, seconds);
      awaitUntil = at + around;
    }
    run = 0;
  }

  private void keep() {
    awaitUntil = -1;
    if (found.size() < MOST) {
      found.add(awaited);
    }
  }

  List<Moment> found() {
    return List.copyOf(found);
  }
}
