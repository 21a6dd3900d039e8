package nullroom.app.control;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.DoubleFunction;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Rectangle;
import javafx.scene.shape.Shape;
import javafx.scene.text.TextAlignment;
import nullroom.core.predict.ArrivalLocus;
import nullroom.core.predict.ReturnMap;
import nullroom.core.room.Furniture;
import nullroom.core.room.Outline;
import nullroom.core.room.Patch;
import nullroom.core.room.Point;
import nullroom.core.room.Room;

/**
 * The room unfolded like a cardboard box: the floor in the middle, each wall hinged to its floor
 * edge, the ceiling beyond the wall at the top of the picture. What lies on surfaces, the talker
 * and the microphone are on it; both can be dragged over the floor or moved with the arrow keys.
 */
public final class FoldOut extends PlotPane {
  /** What can be moved. */
  public enum Handle {
    TALKER,
    MICROPHONE
  }

  /** Told where a handle was moved to, in plan coordinates. */
  @FunctionalInterface
  public interface Mover {
    /** Moves a handle. */
    void move(Handle handle, double x, double y);
  }

  private static final double ARROW_STEP_METRES = 0.05;

  /** Between a wall and the ceiling beyond it. */
  private static final double GAP_METRES = 0.15;

  private static final int TINTS = 5;
  private static final double TINT_STEP_DB = 3;
  private static final double ZOOM_STEP = 1.25;
  private static final double MOST_ZOOM = 8;

  private Optional<Room> room = Optional.empty();
  private String selected = "";
  private Consumer<String> onSelect = surface -> {};
  private Mover mover = (handle, x, y) -> {};
  private Optional<Patch> proposal = Optional.empty();
  private Map<String, List<ArrivalLocus.Piece>> lines = Map.of();
  private Optional<Mark> mark = Optional.empty();
  private Optional<ReturnMap> tints = Optional.empty();
  private boolean tintEarly;
  private Point ceilingShift = new Point(0, 0, 0);
  private Optional<DoubleFunction<String>> lengths = Optional.empty();
  private double zoom = 1;
  private double panX;
  private double panY;
  private double panFromX;
  private double panFromY;
  private double scale = 1;
  private double originX;
  private double originY;

  /** An empty picture. */
  public FoldOut() {
    super("fold-out");
    setFocusTraversable(true);
    setAccessibleText("the room unfolded; plus, minus and zero zoom, drag to pan");
    setOnScroll(e -> zoom(e.getDeltaY() > 0 ? ZOOM_STEP : 1 / ZOOM_STEP, e.getX(), e.getY()));
    setOnMousePressed(e -> {
      panFromX = e.getX() - panX;
      panFromY = e.getY() - panY;
      if (e.getClickCount() == 2) {
        whole();
      }
    });
    setOnMouseDragged(e -> {
      if (zoom > 1) {
        panX = e.getX() - panFromX;
        panY = e.getY() - panFromY;
        redraw();
      }
    });
    addEventHandler(KeyEvent.KEY_TYPED, e -> typed(e.getCharacter()));
  }

  private void typed(String character) {
    switch (character) {
      case "+" -> zoom(ZOOM_STEP, getWidth() / 2, getHeight() / 2);
      case "-" -> zoom(1 / ZOOM_STEP, getWidth() / 2, getHeight() / 2);
      case "0" -> whole();
      default -> {}
    }
  }

  /** Shows all of it again. */
  private void whole() {
    zoom = 1;
    panX = 0;
    panY = 0;
    redraw();
  }

  /** Nearer or farther, with one point of the picture held in its place. */
  private void zoom(double factor, double x, double y) {
    double next = Math.clamp(zoom * factor, 1.0, MOST_ZOOM);
    panX = x - (x - panX) * next / zoom;
    panY = y - (y - panY) * next / zoom;
    zoom = next;
    if (zoom == 1) {
      whole();
    }
    redraw();
  }

  /** How far it is zoomed in; 1 shows all of it. */
  public double zoom() {
    return zoom;
  }

