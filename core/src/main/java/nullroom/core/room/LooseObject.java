package nullroom.core.room;

import nullroom.core.acoustics.Bands;

/**
 * Something without a place that takes up sound: absorption area in square metres (sabins) per
 * octave.
 */
public record LooseObject(String name, Bands absorptionArea) {
  public LooseObject {
    for (double a : absorptionArea.toArray()) {
      if (!(a >= 0 && a <= 1000)) {
        throw new IllegalArgumentException(
            "absorption area " + a + " m2 of '" + name + "' is outside 0 to 1000");
      }
    }
  }
}
