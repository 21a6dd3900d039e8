package nullroom.core.acoustics;

import java.util.Objects;
import java.util.function.DoubleUnaryOperator;
import org.apache.commons.numbers.complex.Complex;
import org.jspecify.annotations.Nullable;

/**
 * What a sheet that hangs free in the air does with sound: part goes through, part comes back, the
 * rest is lost in it.
 */
public sealed interface Cloth {
  /** Share of the energy of diffuse sound that goes through, per octave. */
  Bands transmission();

  /** Share that is lost in it, per octave. */
  Bands absorption();

  /**
   * Share that goes through at an angle.
   *
   * @param cosine of the angle between the sound and the sheet's normal
   */
  double transmission(int octave, double cosine);

  /** Share that comes back, per octave. */
  default Bands reflection() {
    return absorption().with(transmission(), (lost, through) -> Math.max(0, 1 - lost - through));
  }

  /** Stated by whoever measured it; alike at all angles. */
  record Stated(Bands absorption, Bands transmission) implements Cloth {
    public Stated {
      for (int b = 0; b < Octave.COUNT; b++) {
        double lost = absorption.get(b);
        double through = transmission.get(b);
        if (!(lost >= 0 && through >= 0 && lost + through <= 1 + 1e-9)) {
          throw new IllegalArgumentException(
              "absorption and transmission must not be negative and together not over 1, as "
                  + lost
                  + " and "
                  + through
                  + " are");
        }
      }
    }

    @Override
    public double transmission(int octave, double cosine) {
      return transmission.get(octave);
    }
  }

  /**
   * A limp porous sheet: its mass and its flow resistance side by side take up the difference of
   * pressure.
   *
   * <p>Source: H. Kuttruff, Room Acoustics (limp porous sheets and curtains), from memory: with Z
   * the flow resistance r parallel to j w m and Z0 the air's impedance, the share 1/|1 + Z cos/(2
   * Z0)|^2 goes through and |Z cos/(Z cos + 2 Z0)|^2 comes back; of diffuse sound by Paris'
   * integral. Without flow through it that is the mass law.
   */
  final class Sheet implements Cloth {
    private static final double AIR_IMPEDANCE = 1.204 * 343.2;
    private static final int STEPS = 90;

    private final double mass;
    private final double flowResistance;
    private final Complex[] impedance = new Complex[Octave.COUNT];
    private final Bands transmission;
    private final Bands absorption;

    /**
     * A sheet; what it does with diffuse sound is worked out once.
     *
     * @param massKgPerSquareMetre of the whole sheet
     * @param flowResistance Pa s/m of the whole sheet
     */
    public Sheet(double massKgPerSquareMetre, double flowResistance) {
      check("mass", massKgPerSquareMetre, 0.01, 100, "kg/m2");
      check("flow resistance", flowResistance, 1, 1e9, "Pa s/m");
      mass = massKgPerSquareMetre;
      this.flowResistance = flowResistance;
      for (int b = 0; b < impedance.length; b++) {
        Complex inertia = Complex.ofCartesian(0, 2 * Math.PI * Octave.exactHz(b) * mass);
        impedance[b] =
            inertia
                .multiply(flowResistance)
                .divide(inertia.add(flowResistance))
                .divide(AIR_IMPEDANCE);
      }
      transmission = Bands.from(b -> diffuse(cosine -> transmission(b, cosine)));
      absorption =
          Bands.from(b -> diffuse(cosine -> 1 - transmission(b, cosine) - reflection(b, cosine)));
    }

    /** Of the whole sheet. */
    public double massKgPerSquareMetre() {
      return mass;
    }

    /** Of the whole sheet, Pa s/m. */
    public double flowResistance() {
      return flowResistance;
    }

    private static void check(String what, double figure, double low, double high, String unit) {
      if (!(figure >= low && figure <= high)) {
        throw new IllegalArgumentException(
            "the " + what + " " + figure + " " + unit + " is outside " + low + " to " + high);
      }
    }

    @Override
    public double transmission(int octave, double cosine) {
      double over = impedance[octave].multiply(cosine / 2).add(1).abs();
      return 1 / (over * over);
    }

    private double reflection(int octave, double cosine) {
      Complex z = impedance[octave].multiply(cosine);
      double share = z.divide(z.add(2)).abs();
      return share * share;
    }

    /** Paris' integral of a share over the angles of a diffuse field. */
    private static double diffuse(DoubleUnaryOperator share) {
      double sum = 0;
      for (int k = 0; k < STEPS; k++) {
        double angle = (k + 0.5) / STEPS * Math.PI / 2;
        sum += share.applyAsDouble(Math.cos(angle)) * Math.sin(2 * angle);
      }
      return sum * Math.PI / 2 / STEPS;
    }

    @Override
    public Bands transmission() {
      return transmission;
    }

    @Override
    public Bands absorption() {
      return absorption;
    }

    @Override
    public boolean equals(@Nullable Object other) {
      return other instanceof Sheet sheet
          && sheet.mass == mass
          && sheet.flowResistance == flowResistance;
    }

    @Override
    public int hashCode() {
      return Objects.hash(mass, flowResistance);
    }

    @Override
    public String toString() {
      return "sheet of " + mass + " kg/m2 and " + flowResistance + " Pa s/m";
    }
  }
}
