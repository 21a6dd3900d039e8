package nullroom.app.control;

import javafx.scene.Node;
import javafx.scene.layout.FlowPane;

/** Controls beside each other, the last ones below where there is no room: none is cut. */
public final class Row extends FlowPane {
  private static final double BESIDE = 10;
  private static final double BELOW = 6;

  /** A row of controls. */
  public Row(Node... controls) {
    super(BESIDE, BELOW, controls);
  }
}
