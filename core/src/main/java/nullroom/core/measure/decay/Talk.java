package nullroom.core.measure.decay;

import java.util.Arrays;
import nullroom.core.Decibels;
import nullroom.core.Quantile;
import nullroom.core.signal.Sums;

/**
 * Whether a recording holds someone who goes on speaking, or music: sound for most of the time, as
 * claps have not, whose level keeps going up and down, as that of noise and sweeps does not. Of
 * speech in rooms of 0.15 to 0.8 s a fifth of the loud tenths of a second at most stayed within 2
 * dB of the one before; of interrupted noise more than half did.
 */
public final class Talk {
  private static final double STEP_SECONDS = 0.01;
  private static final int STEPS = 10;

  /** Sound this far under the loudest instant is sound still. */
  private static final double SOUND_DB = 30;

  private static final double MOST_OF_THE_TIME = 0.45;

  /** Loud is what lies so near the loud tenth of the time. */
  private static final double LOUD_DB = 12;

  private static final double SAME_DB = 2;
  private static final double LEAST_STEADY = 0.35;

  /** A new syllable or word rises by this. */
  private static final double RISE_DB = 6;

  private static final int FEWEST_RISES = 5;

  private Talk() {}

  static boolean likely(double[] x, double rate) {
    int step = (int) (STEP_SECONDS * rate);
    double[] energy = Onsets.frames(x, step);
    if (energy.length < 3 * STEPS) {
      return false;
    }
    double peak = Arrays.stream(energy).max().orElseThrow();
    double least = peak * Decibels.toEnergy(-SOUND_DB);
    double sounding = (double) Arrays.stream(energy).filter(e -> e > least).count() / energy.length;
    return sounding > MOST_OF_THE_TIME && undulates(energy, FEWEST_RISES);
  }

  /**
   * Whether a sound keeps going up and down as syllables do.
   *
   * @param energy of each hundredth of a second
   * @param fewest that must rise
   */
  public static boolean undulates(double[] energy, int fewest) {
    double[] level = new double[Math.max(0, energy.length - STEPS)];
    for (int k = 0; k < level.length; k++) {
      level[k] = Decibels.ofEnergy(Sums.of(energy, k, STEPS) + 1e-30);
    }
    return level.length > STEPS && steady(level) < LEAST_STEADY && rises(level) >= fewest;
  }

  /** Share of the loud moments that are followed by one as loud. */
  private static double steady(double[] level) {
    double loud = Quantile.of(level, 0.9) - LOUD_DB;
    int all = 0;
    int same = 0;
    for (int k = 0; k + STEPS < level.length; k++) {
      if (level[k] > loud) {
        all++;
        same += Math.abs(level[k + STEPS] - level[k]) < SAME_DB ? 1 : 0;
      }
    }
    return all == 0 ? 1 : (double) same / all;
  }

  private static int rises(double[] level) {
    int rises = 0;
    double low = level[0];
    double high = level[0];
    boolean up = false;
    for (double now : level) {
      low = up ? now : Math.min(low, now);
      high = up ? Math.max(high, now) : now;
      if (!up && now > low + RISE_DB) {
        rises++;
        up = true;
        high = now;
      } else if (up && now < high - RISE_DB) {
        up = false;
        low = now;
      }
    }
    return rises;
  }
}
