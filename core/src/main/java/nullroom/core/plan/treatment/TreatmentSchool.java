package nullroom.core.plan.treatment;

import nullroom.core.Keyed;

/** How practitioners dress a room (common practice), and what the figures alone say. */
public enum TreatmentSchool implements Keyed {
  /** Whatever brings the room nearest to the goal. */
  FREE("whatever the figures say"),
  /** Before the voice, where its first reflections come from. */
  VOICE("in front of the voice"),
  /** Behind the voice, where the microphone looks. */
  MICROPHONE("behind the voice, where the microphone looks"),
  /** Spread evenly over all surfaces. */
  EVEN("evenly over all surfaces"),
  /** What furnishes the room first: turned, laid and leant; the rest only after that. */
  FURNISHINGS("furnishings first");

  private final String label;

  TreatmentSchool(String label) {
    this.label = label;
  }

  /** For people. */
  public String label() {
    return label;
  }
}
