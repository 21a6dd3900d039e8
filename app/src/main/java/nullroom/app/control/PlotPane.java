package nullroom.app.control;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.beans.InvalidationListener;
import javafx.beans.value.ObservableValue;
import javafx.css.PseudoClass;
import javafx.event.EventHandler;
import javafx.geometry.VPos;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Tooltip;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Pane;
import javafx.scene.shape.ClosePath;
import javafx.scene.shape.Line;
import javafx.scene.shape.LineTo;
import javafx.scene.shape.MoveTo;
import javafx.scene.shape.Path;
import javafx.scene.shape.PathElement;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Polyline;
import javafx.scene.shape.Rectangle;
import javafx.scene.text.Text;
import javafx.scene.text.TextAlignment;
import nullroom.app.words.Language;
import nullroom.app.words.SpokenScene;

/**
 * A picture drawn anew from its data whenever that or its size changes; shapes carry style classes,
 * never colours.
 */
public abstract class PlotPane extends Pane {
  /** With less, scales and labels have no room beside what is drawn. */
  private static final double LEAST_WIDTH = 200;

  private static final double LEAST_HEIGHT = 150;

  private static final PseudoClass ASSUMED = PseudoClass.getPseudoClass("assumed");

  private boolean assumed;
  private double drawnWidth = -1;
  private double drawnHeight = -1;

  /**
   * Where the next shape goes among those of the drawing before. One of the same kind and look is
   * moved there instead of made anew: looking up styles costs more than drawing.
   */
  private int next;

  /** Shapes used again whose hint was not yet told again. */
  private final Set<Node> unhinted = new LinkedHashSet<>();

  private final InvalidationListener saidAnew = times -> redraw();

  /** An empty picture. */
  protected PlotPane(String styleClass) {
    getStyleClass().addAll("plot", styleClass);
    setMinSize(LEAST_WIDTH, LEAST_HEIGHT);
    SpokenScene.listen(saidAnew);
  }

  /** Adds the shapes for a size, all by this class' methods. */
  protected abstract void draw(double width, double height);

