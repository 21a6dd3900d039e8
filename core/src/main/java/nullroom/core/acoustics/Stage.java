package nullroom.core.acoustics;

import java.util.List;
import nullroom.core.Decibels;

/**
 * One thing that lies between a microphone and the input that records it: a booster, a transmitter,
 * a receiver.
 *
 * @param name for people
 * @param gainDb what it adds to the level; negative where it takes away
 * @param einDbu equivalent input noise, taken as A-weighted
 * @param limitDbu level of a sine at its input at which it overloads
 * @param automatic whether it sets its own gain, so that none can be planned through it
 */
public record Stage(String name, double gainDb, double einDbu, double limitDbu, boolean automatic) {
  /** One that adds no noise that could be heard has this. */
  public static final double NO_NOISE_DBU = -140;

  /** One that nothing overloads has this. */
  public static final double NO_LIMIT_DBU = 60;

  /** So many in a row at most. */
  public static final int MOST = 6;

  private static final double MOST_GAIN_DB = 80;

  /** What often lies there, with usual figures (common practice). */
  public static final List<Stage> USUAL =
      List.of(
          new Stage("inline booster", 25, -128, -15, false),
          new Stage("transmitter", 12, -118, -20, false),
          new Stage("receiver", -10, -95, 4, false),
          new Stage("attenuating cable", -20, NO_NOISE_DBU, NO_LIMIT_DBU, false),
          new Stage("automatic gain", 0, NO_NOISE_DBU, NO_LIMIT_DBU, true));

  public Stage {
    if (name.isBlank()) {
      throw new IllegalArgumentException("a stage needs a name");
    }
    Capture.within("gainDb", gainDb, -MOST_GAIN_DB, MOST_GAIN_DB);
    Capture.within("einDbu", einDbu, NO_NOISE_DBU, 0);
    Capture.within("limitDbu", limitDbu, -80, NO_LIMIT_DBU);
  }

  /** The same under another name. */
  public Stage named(String other) {
    return new Stage(other, gainDb, einDbu, limitDbu, automatic);
  }

  /** The same at another gain. */
  public Stage withGainDb(double gain) {
    return new Stage(name, gain, einDbu, limitDbu, automatic);
  }

  /** The same with another noise. */
  public Stage withEinDbu(double ein) {
    return new Stage(name, gainDb, ein, limitDbu, automatic);
  }

  /** The same with another limit. */
  public Stage withLimitDbu(double limit) {
    return new Stage(name, gainDb, einDbu, limit, automatic);
  }

  /** The same, setting its own gain or not. */
  public Stage automatic(boolean sets) {
    return new Stage(name, gainDb, einDbu, limitDbu, sets);
  }

  /** Gain of a row of them. */
  public static double gainDb(List<Stage> row) {
    return row.stream().mapToDouble(Stage::gainDb).sum();
  }

  /**
   * Noise of a row and of the input behind it, all as if at the input of the first: each adds its
   * own less the gain before it (H. T. Friis, Proc. IRE 32 (1944) 419).
   *
   * @param inputEinDbu of the input that the last feeds
   * @return dBu, A-weighted as they are
   */
  public static double einDbu(List<Stage> row, double inputEinDbu) {
    double before = 0;
    double[] each = new double[row.size() + 1];
    for (int i = 0; i < row.size(); i++) {
      each[i] = row.get(i).einDbu() - before;
      before += row.get(i).gainDb();
    }
    each[row.size()] = inputEinDbu - before;
    return row.isEmpty() ? inputEinDbu : Decibels.sum(each);
  }

  /** Level of a sine at the input of the first at which any of a row overloads, dBu. */
  public static double limitDbu(List<Stage> row) {
    double before = 0;
    double least = Double.POSITIVE_INFINITY;
    for (Stage stage : row) {
      if (stage.limitDbu() < NO_LIMIT_DBU) {
        least = Math.min(least, stage.limitDbu() - before);
      }
      before += stage.gainDb();
    }
    return least;
  }
}
