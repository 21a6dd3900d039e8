package nullroom.core.room;

import nullroom.core.Keyed;

/** What a surface is to be or not to be, whatever it is made of. */
public enum SurfaceTag implements Keyed {
  /** Light is bounced off it: what hangs there would take the light. */
  BOUNCES_LIGHT("bounces light"),
  /** Nothing is to hang or lie there. */
  STAY_BARE("must stay bare"),
  /** What hangs there is to be dark. */
  DARK_CLOTH("dark cloth wanted");

  private final String label;

  SurfaceTag(String label) {
    this.label = label;
  }

  /** For people. */
  public String label() {
    return label;
  }

  /** Whether something may hang or lie on it. */
  public boolean mayBeCovered() {
    return this == DARK_CLOTH;
  }
}
