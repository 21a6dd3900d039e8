package nullroom.app.control;

import javafx.scene.input.KeyEvent;

/** How near a picture is looked at, and where: wheel, drag, double click, plus, minus and zero. */
final class ZoomPan {
  private static final double STEP = 1.25;
  private static final double MOST = 8;

  private final PlotPane pane;
  private double zoom = 1;
  private double panX;
  private double panY;
  private double fromX;
  private double fromY;

  /** Listens to a picture, which is drawn anew at each change. */
  ZoomPan(PlotPane pane) {
    this.pane = pane;
    pane.setFocusTraversable(true);
    pane.setOnScroll(e -> zoom(e.getDeltaY() > 0 ? STEP : 1 / STEP, e.getX(), e.getY()));
    pane.setOnMousePressed(e -> {
      fromX = e.getX() - panX;
      fromY = e.getY() - panY;
      if (e.getClickCount() == 2) {
        whole();
      }
    });
    pane.setOnMouseDragged(e -> {
      if (zoom > 1) {
        panX = e.getX() - fromX;
        panY = e.getY() - fromY;
        pane.redraw();
      }
    });
    pane.addEventHandler(KeyEvent.KEY_TYPED, e -> typed(e.getCharacter()));
  }

  private void typed(String character) {
    switch (character) {
      case "+" -> zoom(STEP, pane.getWidth() / 2, pane.getHeight() / 2);
      case "-" -> zoom(1 / STEP, pane.getWidth() / 2, pane.getHeight() / 2);
      case "0" -> whole();
      default -> {}
    }
  }

  /** Shows all of it again. */
  private void whole() {
    zoom = 1;
    panX = 0;
    panY = 0;
    pane.redraw();
  }

  /** Nearer or farther, with one point of the picture held in its place. */
  private void zoom(double factor, double x, double y) {
    double next = Math.clamp(zoom * factor, 1.0, MOST);
    panX = x - (x - panX) * next / zoom;
    panY = y - (y - panY) * next / zoom;
    zoom = next;
    if (zoom == 1) {
      whole();
    }
    pane.redraw();
  }

  /** 1 shows all of it. */
  double zoom() {
    return zoom;
  }

  /** Shift to the right, in pixels. */
  double panX() {
    return panX;
  }

  /** Shift downwards, in pixels. */
  double panY() {
    return panY;
  }
}
