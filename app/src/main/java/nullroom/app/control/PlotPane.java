package nullroom.app.control;

import java.util.List;
import java.util.function.Consumer;
import javafx.event.EventHandler;
import javafx.geometry.VPos;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Pane;
import javafx.scene.shape.ClosePath;
import javafx.scene.shape.Line;
import javafx.scene.shape.LineTo;
import javafx.scene.shape.MoveTo;
import javafx.scene.shape.Path;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Polyline;
import javafx.scene.shape.Rectangle;
import javafx.scene.text.Text;
import javafx.scene.text.TextAlignment;

/**
 * A picture drawn anew from its data whenever that or its size changes; shapes carry style classes,
 * never colours.
 */
public abstract class PlotPane extends Pane {
  private double drawnWidth = -1;
  private double drawnHeight = -1;

  /** An empty picture. */
  protected PlotPane(String styleClass) {
    getStyleClass().addAll("plot", styleClass);
    setMinSize(120, 90);
  }

  /** Adds the shapes for a size; the pane is empty before. */
  protected abstract void draw(double width, double height);

  /** Asks for a new drawing in the next frame. */
  public final void redraw() {
    drawnWidth = -1;
    requestLayout();
  }

  @Override
  protected void layoutChildren() {
    if (getWidth() != drawnWidth || getHeight() != drawnHeight) {
      drawnWidth = getWidth();
      drawnHeight = getHeight();
      String focused = focused();
      getChildren().clear();
      if (drawnWidth > 20 && drawnHeight > 20) {
        draw(drawnWidth, drawnHeight);
      }
      if (!focused.isEmpty()) {
        getChildren().stream()
            .filter(n -> focused.equals(n.getId()))
            .findFirst()
            .ifPresent(Node::requestFocus);
      }
    }
    super.layoutChildren();
  }

  /**
   * Follows the mouse from a press on until it is let go of, wherever it goes in the window. The
   * shape that was pressed may be drawn anew meanwhile; the toolkit forgets a drag whose shape is
   * gone.
   *
   * @param moved told where it is
   * @param end told once, when the button is up
   */
  final void follow(Consumer<MouseEvent> moved, Runnable end) {
    Scene scene = getScene();
    scene.addEventFilter(
        MouseEvent.ANY,
        new EventHandler<>() {
          @Override
          public void handle(MouseEvent e) {
            if (e.getEventType() == MouseEvent.MOUSE_DRAGGED) {
              moved.accept(e);
              e.consume();
            } else if (e.getEventType() == MouseEvent.MOUSE_RELEASED
                || e.getEventType() == MouseEvent.MOUSE_MOVED) {
              scene.removeEventFilter(MouseEvent.ANY, this);
              end.run();
            }
          }
        });
  }

  /** Id of the shape that has the focus, which passes on to its successor. */
  private String focused() {
    Node owner = getScene() == null ? null : getScene().getFocusOwner();
    return owner != null && owner.getParent() == this && owner.getId() != null ? owner.getId() : "";
  }

  /** A line. */
  protected final Line line(double x1, double y1, double x2, double y2, String... styles) {
    Line line = new Line(x1, y1, x2, y2);
    line.getStyleClass().addAll(styles);
    getChildren().add(line);
    return line;
  }

  /** A filled rectangle. */
  protected final Rectangle rectangle(
      double x, double y, double width, double height, String... styles) {
    Rectangle r = new Rectangle(x, y, Math.max(0, width), Math.max(0, height));
    r.getStyleClass().addAll(styles);
    getChildren().add(r);
    return r;
  }

  /** An open line through points x0, y0, x1, y1, ... */
  protected final Polyline polyline(double[] points, String... styles) {
    Polyline p = new Polyline(points);
    p.getStyleClass().addAll(styles);
    getChildren().add(p);
    return p;
  }

  /** Separate straight pieces of one line, each x0, y0, x1, y1. */
  protected final Path segments(List<double[]> pieces, String... styles) {
    Path path = new Path();
    for (double[] p : pieces) {
      path.getElements().addAll(new MoveTo(p[0], p[1]), new LineTo(p[2], p[3]));
    }
    path.getStyleClass().addAll(styles);
    path.setMouseTransparent(true);
    getChildren().add(path);
    return path;
  }

  /** Closed areas of one look, each x0, y0, x1, y1, ... */
  protected final Path areas(List<double[]> areas, String... styles) {
    Path path = new Path();
    for (double[] p : areas) {
      path.getElements().add(new MoveTo(p[0], p[1]));
      for (int i = 2; i < p.length; i += 2) {
        path.getElements().add(new LineTo(p[i], p[i + 1]));
      }
      path.getElements().add(new ClosePath());
    }
    path.getStyleClass().addAll(styles);
    path.setMouseTransparent(true);
    getChildren().add(path);
    return path;
  }

  /** A closed shape. */
  protected final Polygon polygon(double[] points, String... styles) {
    Polygon p = new Polygon(points);
    p.getStyleClass().addAll(styles);
    getChildren().add(p);
    return p;
  }

  /**
   * Text whose anchor is at x: its left end, middle or right end by the alignment; y is its middle.
   */
  protected final Text text(
      String words, double x, double y, TextAlignment anchor, String... styles) {
    Text text = new Text(words);
    text.getStyleClass().add("plot-text");
    text.getStyleClass().addAll(styles);
    text.setTextOrigin(VPos.CENTER);
    getChildren().add(text);
    text.applyCss();
    double width = text.getLayoutBounds().getWidth();
    text.setX(
        anchor == TextAlignment.LEFT
            ? x
            : anchor == TextAlignment.CENTER ? x - width / 2 : x - width);
    text.setY(y);
    return text;
  }
}
