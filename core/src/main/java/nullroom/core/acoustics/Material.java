package nullroom.core.acoustics;

/**
 * A surface material.
 *
 * @param id key in the table and in room files
 * @param name for people
 * @param category such as wall, floor, absorber
 * @param absorption random-incidence absorption coefficient per octave, 0 to {@link
 *     #MAX_COEFFICIENT}
 * @param source where the figures come from
 */
public record Material(String id, String name, String category, Bands absorption, String source) {
  /** Chamber values (ISO 354) exceed 1 by edge diffraction; above this it is a typing error. */
  public static final double MAX_COEFFICIENT = 1.3;

  public Material {
    checkAbsorption(absorption);
  }

  /**
   * Checks absorption coefficients.
   *
   * @throws IllegalArgumentException naming the coefficient that is out of range
   */
  public static void checkAbsorption(Bands absorption) {
    for (int i = 0; i < Octave.COUNT; i++) {
      double a = absorption.get(i);
      if (!(a >= 0 && a <= MAX_COEFFICIENT)) {
        throw new IllegalArgumentException(
            "absorption "
                + a
                + " at "
                + Math.round(Octave.nominalHz(i))
                + " Hz is outside 0 to "
                + MAX_COEFFICIENT);
      }
    }
  }
}
