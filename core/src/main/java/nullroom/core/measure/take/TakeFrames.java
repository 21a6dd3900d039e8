package nullroom.core.measure.take;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import nullroom.core.Decibels;
import nullroom.core.Quantile;
import nullroom.core.measure.Moment;

/**
 * A take in frames of a tenth of a second, one channel: what is kept of it while it streams by, and
 * what its pauses and thumps say.
 */
final class TakeFrames {
  /** Steps of {@link LoudnessMeter} in a frame. */
  static final int STEPS = 10;

  static final double SECONDS = (double) STEPS / LoudnessMeter.STEPS_PER_SECOND;

  /** A pause holds at least so many frames in a row. */
  private static final int PAUSE_FRAMES = 4;

  /** Fewer such stretches say nothing about the floor. */
  private static final int FEWEST_PAUSES = 3;

  /** Without pauses, the quietest part of the take. */
  private static final double QUIETEST_SHARE = 0.1;

  /** Of the pauses those count that are this near to the quiet tenth of them. */
  private static final double NEAR_DB = 3;

  /** Less is digital silence, as after an edit. */
  private static final double SILENCE = 1e-14;

  /** A thump's rumble lies this far over the usual, and near to the voice's own level. */
  private static final double THUMP_OVER_USUAL_DB = 18;

  private static final double THUMP_UNDER_VOICE_DB = 6;

  private static final int MOST_MOMENTS = 1000;

  private final DoubleList energies = new DoubleList();
  private final DoubleList weighted = new DoubleList();
  private final DoubleList rumble = new DoubleList();
  private final DoubleList steps = new DoubleList();

  /**
   * Takes a frame.
   *
   * @param meanSquare of its samples
   * @param weightedMeanSquare the same A-weighted
   * @param rumbleMeanSquare of what lies under the voice
   * @param step highest step of {@link ActiveSpeech} in it
   */
  void add(double meanSquare, double weightedMeanSquare, double rumbleMeanSquare, int step) {
    energies.add(meanSquare);
    weighted.add(weightedMeanSquare);
    rumble.add(rumbleMeanSquare);
    steps.add(step);
  }

  /**
   * The noise floor: the energy average of the pauses, stretches of 0.4 s in which nothing was
   * active speech, that lie within 3 dB of their quiet tenth; where there are fewer than three, of
   * the quietest tenth of all stretches.
   *
   * @param dbfs unweighted, a full-scale sine 0 dBFS
   * @param dbfsA A-weighted
   * @param fromPauses whether there were any
   */
  record Floor(OptionalDouble dbfs, OptionalDouble dbfsA, boolean fromPauses) {}

  /** The floor under speech that begins at a step. */
  Floor floor(int speechStep) {
    double[] e = energies.values();
    double[] a = weighted.values();
    double[] s = steps.values();
    List<double[]> all = new ArrayList<>();
    List<double[]> pauses = new ArrayList<>();
    for (int k = 0; k + PAUSE_FRAMES <= e.length; k++) {
      double energy = 0;
      double energyA = 0;
      double step = 0;
      double least = Double.POSITIVE_INFINITY;
      for (int j = k; j < k + PAUSE_FRAMES; j++) {
        energy += e[j] / PAUSE_FRAMES;
        energyA += a[j] / PAUSE_FRAMES;
        step = Math.max(step, s[j]);
        least = Math.min(least, e[j]);
      }
      if (least > SILENCE) {
        double[] stretch = {energy, energyA};
        all.add(stretch);
        if (step < speechStep) {
          pauses.add(stretch);
        }
      }
    }
    boolean fromPauses = pauses.size() >= FEWEST_PAUSES;
    List<double[]> quiet = fromPauses ? nearQuietTenth(pauses) : quietestTenth(all);
    return new Floor(mean(quiet, 0), mean(quiet, 1), fromPauses);
  }

  private static List<double[]> sorted(List<double[]> stretches) {
    List<double[]> sorted = new ArrayList<>(stretches);
    sorted.sort((x, y) -> Double.compare(x[0], y[0]));
    return sorted;
  }

  private static List<double[]> nearQuietTenth(List<double[]> pauses) {
    double tenth = sorted(pauses).get((int) (QUIETEST_SHARE * (pauses.size() - 1)))[0];
    double most = tenth * Decibels.toEnergy(NEAR_DB);
    return pauses.stream().filter(p -> p[0] <= most).toList();
  }

  private static List<double[]> quietestTenth(List<double[]> all) {
    int count = (int) Math.ceil(QUIETEST_SHARE * all.size());
    return sorted(all).subList(0, count);
  }

  private static OptionalDouble mean(List<double[]> stretches, int which) {
    double mean = stretches.stream().mapToDouble(s -> s[which]).average().orElse(0);
    return mean > 0 ? OptionalDouble.of(Decibels.dbfs(mean)) : OptionalDouble.empty();
  }

  /**
   * Thumps under the voice: plosives, wind, knocks at the stand.
   *
   * @param voiceDbfs active speech level
   */
  List<Moment> thumps(double voiceDbfs) {
    double[] r = rumble.values();
    double usual = r.length == 0 ? 0 : Quantile.median(r);
    double least =
        Math.max(
            usual * Decibels.toEnergy(THUMP_OVER_USUAL_DB),
            Decibels.meanSquareOfDbfs(voiceDbfs - THUMP_UNDER_VOICE_DB));
    List<Moment> found = new ArrayList<>();
    for (int k = 0; k < r.length && found.size() < MOST_MOMENTS; k++) {
      int from = k;
      while (k < r.length && r[k] >= least) {
        k++;
      }
      if (k > from) {
        found.add(new Moment(from * SECONDS, (k - from) * SECONDS));
      }
    }
    return found;
  }

  /** Mean squares frame by frame, for a picture. */
  double[] energies() {
    return energies.values();
  }
}
