package nullroom.app.control;

import java.util.Locale;
import java.util.Optional;
import javafx.geometry.Point2D;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.shape.Shape;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.RoomItem;

/** Makes shapes of a picture movable: by drag and by keys, with names for screen readers. */
final class ItemHandle {
  /** From a place of the picture to a place of a thing, in the thing's own coordinates. */
  @FunctionalInterface
  interface Placing {
    /** A place; what the picture does not show of it stays as it is. */
    Point of(RoomItem item, double x, double y);
  }

  private static final double TURN_DEGREES = 15;

  private final PlotPane pane;
  private final Room room;
  private final ItemHandler handler;
  private final Placing placing;

  ItemHandle(PlotPane pane, Room room, ItemHandler handler, Placing placing) {
    this.pane = pane;
    this.room = room;
    this.handler = handler;
    this.placing = placing;
  }

  /** Lets a shape be taken as a thing. */
  void on(Shape body, RoomItem item) {
    body.setFocusTraversable(true);
    body.setAccessibleText(words(item));
    body.setId("handle-" + id(item));
    body.setOnMousePressed(e -> {
      e.consume();
      body.requestFocus();
      if (e.getClickCount() == 2) {
        handler.turnOver(item);
        return;
      }
      Point hold = item.at(room).minus(place(item, e));
      pane.follow(
          to -> handler.move(item, item.snapped(room, place(item, to).plus(hold, 1))), () -> {});
    });
    body.setOnKeyPressed(e -> key(item, e));
  }

  /** The same where there is a handle; else the shape lets the mouse through. */
  static void take(Optional<ItemHandle> handle, Shape body, RoomItem item) {
    if (handle.isPresent()) {
      handle.get().on(body, item);
    } else {
      body.setMouseTransparent(true);
    }
  }

  private static String id(RoomItem item) {
    String kind = item.kind().name().toLowerCase(Locale.ROOT);
    return switch (item.kind()) {
      case TALKER, MICROPHONE, CAMERA, LOUDSPEAKER ->
          item.index() == 0 ? kind : kind + "-" + (item.index() + 1);
      default -> kind + "-" + item.index();
    };
  }

  private String words(RoomItem item) {
    StringBuilder words = new StringBuilder(item.name(room));
    words.append("; arrow keys move it by 5 cm");
    if (turned(item).isPresent()) {
      words.append(", R turns it");
    }
    if (item.switches(room)) {
      words.append(", enter opens or shuts it");
    }
    item.member(room)
        .flatMap(m -> m.ride())
        .ifPresent(r -> words.insert(0, "on " + r.what() + ": "));
    if (!item.without(room).equals(room)) {
      words.append(", delete takes it out");
    }
    return words.toString();
  }

  /** Lets a shape be dragged around a thing to turn it. */
  void turns(Shape body, RoomItem item) {
    body.setId("turn-" + id(item));
    body.setAccessibleText("turns the " + item.name(room));
    body.setOnMousePressed(e -> {
      e.consume();
      pane.follow(
          at -> {
            Point to = place(item, at).minus(item.at(room));
            handler.turn(item, Math.toDegrees(Math.atan2(to.y(), to.x())));
          },
          () -> {});
    });
  }

  private Point place(RoomItem item, MouseEvent e) {
    Point2D local = pane.sceneToLocal(e.getSceneX(), e.getSceneY());
    return placing.of(item, local.getX(), local.getY());
  }

  private void key(RoomItem item, KeyEvent e) {
    switch (e.getCode()) {
      case LEFT -> nudge(item, -1, 0);
      case RIGHT -> nudge(item, 1, 0);
      case UP -> nudge(item, 0, 1);
      case DOWN -> nudge(item, 0, -1);
      case DELETE, BACK_SPACE -> handler.remove(item);
      case ENTER -> handler.turnOver(item);
      case R ->
          turned(item)
              .ifPresent(degrees ->
                  handler.turn(item, degrees + (e.isShiftDown() ? -TURN_DEGREES : TURN_DEGREES)));
      default -> {
        return;
      }
    }
    e.consume();
  }

  private Optional<Double> turned(RoomItem item) {
    return switch (item.kind()) {
      case FURNITURE -> Optional.of(room.furniture().get(item.index()).azimuthDegrees());
      case SCREEN -> Optional.of(room.screens().get(item.index()).azimuthDegrees());
      default -> item.aim(room).map(aim -> aim.azimuthDegrees());
    };
  }

  /** By one step as the picture shows it, right and up. */
  private void nudge(RoomItem item, int right, int up) {
    Point from = placing.of(item, 0, 0);
    Point there = placing.of(item, right, -up).minus(from);
    handler.move(item, item.at(room).plus(there, RoomItem.STEP_METRES / there.length()));
  }
}
