package nullroom.app.room;

import nullroom.core.acoustics.Cloth;
import nullroom.core.room.Aim;
import nullroom.core.room.Patch;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.Screen;

/** Cloth and boards that stand free, in usual sizes; masses and flow resistances are typical. */
public enum FreeCloth {
  BLANKET("blanket on two stands", 2.0, 0.1, 1.9, 1.0, 500),
  DUVET("duvet on two stands", 2.0, 0.1, 2.0, 1.5, 800),
  CLOTHES_RAIL("full clothes rail", 1.5, 0.3, 1.6, 6, 2000),
  FOLDING_SCREEN("folding screen", 1.2, 0, 1.8, 4, 100_000),
  OVER_DOOR("duvet over an open door", 0.8, 0.6, 2.0, 3, 1600);

  /** An open leaf stands this far off the wall that it hangs in. */
  private static final double OFF_WALL_METRES = 0.05;

  private final String label;
  private final double width;
  private final double bottom;
  private final double top;
  private final Cloth cloth;

  FreeCloth(String label, double width, double bottom, double top, double mass, double resistance) {
    this.label = label;
    this.width = width;
    this.bottom = bottom;
    this.top = top;
    cloth = new Cloth.Sheet(mass, resistance);
  }

  /** Name for people. */
  public String label() {
    return label;
  }

  /** One of it with its middle there in plan. */
  Screen at(double x, double y, double azimuthDegrees) {
    Point middle = new Point(x, y, 0);
    Point half = new Aim(azimuthDegrees, 0).direction();
    return new Screen(
        label, middle.plus(half, -width / 2), middle.plus(half, width / 2), bottom, top, cloth);
  }

  /**
   * One of it over the open leaf of a door, square to the wall.
   *
   * @param left whether the leaf hangs on the side of the wall's first corner
   */
  Screen atDoor(Room room, Patch door, boolean left) {
    var along = door.corners().stream().mapToDouble(Point::x).summaryStatistics();
    double hinge = left ? along.getMin() : along.getMax();
    Point at = room.enclosure().unbounded(door.surface(), new Point(hinge, 0, 0));
    Point on = room.enclosure().unbounded(door.surface(), new Point(hinge + 1, 0, 0));
    Point wall = on.minus(at);
    Point inwards = new Point(-wall.y(), wall.x(), 0); // walls run counter-clockwise
    Point near = at.plus(inwards, OFF_WALL_METRES);
    Screen leaf =
        new Screen(label, flat(near), flat(near.plus(inwards, width)), bottom, top, cloth);
    return leaf;
  }

  private static Point flat(Point p) {
    return new Point(p.x(), p.y(), 0);
  }
}