  /** How lengths of walls are said beside their names; none at first. */
  public void setLengths(DoubleFunction<String> said) {
    lengths = Optional.of(said);
    redraw();
  }

  /** The room shown. */
  public void show(Room shown) {
    show(shown, Optional.empty());
  }

  /** The room shown, with a piece that is not there yet. */
  public void show(Room shown, Optional<Patch> proposed) {
    room = Optional.of(shown);
    proposal = proposed;
    redraw();
  }

  /**
   * A place on a surface.
   *
   * @param surface that it lies on
   * @param at in the surface's own axes
   */
  public record Mark(String surface, Point at) {}

  /** Lines over surfaces, in the surfaces' own axes, and one place; both stay until others come. */
  public void trace(Map<String, List<ArrivalLocus.Piece>> traced, Optional<Mark> marked) {
    lines = Map.copyOf(traced);
    mark = marked;
    redraw();
  }

  /**
   * Tints each cell of the surfaces by what it sends back, in steps of 3 dB under the strongest.
   *
   * @param returns empty for no tint
   * @param early that of the first 50 ms, else that later
   */
  public void tint(Optional<ReturnMap> returns, boolean early) {
    tints = returns;
    tintEarly = early;
    redraw();
  }

  /** Marks a surface. */
  public void select(String surface) {
    selected = surface;
    redraw();
  }

  /** What happens when a surface is pressed. */
  public void setOnSelect(Consumer<String> action) {
    onSelect = action;
  }

  /** What happens when the talker or the microphone is moved. */
  public void setMover(Mover action) {
    mover = action;
  }

  @Override
  protected void draw(double width, double height) {
    room.ifPresent(r -> draw(r, width, height));
  }

  private void draw(Room r, double width, double height) {
    double[] xs = r.outline().span(0);
    double[] ys = r.outline().span(1);
    double wall = r.size().z();
    boolean wide = width / height > 1.25;
    double lengthX = xs[1] - xs[0];
    double lengthY = ys[1] - ys[0];
    double spanX = lengthX + 2 * wall + (wide ? lengthX + GAP_METRES : 0);
    double spanY = lengthY + 2 * wall + (wide ? 0 : lengthY + GAP_METRES);
    double fit = Math.min((width - 20) / spanX, (height - 20) / spanY);
    scale = zoom * fit;
    originX = panX + zoom * ((width - spanX * fit) / 2 + (wall - xs[0]) * fit);
    originY = panY + zoom * (height - (height - spanY * fit) / 2 - (wall - ys[0]) * fit);
    setClip(new Rectangle(width, height));
    ceilingShift =
        wide
            ? new Point(lengthX + wall + GAP_METRES, 0, 0)
            : new Point(0, lengthY + wall + GAP_METRES, 0);
    surface(r, "floor", r.outline().corners());
    surface(
        r, "ceiling", r.outline().corners().stream().map(c -> c.plus(ceilingShift, 1)).toList());
    for (int k = 1; k <= r.outline().corners().size(); k++) {
      wall(r, k);
    }
    tints.ifPresent(map -> tint(r, map));
    r.patches().forEach(patch -> piece(r, patch, "piece"));
    r.furniture().forEach(this::furniture);
    lines.forEach((surface, pieces) -> line(r, surface, pieces));
    mark.ifPresent(m -> {
      Point p = unfolded(r, m.surface(), m.at());
      polygon(star(sx(p.x()), sy(p.y())), "mark");
    });
    proposal.ifPresent(patch -> piece(r, patch, "proposal"));
    r.talker().ifPresent(t -> handle(Handle.TALKER, t.at(), t.aim().direction(), "talker"));
    r.microphone()
        .ifPresent(m -> handle(Handle.MICROPHONE, m.at(), m.aim().direction(), "microphone"));
  }

  private void piece(Room r, Patch patch, String style) {
    List<Point> corners =
        patch.corners().stream().map(p -> unfolded(r, patch.surface(), p)).toList();
    shape(corners, style).setMouseTransparent(true);
    double x = corners.stream().mapToDouble(Point::x).average().orElse(0);
    double bottom = corners.stream().mapToDouble(Point::y).min().orElse(0);
    caption(patch.name(), sx(x), sy(bottom) + 9, TextAlignment.CENTER, "piece-label");
  }

