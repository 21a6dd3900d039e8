package nullroom.core.measure.take;

import nullroom.core.measure.Moment;

/**
 * Something that spoils a moment of a take.
 *
 * @param kind what it sounds like
 * @param moment when
 */
public record Fault(Kind kind, Moment moment) {
  /** Kinds, told apart by what sounds with them. */
  public enum Kind {
    /** Rumble with a syllable. */
    PLOSIVE("plosive"),
    /** Rumble that goes on. */
    WIND("wind"),
    /** Rumble while nobody speaks. */
    BUMP("knock on the desk or stand"),
    /** Several of them, one after another. */
    HANDLING("handling"),
    /** Highs without a voice that go on. */
    RUSTLE("rustle of clothes"),
    /** Sound that is gone and back at once. */
    LINK("drop-out of a wireless link");

    private final String label;

    Kind(String label) {
      this.label = label;
    }

    /** For people. */
    public String label() {
      return label;
    }
  }
}
