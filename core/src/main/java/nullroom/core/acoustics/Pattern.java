package nullroom.core.acoustics;

import nullroom.core.Decibels;
import nullroom.core.Keyed;

/**
 * First-order microphone patterns D(t) = A + B cos t with A + B = 1.
 *
 * <p>Source: H. F. Olson, Elements of Acoustical Engineering; coefficients as usual in handbooks
 * (from memory).
 */
public enum Pattern implements Keyed {
  OMNI("Omni", 1),
  SUBCARDIOID("Wide cardioid", 0.7),
  CARDIOID("Cardioid", 0.5),
  SUPERCARDIOID("Supercardioid", 0.366),
  HYPERCARDIOID("Hypercardioid", 0.25),
  FIGURE_EIGHT("Figure of eight", 0);

  /** A first-order null is never perfect: real capsules keep about this much (common practice). */
  private static final double DEEPEST_NULL_DB = -30;

  private static final double DEEPEST_NULL = Decibels.toEnergy(DEEPEST_NULL_DB);

  private final String label;
  private final double omniPart;

  Pattern(String label, double omniPart) {
    this.label = label;
    this.omniPart = omniPart;
  }

  /** Name for people. */
  public String label() {
    return label;
  }

  /** Sensitivity at an angle off the axis relative to the axis, in dB. */
  public double gainDb(double angleDegrees) {
    return Decibels.ofEnergy(energyGain(Math.cos(Math.toRadians(angleDegrees))));
  }

  /** The same as energy, from the cosine of the angle. */
  public double energyGain(double cosine) {
    double d = omniPart + (1 - omniPart) * cosine;
    return Math.max(DEEPEST_NULL, d * d);
  }

  /** Random energy efficiency A^2 + B^2/3: diffuse sound picked up, relative to an omni. */
  public double randomEnergyEfficiency() {
    double b = 1 - omniPart;
    return omniPart * omniPart + b * b / 3;
  }

  /** What a diffuse field loses by the pattern, relative to an omni, in dB. */
  public double diffuseGainDb() {
    return Decibels.ofEnergy(randomEnergyEfficiency());
  }

  /**
   * Sensitivity to a point source nearby, relative to a distant one on axis, in dB: |A + B cos t (1
   * + 1/(jkr))|^2. On axis the excess over 0 dB is the proximity effect 10 lg(1 + (B / (k r))^2),
   * for an ideal source and a microphone that is flat in the far field.
   */
  public double nearGainDb(double angleDegrees, double hz, double metres, double speedOfSound) {
    double b = (1 - omniPart) * Math.cos(Math.toRadians(angleDegrees));
    double rise = b * speedOfSound / (2 * Math.PI * hz * metres);
    double d = omniPart + b;
    return Math.max(DEEPEST_NULL_DB, Decibels.ofEnergy(d * d + rise * rise));
  }
}
