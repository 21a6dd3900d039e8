package nullroom.app.control;

import nullroom.core.room.Point;
import nullroom.core.room.Thing;

/** What happens when somebody takes hold of a thing in a picture of the room. */
@FunctionalInterface
public interface Hands {
  /** Moves it; the place has snapped already. */
  void move(Thing thing, Point to);

  /** Turns it to a direction in the plan. */
  default void turn(Thing thing, double azimuthDegrees) {}

  /** Takes it out. */
  default void remove(Thing thing) {}

  /** Opens or shuts it. */
  default void turnOver(Thing thing) {}
}
