package nullroom.io.audio;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import nullroom.core.Trouble;

/**
 * A file that is written under another name and takes its own only once it is whole.
 *
 * @param target its own name
 */
record NewFile(Path target) {
  /** Where it is written. */
  Path part() {
    return target.resolveSibling(target.getFileName() + ".part");
  }

  Trouble cannot(IOException e) {
    return new Trouble.BadFile(target.toString(), "cannot be written: " + e.getMessage());
  }

  /** Gives it its name, or takes away what there is of it. */
  void close(boolean whole) {
    try {
      if (whole) {
        Files.move(part(), target, StandardCopyOption.REPLACE_EXISTING);
      } else {
        Files.deleteIfExists(part());
      }
    } catch (IOException e) {
      throw cannot(e);
    }
  }
}
