package nullroom.app.control;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.DoubleFunction;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.shape.Shape;
import javafx.scene.text.TextAlignment;
import nullroom.core.Figures;
import nullroom.core.room.Outline;
import nullroom.core.room.Point;

/**
 * The floor's outline to be shaped by hand: corners are dragged, walls are pulled out where a new
 * corner is wanted, or the whole is drawn anew corner by corner.
 */
public final class OutlinePlot extends PlotPane {
  private static final double STEP_METRES = 0.05;

  /** A corner within this of a neighbour's row or column goes into it. */
  private static final double ALIGN_METRES = 0.12;

  private static final double MARGIN = 34;
  private static final double SIDE_MARGIN = 84;
  private static final double LEAST_SPAN_METRES = 2;

  /** A click this near to the first corner closes a new outline. */
  private static final double CLOSE_PIXELS = 12;

  private List<Point> corners = List.of();
  private List<Point> kept = List.of();
  private boolean drawing;
  private Consumer<List<Point>> onChange = all -> {};
  private DoubleFunction<String> said = metres -> Figures.say("%.2f m", metres);
  private double scale = 1;
  private double left;
  private double bottom;
  private boolean dragging;

  /** An empty picture. */
  public OutlinePlot() {
    super("outline-plot");
    setAccessibleText("the floor's outline; drag corners, pull walls, or draw it anew");
    setOnMouseClicked(this::clicked);
  }

  /** The outline shown; ends drawing. */
  public void show(Outline outline) {
    kept = outline.corners();
    corners = kept;
    drawing = false;
    redraw();
  }

  /** Who hears of new corners; they may make no outline. */
  public void setOnChange(Consumer<List<Point>> action) {
    onChange = action;
  }

  /** How lengths are said. */
  public void setLengths(DoubleFunction<String> lengths) {
    said = lengths;
    redraw();
  }

  /** Starts anew: each click sets a corner, one on the first corner closes. */
  public void drawAnew() {
    corners = List.of();
    drawing = true;
    redraw();
  }

  /** Back to the outline shown last. */
  public void giveUp() {
    corners = kept;
    drawing = false;
    redraw();
  }

  private void clicked(MouseEvent e) {
    if (!drawing) {
      return;
    }
    boolean closes =
        corners.size() > 2
            && Math.hypot(e.getX() - sx(corners.getFirst()), e.getY() - sy(corners.getFirst()))
                < CLOSE_PIXELS;
    if (closes) {
      drawing = false;
      onChange.accept(Outline.counterClockwise(corners));
    } else {
      List<Point> more = new ArrayList<>(corners);
      more.add(aligned(place(e), corners.isEmpty() ? List.of() : List.of(corners.getLast())));
      corners = more;
    }
    redraw();
  }

  private Point place(MouseEvent e) {
    javafx.geometry.Point2D local = sceneToLocal(e.getSceneX(), e.getSceneY());
    return new Point((local.getX() - left) / scale, (bottom - local.getY()) / scale, 0);
  }

  /** In steps of five centimetres, or into the row or column of a neighbour. */
  private static Point aligned(Point p, List<Point> neighbours) {
    double x = Math.round(p.x() / STEP_METRES) * STEP_METRES;
    double y = Math.round(p.y() / STEP_METRES) * STEP_METRES;
    for (Point n : neighbours) {
      x = Math.abs(n.x() - p.x()) < ALIGN_METRES ? n.x() : x;
      y = Math.abs(n.y() - p.y()) < ALIGN_METRES ? n.y() : y;
    }
    return new Point(x, y, 0);
  }

  @Override
  protected void draw(double width, double height) {
    if (!dragging) {
      fit(width, height);
    }
    if (drawing) {
      text(
          corners.isEmpty()
              ? "Click where the first corner is."
              : "Click corner after corner; click the first again to close.",
          width / 2,
          10,
          TextAlignment.CENTER,
          "axis-label");
      kept().ifPresent(old -> polygon(old, "proposal"));
      polyline(screen(corners), "locus");
    } else if (!corners.isEmpty()) {
      polygon(screen(corners), "surface", "floor");
    }
    for (int k = 0; k < corners.size(); k++) {
      if (!drawing || k + 1 < corners.size()) {
        wall(k);
      }
      corner(k);
    }
  }

  private Optional<double[]> kept() {
    return kept.isEmpty() ? Optional.empty() : Optional.of(screen(kept));
  }

