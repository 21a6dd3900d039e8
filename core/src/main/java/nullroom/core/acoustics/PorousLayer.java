package nullroom.core.acoustics;

import org.apache.commons.numbers.complex.Complex;

/**
 * A layer of fibre, foam or cloth, before a wall or hung free in the room.
 *
 * <p>Source: Y. Miki, J. Acoust. Soc. Jpn. (E) 11 (1990) 19-24, for the layer's impedance and wave
 * number; air gap and oblique incidence by plane waves (bulk reaction), diffuse incidence by Paris'
 * integral from 0 to 90 degrees. Holds for 0.01 &lt; f / flow resistivity &lt; 1 and is
 * extrapolated beyond. Reverberation rooms read up to 0.3 more around 1 kHz, by the edges of small
 * samples.
 *
 * @param flowResistivity Pa s/m2
 * @param thicknessMetres of the layer
 * @param gapMetres of air behind it before a rigid wall
 */
public record PorousLayer(double flowResistivity, double thicknessMetres, double gapMetres) {
  private static final double AIR_DENSITY = 1.204;
  private static final double SPEED_OF_SOUND = 343.2;
  private static final Complex J = Complex.I;

  /** Steps of the integral over angle. */
  private static final int STEPS = 90;

  /** Three frequencies stand for an octave: its thirds. */
  private static final double THIRD = Math.pow(10, 0.1);

  public PorousLayer {
    check("flow resistivity", flowResistivity, 100, 1_000_000, "Pa s/m2");
    check("thickness", thicknessMetres, 0.0005, 1, "m");
    check("gap", gapMetres, 0, 2, "m");
  }

  private static void check(String what, double figure, double low, double high, String unit) {
    if (!(figure >= low && figure <= high)) {
      throw new IllegalArgumentException(
          "the " + what + " " + figure + " " + unit + " is outside " + low + " to " + high);
    }
  }

  /** Absorption coefficient for diffuse incidence before a rigid wall, per octave. */
  public Bands absorption() {
    return octaves(this::diffuse);
  }

  /**
   * Share of energy that the layer itself takes up when it hangs free, with sound on both faces,
   * per octave and per face; its gap does not count.
   */
  public Bands absorptionHungFree() {
    return octaves(hz -> overAngles(angle -> takenUpFree(hz, angle)));
  }

  private static Bands octaves(java.util.function.DoubleUnaryOperator atHz) {
    return Bands.from(i -> {
      double hz = Octave.exactHz(i);
      double mean =
          (atHz.applyAsDouble(hz / THIRD) + atHz.applyAsDouble(hz) + atHz.applyAsDouble(hz * THIRD))
              / 3;
      return Math.clamp(mean, 0.0, 1.0);
    });
  }

  /** Absorption coefficient at one frequency for sound straight on. */
  public double normal(double hz) {
    return absorbed(hz, 0);
  }

  /** Absorption coefficient at one frequency for diffuse incidence. */
  public double diffuse(double hz) {
    return overAngles(angle -> absorbed(hz, angle));
  }

  /** Paris: twice the integral over a(t) sin t cos t. */
  private static double overAngles(java.util.function.DoubleUnaryOperator atAngle) {
    double sum = 0;
    for (int k = 0; k < STEPS; k++) {
      double angle = Math.PI / 2 * (k + 0.5) / STEPS;
      sum += atAngle.applyAsDouble(angle) * Math.sin(2 * angle);
    }
    return sum * Math.PI / 2 / STEPS;
  }

  /** What a plane wave meets in the layer: impedance and phase along the normal. */
  private record Within(Complex impedance, Complex phase) {}

  private Within within(double hz, double angle) {
    double x = hz / flowResistivity;
    double free = 2 * Math.PI * hz / SPEED_OF_SOUND;
    Complex impedance =
        Complex.ofCartesian(1 + 0.070 * Math.pow(x, -0.632), -0.107 * Math.pow(x, -0.632))
            .multiply(AIR_DENSITY * SPEED_OF_SOUND);
    Complex number =
        Complex.ofCartesian(1 + 0.109 * Math.pow(x, -0.618), -0.160 * Math.pow(x, -0.618))
            .multiply(free);
    double along = free * Math.sin(angle);
    Complex across = number.multiply(number).subtract(along * along).sqrt();
    return new Within(impedance.multiply(number).divide(across), across.multiply(thicknessMetres));
  }

  private double absorbed(double hz, double angle) {
    Within layer = within(hz, angle);
    Complex z = layer.impedance();
    Complex cot = layer.phase().cos().divide(layer.phase().sin());
    Complex surface;
    if (gapMetres == 0) {
      surface = z.multiply(cot).multiply(J).negate();
    } else {
      double phase = 2 * Math.PI * hz / SPEED_OF_SOUND * Math.cos(angle) * gapMetres;
      Complex behind =
          J.multiply(-AIR_DENSITY * SPEED_OF_SOUND / Math.cos(angle) / Math.tan(phase));
      Complex zcot = z.multiply(cot).multiply(J);
      surface = z.multiply(z).subtract(behind.multiply(zcot)).divide(behind.subtract(zcot));
    }
    Complex scaled = surface.multiply(Math.cos(angle) / (AIR_DENSITY * SPEED_OF_SOUND));
    double reflected = scaled.subtract(1).divide(scaled.add(1)).abs();
    return 1 - reflected * reflected;
  }

  /** 1 - |R|^2 - |T|^2 of the layer with air on both sides. */
  private double takenUpFree(double hz, double angle) {
    Within layer = within(hz, angle);
    double air = AIR_DENSITY * SPEED_OF_SOUND / Math.cos(angle);
    Complex straight = layer.phase().cos();
    Complex sine = layer.phase().sin().multiply(J);
    Complex b = sine.multiply(layer.impedance()).divide(air);
    Complex c = sine.divide(layer.impedance()).multiply(air);
    Complex sum = straight.multiply(2).add(b).add(c);
    double passed = Complex.ofCartesian(2, 0).divide(sum).abs();
    double reflected = b.subtract(c).divide(sum).abs();
    return 1 - passed * passed - reflected * reflected;
  }
}
