package nullroom.core.measure.altered;

/** The steps in which a sound was written: what is softer than their own noise is not in it. */
final class Steps {
  /** Finer ones are under any microphone's noise. */
  private static final double FINEST = 1 << 22;

  /** Energy of the noise of steps of one, W. R. Bennett, Bell Syst. Tech. J. 27 (1948) 446-472. */
  private static final double NOISE = 1 / 12.0;

  private double perUnit = 1;

  void add(double[] samples, int length) {
    for (int k = 0; k < length && perUnit <= FINEST; k++) {
      while (!isWhole(samples[k] * perUnit) && perUnit <= FINEST) {
        perUnit *= 2;
      }
    }
  }

  /** Without {@link Math#rint}, which is slow until it is compiled for good. */
  private static boolean isWhole(double steps) {
    return steps == (long) steps;
  }

  /** So many make full scale; no more than 2 to the power of 23. */
  double perUnit() {
    return perUnit;
  }

  /** Mean square of their noise from 0 Hz to half the rate; 0 where there are none. */
  double meanSquare() {
    return perUnit > FINEST ? 0 : NOISE / (perUnit * perUnit);
  }
}
