package nullroom.core.measure;

import java.util.function.Consumer;

/** Cuts samples that come in pieces of any length into blocks of one, that may overlap. */
public final class Blocks {
  private final double[] block;
  private final int hop;
  private final Consumer<double[]> full;
  private int filled;

  /**
   * Blocks side by side.
   *
   * @param full takes each block, which is written over afterwards
   */
  public Blocks(int samples, Consumer<double[]> full) {
    this(samples, samples, full);
  }

  /**
   * Blocks that overlap.
   *
   * @param hop samples from the beginning of one to that of the next
   * @param full takes each block, which is written over afterwards
   */
  public Blocks(int samples, int hop, Consumer<double[]> full) {
    block = new double[samples];
    this.hop = hop;
    this.full = full;
  }

  /** The next samples. */
  public void add(double[] samples, int length) {
    int taken = 0;
    while (taken < length) {
      int n = Math.min(length - taken, block.length - filled);
      System.arraycopy(samples, taken, block, filled, n);
      taken += n;
      filled += n;
      if (filled == block.length) {
        full.accept(block);
        System.arraycopy(block, hop, block, 0, block.length - hop);
        filled = block.length - hop;
      }
    }
  }
}
