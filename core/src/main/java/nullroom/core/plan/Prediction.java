package nullroom.core.plan;

import java.util.Optional;
import java.util.OptionalDouble;
import nullroom.core.Progress;
import nullroom.core.book.Goal;
import nullroom.core.book.Hearing;
import nullroom.core.book.RoomBook;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Margins;
import nullroom.core.predict.Refinement;
import nullroom.core.predict.RoomResponse;
import nullroom.core.predict.Statistics;
import nullroom.core.room.Room;

/**
 * Everything that is predicted of a book's room as it is described now.
 *
 * @param room of the book
 * @param goal it is judged for
 * @param statistics its reverberation by formulas
 * @param traced its response with the book's decay; empty for a quick answer
 * @param arrivals single reflections of the first 50 ms with the direct sound they are held against
 * @param ladder what is heard, with the margins and their words
 * @param worstOfMovement least margins of a talker who moves
 * @param worse another voice that stands worse with whatever serves it best
 */
public record Prediction(
    Room room,
    Goal goal,
    Statistics statistics,
    Optional<RoomResponse> traced,
    RoomResponse arrivals,
    Ladder ladder,
    Optional<Margins> worstOfMovement,
    Optional<Pair> worse) {

  /**
   * Predicts.
   *
   * @param quick whether tracing is left out
   * @throws nullroom.core.Trouble.BadField if talker or microphone is missing
   */
  public static Prediction of(RoomBook book, Goal goal, boolean quick, Progress progress) {
    Room room = book.room();
    Statistics statistics = Statistics.of(room);
    if (quick) {
      return of(
          Hearing.quick(book), book, goal, Optional.empty(), RoomResponse.first(room), statistics);
    }
    RoomResponse response = RoomResponse.of(room, Refinement.SEED, progress);
    Refinement found = Hearing.refinement(book, response);
    return of(
        Hearing.of(book, Optional.of(found)),
        book,
        goal,
        Optional.of(response.withDecay(statistics.seconds(), found.decaySeconds())),
        response,
        statistics);
  }

  private static Prediction of(
      Hearing hearing,
      RoomBook book,
      Goal goal,
      Optional<RoomResponse> traced,
      RoomResponse arrivals,
      Statistics statistics) {
    Room room = book.room();
    return new Prediction(
        room,
        goal,
        statistics,
        traced,
        arrivals,
        Ladder.of(hearing.heard(), goal.targets()),
        Pair.worstOfMovement(hearing, room),
        Pair.worse(hearing, room, goal.targets()));
  }

  /** What the microphone hears. */
  public Heard heard() {
    return ladder.heard();
  }

  /** T20 of an octave; by the times of the quick answer where nothing was traced. */
  public OptionalDouble t20Seconds(int octave) {
    return traced
        .map(r -> r.t20Seconds(octave))
        .orElse(OptionalDouble.of(heard().decaySeconds().get(octave)));
  }

  /** Early decay time of an octave; as {@link #t20Seconds} where nothing was traced. */
  public OptionalDouble edtSeconds(int octave) {
    return traced
        .map(r -> r.edtSeconds(octave))
        .orElse(OptionalDouble.of(heard().decaySeconds().get(octave)));
  }
}
