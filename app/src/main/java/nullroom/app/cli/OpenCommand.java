package nullroom.app.cli;

import java.nio.file.Path;
import java.util.concurrent.Callable;
import nullroom.app.desktop.Desktop;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(
    name = "open",
    mixinStandardHelpOptions = true,
    description = "open the desktop on a room book")
final class OpenCommand implements Callable<Integer> {
  @Parameters(paramLabel = "BOOK", description = "folder of a room book; made if it is not there")
  Path book = Path.of("");

  @Option(
      names = "--restore",
      description = "put the save before the last in place of a damaged book first")
  boolean restore;

  @Override
  public Integer call() {
    return Desktop.open(book, restore);
  }
}
