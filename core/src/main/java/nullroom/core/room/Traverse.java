package nullroom.core.room;

import java.util.ArrayList;
import java.util.List;
import nullroom.core.Figures;
import nullroom.core.Trouble;

/**
 * A floor paced out with a tape measure: each wall's length, and the angle inside the room at its
 * end. What the last wall misses the first corner by is shared out over all walls in proportion to
 * their length (the surveyors' compass rule, from memory).
 *
 * @param outline that closes
 * @param missMetres by how much the walls as measured do not meet
 */
public record Traverse(Outline outline, double missMetres) {
  /** More than this share of the way around is no measuring error but a wrong number. */
  private static final double MOST_SHARE = 0.03;

  private static final double FULL_TURN = 360;
  private static final double HALF_TURN = 180;

  /**
   * A wall.
   *
   * @param metres its length
   * @param insideDegrees angle in the room at its end, 90 in the corner of a box, 270 where the
   *     room goes around a corner
   */
  public record Wall(double metres, double insideDegrees) {}

  /**
   * Walks along the walls, against the clock seen from above, the first along x from the origin.
   *
   * @throws Trouble.BadField where they do not meet, naming by how much
   * @throws IllegalArgumentException where they make no outline
   */
  public static Traverse of(List<Wall> walls) {
    double x = 0;
    double y = 0;
    double heading = 0;
    double around = 0;
    List<Point> corners = new ArrayList<>();
    for (int i = 0; i < walls.size(); i++) {
      Wall wall = walls.get(i);
      if (!(wall.metres() > 0 && wall.insideDegrees() > 0 && wall.insideDegrees() < FULL_TURN)) {
        throw new Trouble.BadField(
            "wall " + (i + 1), "needs a length over 0 m and an angle between 0 and 360 degrees");
      }
      x += wall.metres() * Math.cos(Math.toRadians(heading));
      y += wall.metres() * Math.sin(Math.toRadians(heading));
      corners.add(new Point(x, y, 0));
      heading += HALF_TURN - wall.insideDegrees();
      around += wall.metres();
    }
    double miss = Math.hypot(x, y);
    if (miss > MOST_SHARE * around) {
      throw new Trouble.BadField(
          "walls",
          Figures.say(
              "the last one ends %.2f m from where the first begins; measure them again, or check which corners turn outwards",
              miss));
    }
    return new Traverse(new Outline(closed(corners, walls, around)), miss);
  }

  private static List<Point> closed(List<Point> ends, List<Wall> walls, double around) {
    Point miss = ends.getLast();
    List<Point> corners = new ArrayList<>(List.of(new Point(0, 0, 0)));
    double walked = 0;
    for (int i = 0; i + 1 < ends.size(); i++) {
      walked += walls.get(i).metres();
      corners.add(ends.get(i).plus(miss, -walked / around));
    }
    return corners;
  }

  /** An outline as walls and angles. */
  public static List<Wall> walls(Outline outline) {
    List<Point> c = outline.corners();
    List<Wall> walls = new ArrayList<>();
    for (int i = 0; i < c.size(); i++) {
      Point end = c.get((i + 1) % c.size());
      Point in = end.minus(c.get(i));
      Point out = c.get((i + 2) % c.size()).minus(end);
      double turn = Math.toDegrees(Math.atan2(in.x() * out.y() - in.y() * out.x(), in.dot(out)));
      walls.add(new Wall(in.length(), HALF_TURN - turn));
    }
    return walls;
  }
}
