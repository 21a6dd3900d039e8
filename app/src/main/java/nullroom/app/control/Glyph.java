package nullroom.app.control;

import java.util.Locale;
import javafx.scene.shape.Polygon;
import nullroom.core.room.Room;
import nullroom.core.room.RoomItem;

/**
 * A square talks, a lozenge listens, a hexagon films, a house plays, a triangle makes noise; what
 * is not judged is pale.
 */
final class Glyph {
  private Glyph() {}

  /** Draws the one of a thing around a place. */
  static Polygon of(PlotPane pane, RoomItem item, Room room, double x, double y) {
    double[] points =
        switch (item.kind()) {
          case TALKER -> new double[] {x - 7, y - 7, x + 7, y - 7, x + 7, y + 7, x - 7, y + 7};
          case CAMERA ->
              new double[] {
                x - 8, y, x - 4, y - 7, x + 4, y - 7, x + 8, y, x + 4, y + 7, x - 4, y + 7
              };
          case LOUDSPEAKER ->
              new double[] {x - 6, y - 3, x, y - 8, x + 6, y - 3, x + 6, y + 8, x - 6, y + 8};
          case SOURCE -> new double[] {x, y - 8, x + 8, y + 6, x - 8, y + 6};
          default -> new double[] {x, y - 8, x + 8, y, x, y + 8, x - 8, y};
        };
    String kind = item.kind().name().toLowerCase(Locale.ROOT);
    return judged(item, room)
        ? pane.polygon(points, "handle", kind)
        : pane.polygon(points, "handle", kind, "pale");
  }

  private static boolean judged(RoomItem item, Room room) {
    return switch (item.kind()) {
      case TALKER -> item.equals(RoomItem.talker(room));
      case MICROPHONE -> item.equals(RoomItem.microphone(room));
      case CAMERA -> item.equals(RoomItem.camera(room));
      default -> true;
    };
  }
}
