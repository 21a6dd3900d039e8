package nullroom.core.room;

import java.util.ArrayList;
import java.util.List;
import nullroom.core.Figures;

/** What wants the same space overhead: a lamp and a microphone on its boom. */
public final class SharedSpace {
  private static final double NEAR_METRES = 0.5;

  /** Under this nothing hangs overhead. */
  public static final double OVERHEAD_METRES = 1.4;

  private SharedSpace() {}

  /**
   * One sentence for each lamp or other thing overhead that a microphone comes near to, with the
   * caution that belongs to it.
   */
  public static List<String> of(Room room) {
    List<String> all = new ArrayList<>();
    for (Furniture piece : room.furniture()) {
      if (piece.top() < OVERHEAD_METRES) {
        continue;
      }
      for (Member<PlacedMicrophone> m : room.setUp().microphones()) {
        double metres = piece.distanceTo(m.it().at());
        boolean overhead = m.it().at().z() > OVERHEAD_METRES;
        if (overhead && metres < NEAR_METRES) {
          all.add(
              Figures.say(
                  "“%s” comes within %.0f cm of “%s”: they share the space overhead. Keep the boom out of its light, so that"
                      + " it throws no shadow, and cloth and cables off what gets hot.",
                  m.name(), 100 * metres, piece.name()));
        }
      }
    }
    return all;
  }
}
