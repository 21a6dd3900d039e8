package nullroom.core.plan.mic;

import java.util.List;
import java.util.Optional;
import nullroom.core.book.Hearing;
import nullroom.core.book.RoomBook;
import nullroom.core.book.Staging;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Margins;
import nullroom.core.predict.QuickReplies;
import nullroom.core.predict.Refinement;
import nullroom.core.room.Aim;
import nullroom.core.room.PlacedMicrophone;
import nullroom.core.room.Point;
import nullroom.core.room.Room;

/**
 * What the microphone of a room hears wherever it is put, pointed at the lips and with the right
 * gain there. Free to be asked on any thread.
 */
final class MicField {
  private final Room room;
  private final Hearing hearing;
  private final QuickReplies replies;
  private final Staging staging;
  private final Margins targets;
  private final PlacedMicrophone microphone;
  private final Point lips;

  /**
   * Of a book with a microphone in its room.
   *
   * @param room of the book, with that microphone
   * @param staging of it
   */
  MicField(RoomBook book, Room room, Staging staging) {
    this(book, room, staging, Optional.empty());
  }

  /** The same with what tracing found beyond the quick answer. */
  MicField(RoomBook book, Room room, Staging staging, Optional<Refinement> refinement) {
    this.room = room;
    hearing = Hearing.of(book.with(room), refinement);
    replies = hearing.replies();
    this.staging = staging;
    targets = book.goal().targets();
    microphone = room.requireMicrophone();
    lips = room.requireTalker().at();
  }

  /** What is heard at a place; empty where nothing can be. */
  public Optional<Heard> at(Point at) {
    if (!room.isFree(at) || at.equals(lips)) {
      return Optional.empty();
    }
    PlacedMicrophone there = microphone.placed(at, Aim.along(lips.minus(at)));
    Room moved = MicPlaces.alone(room, there, Optional.empty());
    Heard heard = hearing.heard(moved, List.of(there.capture()), replies).getFirst();
    return Optional.of(heard.withGainDb(staging.rightGainDb(heard, targets)));
  }
}
