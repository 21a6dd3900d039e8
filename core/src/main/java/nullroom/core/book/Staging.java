package nullroom.core.book;

import nullroom.core.Keyed;
import nullroom.core.Trouble;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Margins;

/**
 * What gain is planned for.
 *
 * @param school where the level is set
 * @param material that is spoken or sung
 * @param allowanceDb for what may pass the loudest line: a laugh, a shout
 * @param highestGainDb that the preamp has
 */
public record Staging(School school, Material material, double allowanceDb, double highestGainDb) {
  /** What is recorded, with what may pass its loudest line (common practice). */
  public enum Material implements Keyed {
    /** Read aloud, evenly. */
    READ("read aloud", 3),
    /** Talk that laughs. */
    TALK("talk, with laughs", 6),
    /** Played, with outbursts. */
    ACTED("acted, with shouts", 12),
    /** A song, rehearsed. */
    SONG("a song", 4);

    private final String label;
    private final double allowanceDb;

    Material(String label, double allowanceDb) {
      this.label = label;
      this.allowanceDb = allowanceDb;
    }

    /** For people. */
    public String label() {
      return label;
    }

    /** What is usually allowed for. */
    public double allowanceDb() {
      return allowanceDb;
    }
  }

  /** Gain that inputs of home equipment have at most (common practice). */
  public static final double HIGHEST_GAIN_DB = 75;

  /** Talk, by its peaks, into a preamp with as much gain as any has. */
  public static final Staging USUAL =
      new Staging(School.PEAKS, Material.TALK, Material.TALK.allowanceDb(), HIGHEST_GAIN_DB);

  private static final double MOST_ALLOWANCE_DB = 40;
  private static final double MOST_GAIN_DB = 120;

  public Staging {
    if (!(allowanceDb >= 0 && allowanceDb <= MOST_ALLOWANCE_DB)) {
      throw new Trouble.BadField("allowance", "must lie between 0 and 40 dB, not " + allowanceDb);
    }
    if (!(highestGainDb >= 0 && highestGainDb <= MOST_GAIN_DB)) {
      throw new Trouble.BadField(
          "highest gain", "must lie between 0 and 120 dB, not " + highestGainDb);
    }
  }

  /** Other material, with the allowance usual for it. */
  public Staging of(Material other) {
    return new Staging(school, other, other.allowanceDb(), highestGainDb);
  }

  /** By another school. */
  public Staging by(School other) {
    return new Staging(other, material, allowanceDb, highestGainDb);
  }

  /**
   * The right gain: what the school asks for, in whole decibels, within what the preamp has; that
   * of now where there is none to turn.
   *
   * @param heard with the gain of now
   * @param targets of the goal
   */
  public double rightGainDb(Heard heard, Margins targets) {
    return heard.capture().preamp()
        ? Math.clamp(school.gainDb(heard, targets, allowanceDb), 0, highestGainDb)
        : heard.capture().gainDb();
  }

  /** Another allowance. */
  public Staging withAllowanceDb(double allowance) {
    return new Staging(school, material, allowance, highestGainDb);
  }

  /** Another preamp. */
  public Staging withHighestGainDb(double gain) {
    return new Staging(school, material, allowanceDb, gain);
  }
}
