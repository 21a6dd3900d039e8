package nullroom.core.measure.decay;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import nullroom.core.Quantile;
import nullroom.core.signal.Butterworth;
import nullroom.core.signal.Sums;

/**
 * Finds the starts of claps, pops and other sudden sounds. All is looked for over 400 Hz, where a
 * clap has its energy and a slammed door, rumble and an offset of the converter have little.
 */
final class Onsets {
  /** A thump has little over it, a clap nearly all. */
  static final double TREBLE_HZ = 400;

  private static final int TREBLE_ORDER = 4;
  private static final double FRAME_SECONDS = 0.002;

  /** A sudden sound so much weaker than the loudest is none to speak of. */
  private static final double FAINTEST = 1e-6;

  /** A clap rises at least this much, in energy, over the 30 ms before it (13 dB). */
  static final double RISE = 20;

  private static final double BEFORE_SECONDS = 0.03;

  /** Two claps nearer than this leave no decay to measure. */
  static final double SHORTEST_GAP_SECONDS = 0.25;

  /** In so short a time a clap has reached its loudest. */
  private static final double LOUDEST_WITHIN_SECONDS = 0.02;

  /** What comes soon after a sudden sound belongs to it, unless it is this much stronger. */
  private static final double ANOTHER = 10;

  /** ISO 3382-1, A.2.1: the response starts where it comes within 20 dB of its maximum. */
  private static final double START_BELOW_PEAK = 0.1;

  private Onsets() {}

  /**
   * A sudden sound.
   *
   * @param at sample of its start
   * @param energy of its loudest 2 ms, over 400 Hz
   */
  record Onset(int at, double energy) {}

  /** What of a recording lies over 400 Hz, starts left where they are. */
  static double[] treble(double[] x, double sampleRateHz) {
    double[] treble = new double[x.length];
    Butterworth.highPass(TREBLE_ORDER, TREBLE_HZ, sampleRateHz).filter(x, treble, x.length);
    return treble;
  }

  /**
   * The sudden sounds in their order; empty where nothing rises suddenly.
   *
   * @param treble as {@link #treble} gives it
   */
  static List<Onset> find(double[] treble, double sampleRateHz) {
    int frame = Math.max(1, (int) (FRAME_SECONDS * sampleRateHz));
    double[] energy = frames(treble, frame);
    double least = energy.length == 0 ? 0 : FAINTEST * Quantile.of(energy, 1);
    double usual = energy.length == 0 ? 0 : Quantile.median(energy);
    List<Onset> onsets = new ArrayList<>();
    int before = (int) Math.round(BEFORE_SECONDS / FRAME_SECONDS);
    int gap = (int) Math.round(SHORTEST_GAP_SECONDS / FRAME_SECONDS);
    int within = (int) Math.round(LOUDEST_WITHIN_SECONDS / FRAME_SECONDS);
    int next = 0;
    for (int k = 0; k < energy.length; k++) {
      boolean apart = k >= next || energy[k] > ANOTHER * onsets.getLast().energy();
      if (apart && energy[k] > least && energy[k] > RISE * meanBefore(energy, k, before, usual)) {
        if (k < next) {
          onsets.removeLast();
        }
        double loudest =
            Arrays.stream(energy, k, Math.min(energy.length, k + within)).max().orElse(0);
        onsets.add(new Onset(start(treble, k * frame, frame, sampleRateHz), loudest));
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
   * the rise; before the recording it is as loud as it usually is.
   */
  private static double meanBefore(double[] energy, int k, int frames, double usual) {
    int from = Math.max(0, k - 1 - frames);
    double sum = 0;
    for (int i = from; i < k - 1; i++) {
      sum += energy[i];
    }
    return k - 1 > from ? sum / (k - 1 - from) : usual;
  }

  private static int start(double[] x, int at, int frame, double sampleRateHz) {
    int from = Math.max(0, at - frame);
    int to = Math.min(x.length, at + (int) (LOUDEST_WITHIN_SECONDS * sampleRateHz));
    double least = START_BELOW_PEAK * Sums.peak(x, from, to - from);
    int i = from;
    while (Math.abs(x[i]) < least) {
      i++;
    }
    return i;
  }
}
