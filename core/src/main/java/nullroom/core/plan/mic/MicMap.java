package nullroom.core.plan.mic;

import java.util.Optional;
import java.util.stream.IntStream;
import nullroom.core.book.RoomBook;
import nullroom.core.book.Shelf;
import nullroom.core.plan.mic.MicPlanner.Ranked;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Margins;
import nullroom.core.room.Aim;
import nullroom.core.room.Point;
import nullroom.core.room.Room;

/**
 * What a microphone comes short of the targets over the upright plane through the lips, along where
 * the talker looks.
 *
 * @param alongMetres from the lips, ahead
 * @param upMetres from the floor
 * @param shortDb row by row of {@code upMetres}; NaN out of the room
 * @param blocked why a place is not to be had: picture, breath, reach or room; empty where it is
 */
@SuppressWarnings("ArrayRecordComponent") // never compared
public record MicMap(
    double[] alongMetres, double[] upMetres, double[][] shortDb, String[][] blocked) {
  private static final int ALONG = 60;
  private static final int UP = 40;
  private static final double BEHIND_METRES = 0.6;
  private static final double AHEAD_METRES = 1.8;

  /** The breath goes ahead, so wide. */
  private static final double BREATH_DEGREES = 30;

  /**
   * Maps one of a ranking.
   *
   * @param book that was ranked
   */
  public static MicMap of(RoomBook book, Shelf shelf, Ranked ranked) {
    Room room = ranked.room();
    Point lips = room.requireTalker().at();
    Point ahead = new Aim(room.requireTalker().aim().azimuthDegrees(), 0).direction();
    double top = room.heightAt(lips);
    double[] along =
        IntStream.range(0, ALONG)
            .mapToDouble(i -> -BEHIND_METRES + i * (BEHIND_METRES + AHEAD_METRES) / (ALONG - 1))
            .toArray();
    double[] up = IntStream.range(0, UP).mapToDouble(j -> (j + 0.5) * top / UP).toArray();
    double[][] missing = new double[UP][ALONG];
    String[][] blocked = new String[UP][ALONG];
    MicPlaces places = new MicPlaces(room, shelf);
    Margins targets = book.goal().targets();
    IntStream.range(0, UP * ALONG)
        .parallel()
        .forEach(k -> {
          int j = k / ALONG;
          int i = k % ALONG;
          Point flat = lips.plus(ahead, along[i]);
          Point at = new Point(flat.x(), flat.y(), up[j]);
          Optional<Heard> heard = MicPlanner.heardAt(book, ranked, at);
          missing[j][i] = heard.map(h -> MicPlanner.shortDb(h, targets)).orElse(Double.NaN);
          blocked[j][i] = heard.isEmpty() ? "room" : why(places, room, at, lips, ranked.close());
        });
    return new MicMap(along, up, missing, blocked);
  }

  private static String why(MicPlaces places, Room room, Point at, Point lips, boolean close) {
    if (places.framed(at)) {
      return "picture";
    }
    Point out = at.minus(lips);
    boolean near = out.length() < MicPlaces.nearest(close);
    boolean breath =
        !close
            && out.length() < 2 * MicPlaces.NEAREST_METRES
            && room.requireTalker().aim().angleTo(out) < BREATH_DEGREES;
    if (near || breath) {
      return "breath";
    }
    return places.reached(at) ? "" : "reach";
  }
}
