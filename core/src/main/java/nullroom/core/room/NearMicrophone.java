package nullroom.core.room;

import java.util.List;
import java.util.Optional;

/**
 * A place as seen from the microphone.
 *
 * @param side of it
 * @param metres from it
 */
public record NearMicrophone(Side side, double metres) {
  /** A side of the microphone. */
  public enum Side {
    /** The far side from the lips. */
    BEHIND("behind the mic"),
    /** At a right angle, level with it. */
    BESIDE("beside the mic"),
    /** Beyond the talker. */
    BEYOND("beyond the talker");

    private final String label;

    Side(String label) {
      this.label = label;
    }

    /** For people. */
    public String label() {
      return label;
    }
  }

  /**
   * Where that is in a room, beside the microphone on the side that lies within; empty outside.
   *
   * @throws nullroom.core.Trouble.BadField if talker or microphone is missing
   */
  public Optional<Point> in(Room room) {
    Point microphone = room.requireMicrophone().at();
    Point away = microphone.minus(room.requireTalker().at());
    double share = metres / away.length();
    Point aside = new Point(-away.y(), away.x(), 0);
    double step = metres / Math.max(1e-6, aside.length());
    List<Point> tries =
        switch (side) {
          case BEHIND -> List.of(microphone.plus(away, share));
          case BEYOND -> List.of(microphone.plus(away, -share));
          case BESIDE -> List.of(microphone.plus(aside, step), microphone.plus(aside, -step));
        };
    return tries.stream().filter(room::holds).findFirst();
  }
}
