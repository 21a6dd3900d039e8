package nullroom.core.measure;

import java.util.ArrayList;
import java.util.List;

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

  private final double rate;
  private final List<Moment> found = new ArrayList<>();
  private double peakBefore;
  private double peakNow;
  private double value;
  private long runStart;
  private double soundBefore;
  private long awaitUntil = -1;
  private Moment awaited = new Moment(0, 0);
  private long count;

  Dropouts(double sampleRateHz) {
    rate = sampleRateHz;
  }

  void add(double[] block, int length) {
    int around = (int) (AROUND_SECONDS * rate);
    for (int i = 0; i < length; i++) {
      double x = block[i];
      if (x != value) {
        end();
        value = x;
        runStart = count;
        soundBefore = Math.max(peakBefore, peakNow);
      }
      double size = Math.abs(x);
      peakNow = Math.max(peakNow, size);
      if (count % around == 0) {
        peakBefore = peakNow;
        peakNow = size;
      }
      if (awaitUntil >= 0 && size >= SOUND) {
        keep();
      } else if (count > awaitUntil) {
        awaitUntil = -1;
      }
      count++;
    }
  }

  private void end() {
    double seconds = (count - runStart) / rate;
    boolean held = seconds >= SHORTEST_SECONDS && seconds <= LONGEST_SECONDS;
    if (held && soundBefore >= SOUND && Math.abs(value) < MOST_OF_PEAK * soundBefore) {
      awaited = new Moment(runStart / rate, seconds);
      awaitUntil = count + (long) (AROUND_SECONDS * rate);
    }
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
