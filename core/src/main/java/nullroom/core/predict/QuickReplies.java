package nullroom.core.predict;

import nullroom.core.acoustics.Bands;
import nullroom.core.room.Room;

/**
 * Quick replies of one room to microphones anywhere in it: what does not depend on the microphone
 * is worked out once. Free to be asked on any thread.
 */
public final class QuickReplies {
  private final RayGeometry geometry;
  private final Bands seconds;

  /** Of a room with these reverberation times. */
  public QuickReplies(Room room, Bands seconds) {
    geometry = new RayGeometry(room);
    this.seconds = seconds;
  }

  /** Reverberation times of the room. */
  public Bands seconds() {
    return seconds;
  }

  /**
   * As {@link ReflectedSound#quick}.
   *
   * @param room the same but for its talkers and microphones
   */
  public ReflectedSound of(Room room) {
    return ReflectedSound.quick(room, seconds, new Tracing(room, geometry).first());
  }
}
