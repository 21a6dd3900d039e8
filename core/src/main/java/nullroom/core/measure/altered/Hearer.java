package nullroom.core.measure.altered;

/** Hears one channel of a sound that somebody else reads. */
public interface Hearer {
  /**
   * The next samples.
   *
   * @param block written over afterwards
   */
  void add(double[] block, int length);

  /** Nothing follows. */
  default void end() {}
}
