package nullroom.app.cli;

import java.util.Optional;
import nullroom.core.book.RoomBook;
import nullroom.core.room.Room;
import picocli.CommandLine.Option;

/** Which voice and which microphone of several are judged. */
final class PairOptions {
  @Option(
      names = "--voice",
      paramLabel = "NAME",
      description = "the talker that is judged; default: the book's choice, else the first")
  Optional<String> voice = Optional.empty();

  @Option(
      names = "--microphone",
      paramLabel = "NAME",
      description = "the microphone that is judged; default: the book's choice, else the first")
  Optional<String> microphone = Optional.empty();

  /**
   * The book with these judged.
   *
   * @throws nullroom.core.Trouble.BadField where its room has none of that name
   */
  RoomBook judged(RoomBook book) {
    Room room = book.room();
    return voice.isEmpty() && microphone.isEmpty()
        ? book
        : book.with(room.with(room.setUp().judging(voice, microphone)));
  }
}
