package nullroom.app.control;

import java.util.Locale;
import javafx.scene.shape.Polygon;
import nullroom.core.room.RoomItem;

/** A square talks, a lozenge listens, a hexagon films, a triangle makes noise. */
final class Glyph {
  private Glyph() {}

  /** Draws the one of a kind around a place. */
  static Polygon of(PlotPane pane, RoomItem.Kind kind, double x, double y) {
    double[] points =
        switch (kind) {
          case TALKER -> new double[] {x - 7, y - 7, x + 7, y - 7, x + 7, y + 7, x - 7, y + 7};
          case CAMERA ->
              new double[] {
                x - 8, y, x - 4, y - 7, x + 4, y - 7, x + 8, y, x + 4, y + 7, x - 4, y + 7
              };
          case SOURCE -> new double[] {x, y - 8, x + 8, y + 6, x - 8, y + 6};
          default -> new double[] {x, y - 8, x + 8, y, x, y + 8, x - 8, y};
        };
    return pane.polygon(points, "handle", kind.name().toLowerCase(Locale.ROOT));
  }
}
