package nullroom.core.acoustics;

import nullroom.core.Keyed;

/** What a microphone is powered by. */
public enum Power implements Keyed {
  NONE,
  PHANTOM,
  PLUG_IN,
  BATTERY,
  USB
}
