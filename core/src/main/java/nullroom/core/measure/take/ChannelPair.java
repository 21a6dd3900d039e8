package nullroom.core.measure.take;

import java.util.OptionalDouble;
import nullroom.core.signal.Sums;

/** Two channels that should both have sound and go together. One thread adds. */
public final class ChannelPair {
  /** A channel this far under the other is dead. */
  private static final double DEAD_ENERGY = 1e-4;

  /** Channels that cancel each other this much are of opposite polarity. */
  private static final double OPPOSITE = -0.6;

  private double first;
  private double second;
  private double product;

  /** Nothing was heard yet. */
  public ChannelPair() {}

  /** Takes the next samples of both. */
  public void add(double[] x, double[] y, int count) {
    first += Sums.ofSquares(x, 0, count);
    second += Sums.ofSquares(y, 0, count);
    product += Sums.ofProducts(x, y, count);
  }

  /** Correlation, -1 to 1; empty where one of them is silent. */
  public OptionalDouble correlation() {
    return first > 0 && second > 0
        ? OptionalDouble.of(product / Math.sqrt(first * second))
        : OptionalDouble.empty();
  }

  /** Whether only the second has sound. */
  public boolean firstIsDead() {
    return isDead(first, second);
  }

  /** Whether only the first has sound. */
  public boolean secondIsDead() {
    return isDead(second, first);
  }

  /** Whether they cancel each other on one loudspeaker. */
  public boolean opposite() {
    return isOpposite(correlation());
  }

  static boolean isDead(double energy, double largest) {
    return energy < largest * DEAD_ENERGY;
  }

  static boolean isOpposite(OptionalDouble correlation) {
    return correlation.isPresent() && correlation.getAsDouble() < OPPOSITE;
  }
}
