package nullroom.core.measure.noise;

/**
 * What digital levels mean in the air.
 *
 * @param fullScaleDbSpl level of a sine that reaches full scale, dB SPL
 * @param uncertaintyDb give or take, for every level that goes through it
 */
public record Scale(double fullScaleDbSpl, double uncertaintyDb) {
  public Scale {
    if (!(fullScaleDbSpl >= 20 && fullScaleDbSpl <= 220)) {
      throw new IllegalArgumentException(
          "a full scale of " + fullScaleDbSpl + " dB SPL is outside 20 to 220");
    }
    if (!(uncertaintyDb >= 0 && uncertaintyDb <= 30)) {
      throw new IllegalArgumentException(
          "an uncertainty of " + uncertaintyDb + " dB is outside 0 to 30");
    }
  }
}