  /** While that is so, its room has the look of what is assumed, and that is said in it. */
  public final void setAssumed(ObservableValue<Boolean> told) {
    told.subscribe(now -> {
      assumed = now;
      pseudoClassStateChanged(ASSUMED, now);
      redraw();
    });
  }

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
      next = 0;
      if (drawnWidth > 20 && drawnHeight > 20) {
        draw(drawnWidth, drawnHeight);
        if (assumed) {
          text("not yet described", 2, drawnHeight - 8, TextAlignment.LEFT, "axis-label");
        }
      }
      trim();
      unhinted.forEach(PlotPane::unhint);
      unhinted.clear();
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
  protected final void follow(Consumer<MouseEvent> moved, Runnable end) {
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

  private void trim() {
    getChildren().remove(next, getChildren().size());
  }

  /**
   * A shape of the drawing before in this place, of the same kind and look and without what it was
   * told to do; else a new one. A look has one use in a picture, so that whether the keyboard stops
   * at it stays as it is.
   */
  private <T extends Node> T shape(Class<T> kind, Supplier<T> fresh, String... styles) {
    Node before = next < getChildren().size() ? getChildren().get(next) : null;
    if (kind.isInstance(before)
        && before.getId() == null
        && before.isVisible()
        && looks(before, styles)) {
      next++;
      forget(before);
      return kind.cast(before);
    }
    T shape = fresh.get();
    shape.getStyleClass().addAll(styles);
    put(shape);
    return shape;
  }

  private void forget(Node shape) {
    shape.setMouseTransparent(false);
    if (shape.getOnMouseClicked() != null) {
      shape.setOnMouseClicked(null);
    }
    if (shape.getOnMousePressed() != null) {
      shape.setOnMousePressed(null);
    }
    if (shape.getOnMouseEntered() != null) {
      shape.setOnMouseEntered(null);
    }
    if (shape.getOnKeyPressed() != null) {
      shape.setOnKeyPressed(null);
    }
    if (shape.getUserData() instanceof Tooltip) {
      unhinted.add(shape);
    }
  }

  private static boolean looks(Node shape, String... styles) {
    return shape.getStyleClass().equals(Arrays.asList(styles));
  }

  private void put(Node shape) {
    if (next < getChildren().size() && getChildren().get(next).getClass() == shape.getClass()) {
      getChildren().set(next, shape);
    } else {
      trim();
      getChildren().add(shape);
    }
    next++;
  }

  /** Puts a shape in that the picture moves by itself between its drawings. */
  protected final void putOwn(Node shape) {
    if (next >= getChildren().size() || getChildren().get(next) != shape) {
      trim();
      getChildren().add(shape);
    }
    next++;
  }

  /** Words shown where the mouse rests on a shape. */
  protected final void hint(Node shape, String words) {
    unhinted.remove(shape);
    if (shape.getUserData() instanceof Tooltip tip) {
      tip.setText(Language.say(words));
    } else {
      Tooltip tip = new Tooltip(Language.say(words));
      Tooltip.install(shape, tip);
      shape.setUserData(tip);
    }
  }

  private static void unhint(Node shape) {
    Tooltip.uninstall(shape, (Tooltip) shape.getUserData());
    shape.setUserData(null);
  }

  /** A line. */
  protected final Line line(double x1, double y1, double x2, double y2, String... styles) {
    Line line = shape(Line.class, Line::new, styles);
    line.setStartX(x1);
    line.setStartY(y1);
    line.setEndX(x2);
    line.setEndY(y2);
    return line;
  }

  /** A filled rectangle. */
  protected final Rectangle rectangle(
      double x, double y, double width, double height, String... styles) {
    Rectangle r = shape(Rectangle.class, Rectangle::new, styles);
    r.setX(x);
    r.setY(y);
    r.setWidth(Math.max(0, width));
    r.setHeight(Math.max(0, height));
    return r;
  }

  /** An open line through points x0, y0, x1, y1, ... */
  protected final Polyline polyline(double[] points, String... styles) {
    Polyline p = shape(Polyline.class, Polyline::new, styles);
    p.getPoints().setAll(boxed(points));
    return p;
  }

  /** Separate straight pieces of one line, each x0, y0, x1, y1. */
  protected final Path segments(List<double[]> pieces, String... styles) {
    List<PathElement> elements = new ArrayList<>();
    for (double[] p : pieces) {
      elements.add(new MoveTo(p[0], p[1]));
      elements.add(new LineTo(p[2], p[3]));
    }
    return path(elements, styles);
  }

  /** Closed areas of one look, each x0, y0, x1, y1, ... */
  protected final Path areas(List<double[]> areas, String... styles) {
    List<PathElement> elements = new ArrayList<>();
    for (double[] p : areas) {
      elements.add(new MoveTo(p[0], p[1]));
      for (int i = 2; i < p.length; i += 2) {
        elements.add(new LineTo(p[i], p[i + 1]));
      }
      elements.add(new ClosePath());
    }
    return path(elements, styles);
  }

  private Path path(List<PathElement> elements, String... styles) {
    Path path = shape(Path.class, Path::new, styles);
    path.getElements().setAll(elements);
    path.setMouseTransparent(true);
    return path;
  }

  /** A closed shape. */
  protected final Polygon polygon(double[] points, String... styles) {
    Polygon p = shape(Polygon.class, Polygon::new, styles);
    p.getPoints().setAll(boxed(points));
    return p;
  }

  private static List<Double> boxed(double[] points) {
    return Arrays.stream(points).boxed().toList();
  }

  /**
   * Text whose anchor is at x: its left end, middle or right end by the alignment; y is its middle.
   */
  protected final Text text(
      String words, double x, double y, TextAlignment anchor, String... styles) {
    String[] all = new String[styles.length + 1];
    all[0] = "plot-text";
    System.arraycopy(styles, 0, all, 1, styles.length);
    int before = next;
    Text known =
        before < getChildren().size() && getChildren().get(before) instanceof Text t ? t : null;
    Text text = shape(Text.class, Text::new, all);
    text.setWrappingWidth(0);
    text.setText(Language.say(words));
    text.setTextOrigin(VPos.CENTER);
    if (text != known) {
      text.applyCss(); // a known one has its font
    }
    double width = text.getLayoutBounds().getWidth();
    text.setX(
        anchor == TextAlignment.LEFT
            ? x
            : anchor == TextAlignment.CENTER ? x - width / 2 : x - width);
    text.setY(y);
    return text;
  }

  /** How wide text is drawn. */
  protected final double widthOf(String words, String style) {
    Text text = new Text(Language.say(words));
    text.getStyleClass().addAll("plot-text", style);
    getChildren().add(text);
    text.applyCss();
    double width = text.getLayoutBounds().getWidth();
    getChildren().removeLast();
    return width;
  }
}
