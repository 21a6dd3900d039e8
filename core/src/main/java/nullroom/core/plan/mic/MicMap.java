package nullroom.core.plan.mic;

import java.util.Optional;
import java.util.stream.IntStream;
import nullroom.core.acoustics.Octave;
import nullroom.core.acoustics.Pattern;
import nullroom.core.book.RoomBook;
import nullroom.core.book.Shelf;
import nullroom.core.book.Staging;
import nullroom.core.plan.mic.MicPlanner.Ranked;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Margins;
import nullroom.core.predict.Refinement;
import nullroom.core.room.Aim;
import nullroom.core.room.Point;
import nullroom.core.room.Room;

/**
 * How a microphone does over a plane through the lips along where the talker looks, pointed at the
 * lips and with the right gain at each place.
 *
 * @param plane which one
 * @param alongMetres columns: from the lips, ahead
 * @param acrossMetres rows: from the floor up where the plane is upright, else to the talker's left
 * @param shortDb what is missing of the targets, row by row; NaN out of the room
 * @param overDb by margin, what that has over its target; NaN out of the room
 * @param blocks why a place is not to be had
 */
@SuppressWarnings("ArrayRecordComponent") // never compared
public record MicMap(
    Plane plane,
    double[] alongMetres,
    double[] acrossMetres,
    double[][] shortDb,
    double[][][] overDb,
    Block[][] blocks) {
  /** Where it is cut. */
  public enum Plane {
    /** Upright. */
    SIDE,
    /** Level, at a height. */
    ABOVE
  }

  /** Why a place is not to be had. */
  public enum Block {
    NONE,
    PICTURE,
    BREATH,
    REACH,
    ROOM
  }

  private static final int COLUMNS = 60;
  private static final int ROWS = 40;
  private static final double BEHIND_METRES = 0.6;
  private static final double AHEAD_METRES = 1.8;

  /** Seen from above, the talker is nearer to the middle. */
  private static final double ASIDE_METRES = 1.2;

  /** The breath goes ahead, so wide. */
  private static final double BREATH_DEGREES = 30;

  /** The octave that booms. */
  private static final int BOOM_OCTAVE = 1;

  /** More of it by the nearness of the mouth is heard as boom (common practice). */
  private static final double BOOM_DB = 6;

  /**
   * What is mapped.
   *
   * @param room with the microphone
   * @param staging of its chain
   * @param close whether it is made for close talk
   * @param refinement what tracing found beyond the quick answer
   */
  public record Subject(
      Room room, Staging staging, boolean close, Optional<Refinement> refinement) {}

  /**
   * Maps one of a ranking from the side, by the quick answer.
   *
   * @param book that was ranked
   */
  public static MicMap of(RoomBook book, Shelf shelf, Ranked ranked) {
    Subject subject =
        new Subject(
            ranked.room(), ranked.staging(), ranked.type().isForCloseTalk(), Optional.empty());
    return of(book, shelf, subject, Plane.SIDE, 0);
  }

  /**
   * Maps a microphone.
   *
   * @param book whose room is much the same
   * @param level of the plane over the floor, where that is level, metres
   */
  public static MicMap of(RoomBook book, Shelf shelf, Subject subject, Plane plane, double level) {
    Room room = subject.room();
    Point lips = room.requireTalker().at();
    Point ahead = new Aim(room.requireTalker().aim().azimuthDegrees(), 0).direction();
    Point left = new Point(-ahead.y(), ahead.x(), 0);
    double top = room.heightAt(lips);
    double[] along =
        IntStream.range(0, COLUMNS)
            .mapToDouble(i -> -BEHIND_METRES + (i + 0.5) * (BEHIND_METRES + AHEAD_METRES) / COLUMNS)
            .toArray();
    double[] across =
        IntStream.range(0, ROWS)
            .mapToDouble(j ->
                plane == Plane.SIDE
                    ? (j + 0.5) * top / ROWS
                    : ASIDE_METRES * (2 * (j + 0.5) / ROWS - 1))
            .toArray();
    double[][] missing = new double[ROWS][COLUMNS];
    double[][][] over = new double[Margins.Kind.values().length][ROWS][COLUMNS];
    Block[][] blocks = new Block[ROWS][COLUMNS];
    MicPlaces places = new MicPlaces(room, shelf);
    MicField field = new MicField(book, room, subject.staging(), subject.refinement());
    Margins targets = book.goal().targets();
    IntStream.range(0, ROWS * COLUMNS)
        .parallel()
        .forEach(k -> {
          int j = k / COLUMNS;
          int i = k % COLUMNS;
          Point flat = lips.plus(ahead, along[i]);
          Point at =
              plane == Plane.SIDE
                  ? new Point(flat.x(), flat.y(), across[j])
                  : new Point(flat.x(), flat.y(), level).plus(left, across[j]);
          Optional<Margins> heard = field.at(at).map(Heard::margins);
          missing[j][i] = heard.map(m -> MicPlanner.shortDb(m, targets)).orElse(Double.NaN);
          for (Margins.Kind kind : Margins.Kind.values()) {
            over[kind.ordinal()][j][i] = heard.map(m -> m.over(targets, kind)).orElse(Double.NaN);
          }
          blocks[j][i] = heard.isEmpty() ? Block.ROOM : why(places, room, at, subject.close());
        });
    return new MicMap(plane, along, across, missing, over, blocks);
  }

  /** Why a place is not to be had for the microphone of a room. */
  public static Block why(Room room, Shelf shelf, Point at, boolean close) {
    return room.isFree(at) ? why(new MicPlaces(room, shelf), room, at, close) : Block.ROOM;
  }

  private static Block why(MicPlaces places, Room room, Point at, boolean close) {
    if (places.framed(at)) {
      return Block.PICTURE;
    }
    Point out = at.minus(room.requireTalker().at());
    boolean near = out.length() < MicPlaces.nearest(close);
    boolean breath =
        !close
            && out.length() < 2 * MicPlaces.NEAREST_METRES
            && room.requireTalker().aim().angleTo(out) < BREATH_DEGREES;
    return near || breath ? Block.BREATH : places.reached(at) ? Block.NONE : Block.REACH;
  }

  /** Nearer than this the microphone of a room booms, metres; 0 where its pattern never does. */
  public static double boomMetres(Room room) {
    Pattern pattern = room.requireMicrophone().capture().pattern();
    double speed = room.air().speedOfSound();
    double hz = Octave.exactHz(BOOM_OCTAVE);
    double metres = 0;
    for (double d = 0.01; d < 1 && pattern.nearGainDb(0, hz, d, speed) > BOOM_DB; d += 0.01) {
      metres = d;
    }
    return metres;
  }
}
