package nullroom.app.cli;

import nullroom.core.Keyed;
import picocli.CommandLine;
import picocli.CommandLine.Model.CommandSpec;

/** What an option names by its key. */
final class Named {
  private Named() {}

  /**
   * The one of a key.
   *
   * @throws CommandLine.ParameterException where it is none of the set
   */
  static <E extends Enum<E> & Keyed> E one(
      CommandSpec command, String option, String key, Class<E> set) {
    return Keyed.find(set, key)
        .orElseThrow(() ->
            new CommandLine.ParameterException(
                command.commandLine(), option + ": '" + key + "' is none of " + Keyed.keys(set)));
  }
}
