package nullroom.app.shell;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import nullroom.core.Trouble;

/** Shows a file in its folder, with what the system has for that. */
public final class FolderShow {
  private FolderShow() {}

  /**
   * Opens the folder that a file lies in, or the folder itself.
   *
   * @throws Trouble.BadFile where this system has no such program, naming the folder
   */
  public static void show(Path file) {
    Path folder = Files.isDirectory(file) ? file : file.toAbsolutePath().resolve("..").normalize();
    try {
      new ProcessBuilder(order(System.getProperty("os.name", ""), folder))
          .redirectErrorStream(true)
          .redirectOutput(ProcessBuilder.Redirect.DISCARD)
          .start();
    } catch (IOException e) {
      throw new Trouble.BadFile(
          String.valueOf(folder), "cannot be shown: this system has no program for that");
    }
  }

  /** What opens a folder on a system. */
  static List<String> order(String system, Path folder) {
    String name = system.toLowerCase(Locale.ROOT);
    String opener = name.contains("mac") ? "open" : name.contains("win") ? "explorer" : "xdg-open";
    return List.of(opener, folder.toString());
  }
}
