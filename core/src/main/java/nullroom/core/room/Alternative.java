package nullroom.core.room;

/**
 * What can be turned into something else and back without tools: a door that opens, a curtain that
 * is drawn, the doors of a wardrobe.
 *
 * @param now the state it is in, for people: "shut"
 * @param then the state it can be turned to: "open"
 * @param finish in that other state
 */
public record Alternative(String now, String then, Finish finish) {
  public Alternative {
    if (now.isBlank() || then.isBlank()) {
      throw new IllegalArgumentException("both states need a name, such as open and shut");
    }
  }

  /** The same seen from the other state. */
  Alternative turned(Finish finishNow) {
    return new Alternative(then, now, finishNow);
  }
}