  private void tint(Room r, ReturnMap map) {
    double most =
        map.grids().values().stream()
            .flatMapToDouble(g -> Arrays.stream(tintEarly ? g.early() : g.late()))
            .max()
            .orElse(0);
    for (String surface : r.surfaceNames()) {
      ReturnMap.Grid grid = map.grids().get(surface);
      for (int k = 0; grid != null && most > 0 && k < grid.columns() * grid.rows(); k++) {
        double under = 10 * Math.log10(most / Math.max(1e-12 * most, at(grid, k)));
        int level = TINTS - (int) (under / TINT_STEP_DB);
        double u = grid.u0() + k % grid.columns() * ReturnMap.CELL_METRES;
        double v = grid.v0() + k / grid.columns() * ReturnMap.CELL_METRES;
        double half = ReturnMap.CELL_METRES / 2;
        if (level > 0 && r.on(surface, u + half, v + half).isPresent()) {
          cell(r, surface, u, v, level);
        }
      }
    }
  }

  private double at(ReturnMap.Grid grid, int cell) {
    return tintEarly ? grid.early()[cell] : grid.late()[cell];
  }

  private void cell(Room r, String surface, double u, double v, int level) {
    double e = ReturnMap.CELL_METRES;
    List<Point> corners =
        List.of(
            new Point(u, v, 0),
            new Point(u + e, v, 0),
            new Point(u + e, v + e, 0),
            new Point(u, v + e, 0));
    shape(corners.stream().map(p -> unfolded(r, surface, p)).toList(), "tint", "tint-" + level)
        .setMouseTransparent(true);
  }

  private void furniture(Furniture piece) {
    shape(piece.plan(), "furniture").setMouseTransparent(true);
    Point middle = Outline.centre(piece.plan());
    caption(piece.name(), sx(middle.x()), sy(middle.y()), TextAlignment.CENTER, "piece-label");
  }

  private void line(Room r, String surface, List<ArrivalLocus.Piece> pieces) {
    segments(
        pieces.stream()
            .map(piece -> {
              Point a = unfolded(r, surface, piece.from());
              Point b = unfolded(r, surface, piece.to());
              return new double[] {sx(a.x()), sy(a.y()), sx(b.x()), sy(b.y())};
            })
            .toList(),
        "locus");
  }

  private static double[] star(double x, double y) {
    return new double[] {
      x, y - 8, x + 2.4, y - 2.4, x + 8, y, x + 2.4, y + 2.4, x, y + 8, x - 2.4, y + 2.4, x - 8, y,
      x - 2.4, y - 2.4
    };
  }

  /** A point of a surface, in the surface's own axes, in the picture's plan. */
  private Point unfolded(Room r, String surface, Point at) {
    return switch (surface) {
      case "floor" -> at;
      case "ceiling" -> at.plus(ceilingShift, 1);
      default -> onWall(r, Integer.parseInt(surface.substring(4)), at.x(), at.y());
    };
  }

  /** A point of a wall, given along it and up, folded out into the plan. */
  private static Point onWall(Room r, int k, double along, double up) {
    List<Point> c = r.outline().corners();
    Point a = c.get(k - 1);
    Point b = c.get(k % c.size());
    double length = a.distanceTo(b);
    Point direction = b.minus(a);
    double x = a.x() + direction.x() * along / length + direction.y() / length * up;
    double y = a.y() + direction.y() * along / length - direction.x() / length * up;
    return new Point(x, y, 0);
  }

  private void wall(Room r, int k) {
    List<Point> c = r.outline().corners();
    Point a = c.get(k - 1);
    Point b = c.get(k % c.size());
    double length = a.distanceTo(b);
    List<Point> shape = new ArrayList<>(List.of(a, b));
    int steps = 8;
    for (int i = steps; i >= 0; i--) { // follows a ridge over the wall
      Point foot = a.plus(b.minus(a), (double) i / steps);
      shape.add(onWall(r, k, length * i / steps, r.heightAt(foot)));
    }
    surface(r, "wall" + k, shape);
  }

