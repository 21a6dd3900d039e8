package nullroom.core.acoustics;

import nullroom.core.Keyed;

/** What a microphone can be held by. */
public enum Mount implements Keyed {
  BOOM("on a boom"),
  STAND("on a stand"),
  DESK("on the desk"),
  CLIP("clipped on"),
  CAMERA("on the camera"),
  HEAD("on the head"),
  HAND("in the hand");

  private final String held;

  Mount(String held) {
    this.held = held;
  }

  /** "On a boom", for people. */
  public String held() {
    return held;
  }
}
