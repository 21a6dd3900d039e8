package nullroom.app.cli;

import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import picocli.CommandLine;
import picocli.CommandLine.Model.CommandSpec;

/** What an option names by its key. */
final class Named {
  private Named() {}

  /**
   * The one of a key.
   *
   * @param keys that there are
   * @throws CommandLine.ParameterException where it is none of them
   */
  static <T> T one(
      CommandSpec command,
      String option,
      String key,
      Function<String, Optional<T>> find,
      Stream<String> keys) {
    return find.apply(key)
        .orElseThrow(() ->
            new CommandLine.ParameterException(
                command.commandLine(),
                option + ": '" + key + "' is none of " + keys.collect(Collectors.joining(", "))));
  }
}
