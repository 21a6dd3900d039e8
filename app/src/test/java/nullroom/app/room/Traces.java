package nullroom.app.room;

import nullroom.app.Fx;

/** Rooms traced, and waited for. */
final class Traces {
  private Traces() {}

  /** Traces the room of now. */
  static void of(RoomModel model) {
    Fx.run(model.trace()::refresh);
    Fx.until(model.trace().tracedProperty().map(t -> model.trace().now().isPresent()), true);
  }
}