  private void fit(double width, double height) {
    List<Point> all = corners.size() > 2 ? corners : kept;
    double lowX = all.stream().mapToDouble(Point::x).min().orElse(0);
    double highX = all.stream().mapToDouble(Point::x).max().orElse(LEAST_SPAN_METRES);
    double lowY = all.stream().mapToDouble(Point::y).min().orElse(0);
    double highY = all.stream().mapToDouble(Point::y).max().orElse(LEAST_SPAN_METRES);
    if (drawing && !kept.isEmpty()) {
      return; // the place under the pointer must not move while it is drawn
    }
    double spanX = Math.max(LEAST_SPAN_METRES, highX - lowX);
    double spanY = Math.max(LEAST_SPAN_METRES, highY - lowY);
    scale = Math.min((width - 2 * SIDE_MARGIN) / spanX, (height - 2 * MARGIN) / spanY);
    left = (width - scale * spanX) / 2 - scale * lowX;
    bottom = height - (height - scale * spanY) / 2 + scale * lowY;
  }

  private Point next(int k) {
    return corners.get((k + 1) % corners.size());
  }

  private void wall(int k) {
    Point a = corners.get(k);
    Point b = next(k);
    Point middle = a.plus(b.minus(a), 0.5);
    double length = a.distanceTo(b);
    double outX = (b.y() - a.y()) / Math.max(1e-9, length);
    double outY = -(b.x() - a.x()) / Math.max(1e-9, length);
    text(
            (k + 1) + ": " + said.apply(length),
            sx(middle) + 16 * outX,
            sy(middle) - 16 * outY,
            outX > 0.5
                ? TextAlignment.LEFT
                : outX < -0.5 ? TextAlignment.RIGHT : TextAlignment.CENTER,
            "surface-label")
        .setMouseTransparent(true);
    if (!drawing) {
      Shape pull = rectangle(sx(middle) - 4, sy(middle) - 4, 8, 8, "turn");
      pull.setId("pull-" + (k + 1));
      pull.setAccessibleText("pull a new corner out of wall " + (k + 1));
      pull.setOnMousePressed(e -> {
        e.consume();
        List<Point> more = new ArrayList<>(corners);
        more.add(k + 1, middle);
        List<Point> pulled = more;
        follow(
            to -> {
              corners = corners.size() < pulled.size() ? pulled : corners;
              move(k + 1, place(to));
            },
            this::released);
      });
    }
  }

  private void corner(int k) {
    Point at = corners.get(k);
    Shape body = rectangle(sx(at) - 6, sy(at) - 6, 12, 12, "handle", "corner");
    body.setId("corner-" + (k + 1));
    body.setAccessibleText(
        "corner " + (k + 1) + "; arrow keys move it by 5 cm, delete takes it out");
    if (drawing) {
      body.setMouseTransparent(true);
      return;
    }
    body.setFocusTraversable(true);
    body.setOnMousePressed(e -> {
      e.consume();
      body.requestFocus();
      follow(to -> move(k, place(to)), this::released);
    });
    body.setOnKeyPressed(e -> key(k, e));
  }

  private void move(int k, Point to) {
    dragging = true;
    List<Point> moved = new ArrayList<>(corners);
    int n = corners.size();
    moved.set(k, aligned(to, List.of(corners.get((k + n - 1) % n), corners.get((k + 1) % n))));
    corners = moved;
    redraw();
  }

  private void released() {
    if (dragging) {
      dragging = false;
      onChange.accept(corners);
      redraw();
    }
  }

  private void key(int k, KeyEvent e) {
    Point at = corners.get(k);
    Point to =
        switch (e.getCode()) {
          case LEFT -> at.plus(new Point(-STEP_METRES, 0, 0), 1);
          case RIGHT -> at.plus(new Point(STEP_METRES, 0, 0), 1);
          case UP -> at.plus(new Point(0, STEP_METRES, 0), 1);
          case DOWN -> at.plus(new Point(0, -STEP_METRES, 0), 1);
          default -> at;
        };
    List<Point> other = new ArrayList<>(corners);
    switch (e.getCode()) {
      case LEFT, RIGHT, UP, DOWN -> other.set(k, to);
      case DELETE, BACK_SPACE -> other.remove(k);
      default -> {
        return;
      }
    }
    e.consume();
    corners = other;
    onChange.accept(corners);
    redraw();
  }

  private double[] screen(List<Point> points) {
    double[] xy = new double[2 * points.size()];
    for (int i = 0; i < points.size(); i++) {
      xy[2 * i] = sx(points.get(i));
      xy[2 * i + 1] = sy(points.get(i));
    }
    return xy;
  }

  private double sx(Point p) {
    return left + p.x() * scale;
  }

  private double sy(Point p) {
    return bottom - p.y() * scale;
  }
}
