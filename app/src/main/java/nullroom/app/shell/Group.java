package nullroom.app.shell;

/** The groups of commands: the stations under their numbers, then what belongs to all of them. */
public enum Group {
  LISTEN("Listen", '1'),
  RING("Ring", '2'),
  ROOM("Room", '3'),
  DRESS("Dress", '4'),
  MIC("Mic", '5'),
  LEVEL("Level", '6'),
  BOOKS("Books", '7'),
  EDIT("Edit", '8'),
  VIEW("View", '9'),
  SOUND("Sound", '0'),
  HELP("Help", '?');

  private final String label;
  private final char key;

  Group(String label, char key) {
    this.label = label;
    this.key = key;
  }

  /** That of a station. */
  static Group of(Station station) {
    return values()[station.ordinal()];
  }

  /** Name for people. */
  public String label() {
    return label;
  }

  /** What is typed for it where all commands are shown. */
  public char key() {
    return key;
  }
}
