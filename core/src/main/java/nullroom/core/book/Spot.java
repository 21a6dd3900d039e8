package nullroom.core.book;

import nullroom.core.room.Point;
import nullroom.core.room.Room;

/**
 * A place to record from.
 *
 * @param name for people
 * @param talkerAt the lips
 * @param azimuthDegrees where the talker looks
 * @param microphoneAt the capsule; it points at the lips
 */
public record Spot(String name, Point talkerAt, double azimuthDegrees, Point microphoneAt) {
  /** Where talker and microphone of a room are. */
  public static Spot of(String name, Room room) {
    return new Spot(
        name,
        room.requireTalker().at(),
        room.requireTalker().aim().azimuthDegrees(),
        room.requireMicrophone().at());
  }

  /** Whether talker and microphone of a room are there. */
  public boolean isIn(Room room) {
    return room.talker().filter(t -> t.at().equals(talkerAt)).isPresent()
        && room.microphone().filter(m -> m.at().equals(microphoneAt)).isPresent();
  }

  /**
   * The room with both there.
   *
   * @throws nullroom.core.Trouble.BadField where the room is no longer that large, or something
   *     stands there
   */
  public Room in(Room room) {
    // by way of a free place, since neither may stand where the other is for a moment
    return room.withPeople(
        room.requireTalker().movedTo(talkerAt).turnedTo(azimuthDegrees),
        room.requireMicrophone().movedTo(microphoneAt, talkerAt));
  }
}
