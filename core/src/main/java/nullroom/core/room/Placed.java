package nullroom.core.room;

/**
 * Something with a place that points somewhere.
 *
 * @param <T> itself
 */
public interface Placed<T extends Placed<T>> {
  /** Where it is. */
  Point at();

  /** Where it points. */
  Aim aim();

  /** The same elsewhere, pointing elsewhere. */
  T placed(Point place, Aim direction);
}
