package nullroom.app.control;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BiPredicate;

/**
 * Finds places for labels beside what they name, so that none lies over another or over what is to
 * stay seen, and all are within the picture.
 */
final class LabelPlacer {
  /** Between a label and what it names, and between two labels. */
  private static final double GAP = 3;

  /** Rings of places that are tried, each further off. */
  private static final int RINGS = 3;

  private static final double RING_STEP = 13;

  /** So many places are tried along either side of an area. */
  private static final int PLACES = 9;

  /** Directions that are tried, the first that is free being taken. */
  private static final double[][] SIDES = {
    {1, 0}, {-1, 0}, {0, 1}, {0, -1}, {1, 1}, {-1, 1}, {1, -1}, {-1, -1}
  };

  /**
   * A rectangle of the picture.
   *
   * @param x left
   * @param y top
   */
  record Box(double x, double y, double width, double height) {
    /** Area that it has in common with another. */
    double over(Box other) {
      double w = Math.min(x + width, other.x + other.width) - Math.max(x, other.x);
      double h = Math.min(y + height, other.y + other.height) - Math.max(y, other.y);
      return w > 0 && h > 0 ? w * h : 0;
    }
  }

  private final Box picture;
  private final List<Box> taken = new ArrayList<>();

  /** Of an empty picture of a size. */
  LabelPlacer(double width, double height) {
    picture = new Box(0, 0, width, height);
  }

  /** Keeps a place free of labels. */
  void keep(Box box) {
    taken.add(box);
  }

  /**
   * A place beside something: the nearest free one, else that which covers least, or none.
   *
   * @param reach how far the thing reaches from its middle
   * @param needed whether a place that covers something is better than none
   */
  Optional<Box> beside(
      double atX, double atY, double reach, double width, double height, boolean needed) {
    Box best = new Box(atX, atY, width, height);
    double least = Double.POSITIVE_INFINITY;
    for (int ring = 0; ring < RINGS && least > 0; ring++) {
      for (double[] side : SIDES) {
        double away = reach + GAP + ring * RING_STEP;
        double x = atX + side[0] * (away + width / 2) - width / 2;
        double y = atY + side[1] * (away + height / 2) - height / 2;
        Box box = new Box(x, y, width, height);
        double cost = cost(box);
        if (cost < least) {
          least = cost;
          best = box;
        }
        if (least == 0) {
          break;
        }
      }
    }
    return taken(best, least, needed);
  }

  /** A place over the middle of something, else close to it; empty where nothing is free. */
  Optional<Box> over(double atX, double atY, double width, double height) {
    Box middle = new Box(atX - width / 2, atY - height / 2, width, height);
    return cost(middle) == 0
        ? taken(middle, 0, false)
        : beside(atX, atY, -height / 2, width, height, false);
  }

  /**
   * A free place within an area, the nearest to a point of it; empty where it fits nowhere.
   *
   * @param within tells whether a point lies in the area
   * @param area the box around it
   */
  Optional<Box> within(
      BiPredicate<Double, Double> within,
      Box area,
      double atX,
      double atY,
      double width,
      double height) {
    Optional<Box> best = Optional.empty();
    double least = Double.POSITIVE_INFINITY;
    for (int i = 0; i <= PLACES; i++) {
      for (int j = 0; j <= PLACES; j++) {
        double x =
            i == PLACES ? atX - width / 2 : area.x() + i * (area.width() - width) / (PLACES - 1);
        double y =
            j == PLACES ? atY - height / 2 : area.y() + j * (area.height() - height) / (PLACES - 1);
        Box box = new Box(x, y, width, height);
        double far = Math.hypot(x + width / 2 - atX, y + height / 2 - atY);
        if (far < least && corners(box, within) && cost(box) == 0) {
          least = far;
          best = Optional.of(box);
        }
      }
    }
    best.ifPresent(taken::add);
    return best;
  }

  private static boolean corners(Box b, BiPredicate<Double, Double> within) {
    return within.test(b.x() - GAP, b.y())
        && within.test(b.x() + b.width() + GAP, b.y())
        && within.test(b.x() - GAP, b.y() + b.height())
        && within.test(b.x() + b.width() + GAP, b.y() + b.height());
  }

  private Optional<Box> taken(Box box, double cost, boolean needed) {
    if (cost > 0 && !needed) {
      return Optional.empty();
    }
    taken.add(box);
    return Optional.of(box);
  }

  private double cost(Box box) {
    Box wide = new Box(box.x() - GAP / 2, box.y() - GAP / 2, box.width() + GAP, box.height() + GAP);
    double outside = box.width() * box.height() - box.over(picture);
    return 4 * outside + taken.stream().mapToDouble(wide::over).sum();
  }
}
