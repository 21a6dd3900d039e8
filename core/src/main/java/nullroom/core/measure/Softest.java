package nullroom.core.measure;

import java.util.Comparator;
import java.util.List;
import java.util.PriorityQueue;

/**
 * Keeps so many of the softest of what comes by.
 *
 * @param <T> what is kept
 */
public final class Softest<T> {
  private record Kept<T>(double level, T what) {}

  private final int most;
  private final PriorityQueue<Kept<T>> loudestFirst =
      new PriorityQueue<>(Comparator.comparingDouble((Kept<T> k) -> k.level).reversed());

  /** Keeps no more than so many. */
  public Softest(int most) {
    this.most = most;
  }

  /** Whether what is so loud would be kept. */
  public boolean wants(double level) {
    return loudestFirst.size() < most || level < loudestFirst.element().level;
  }

  /** Keeps it, if it belongs to the softest. */
  public void add(double level, T what) {
    if (wants(level)) {
      loudestFirst.add(new Kept<>(level, what));
      if (loudestFirst.size() > most) {
        loudestFirst.remove();
      }
    }
  }

  /** How many are kept. */
  public int count() {
    return loudestFirst.size();
  }

  /** Level of the softest of all; infinite where none is kept. */
  public double least() {
    return level(0);
  }

  /** Level that so many others lie under; infinite where no more are kept. */
  public double level(int others) {
    return loudestFirst.stream()
        .mapToDouble(Kept::level)
        .sorted()
        .skip(others)
        .findFirst()
        .orElse(Double.POSITIVE_INFINITY);
  }

  /** So many of the softest, the softest first. */
  public List<T> first(int count) {
    return loudestFirst.stream()
        .sorted(Comparator.comparingDouble(Kept::level))
        .limit(count)
        .map(Kept::what)
        .toList();
  }

  /** Those no louder than a level, the softest first. */
  public List<T> upTo(double level) {
    return first((int) loudestFirst.stream().filter(k -> k.level <= level).count());
  }
}
