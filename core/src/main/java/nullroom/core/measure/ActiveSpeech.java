package nullroom.core.measure;

import java.util.Optional;
import nullroom.core.acoustics.Decibels;

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

  private final double smooth;
  private final long hangover;
  private final long[] counts = new long[STEPS + 1];
  private final long[] last = new long[STEPS + 1];
  private double first;
  private double envelope;
  private double squares;
  private long count;
  private int step;

  ActiveSpeech(double sampleRateHz) {
    smooth = Math.exp(-1 / (TIME_SECONDS * sampleRateHz));
    hangover = (long) Math.ceil(HANGOVER_SECONDS * sampleRateHz);
  }

  /**
   * Takes samples.
   *
   * @return the highest step that held at any of them
   */
  int add(double[] block, int from, int to) {
    double g = smooth;
    double p = first;
    double q = envelope;
    double sum = 0;
    long now = count;
    int held = step;
    int most = 0;
    for (int i = from; i < to; i++) {
      double x = block[i];
      sum += x * x;
      p = g * p + (1 - g) * Math.abs(x);
      q = g * q + (1 - g) * p;
      int passed = Math.clamp(Math.getExponent(q) + STEPS + 1, 0, STEPS);
      last[passed] = now;
      if (passed >= held) {
        held = passed;
      } else {
        while (held > passed && now - last[held] > hangover) {
          held--;
        }
      }
      counts[held]++;
      most = Math.max(most, held);
      now++;
    }
    first = p;
    envelope = q;
    squares += sum;
    count = now;
    step = held;
    return most;
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
