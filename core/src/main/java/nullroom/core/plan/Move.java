package nullroom.core.plan;

import nullroom.core.predict.Heard;
import nullroom.core.predict.Margins;
import nullroom.core.room.Room;

/**
 * One thing that could be done next.
 *
 * @param name what to do, as an instruction
 * @param station where it is done, such as dress or mic
 * @param room the room after it
 * @param after what the microphone then hears
 * @param gainDb what it buys on the margin that is weakest now
 * @param cost in the user's money, 0 where nothing must be bought
 * @param minutes of work
 */
public record Move(
    String name, String station, Room room, Heard after, double gainDb, int cost, int minutes) {
  /** The margins after it. */
  public Margins margins() {
    return after.margins();
  }
}
