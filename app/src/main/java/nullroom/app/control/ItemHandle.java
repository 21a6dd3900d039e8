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
    Point of(RoomItem thing, double x, double y);
  }

  private static final double TURN_DEGREES = 15;

  private final PlotPane pane;
  private final Room room;
  private final ItemHandler hands;
  private final Placing placing;

  ItemHandle(PlotPane pane, Room room, ItemHandler hands, Placing placing) {
    this.pane = pane;
    this.room = room;
    this.hands = hands;
    this.placing = placing;
  }

  /** Lets a shape be taken as a thing. */
  void on(Shape body, RoomItem thing) {
    body.setFocusTraversable(true);
    body.setAccessibleText(words(thing));
    body.setId("handle-" + id(thing));
    body.setOnMousePressed(e -> {
      e.consume();
      body.requestFocus();
      if (e.getClickCount() == 2) {
        hands.turnOver(thing);
        return;
      }
      Point hold = thing.at(room).minus(place(thing, e));
      pane.follow(
          to -> hands.move(thing, thing.snapped(room, place(thing, to).plus(hold, 1))), () -> {});
    });
    body.setOnKeyPressed(e -> key(thing, e));
  }

  /** The same where there are hands; else the shape lets the mouse through. */
  static void take(Optional<ItemHandle> grip, Shape body, RoomItem thing) {
    if (grip.isPresent()) {
      grip.get().on(body, thing);
    } else {
      body.setMouseTransparent(true);
    }
  }

  private static String id(RoomItem thing) {
    String kind = thing.kind().name().toLowerCase(Locale.ROOT);
    return switch (thing.kind()) {
      case TALKER, MICROPHONE, CAMERA -> kind;
      default -> kind + "-" + thing.index();
    };
  }

  private String words(RoomItem thing) {
    StringBuilder words = new StringBuilder(thing.name(room));
    words.append("; arrow keys move it by 5 cm");
    if (thing.aim(room).isPresent() || thing.kind() == RoomItem.Kind.FURNITURE) {
      words.append(", R turns it");
    }
    if (thing.switches(room)) {
      words.append(", enter opens or shuts it");
    }
    if (thing.kind() != RoomItem.Kind.TALKER && thing.kind() != RoomItem.Kind.MICROPHONE) {
      words.append(", delete takes it out");
    }
    return words.toString();
  }

  /** Lets a shape be dragged around a thing to turn it. */
  void turns(Shape body, RoomItem thing) {
    body.setId("turn-" + id(thing));
    body.setAccessibleText("turns the " + thing.name(room));
    body.setOnMousePressed(e -> {
      e.consume();
      pane.follow(
          at -> {
            Point to = place(thing, at).minus(thing.at(room));
            hands.turn(thing, Math.toDegrees(Math.atan2(to.y(), to.x())));
          },
          () -> {});
    });
  }

  private Point place(RoomItem thing, MouseEvent e) {
    Point2D local = pane.sceneToLocal(e.getSceneX(), e.getSceneY());
    return placing.of(thing, local.getX(), local.getY());
  }

  private void key(RoomItem thing, KeyEvent e) {
    switch (e.getCode()) {
      case LEFT -> nudge(thing, -1, 0);
      case RIGHT -> nudge(thing, 1, 0);
      case UP -> nudge(thing, 0, 1);
      case DOWN -> nudge(thing, 0, -1);
      case DELETE, BACK_SPACE -> hands.remove(thing);
      case ENTER -> hands.turnOver(thing);
      case R ->
          turned(thing)
              .ifPresent(degrees ->
                  hands.turn(thing, degrees + (e.isShiftDown() ? -TURN_DEGREES : TURN_DEGREES)));
      default -> {
        return;
      }
    }
    e.consume();
  }

  private Optional<Double> turned(RoomItem thing) {
    return thing.kind() == RoomItem.Kind.FURNITURE
        ? Optional.of(room.furniture().get(thing.index()).azimuthDegrees())
        : thing.aim(room).map(aim -> aim.azimuthDegrees());
  }

  /** By one step as the picture shows it, right and up. */
  private void nudge(RoomItem thing, int right, int up) {
    Point from = placing.of(thing, 0, 0);
    Point there = placing.of(thing, right, -up).minus(from);
    hands.move(thing, thing.at(room).plus(there, RoomItem.STEP_METRES / there.length()));
  }
}
