package nullroom.core.measure;

import java.util.ArrayList;
import java.util.List;
import nullroom.core.signal.Sums;

/** Finds the starts of claps, pops and other impulses. */
final class Onsets {
  private static final double FRAME_SECONDS = 0.002;

  /** Claps of one series differ by less; weaker sudden sounds are steps, clicks and echoes. */
  private static final double RANGE_BELOW_LOUDEST = 0.03;

  /** A clap rises at least this much, in energy, over the 30 ms before it (13 dB). */
  static final double RISE = 20;

  private static final double BEFORE_SECONDS = 0.03;

  /** Two claps nearer than this leave no decay to measure. */
  static final double SHORTEST_GAP_SECONDS = 0.25;

  /** ISO 3382-1, A.2.1: the response starts where it comes within 20 dB of its maximum. */
  private static final double START_BELOW_PEAK = 0.1;

  private Onsets() {}

  /** Sample indices of the starts, ascending; empty where nothing rises suddenly. */
  static List<Integer> find(double[] x, double sampleRateHz) {
    int frame = Math.max(1, (int) (FRAME_SECONDS * sampleRateHz));
    double[] energy = frames(x, frame);
    double loudest = 0;
    for (double e : energy) {
      loudest = Math.max(loudest, e);
    }
    List<Integer> onsets = new ArrayList<>();
    int before = (int) Math.round(BEFORE_SECONDS / FRAME_SECONDS);
    int gap = (int) Math.round(SHORTEST_GAP_SECONDS / FRAME_SECONDS);
    int next = 0;
    for (int k = 0; k < energy.length; k++) {
      if (k >= next
          && energy[k] > RANGE_BELOW_LOUDEST * loudest
          && energy[k] > RISE * meanBefore(energy, k, before)) {
        onsets.add(start(x, k * frame, frame, sampleRateHz));
        next = k + gap;
      }
    }
    return onsets;
  }

  /** Energy of each whole frame. */
  static double[] frames(double[] x, int frame) {
    double[] energy = new double[x.length / frame];
    for (int k = 0; k < energy.length; k++) {
      energy[k] = Sums.ofSquares(x, k * frame, frame);
    }
    return energy;
  }

  /**
   * Mean energy of the frames before, leaving out the one just before, which may hold the first of
   * the rise.
   */
  private static double meanBefore(double[] energy, int k, int frames) {
    int from = Math.max(0, k - 1 - frames);
    double sum = 0;
    for (int i = from; i < k - 1; i++) {
      sum += energy[i];
    }
    return k - 1 > from ? sum / (k - 1 - from) : 0;
  }

  private static int start(double[] x, int at, int frame, double sampleRateHz) {
    int from = Math.max(0, at - frame);
    int to = Math.min(x.length, at + (int) (0.02 * sampleRateHz));
    double peak = 0;
    for (int i = from; i < to; i++) {
      peak = Math.max(peak, Math.abs(x[i]));
    }
    int i = from;
    while (Math.abs(x[i]) < START_BELOW_PEAK * peak) {
      i++;
    }
    return i;
  }
}
