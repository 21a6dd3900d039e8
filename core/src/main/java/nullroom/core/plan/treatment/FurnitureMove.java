package nullroom.core.plan.treatment;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nullroom.core.Trouble;
import nullroom.core.book.AtHand;
import nullroom.core.room.Camera;
import nullroom.core.room.Furniture;
import nullroom.core.room.Member;
import nullroom.core.room.Outline;
import nullroom.core.room.Patch;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.RoomItem;

/**
 * A piece of furniture pushed somewhere else.
 *
 * @param name of it
 * @param to where its lowest corner comes to
 * @param room with it there
 */
record FurnitureMove(String name, Point to, Room room) {
  /** Smaller things are no furniture that does anything to sound. */
  private static final double LEAST_SQUARE_METRES = 0.25;

  /** Nobody wants a sofa nearer to the mouth or the microphone than this. */
  private static final double FROM_PEOPLE_METRES = 0.5;

  /** A door swings so far. */
  private static final double DOOR_METRES = 0.9;

  private static final double MOVED_METRES = 0.3;

  /** Two carry it there and back (common practice). */
  static final double MINUTES = 5;

  /** Each piece that carries nothing into every corner and to the middle of every side. */
  static List<FurnitureMove> all(Room room, AtHand hand) {
    List<FurnitureMove> all = new ArrayList<>();
    if (!hand.moves()) {
      return all;
    }
    for (int k = 0; k < room.furniture().size(); k++) {
      Furniture piece = room.furniture().get(k);
      if (piece.corner().z() == 0 && area(piece) >= LEAST_SQUARE_METRES && !piece.shines()) {
        for (Point to : places(room, piece)) {
          moved(room, hand, k, to).ifPresent(all::add);
        }
      }
    }
    return all;
  }

  private static double area(Furniture piece) {
    return piece.lengthMetres() * piece.widthMetres();
  }

  private static List<Point> places(Room room, Furniture piece) {
    double[] x = span(piece, true);
    double[] y = span(piece, false);
    double[] xs = room.outline().span(0);
    double[] ys = room.outline().span(1);
    List<Point> all = new ArrayList<>();
    for (double i = 0; i <= 1; i += 0.5) {
      for (double j = 0; j <= 1; j += 0.5) {
        if (i == 0.5 && j == 0.5) {
          continue;
        }
        double left = xs[0] + i * (xs[1] - xs[0] - (x[1] - x[0]));
        double down = ys[0] + j * (ys[1] - ys[0] - (y[1] - y[0]));
        all.add(piece.corner().plus(new Point(left - x[0], down - y[0], 0), 1));
      }
    }
    return all;
  }

  private static double[] span(Furniture piece, boolean alongX) {
    var s = piece.plan().stream().mapToDouble(p -> alongX ? p.x() : p.y()).summaryStatistics();
    return new double[] {s.getMin(), s.getMax()};
  }

  private static Optional<FurnitureMove> moved(Room room, AtHand hand, int index, Point to) {
    Furniture before = room.furniture().get(index);
    Furniture after = before.movedTo(to);
    if (to.distanceTo(before.corner()) < MOVED_METRES) {
      return Optional.empty();
    }
    Room there;
    try {
      there = new RoomItem(RoomItem.Kind.FURNITURE, index).moved(room, to);
    } catch (Trouble.BadField _) { // it does not fit there
      return Optional.empty();
    }
    boolean carries = !there.setUp().equals(room.setUp());
    return carries || !stands(there, after, index) || !hand.inPicture() && filmed(there, after)
        ? Optional.empty()
        : Optional.of(new FurnitureMove(before.name(), to, there));
  }

  /** Whether it is in nobody's and nothing's way. */
  private static boolean stands(Room room, Furniture piece, int index) {
    for (int k = 0; k < room.furniture().size(); k++) {
      if (k != index && meet(piece, room.furniture().get(k))) {
        return false;
      }
    }
    boolean near = room.setUp().all().anyMatch(m -> flat(piece, m.it().at()) < FROM_PEOPLE_METRES);
    return !near && room.patches().stream().noneMatch(p -> beforeDoor(room, p, piece));
  }

  private static boolean meet(Furniture one, Furniture other) {
    double[] ax = span(one, true);
    double[] ay = span(one, false);
    double[] bx = span(other, true);
    double[] by = span(other, false);
    return ax[0] < bx[1] && bx[0] < ax[1] && ay[0] < by[1] && by[0] < ay[1];
  }

  private static double flat(Furniture piece, Point at) {
    return piece.distanceTo(new Point(at.x(), at.y(), piece.top() / 2));
  }

  private static boolean beforeDoor(Room room, Patch patch, Furniture piece) {
    return patch.name().contains("door")
        && patch.surface().isWall()
        && flat(piece, room.enclosure().unbounded(patch.surface(), Outline.centre(patch.corners())))
            < DOOR_METRES;
  }

  private static boolean filmed(Room room, Furniture piece) {
    for (Member<Camera> camera : room.setUp().cameras()) {
      for (Furniture.Side side : piece.sides()) {
        if (side.corners().stream().anyMatch(camera.it()::frames)) {
          return true;
        }
      }
    }
    return false;
  }
}
