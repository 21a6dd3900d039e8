package nullroom.app.cli;

import java.util.Optional;
import nullroom.core.book.RoomBook;
import nullroom.core.room.Room;
import picocli.CommandLine.Option;

/** Which place, which voice and which microphone of several are judged. */
final class PairOptions {
  @Option(
      names = "--place",
      paramLabel = "NAME",
      description = "the place of a book; default: the one it was left at")
  Optional<String> place = Optional.empty();

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
   * @throws nullroom.core.Trouble.BadField where it has none of that name
   */
  RoomBook judged(RoomBook whole) {
    RoomBook book = place.map(whole::goTo).orElse(whole);
    Room room = book.room();
    return voice.isEmpty() && microphone.isEmpty()
        ? book
        : book.with(room.with(room.setUp().judging(voice, microphone)));
  }
}
