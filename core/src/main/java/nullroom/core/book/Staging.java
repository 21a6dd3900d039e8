package nullroom.core.book;

import java.util.Optional;
import java.util.stream.Stream;
import nullroom.core.Trouble;
import nullroom.core.plan.Adviser;

/**
 * What gain is planned for.
 *
 * @param material that is spoken or sung
 * @param allowanceDb for what may pass the loudest line: a laugh, a shout
 * @param highestGainDb that the preamp has
 */
public record Staging(Material material, double allowanceDb, double highestGainDb) {
  /** What is recorded, with what may pass its loudest line (common practice). */
  public enum Material {
    /** Read aloud, evenly. */
    READ("read", "read aloud", 3),
    /** Talk that laughs. */
    TALK("talk", "talk, with laughs", 6),
    /** Played, with outbursts. */
    ACTED("acted", "acted, with shouts", 12),
    /** A song, rehearsed. */
    SONG("song", "a song", 4);

    private final String id;
    private final String label;
    private final double allowanceDb;

    Material(String id, String label, double allowanceDb) {
      this.id = id;
      this.label = label;
      this.allowanceDb = allowanceDb;
    }

    /** Key on the command line and in books. */
    public String id() {
      return id;
    }

    /** For people. */
    public String label() {
      return label;
    }

    /** What is usually allowed for. */
    public double allowanceDb() {
      return allowanceDb;
    }

    /** The one of that key. */
    public static Optional<Material> find(String id) {
      return Stream.of(values()).filter(m -> m.id.equals(id)).findFirst();
    }
  }

  /** Talk, into a preamp with as much gain as any has. */
  public static final Staging USUAL = new Staging(Material.TALK, 6, Adviser.HIGHEST_GAIN_DB);

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
    return new Staging(other, other.allowanceDb(), highestGainDb);
  }

  /** Another allowance. */
  public Staging withAllowanceDb(double allowance) {
    return new Staging(material, allowance, highestGainDb);
  }

  /** Another preamp. */
  public Staging withHighestGainDb(double gain) {
    return new Staging(material, allowanceDb, gain);
  }
}
