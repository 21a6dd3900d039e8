package nullroom.core.room;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.ToDoubleFunction;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Bands;

/**
 * A piece of furniture: a box with upright sides, of one finish all over.
 *
 * @param name for people
 * @param corner its lowest corner, about which it is turned; z is the height of its underside
 * @param lengthMetres along x before it is turned
 * @param widthMetres along y before it is turned
 * @param heightMetres upwards
 * @param azimuthDegrees turn, counter-clockwise seen from above
 * @param finish of all its faces
 * @param otherwise what it can be turned into, where it can: a wardrobe shut or open
 */
public record Furniture(
    String name,
    Point corner,
    double lengthMetres,
    double widthMetres,
    double heightMetres,
    double azimuthDegrees,
    Finish finish,
    Optional<Alternative> otherwise) {
  private static final Point UP = new Point(0, 0, 1);
  private static final double LEAST_METRES = 0.005;
  private static final double MOST_METRES = 20;

  /** A piece that stays as it is. */
  public Furniture(
      String name,
      Point corner,
      double lengthMetres,
      double widthMetres,
      double heightMetres,
      double azimuthDegrees,
      Finish finish) {
    this(
        name,
        corner,
        lengthMetres,
        widthMetres,
        heightMetres,
        azimuthDegrees,
        finish,
        Optional.empty());
  }

  public Furniture {
    check(name, "length", lengthMetres);
    check(name, "width", widthMetres);
    check(name, "height", heightMetres);
    if (!Double.isFinite(azimuthDegrees)) {
      throw new IllegalArgumentException("'" + name + "' needs a turn in degrees");
    }
  }

  private static void check(String name, String what, double metres) {
    if (!(metres >= LEAST_METRES && metres <= MOST_METRES)) {
      throw new IllegalArgumentException(
          "the " + what + " of '" + name + "' must lie between 0.005 and 20 m, not " + metres);
    }
  }

  /** A face of it: a rectangle whose corners run counter-clockwise seen from outside. */
  public record Side(List<Point> corners) {
    public Side {
      corners = List.copyOf(corners);
    }

    /** Square metres. */
    public double area() {
      return corners.get(0).distanceTo(corners.get(1)) * corners.get(1).distanceTo(corners.get(2));
    }
  }

  /** Its outline in plan, counter-clockwise. */
  public List<Point> plan() {
    double turn = Math.toRadians(azimuthDegrees);
    Point along = new Point(Math.cos(turn), Math.sin(turn), 0);
    Point across = new Point(-Math.sin(turn), Math.cos(turn), 0);
    Point a = new Point(corner.x(), corner.y(), 0);
    Point b = a.plus(along, lengthMetres);
    return List.of(a, b, b.plus(across, widthMetres), a.plus(across, widthMetres));
  }

  /** From a point to the upright box around it; 0 inside. */
  public double distanceTo(Point p) {
    List<Point> plan = plan();
    var xs = plan.stream().mapToDouble(Point::x).summaryStatistics();
    var ys = plan.stream().mapToDouble(Point::y).summaryStatistics();
    Point nearest =
        new Point(
            Math.clamp(p.x(), xs.getMin(), xs.getMax()),
            Math.clamp(p.y(), ys.getMin(), ys.getMax()),
            Math.clamp(p.z(), corner.z(), top()));
    return nearest.distanceTo(p);
  }

  /** Whether it gives light, as its name says. */
  public boolean shines() {
    String known = name.toLowerCase(Locale.ROOT);
    return known.contains("lamp") || known.contains("softbox") || known.contains("light");
  }

  /** The middle of it. */
  public Point middle() {
    List<Point> plan = plan();
    Point across = plan.get(0).plus(plan.get(2).minus(plan.get(0)), 0.5);
    return across.plus(UP, corner.z() + heightMetres / 2);
  }

  /** The height of its top. */
  public double top() {
    return corner.z() + heightMetres;
  }

  /** Its faces that sound can reach: top, four sides, and the underside where that is free. */
  public List<Side> sides() {
    List<Point> plan = plan();
    List<Side> sides = new ArrayList<>();
    sides.add(new Side(plan.stream().map(p -> p.plus(UP, top())).toList()));
    for (int k = 0; k < plan.size(); k++) {
      Point a = plan.get(k).plus(UP, corner.z());
      Point b = plan.get((k + 1) % plan.size()).plus(UP, corner.z());
      sides.add(new Side(List.of(a, b, b.plus(UP, heightMetres), a.plus(UP, heightMetres))));
    }
    if (corner.z() > 0) {
      sides.add(new Side(plan.reversed().stream().map(p -> p.plus(UP, corner.z())).toList()));
    }
    return sides;
  }

  /** Whether a point lies in it. */
  public boolean holds(Point at) {
    return at.z() > corner.z() && at.z() < top() && Outline.within(plan(), at);
  }

  /** What its faces take up, square metres per octave. */
  public Bands absorptionArea() {
    double area = sides().stream().mapToDouble(Side::area).sum();
    return finish.absorption().map(a -> a * area);
  }

  /** The same piece elsewhere. */
  public Furniture movedTo(Point place) {
    return placed(place, lengthMetres, widthMetres, heightMetres, azimuthDegrees);
  }

  /** The same piece elsewhere, of another size or turned. */
  public Furniture placed(
      Point place, double length, double width, double height, double turnDegrees) {
    return new Furniture(name, place, length, width, height, turnDegrees, finish, otherwise);
  }

  /** The same piece of another finish, for good. */
  public Furniture with(Finish other) {
    return new Furniture(
        name, corner, lengthMetres, widthMetres, heightMetres, azimuthDegrees, other);
  }

  /** Its name with the state it is in. */
  public String label() {
    return otherwise.map(o -> name + ", " + o.now()).orElse(name);
  }

  /** The same piece in its other state; itself where it has none. */
  public Furniture turned() {
    return otherwise
        .map(o ->
            new Furniture(
                name,
                corner,
                lengthMetres,
                widthMetres,
                heightMetres,
                azimuthDegrees,
                o.finish(),
                Optional.of(o.turned(finish))))
        .orElse(this);
  }

  /** Refuses it where it reaches out of a room. */
  void check(String field, Outline outline, ToDoubleFunction<Point> heightAt) {
    Point centre = Outline.centre(plan());
    for (Point p : plan()) {
      Point inwards = p.plus(centre.minus(p), 0.01); // pushed against a wall it may touch it
      if (!outline.contains(inwards)) {
        throw new Trouble.BadField(field, "'" + name + "' reaches out of the room");
      }
      if (corner.z() < 0 || top() > heightAt.applyAsDouble(inwards) + 0.001) {
        throw new Trouble.BadField(field, "'" + name + "' does not fit under the ceiling there");
      }
    }
  }

  /** Refuses it where somebody or something is inside it. */
  void checkFree(String field, String who, Point at) {
    if (holds(at)) {
      throw new Trouble.BadField(field, "the " + who + " is inside '" + name + "'");
    }
  }
}
