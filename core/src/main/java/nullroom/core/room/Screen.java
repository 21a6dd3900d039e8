package nullroom.core.room;

import java.util.List;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Cloth;

/**
 * Cloth or the like that stands free in a room: an upright rectangle with two faces, such as a
 * blanket over two stands, a full clothes rail, a folding screen.
 *
 * @param name for people
 * @param from one end of it in the plan
 * @param to the other
 * @param bottomMetres lower edge over the floor
 * @param topMetres upper edge over the floor
 * @param cloth what it does with sound
 */
public record Screen(
    String name, Point from, Point to, double bottomMetres, double topMetres, Cloth cloth) {
  /** Cloth in folds throws back so much to all sides (common practice). */
  public static final double SCATTERING = 0.3;

  private static final double LEAST_METRES = 0.05;

  public Screen {
    if (!(from.distanceTo(to) >= LEAST_METRES)) {
      throw new IllegalArgumentException("must be at least 5 cm wide");
    }
    if (!(bottomMetres >= 0 && topMetres >= bottomMetres + LEAST_METRES)) {
      throw new IllegalArgumentException(
          "must reach from 0 or more up, at least 5 cm, not from "
              + bottomMetres
              + " to "
              + topMetres
              + " m");
    }
  }

  /** Metres from end to end. */
  public double width() {
    return from.distanceTo(to);
  }

  /** Of one face, square metres. */
  public double area() {
    return width() * (topMetres - bottomMetres);
  }

  /** What both faces take up together, square metres per octave. */
  public Bands absorptionArea() {
    double faces = 2 * area();
    return cloth.absorption().map(lost -> faces * lost);
  }

  /** Its middle, at half its height. */
  public Point middle() {
    return from.plus(to.minus(from), 0.5).plus(new Point(0, 0, 1), (bottomMetres + topMetres) / 2);
  }

  /** Corners, from the lower end at {@code from} on. */
  public List<Point> corners() {
    return List.of(
        new Point(from.x(), from.y(), bottomMetres),
        new Point(to.x(), to.y(), bottomMetres),
        new Point(to.x(), to.y(), topMetres),
        new Point(from.x(), from.y(), topMetres));
  }

  /** Unit vector of one face in the plan. */
  public Point normal() {
    Point along = to.minus(from);
    double length = along.length();
    return new Point(along.y() / length, -along.x() / length, 0);
  }

  /** The same shifted in the plan. */
  public Screen movedBy(Point shift) {
    Point flat = new Point(shift.x(), shift.y(), 0);
    return new Screen(name, from.plus(flat, 1), to.plus(flat, 1), bottomMetres, topMetres, cloth);
  }

  /** Azimuth of its line in the plan, degrees. */
  public double azimuthDegrees() {
    return Aim.along(to.minus(from)).azimuthDegrees();
  }

  /** The same turned about its middle. */
  public Screen turnedTo(double azimuthDegrees) {
    Point half = new Aim(azimuthDegrees, 0).direction();
    Point centre = from.plus(to.minus(from), 0.5);
    double reach = width() / 2;
    return new Screen(
        name, centre.plus(half, -reach), centre.plus(half, reach), bottomMetres, topMetres, cloth);
  }

  /** Refuses one that does not stand in an enclosure. */
  void check(String field, Enclosure enclosure) {
    for (Point corner : corners()) {
      boolean in =
          enclosure.outline().contains(corner) && corner.z() <= enclosure.heightAt(corner) + 1e-6;
      if (!in) {
        throw new Trouble.BadField(field, "'" + name + "' reaches out of the room");
      }
    }
  }
}