  private void surface(Room r, String name, List<Point> corners) {
    boolean plan = !name.startsWith("wall");
    Polygon p = shape(corners, "surface", name.equals("floor") ? "floor" : "wall");
    if (name.equals(selected)) {
      p.getStyleClass().add("selected");
    }
    p.setId("surface-" + name);
    p.setAccessibleText(name + ", " + Math.round(r.areaOf(name) * 10) / 10.0 + " square metres");
    p.setOnMousePressed(e -> onSelect.accept(name));
    if (plan) {
      double left = corners.stream().mapToDouble(Point::x).min().orElse(0);
      double top = corners.stream().mapToDouble(Point::y).max().orElse(0);
      caption(name, sx(left) + 6, sy(top) + 10, TextAlignment.LEFT, "surface-label");
    } else {
      Point middle = Outline.centre(corners);
      caption(
          "wall "
              + name.substring(4)
              + lengths.map(said -> ", " + said.apply(r.wallLength(name))).orElse(""),
          sx(middle.x()),
          sy(middle.y()),
          TextAlignment.CENTER,
          "surface-label");
    }
  }

  private Polygon shape(List<Point> corners, String... styles) {
    double[] points = new double[2 * corners.size()];
    for (int i = 0; i < corners.size(); i++) {
      points[2 * i] = sx(corners.get(i).x());
      points[2 * i + 1] = sy(corners.get(i).y());
    }
    return polygon(points, styles);
  }

  private void caption(String words, double x, double y, TextAlignment anchor, String style) {
    text(words, x, y, anchor, style).setMouseTransparent(true);
  }

  private double sx(double x) {
    return originX + x * scale;
  }

  private double sy(double y) {
    return originY - y * scale;
  }

  private void handle(Handle which, Point at, Point direction, String style) {
    double x = sx(at.x());
    double y = sy(at.y());
    line(x, y, x + 20 * direction.x(), y - 20 * direction.y(), "aim", style);
    Shape body =
        which == Handle.TALKER
            ? polygon(
                new double[] {x - 7, y - 7, x + 7, y - 7, x + 7, y + 7, x - 7, y + 7},
                "handle",
                style)
            : polygon(new double[] {x, y - 8, x + 8, y, x, y + 8, x - 8, y}, "handle", style);
    body.setFocusTraversable(true);
    body.setAccessibleText(style + "; arrow keys move it by 5 cm");
    body.setId("handle-" + style);
    body.setOnMouseDragged(e -> {
      e.consume();
      drag(which, e);
    });
    body.setOnMousePressed(MouseEvent::consume);
    body.setOnKeyPressed(e -> {
      double dx =
          switch (e.getCode()) {
            case LEFT -> -1;
            case RIGHT -> 1;
            default -> 0;
          };
      double dy =
          switch (e.getCode()) {
            case DOWN -> -1;
            case UP -> 1;
            default -> 0;
          };
      if (dx != 0 || dy != 0) {
        e.consume();
        mover.move(which, at.x() + dx * ARROW_STEP_METRES, at.y() + dy * ARROW_STEP_METRES);
      }
    });
    boolean talker = which == Handle.TALKER;
    caption(
        style,
        talker ? x + 6 : x - 6,
        talker ? y + 18 : y - 18,
        talker ? TextAlignment.RIGHT : TextAlignment.LEFT,
        "handle-label");
  }

  /** To the nearest five centimetres. */
  private static double snapped(double metres) {
    return Math.round(metres / ARROW_STEP_METRES) * ARROW_STEP_METRES;
  }

  private void drag(Handle which, MouseEvent e) {
    javafx.geometry.Point2D local = sceneToLocal(e.getSceneX(), e.getSceneY());
    double x = (local.getX() - originX) / scale;
    double y = (originY - local.getY()) / scale;
    Outline outline = room.orElseThrow().outline();
    if (outline.contains(new Point(x, y, 0))) {
      mover.move(which, snapped(x), snapped(y));
    }
  }
}
