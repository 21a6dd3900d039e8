package nullroom.app.control;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nullroom.core.Decibels;
import nullroom.core.Figures;
import nullroom.core.predict.Framing;
import nullroom.core.predict.ReturnMap;
import nullroom.core.predict.SurfaceGrid;
import nullroom.core.room.Furniture;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.Surface;

/**
 * What lies over the surfaces of a fold-out: tint by what they send back, and strokes where the
 * camera sees them.
 *
 * @param returns empty for no tint
 * @param early tint by what comes within 50 ms, else by what comes later
 * @param framing empty for no strokes
 */
record FoldOutTint(Optional<ReturnMap> returns, boolean early, Optional<Framing> framing) {
  /** Nothing. */
  static final FoldOutTint NONE = new FoldOutTint(Optional.empty(), false, Optional.empty());

  private static final int TINTS = 5;
  private static final double TINT_STEP_DB = 3;

  FoldOutTint with(Optional<ReturnMap> map, boolean isEarly) {
    return new FoldOutTint(map, isEarly, framing);
  }

  FoldOutTint with(Optional<Framing> seen) {
    return new FoldOutTint(returns, early, seen);
  }

  void draw(PlotPane pane, Unfolding u) {
    returns.ifPresent(map -> tint(pane, u, map));
    framing.ifPresent(seen -> frame(pane, u, seen));
  }

  /** Tints a piece of furniture, where the map is of the same furniture. */
  void draw(PlotPane pane, Unfolding u, Furniture piece, int index) {
    returns
        .filter(map -> map.pieces().size() == u.room().furniture().size())
        .map(map -> level(map.pieces().get(index).of(early)[0], most(map)))
        .filter(level -> level > 0)
        .ifPresent(level -> pane.areas(List.of(u.screen(piece.plan())), "tint", "tint-" + level));
  }

  /** Steps of tint for energies, 0 for none. */
  private static int level(double energy, double most) {
    return energy <= 0
        ? 0
        : Math.max(0, TINTS - (int) (-Decibels.ofEnergy(energy / most) / TINT_STEP_DB));
  }

  private double most(ReturnMap map) {
    double most = 0;
    for (ReturnMap.Returns surface : map.surfaces().values()) {
      for (double energy : surface.of(early)) {
        most = Math.max(most, energy);
      }
    }
    return most;
  }

  private void tint(PlotPane pane, Unfolding u, ReturnMap map) {
    double most = most(map);
    List<List<double[]>> areas = new ArrayList<>();
    for (int level = 0; level <= TINTS; level++) {
      areas.add(new ArrayList<>());
    }
    for (Surface surface : u.room().surfaces()) {
      SurfaceGrid grid = map.grids().get(surface);
      ReturnMap.Returns cells = map.surfaces().get(surface);
      for (int k = 0; grid != null && cells != null && k < grid.cells(); k++) {
        if (grid.middle(u.room(), k).isPresent()) {
          areas.get(level(cells.of(early)[k], most)).add(cell(u, grid, k));
        }
      }
    }
    for (int level = 1; level <= TINTS; level++) {
      if (!areas.get(level).isEmpty()) {
        pane.areas(areas.get(level), "tint", "tint-" + level);
      }
    }
  }

  private static double[] cell(Unfolding u, SurfaceGrid grid, int k) {
    double e = SurfaceGrid.CELL_METRES;
    double left = grid.u(k);
    double low = grid.v(k);
    return u.screen(
        List.of(
            u.flat(grid.surface(), new Point(left, low, 0)),
            u.flat(grid.surface(), new Point(left + e, low, 0)),
            u.flat(grid.surface(), new Point(left + e, low + e, 0)),
            u.flat(grid.surface(), new Point(left, low + e, 0))));
  }

  /** A stroke through each cell that the camera sees. */
  private static void frame(PlotPane pane, Unfolding u, Framing seen) {
    List<double[]> strokes = new ArrayList<>();
    for (Surface surface : u.room().surfaces()) {
      SurfaceGrid grid = seen.grids().get(surface);
      boolean[] cells = seen.cells().get(surface);
      for (int k = 0; grid != null && cells != null && k < cells.length; k++) {
        if (cells[k] && grid.middle(u.room(), k).isPresent()) {
          double[] c = cell(u, grid, k);
          strokes.add(new double[] {c[0], c[1], c[4], c[5]});
        }
      }
    }
    if (!strokes.isEmpty()) {
      pane.segments(strokes, "in-frame");
    }
  }

  /** What it says of a surface, for screen readers. */
  String words(Room room, Surface surface) {
    String back =
        returns
            .filter(map -> map.surfaces().containsKey(surface) && map.total(surface, early) > 0)
            .map(map ->
                Figures.say(
                    ", sends back %.0f dB over the direct sound",
                    Decibels.ofEnergy(map.total(surface, early))))
            .orElse("");
    String filmed =
        framing
            .filter(seen -> seen.cells().containsKey(surface))
            .map(seen -> seen.share(room, surface))
            .filter(share -> share > 0)
            .map(share -> Figures.say(", %.0f %% in the picture", 100 * share))
            .orElse("");
    return back + filmed;
  }
}
