package nullroom.core.measure.take;

import java.util.Optional;
import nullroom.core.Decibels;

/**
 * Active speech level by ITU-T P.56, method B, of one channel: the level while someone speaks, and
 * the share of time in which they do.
 *
 * <p>The standard counts for each of fifteen thresholds how long the envelope lay above it, or did
 * within the hangover. As the thresholds are nested, one number says it all at any instant: the
 * highest that was passed within the hangover.
 */
final class ActiveSpeech {
  /** Time constant of both averages of the envelope. */
  private static final double TIME_SECONDS = 0.03;

  private static final double HANGOVER_SECONDS = 0.2;

  /** Active level over the threshold, decibels. */
  private static final double MARGIN_DB = 15.9;

  /** Thresholds are 2^-15 to 2^-1 of full scale; step 0 is under all of them. */
  static final int STEPS = 15;

  /**
   * The result.
   *
   * @param levelDbfs active level, a full-scale sine 0 dBFS
   * @param activity share of time, 0 to 1
   * @param step first step that counts as speech
   */
  record Result(double levelDbfs, double activity, int step) {}

  /** Samples that the envelope takes as one, by their mean: far shorter than its time constant. */
  private static final int GROUP = 8;

  /** What is left of an average after a group of so many samples. */
  private final double[] smooth = new double[GROUP + 1];

  /** What the sum of a group adds to it. */
  private final double[] share = new double[GROUP + 1];

  private final long hangover;
  private final long[] counts = new long[STEPS + 1];
  private final long[] last = new long[STEPS + 1];
  private double first;
  private double envelope;
  private double squares;
  private long count;
  private int step;

  ActiveSpeech(double sampleRateHz) {
    for (int k = 1; k <= GROUP; k++) {
      smooth[k] = Math.exp(-k / (TIME_SECONDS * sampleRateHz));
      share[k] = (1 - smooth[k]) / k;
    }
    hangover = (long) Math.ceil(HANGOVER_SECONDS * sampleRateHz);
  }

  /**
   * Takes the next samples.
   *
   * @param energy sum of their squares
   * @return the highest step that held at any of them
   */
  int add(double[] block, int length, double energy) {
    int most = 0;
    int i = 0;
    for (; i + GROUP <= length; i += GROUP) {
      double even = Math.abs(block[i]) + Math.abs(block[i + 2]);
      double odd = Math.abs(block[i + 1]) + Math.abs(block[i + 3]);
      even += Math.abs(block[i + 4]) + Math.abs(block[i + 6]);
      odd += Math.abs(block[i + 5]) + Math.abs(block[i + 7]);
      most = Math.max(most, group(even + odd, GROUP));
    }
    double rest = 0;
    for (int k = i; k < length; k++) {
      rest += Math.abs(block[k]);
    }
    if (i < length) {
      most = Math.max(most, group(rest, length - i));
    }
    squares += energy;
    return most;
  }

  private int group(double sizes, int samples) {
    double g = smooth[samples];
    first = g * first + share[samples] * sizes;
    envelope = g * envelope + (1 - g) * first;
    int passed = Math.clamp(Math.getExponent(envelope) + STEPS + 1, 0, STEPS);
    last[passed] = count;
    if (passed >= step) {
      step = passed;
    } else {
      while (step > passed && count - last[step] > hangover) {
        step--;
      }
    }
    counts[step] += samples;
    count += samples;
    return step;
  }

  /** Mean square of all samples. */
  double meanSquare() {
    return squares / Math.max(1, count);
  }

  /** Empty where nothing was active, as in silence. */
  Optional<Result> result() {
    long active = 0;
    double levelAbove = Double.NaN;
    double marginAbove = Double.NaN;
    long[] activeFrom = new long[STEPS + 1];
    for (int j = STEPS; j >= 1; j--) {
      active += counts[j];
      activeFrom[j] = active;
    }
    for (int j = 1; j <= STEPS && activeFrom[j] > 0; j++) {
      double level = Decibels.ofEnergy(squares / activeFrom[j]);
      double margin = level - threshold(j);
      if (margin <= MARGIN_DB) {
        double share = j == 1 ? 1 : (marginAbove - MARGIN_DB) / (marginAbove - margin);
        double found = j == 1 ? level : levelAbove + share * (level - levelAbove);
        return Optional.of(
            new Result(
                found + Decibels.dbfs(1),
                Math.min(1, squares / count / Decibels.toEnergy(found)),
                share < 0.5 && j > 1 ? j - 1 : j));
      }
      levelAbove = level;
      marginAbove = margin;
    }
    return Optional.empty();
  }

  private static double threshold(int step) {
    return Decibels.ofAmplitude(Math.pow(2, step - STEPS - 1));
  }
}
