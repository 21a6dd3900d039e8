package nullroom.core.acoustics;

import nullroom.core.Keyed;

/** What a microphone can be held by. */
public enum Mount implements Keyed {
  BOOM,
  STAND,
  DESK,
  CLIP,
  CAMERA,
  HEAD,
  HAND
}
