package nullroom.core.plan.treatment;

import java.util.List;
import nullroom.core.book.AtHand;
import nullroom.core.book.TreatmentPiece;
import nullroom.core.room.Camera;
import nullroom.core.room.Furniture;
import nullroom.core.room.Member;
import nullroom.core.room.Outline;
import nullroom.core.room.Patch;
import nullroom.core.room.PlacedMicrophone;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.SharedSpace;
import nullroom.core.room.Surface;

/** Where a piece may be and where not. */
final class Limits {
  private static final int SAMPLES = 8;
  private static final double LEVEL_METRES = 1e-6;

  /** A piece on a wall takes so much of the room before it (common practice). */
  private static final double PIECE_DEPTH_METRES = 0.12;

  private static final double MEETING_METRES = 0.005;

  /** A lamp or a boom overhead keeps so much of the ceiling around it (common practice). */
  private static final double AROUND_METRES = 0.3;

  /** Only what comes so near to the ceiling has a claim on it. */
  private static final double UNDER_CEILING_METRES = 0.5;

  private final Room room;
  private final AtHand hand;

  Limits(Room room, AtHand hand) {
    this.room = room;
    this.hand = hand;
  }

  boolean allow(TreatmentPiece piece, Patch patch) {
    boolean low =
        !patch.surface().isWall()
            || patch.corners().stream().allMatch(c -> c.y() <= hand.reachMetres() + 1e-9);
    return low
        && even(patch)
        && room.hasPlaceFor(patch)
        && !behindFurniture(patch)
        && hand.keepClear().stream().noneMatch(k -> k.patch().overlaps(patch))
        && (!piece.coloured() || unlit(patch))
        && leavesOverhead(patch)
        && (hand.inPicture() || !filmed(patch));
  }

  /** Whether it lies on one slope of a ceiling, and not over its ridge. */
  private boolean even(Patch patch) {
    if (!(patch.surface() instanceof Surface.Ceiling)) {
      return true;
    }
    List<Point> c = patch.corners();
    double middle = room.heightAt(Outline.centre(c));
    double across = (room.heightAt(c.get(0)) + room.heightAt(c.get(2))) / 2;
    double along = (room.heightAt(c.get(1)) + room.heightAt(c.get(3))) / 2;
    return Math.abs(across - middle) < LEVEL_METRES && Math.abs(along - middle) < LEVEL_METRES;
  }

  /** Whether something stands so near to the wall there that nothing goes between. */
  private boolean behindFurniture(Patch patch) {
    if (!patch.surface().isWall()) {
      return false;
    }
    Point low = patch.lowest();
    Point high = low.plus(new Point(patch.width(), patch.height(), 0), 1);
    for (Furniture piece : room.furniture()) {
      double nearest = Double.POSITIVE_INFINITY;
      double from = Double.POSITIVE_INFINITY;
      double to = Double.NEGATIVE_INFINITY;
      for (Point corner : piece.plan()) {
        Point local = room.enclosure().local(patch.surface(), corner);
        nearest = Math.min(nearest, corner.distanceTo(inRoom(patch, new Point(local.x(), 0, 0))));
        from = Math.min(from, local.x());
        to = Math.max(to, local.x());
      }
      boolean beside = to <= low.x() + MEETING_METRES || from >= high.x() - MEETING_METRES;
      boolean over =
          piece.top() <= low.y() + MEETING_METRES
              || piece.corner().z() >= high.y() - MEETING_METRES;
      if (nearest < PIECE_DEPTH_METRES && !beside && !over) {
        return true;
      }
    }
    return false;
  }

  private Point inRoom(Patch patch, Point local) {
    return room.enclosure().unbounded(patch.surface(), local);
  }

  /**
   * Whether it lies behind all lamps, seen from whom they light: there it tints nobody. Lamps are
   * pieces of furniture that are called so.
   */
  private boolean unlit(Patch patch) {
    Point talker = room.requireTalker().at();
    for (Furniture lamp : room.furniture()) {
      if (!lamp.shines()) {
        continue;
      }
      Point at = lamp.middle();
      Point light = talker.minus(at);
      for (Point corner : patch.corners()) {
        Point to = inRoom(patch, corner).minus(at);
        if (to.x() * light.x() + to.y() * light.y() > 0) {
          return false;
        }
      }
    }
    return true;
  }

  /** Whether a lamp or a microphone that hangs close under the ceiling keeps its space there. */
  private boolean leavesOverhead(Patch patch) {
    if (!(patch.surface() instanceof Surface.Ceiling)) {
      return true;
    }
    for (Furniture piece : room.furniture()) {
      if (piece.corner().z() > SharedSpace.OVERHEAD_METRES
          && room.heightAt(piece.middle()) - piece.top() < UNDER_CEILING_METRES
          && piece.plan().stream().anyMatch(c -> near(patch, c))) {
        return false;
      }
    }
    for (Member<PlacedMicrophone> m : room.setUp().microphones()) {
      Point at = m.it().at();
      if (at.z() > SharedSpace.OVERHEAD_METRES
          && room.heightAt(at) - at.z() < UNDER_CEILING_METRES
          && near(patch, at)) {
        return false;
      }
    }
    return true;
  }

  private static boolean near(Patch patch, Point at) {
    Point low = patch.lowest();
    Point high = low.plus(new Point(patch.width(), patch.height(), 0), 1);
    double dx = at.x() - Math.clamp(at.x(), low.x(), high.x());
    double dy = at.y() - Math.clamp(at.y(), low.y(), high.y());
    return Math.hypot(dx, dy) < AROUND_METRES;
  }

  /** Whether any of it lies where a camera films. */
  private boolean filmed(Patch patch) {
    for (Member<Camera> camera : room.setUp().cameras()) {
      for (int i = 0; i <= SAMPLES; i++) {
        for (int j = 0; j <= SAMPLES; j++) {
          Point a = patch.corners().getFirst();
          Point local =
              new Point(
                  a.x() + patch.width() * i / SAMPLES, a.y() + patch.height() * j / SAMPLES, 0);
          if (camera.it().frames(inRoom(patch, local))) {
            return true;
          }
        }
      }
    }
    return false;
  }
}
