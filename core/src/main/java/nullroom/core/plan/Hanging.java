package nullroom.core.plan;

import java.util.Locale;
import java.util.Optional;
import nullroom.core.room.Patch;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.Surface;

/** Things at hand that can be hung or laid. */
public enum Hanging {
  BLANKET(
      "Hang a blanket on",
      "Blanket 1.5 × 2.0 m, 10 cm off the wall",
      "blanket_100",
      1.5,
      2.0,
      15,
      15),
  DUVET(
      "Hang a duvet on", "Duvet 1.35 × 2.0 m, 10 cm off the wall", "duvet_100", 1.35, 2.0, 25, 15),
  RUG("Lay a rug on", "Rug 1.6 × 2.3 m", "rug_on_wood", 1.6, 2.3, 40, 5);

  private static final double LEAST_METRES = 0.3;
  private static final double STEP_METRES = 0.1;

  /** A piece may be folded to such shares of its width where it finds no place as it is. */
  private static final double[] SHARES = {1, 0.75, 0.5};

  private final String verb;
  private final String label;
  private final String materialId;
  private final double width;
  private final double height;
  private final int cost;
  private final int minutes;

  Hanging(
      String verb,
      String label,
      String materialId,
      double width,
      double height,
      int cost,
      int minutes) {
    this.verb = verb;
    this.label = label;
    this.materialId = materialId;
    this.width = width;
    this.height = height;
    this.cost = cost;
    this.minutes = minutes;
  }

  String verb() {
    return verb;
  }

  /** Name with size for people. */
  public String label() {
    return label;
  }

  /** Material in the table. */
  public String materialId() {
    return materialId;
  }

  /** Guessed price. */
  public int cost() {
    return cost;
  }

  /** Minutes to put it up. */
  public int minutes() {
    return minutes;
  }

  /**
   * The piece as near as it can hang to the middle of a surface, beside or over what is there
   * already, cut down to what fits; empty where it does not belong there, finds no free place, or
   * the surface is not to be covered.
   */
  public Optional<Patch> patchOn(Room room, Surface surface) {
    boolean floor = surface instanceof Surface.Floor;
    boolean bare = room.tagOf(surface).filter(t -> !t.mayBeCovered()).isPresent();
    if (floor != (this == RUG) || bare) {
      return Optional.empty();
    }
    double[] extent = extent(room, surface);
    double w = Math.min(width, extent[2] - 0.1);
    double h = Math.min(height, extent[3] - 0.1);
    if (w < LEAST_METRES || h < LEAST_METRES || w * h > 0.95 * room.areaOf(surface)) {
      return Optional.empty();
    }
    for (double share : SHARES) {
      Optional<Patch> free = nearestFree(room, surface, extent, w * share, h);
      if (free.isPresent()) {
        return free;
      }
    }
    return Optional.empty();
  }

  /** Beside what is there at first, then over it, each time from the middle outwards. */
  private Optional<Patch> nearestFree(
      Room room, Surface surface, double[] extent, double w, double h) {
    if (w < LEAST_METRES) {
      return Optional.empty();
    }
    double middle = extent[0] + (extent[2] - w) / 2;
    double top = extent[1] + extent[3];
    double lowest = surface.isWall() ? top - h - 0.05 : extent[1] + (extent[3] - h) / 2;
    for (double cut = h; cut >= LEAST_METRES; cut -= STEP_METRES) {
      double up = surface.isWall() ? top - cut - 0.05 : lowest;
      for (double aside = 0; aside <= extent[2] / 2; aside += STEP_METRES) {
        for (double x : new double[] {middle + aside, middle - aside}) {
          Patch there = Patch.rectangle(word(), surface, x, up, w, cut, materialId);
          if (room.hasPlaceFor(there)) {
            return Optional.of(there);
          }
        }
      }
      if (!surface.isWall()
          || room.patches().stream().noneMatch(p -> p.surface().equals(surface))) {
        return Optional.empty();
      }
    }
    return Optional.empty();
  }

  private String word() {
    return label.substring(0, label.indexOf(' ')).toLowerCase(Locale.ROOT);
  }

  /** Least x, least y, width and height that a piece can use in a surface's own axes. */
  private static double[] extent(Room room, Surface surface) {
    double[] us = room.enclosure().span(surface, 0);
    if (!(surface instanceof Surface.Wall wall)) {
      double[] vs = room.enclosure().span(surface, 1);
      return new double[] {us[0], vs[0], us[1] - us[0], vs[1] - vs[0]};
    }
    Point a = room.enclosure().unbounded(wall, new Point(0, 0, 0));
    Point b = room.enclosure().unbounded(wall, new Point(us[1], 0, 0));
    double top = Math.min(room.heightAt(a), room.heightAt(b));
    return new double[] {0, 0, us[1], top};
  }
}
