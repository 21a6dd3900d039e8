package nullroom.core.plan.treatment;

import nullroom.core.Decibels;
import nullroom.core.acoustics.Octave;
import nullroom.core.room.Patch;
import nullroom.core.room.PlacedMicrophone;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.Surface;
import nullroom.core.room.Talker;

/**
 * What a place throws from the voice to the microphone when it scatters to all sides (Lambert's
 * law), at 1 kHz and against other places alone: it says where, of places that are alike in the
 * quick answer, a piece had best be.
 */
final class Returns {
  private static final int POINTS = 3;
  private static final double TANGENT_METRES = 0.1;

  /** Nearer than this a place is no point any more. */
  private static final double LEAST_METRES = 0.2;

  private final Room room;
  private final Talker talker;
  private final PlacedMicrophone microphone;

  Returns(Room room) {
    this.room = room;
    talker = room.requireTalker();
    microphone = room.requireMicrophone();
  }

  double of(Patch patch) {
    Point low = patch.lowest();
    double sum = 0;
    for (int i = 0; i < POINTS; i++) {
      for (int j = 0; j < POINTS; j++) {
        double u = low.x() + patch.width() * (i + 0.5) / POINTS;
        double v = low.y() + patch.height() * (j + 0.5) / POINTS;
        sum += at(patch.surface(), new Point(u, v, 0));
      }
    }
    return sum;
  }

  private Point inRoom(Surface surface, Point local) {
    return room.enclosure().unbounded(surface, local);
  }

  private double at(Surface surface, Point local) {
    Point at = inRoom(surface, local);
    Point across = inRoom(surface, local.plus(new Point(TANGENT_METRES, 0, 0), 1)).minus(at);
    Point up = inRoom(surface, local.plus(new Point(0, TANGENT_METRES, 0), 1)).minus(at);
    Point normal =
        new Point(
            across.y() * up.z() - across.z() * up.y(),
            across.z() * up.x() - across.x() * up.z(),
            across.x() * up.y() - across.y() * up.x());
    Point fromVoice = at.minus(talker.at());
    Point fromMicrophone = at.minus(microphone.at());
    double voice =
        Decibels.toEnergy(
            talker.directivity().gainDb(Octave.HZ_1000, talker.aim().angleTo(fromVoice)));
    double heard =
        Decibels.toEnergy(
            microphone.capture().pattern().gainDb(microphone.aim().angleTo(fromMicrophone)));
    return voice * heard * seen(normal, fromVoice) * seen(normal, fromMicrophone);
  }

  /** Cosine to a normal over the distance squared. */
  private static double seen(Point normal, Point from) {
    double metres = Math.max(LEAST_METRES, from.length());
    double along = Math.abs(normal.x() * from.x() + normal.y() * from.y() + normal.z() * from.z());
    return along / (normal.length() * metres * metres * metres);
  }
}
