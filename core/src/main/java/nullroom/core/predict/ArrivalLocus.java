package nullroom.core.predict;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import nullroom.core.room.Enclosure;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.Surface;

/**
 * All points from which an arrival can have come by one bounce: those whose way from the talker and
 * on to the microphone is as long as its path. In space they are an ellipsoid with both in its foci
 * (the geometry of O. Gottlob's ellipse diagrams of the early 1970s, name and year from memory);
 * where it cuts a surface there is a line. Lines are traced over a grid (marching squares).
 */
public final class ArrivalLocus {
  private static final double STEP_METRES = 0.04;

  /** A line is straight between its points. */
  public record Piece(Point from, Point to) {}

  private ArrivalLocus() {}

  /**
   * Where it cuts a surface.
   *
   * @param surface of its enclosure
   * @param extraMetres how much longer the path is than the direct one
   * @return pieces in the surface's own axes; empty where it does not reach it, or the room has no
   *     talker or microphone
   */
  public static List<Piece> on(Room room, Surface surface, double extraMetres) {
    Enclosure enclosure = room.enclosure();
    return trace(
        room,
        enclosure.span(surface, 0),
        enclosure.span(surface, 1),
        extraMetres,
        (u, v) -> enclosure.on(surface, u, v));
  }

  /** Its section at a height, in plan. */
  public static List<Piece> at(Room room, double heightMetres, double extraMetres) {
    return trace(
        room,
        room.outline().span(0),
        room.outline().span(1),
        extraMetres,
        (x, y) ->
            room.outline().contains(new Point(x, y, 0))
                ? Optional.of(new Point(x, y, heightMetres))
                : Optional.empty());
  }

  private static List<Piece> trace(
      Room room,
      double[] us,
      double[] vs,
      double extraMetres,
      BiFunction<Double, Double, Optional<Point>> place) {
    if (room.talker().isEmpty() || room.microphone().isEmpty()) {
      return List.of();
    }
    Point talker = room.talker().get().at();
    Point microphone = room.microphone().get().at();
    double path = talker.distanceTo(microphone) + extraMetres;
    int columns = Math.max(2, (int) Math.ceil((us[1] - us[0]) / STEP_METRES));
    int rows = Math.max(2, (int) Math.ceil((vs[1] - vs[0]) / STEP_METRES));
    double[][] over = new double[columns + 1][rows + 1];
    for (int i = 0; i <= columns; i++) {
      for (int j = 0; j <= rows; j++) {
        over[i][j] =
            place
                .apply(at(us, i, columns), at(vs, j, rows))
                .map(p -> talker.distanceTo(p) + p.distanceTo(microphone) - path)
                .orElse(Double.NaN);
      }
    }
    List<Piece> pieces = new ArrayList<>();
    for (int i = 0; i < columns; i++) {
      for (int j = 0; j < rows; j++) {
        cell(over, i, j, us, vs, columns, rows, pieces);
      }
    }
    return pieces;
  }

  /** The range in equal steps; a hair inside its ends, which belong to a neighbour. */
  private static double at(double[] range, int i, int count) {
    double hair = 1e-9 * (range[1] - range[0]);
    return Math.clamp(
        range[0] + (range[1] - range[0]) * i / count, range[0] + hair, range[1] - hair);
  }

  private static void cell(
      double[][] over,
      int i,
      int j,
      double[] us,
      double[] vs,
      int columns,
      int rows,
      List<Piece> pieces) {
    int[][] corner = {{i, j}, {i + 1, j}, {i + 1, j + 1}, {i, j + 1}};
    List<Point> crossings = new ArrayList<>();
    for (int k = 0; k < corner.length; k++) {
      int[] a = corner[k];
      int[] b = corner[(k + 1) % corner.length];
      double here = over[a[0]][a[1]];
      double there = over[b[0]][b[1]];
      if (Double.isNaN(here) || Double.isNaN(there)) {
        return;
      }
      if (here < 0 != there < 0) {
        double share = here / (here - there);
        Point from = new Point(at(us, a[0], columns), at(vs, a[1], rows), 0);
        Point to = new Point(at(us, b[0], columns), at(vs, b[1], rows), 0);
        crossings.add(from.plus(to.minus(from), share));
      }
    }
    for (int k = 0; k + 1 < crossings.size(); k += 2) {
      pieces.add(new Piece(crossings.get(k), crossings.get(k + 1)));
    }
  }
}
