package nullroom.core.predict;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import nullroom.core.room.Ceiling;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.Surface;

/**
 * Two surfaces that face each other, between which a flutter echo can run.
 *
 * @param one the first surface
 * @param other the second
 * @param metres apart
 */
public record ParallelPair(Surface one, Surface other, double metres) {
  /**
   * Sides this nearly parallel still flutter (common practice: splay of 5 degrees and more stops
   * it).
   */
  private static final double PARALLEL = Math.cos(Math.toRadians(3));

  private static final double TOLERANCE = 0.04;

  /** All pairs of a room. */
  public static List<ParallelPair> of(Room room) {
    List<ParallelPair> pairs = new ArrayList<>();
    if (room.ceiling() instanceof Ceiling.Flat flat) {
      pairs.add(new ParallelPair(Surface.FLOOR, Surface.CEILING, flat.heightMetres()));
    }
    List<Point> c = room.outline().corners();
    for (int i = 0; i < c.size(); i++) {
      for (int j = i + 1; j < c.size(); j++) {
        Point a = c.get((i + 1) % c.size()).minus(c.get(i));
        Point b = c.get((j + 1) % c.size()).minus(c.get(j));
        double apart = b.cross(c.get(i).minus(c.get(j))).z() / b.length();
        boolean facing = -a.dot(b) / a.length() / b.length() > PARALLEL && apart > 0;
        if (facing && overlap(c.get(i), a, c.get(j), b)) {
          pairs.add(new ParallelPair(Surface.wall(i + 1), Surface.wall(j + 1), apart));
        }
      }
    }
    return pairs;
  }

  /** Whether two opposite walls stand before each other somewhere. */
  private static boolean overlap(Point from, Point along, Point otherFrom, Point otherAlong) {
    double length = along.length();
    double start = otherFrom.minus(from).dot(along) / length;
    double end = otherFrom.plus(otherAlong, 1).minus(from).dot(along) / length;
    return Math.max(start, end) > 0 && Math.min(start, end) < length;
  }

  /**
   * The pair between which an echo comes back that often: after the way there and back, or, midway
   * between both, after half of it.
   *
   * @param pathMetres from echo to echo
   */
  public static Optional<ParallelPair> fluttering(Room room, double pathMetres) {
    return of(room).stream()
        .filter(p -> p.misses(pathMetres) < TOLERANCE)
        .min(Comparator.comparingDouble(p -> p.misses(pathMetres)));
  }

  private double misses(double pathMetres) {
    return Math.min(
        Math.abs(2 * metres / pathMetres - 1), TOLERANCE / 4 + Math.abs(metres / pathMetres - 1));
  }
}
