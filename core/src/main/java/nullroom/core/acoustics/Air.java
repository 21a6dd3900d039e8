package nullroom.core.acoustics;

import nullroom.core.Decibels;
import nullroom.core.Figures;
import nullroom.core.Trouble;

/**
 * Air at sea level: speed of sound and attenuation.
 *
 * <p>Source: ISO 9613-1:1993, equations (3) to (5) and (B.1) to (B.3), at 101.325 kPa.
 *
 * @param temperatureC from -20 to 50
 * @param humidityPercent relative humidity, from 1 to 100
 */
public record Air(double temperatureC, double humidityPercent) {
  private static final double REFERENCE_KELVIN = 293.15;
  private static final double TRIPLE_POINT_KELVIN = 273.16;

  /** 20 C and 50 %. */
  public static final Air ROOM = new Air(20, 50);

  public Air {
    check("temperatureC", temperatureC, -20, 50);
    check("humidityPercent", humidityPercent, 1, 100);
  }

  private static void check(String field, double number, double least, double most) {
    if (!(number >= least && number <= most)) {
      throw new Trouble.BadField(
          field, Figures.say("must lie between %.0f and %.0f, not %s", least, most, number));
    }
  }

  private double kelvin() {
    return temperatureC + 273.15;
  }

  /** Metres a second: 343.2 sqrt(T / 293.15). */
  public double speedOfSound() {
    return 343.2 * Math.sqrt(kelvin() / REFERENCE_KELVIN);
  }

  /** Attenuation of a pure tone in dB a metre. */
  public double attenuationDbPerMetre(double hz) {
    double t = kelvin();
    double ratio = t / REFERENCE_KELVIN;
    double saturation = Math.pow(10, -6.8346 * Math.pow(TRIPLE_POINT_KELVIN / t, 1.261) + 4.6151);
    double h = humidityPercent * saturation;
    double oxygen = 24 + 4.04e4 * h * (0.02 + h) / (0.391 + h);
    double nitrogen =
        Math.pow(ratio, -0.5) * (9 + 280 * h * Math.exp(-4.170 * (Math.pow(ratio, -1.0 / 3) - 1)));
    double f = hz * hz;
    double vibration =
        0.01275 * Math.exp(-2239.1 / t) / (oxygen + f / oxygen)
            + 0.1068 * Math.exp(-3352.0 / t) / (nitrogen + f / nitrogen);
    return 8.686 * f * (1.84e-11 * Math.sqrt(ratio) + Math.pow(ratio, -2.5) * vibration);
  }

  /**
   * Energy attenuation m in 1/m per octave, at the exact mid-band frequency; m = dB per metre / (10
   * lg e).
   */
  public Bands energyAttenuation() {
    return Bands.from(i -> attenuationDbPerMetre(Octave.exactHz(i)) / Decibels.ofEnergy(Math.E));
  }
}
