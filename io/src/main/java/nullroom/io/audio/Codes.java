package nullroom.io.audio;

import java.util.SplittableRandom;

/** Samples as whole numbers of a word length, dithered where asked. */
final class Codes {
  private final double full;
  private final boolean dithered;
  private final SplittableRandom random;

  /**
   * @param bits 16 or 24
   * @param dithered adds triangular dither of one step's size
   * @param seed of the dither
   */
  Codes(int bits, boolean dithered, long seed) {
    full = Math.scalb(1.0, bits - 1);
    this.dithered = dithered;
    random = new SplittableRandom(seed);
  }

  /** The nearest code; beyond the largest, that one. */
  int of(double sample) {
    double steps = sample * full + (dithered ? random.nextDouble() + random.nextDouble() - 1 : 0);
    return (int) Math.clamp(Math.rint(steps), -full, full - 1);
  }
}
