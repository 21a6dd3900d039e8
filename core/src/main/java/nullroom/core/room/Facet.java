package nullroom.core.room;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nullroom.core.acoustics.Bands;

/**
 * A plane piece of what bounds the air of a room: a wall, the floor, a slope of the ceiling, a side
 * of furniture.
 *
 * @param name of the surface, as in room files, or of the piece of furniture
 * @param surface of the enclosure that it is part of; empty for furniture
 * @param corners around it, three or more, in one plane
 * @param normal unit vector into the air
 * @param finish where nothing lies on it
 * @param patches what lies on it, the uppermost first, corners as {@code corners} are
 */
public record Facet(
    String name,
    Optional<Surface> surface,
    List<Point> corners,
    Point normal,
    Finish finish,
    List<Overlay> patches) {

  /**
   * A piece on it.
   *
   * @param corners in space
   * @param finish of it
   */
  public record Overlay(List<Point> corners, Finish finish) {
    public Overlay {
      corners = List.copyOf(corners);
    }
  }

  public Facet {
    corners = List.copyOf(corners);
    patches = List.copyOf(patches);
  }

  /** All facets of a room, its furniture after its own, both faces of free cloth last. */
  public static List<Facet> of(Room room) {
    List<Facet> all = new ArrayList<>();
    List<Point> plan = room.outline().corners();
    Enclosure enclosure = room.enclosure();
    all.add(facet(room, Surface.FLOOR, plan, new Point(0, 0, 1)));
    for (Ceiling.Plane slope : enclosure.planes()) {
      List<Point> corners =
          slope.corners().stream().map(p -> new Point(p.x(), p.y(), slope.heightAt(p))).toList();
      Point down = new Point(slope.slopeX(), slope.slopeY(), -1);
      all.add(facet(room, Surface.CEILING, corners, unit(down)));
    }
    for (int k = 0; k < plan.size(); k++) {
      Point a = plan.get(k);
      Point b = plan.get((k + 1) % plan.size());
      Point along = b.minus(a);
      Point inwards = unit(new Point(-along.y(), along.x(), 0));
      Surface.Wall wall = new Surface.Wall(k + 1);
      all.add(facet(room, wall, enclosure.corners(wall), inwards));
    }
    for (Furniture piece : room.furniture()) {
      for (Furniture.Side side : piece.sides()) {
        List<Point> c = side.corners();
        Point out = unit(c.get(1).minus(c.get(0)).cross(c.get(3).minus(c.get(0))));
        all.add(new Facet(piece.name(), Optional.empty(), c, out, piece.finish(), List.of()));
      }
    }
    for (Screen screen : room.contents().screens()) {
      Bands gone = screen.cloth().reflection().map(back -> 1 - back);
      Finish finish = new Finish.Stated(gone, Bands.all(Screen.SCATTERING));
      Point face = screen.normal();
      List<Point> c = screen.corners();
      for (Point normal : List.of(face, new Point(0, 0, 0).plus(face, -1))) {
        all.add(new Facet(screen.name(), Optional.empty(), c, normal, finish, List.of()));
      }
    }
    return all;
  }

  private static Point unit(Point vector) {
    return new Point(0, 0, 0).plus(vector, 1 / vector.length());
  }

  private static Facet facet(Room room, Surface surface, List<Point> corners, Point normal) {
    List<Overlay> patches =
        room.patches().reversed().stream()
            .filter(p -> p.surface().equals(surface))
            .map(p ->
                new Overlay(
                    p.corners().stream().map(c -> room.enclosure().unbounded(surface, c)).toList(),
                    p.finish()))
            .toList();
    return new Facet(
        surface.id(), Optional.of(surface), corners, normal, room.finishOf(surface), patches);
  }

  /** Newell's area of the polygon, square metres. */
  public double area() {
    Point sum = new Point(0, 0, 0);
    for (int i = 0; i < corners.size(); i++) {
      sum = sum.plus(corners.get(i).cross(corners.get((i + 1) % corners.size())), 0.5);
    }
    return sum.length();
  }

  /** Mean absorption over its area, patches counted where they lie. */
  public Bands meanAbsorption() {
    double area = area();
    Bands sum = finish.absorption().map(a -> a * area);
    for (Overlay patch : patches) {
      Facet piece = new Facet(name, surface, patch.corners(), normal, patch.finish(), List.of());
      double part = piece.area();
      Bands own = finish.absorption();
      sum =
          sum.with(
              patch.finish().absorption().with(own, (laid, bare) -> part * (laid - bare)),
              Double::sum);
    }
    return sum.map(a -> a / area);
  }
}
