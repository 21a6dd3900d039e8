package nullroom.core.acoustics;

import nullroom.core.Keyed;

/** How a microphone is plugged in. */
public enum Connector implements Keyed {
  XLR("XLR"),
  TRS35("3.5 mm, three contacts"),
  TRRS35("3.5 mm, four contacts"),
  USB("USB"),
  WIRELESS("wireless"),
  BUILT_IN("built in");

  private final String label;

  Connector(String label) {
    this.label = label;
  }

  /** Name for people. */
  public String label() {
    return label;
  }
}
