package nullroom.core.room;

import java.util.List;

/**
 * How far a talker moves while speaking.
 *
 * @param leanMetres of the lips, forth, back and to the sides
 * @param turnDegrees of the head to either side
 */
public record Movement(double leanMetres, double turnDegrees) {
  /** Somebody who sits still. */
  public static final Movement NONE = new Movement(0, 0);

  private static final double MOST_METRES = 1;
  private static final double MOST_DEGREES = 120;

  public Movement {
    if (!(leanMetres >= 0 && leanMetres <= MOST_METRES)) {
      throw new IllegalArgumentException("leaning must lie between 0 and 1 m, not " + leanMetres);
    }
    if (!(turnDegrees >= 0 && turnDegrees <= MOST_DEGREES)) {
      throw new IllegalArgumentException(
          "turning the head must lie between 0 and 120 degrees, not " + turnDegrees);
    }
  }

  /**
   * One moment of moving.
   *
   * @param ahead metres towards where the talker faces
   * @param left metres to their left
   * @param turnDegrees of the head, to the left
   */
  public record Moment(double ahead, double left, double turnDegrees) {}

  /** Its ends: leant each way, turned each way, and each lean with each turn. */
  public List<Moment> ends() {
    List<Moment> leans =
        leanMetres == 0
            ? List.of(new Moment(0, 0, 0))
            : List.of(
                new Moment(0, 0, 0),
                new Moment(leanMetres, 0, 0),
                new Moment(-leanMetres, 0, 0),
                new Moment(0, leanMetres, 0),
                new Moment(0, -leanMetres, 0));
    List<Double> turns = turnDegrees == 0 ? List.of(0.0) : List.of(0.0, turnDegrees, -turnDegrees);
    return leans.stream()
        .flatMap(l -> turns.stream().map(t -> new Moment(l.ahead(), l.left(), t)))
        .filter(m -> !m.equals(new Moment(0, 0, 0)))
        .toList();
  }
}
