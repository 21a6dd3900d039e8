package nullroom.app.cli;

import java.util.Optional;
import nullroom.core.book.Goal;
import nullroom.core.book.RoomBook;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;

/** What a room is judged for. */
final class GoalOption {
  @Option(
      names = "--goal",
      paramLabel = "NAME",
      description =
          "spokenClose, spokenOnCamera, sungDry or sungSomeRoom; default: the book's, for a room file spokenOnCamera")
  Optional<String> goal = Optional.empty();

  /** The goal asked for. */
  Optional<Goal> asked(CommandSpec command) {
    return goal.map(key -> Named.one(command, "--goal", key, Goal.class));
  }

  /** A book with it. */
  RoomBook of(CommandSpec command, RoomBook book) {
    return asked(command).map(book::with).orElse(book);
  }
}
