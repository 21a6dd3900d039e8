package nullroom.core.book;

import java.util.Optional;
import java.util.stream.Stream;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Margins;

/** Where practitioners set their level; they disagree. */
public enum School {
  /** The loudest expected peak at the goal's target, -12 dBFS. */
  PEAKS("peaks", "peaks at −12 dBFS"),
  /** Active speech at -18 dBFS. */
  AVERAGE("average", "average at −18 dBFS"),
  /** Floating point, so low that nothing can clip; raised afterwards. */
  FLOAT("float", "low, in 32-bit float");

  private final String id;
  private final String label;

  School(String id, String label) {
    this.id = id;
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

  /** Key on the command line. */
  public String id() {
    return id;
  }

  /** For people. */
  public String label() {
    return label;
  }

  /** The one of that key. */
  public static Optional<School> find(String id) {
    return Stream.of(values()).filter(s -> s.id.equals(id)).findFirst();
  }
}
