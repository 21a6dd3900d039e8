package nullroom.app.control;

import nullroom.core.room.Point;
import nullroom.core.room.RoomItem;

/** What happens when somebody takes hold of a thing in a picture of the room. */
@FunctionalInterface
public interface ItemHandler {
  /** Moves it; the place has snapped already. */
  void move(RoomItem item, Point to);

  /** Turns it to a direction in the plan. */
  default void turn(RoomItem item, double azimuthDegrees) {}

  /** Takes it out. */
  default void remove(RoomItem item) {}

  /** Opens or shuts it. */
  default void turnOver(RoomItem item) {}
}
