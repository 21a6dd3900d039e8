package nullroom.core.predict;

import java.util.List;
import nullroom.core.Decibels;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Octave;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.Screen;

/**
 * What free-standing cloth does to sound that goes straight from one point to another: part goes
 * through it, part is bent round its edges.
 *
 * <p>Source: Z. Maekawa, Appl. Acoust. 1 (1968) 157: the chart for a barrier as 10 lg(3 + 20 N), N
 * twice the detour over the wavelength, down to N = -0.1 where the edge just misses the line of
 * sight; edges add as energies. Cloth shields of what a board would only the share that it does not
 * let through, so that nothing jumps where the way comes over its edge.
 */
final class Screens {
  private static final double AT_EDGE = 3;
  private static final double PER_N = 20;

  /** An edge nearer to floor or ceiling than this leaves no gap. */
  private static final double GAP_METRES = 0.02;

  private Screens() {}

  /** Decibels over what would arrive without screens, per octave; 0 or less. */
  static Bands gainDb(Room room, Point from, Point to) {
    Bands gain = Bands.all(0);
    for (Screen screen : room.contents().screens()) {
      Point normal = screen.normal();
      double here = normal.dot(from.minus(screen.from()));
      double there = normal.dot(to.minus(screen.from()));
      if (here * there < 0) {
        Point at = from.plus(to.minus(from), here / (here - there));
        gain = gain.with(gainDb(room, screen, from, to, at), Double::sum);
      }
    }
    return gain;
  }

  /** Of one screen, whose plane the line from point to point crosses. */
  private static Bands gainDb(Room room, Screen screen, Point from, Point to, Point at) {
    Point along = screen.to().minus(screen.from());
    double width = along.length();
    double u = at.minus(screen.from()).dot(along) / width;
    double bottom = screen.bottomMetres();
    double top = screen.topMetres();
    List<Point> c = screen.corners();
    double over = room.heightAt(at) - top > GAP_METRES ? detour(c.get(3), c.get(2), from, to) : -1;
    double under = bottom > GAP_METRES ? detour(c.get(0), c.get(1), from, to) : -1;
    double first = detour(c.get(0), c.get(3), from, to);
    double last = detour(c.get(1), c.get(2), from, to);
    Point way = to.minus(from);
    double cosine = Math.abs(screen.normal().dot(way)) / way.length();
    return Bands.from(b -> {
      double perMetre = 2 * Octave.exactHz(b) / room.air().speedOfSound();
      double bent =
          bent(over, at.z() < top, perMetre)
              + bent(under, at.z() > bottom, perMetre)
              + bent(first, u > 0, perMetre)
              + bent(last, u < width, perMetre);
      double through = screen.cloth().transmission(b, cosine);
      return Decibels.ofEnergy(through + (1 - through) * Math.min(1, bent));
    });
  }

  /** Share of the energy that comes round an edge; 0 for one without a gap. */
  private static double bent(double detour, boolean behind, double perMetre) {
    if (detour < 0) {
      return 0;
    }
    double n = (behind ? detour : -detour) * perMetre;
    return 1 / Math.max(1, AT_EDGE + PER_N * n);
  }

  /** How much longer the shortest way over an edge is than the straight one, metres. */
  private static double detour(Point start, Point end, Point from, Point to) {
    Point edge = end.minus(start);
    double length = edge.length();
    Point unit = new Point(0, 0, 0).plus(edge, 1 / length);
    double a = from.minus(start).dot(unit);
    double b = to.minus(start).dot(unit);
    double offA = from.minus(start.plus(unit, a)).length();
    double offB = to.minus(start.plus(unit, b)).length();
    double s = a + (b - a) * (offA + offB == 0 ? 0.5 : offA / (offA + offB));
    Point over = start.plus(unit, Math.clamp(s, 0, length));
    return Math.max(0, from.distanceTo(over) + over.distanceTo(to) - from.distanceTo(to));
  }
}
