package nullroom.core.plan.treatment;

import java.util.function.DoubleFunction;
import nullroom.core.room.Patch;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.Surface;

/** Where something is on a surface, in distances that can be measured with a tape. */
public final class Whereabouts {
  private Whereabouts() {}

  /**
   * A place on a surface: on a wall from the corner that it shares with the wall before it, and up;
   * on floor and ceiling from the corner of the first wall and the last.
   *
   * @param at in the surface's own axes
   * @param length how lengths are said
   */
  public static String of(Room room, Surface surface, Point at, DoubleFunction<String> length) {
    String along = length.apply(at.x());
    String up = length.apply(at.y());
    int walls = room.outline().corners().size();
    if (surface instanceof Surface.Wall wall) {
      int before = wall.number() == 1 ? walls : wall.number() - 1;
      return along + " from the corner with wall " + before + ", " + up + " up";
    }
    return along + " along and " + up + " across from the corner of walls 1 and " + walls;
  }

  /** Where a piece begins. */
  public static String of(Room room, Patch patch, DoubleFunction<String> length) {
    return of(room, patch.surface(), patch.lowest(), length);
  }

  /** A step: what, where and how large, or what it is turned or pushed to. */
  public static String of(Room room, TreatmentPlan.Step step, DoubleFunction<String> length) {
    if (step.pushedTo().isPresent()) {
      Point to = step.pushedTo().get();
      return step.name() + " pushed to " + of(room, Surface.FLOOR, to, length);
    }
    return step.patch()
        .map(p -> step.name() + " on " + p.surface().spoken() + ", " + of(room, p, length))
        .orElseGet(() -> step.name() + ": " + step.to());
  }
}
