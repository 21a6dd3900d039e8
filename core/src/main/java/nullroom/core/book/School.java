package nullroom.core.book;

import nullroom.core.Keyed;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Margins;

/** Where practitioners set their level; they disagree. */
public enum School implements Keyed {
  /** The loudest expected peak at the goal's target, -12 dBFS. */
  PEAKS("peaks at −12 dBFS"),
  /** Active speech at -18 dBFS. */
  AVERAGE("average at −18 dBFS"),
  /** Floating point, so low that nothing can clip; raised afterwards. */
  FLOAT("low, in 32-bit float");

  private final String label;

  School(String label) {
    this.label = label;
  }

  private static final double AVERAGE_DBFS = -18;

  /** In float the shout itself is kept this low, so that the converter never sees full scale. */
  private static final double FLOAT_SHOUT_DBFS = -12;

  /**
   * The gain it asks for, in whole decibels, whatever the preamp has.
   *
   * @param heard with the gain of now
   * @param targets of the goal
   * @param allowanceDb for laughs and shouts over the loudest line
   */
  public double gainDb(Heard heard, Margins targets, double allowanceDb) {
    double peak = heard.dbfs(heard.peakDbSpl());
    double change =
        switch (this) {
          case PEAKS -> -targets.safeDb() - peak;
          case AVERAGE -> AVERAGE_DBFS - heard.dbfs(heard.activeSpeechDbSpl());
          case FLOAT -> FLOAT_SHOUT_DBFS - peak - allowanceDb;
        };
    return Math.floor(heard.capture().gainDb() + change);
  }

  /** For people. */
  public String label() {
    return label;
  }
}
