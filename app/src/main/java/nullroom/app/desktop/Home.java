package nullroom.app.desktop;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Optional;
import nullroom.app.shell.Units;
import nullroom.core.Trouble;
import nullroom.io.book.BookFolder;

/**
 * Where books are kept when none is named, and which was open last.
 *
 * @param folder all of it
 */
record Home(Path folder) {
  /** The place that this system keeps data in. */
  static Home here() {
    String data = System.getenv("XDG_DATA_HOME");
    return new Home(
        data != null && !data.isEmpty()
            ? Path.of(data, "nullroom")
            : Path.of(System.getProperty("user.home", "."), ".local", "share", "nullroom"));
  }

  private Path pointer() {
    return folder.resolve("last-book");
  }

  /** The book opened last, where it is still there. */
  Optional<Path> last() {
    if (!Files.exists(pointer())) {
      return Optional.empty();
    }
    try {
      return Optional.of(Path.of(Files.readString(pointer()).strip()))
          .filter(book -> new BookFolder(book).exists());
    } catch (InvalidPathException e) {
      return Optional.empty();
    } catch (IOException e) {
      throw new Trouble.BadFile(pointer().toString(), "cannot be read: " + e.getMessage());
    }
  }

  /**
   * Makes a book the one opened next time.
   *
   * @throws Trouble.BadFile if that cannot be written down
   */
  void remember(Path book) {
    try {
      Files.createDirectories(folder);
      Files.writeString(pointer(), book.toAbsolutePath().toString());
    } catch (IOException e) {
      throw new Trouble.BadFile(
          pointer().toString(), "cannot be written, so this book is not opened next time");
    }
  }

  private Path unitsNote() {
    return folder.resolve("units");
  }

  /** How lengths were said last; at first as the country does. */
  Units units() {
    Units usual = Units.of(Locale.getDefault());
    if (!Files.exists(unitsNote())) {
      return usual;
    }
    try {
      return Units.find(Files.readString(unitsNote()).strip()).orElse(usual);
    } catch (IOException e) {
      throw new Trouble.BadFile(unitsNote().toString(), "cannot be read: " + e.getMessage());
    }
  }

  /**
   * Keeps how lengths are said.
   *
   * @throws Trouble.BadFile if that cannot be written down
   */
  void remember(Units units) {
    try {
      Files.createDirectories(folder);
      Files.writeString(unitsNote(), units.label());
    } catch (IOException e) {
      throw new Trouble.BadFile(
          unitsNote().toString(), "cannot be written, so the units are forgotten at the end");
    }
  }

  /** A folder for a new book, where none is yet. */
  Path fresh() {
    int number = 1;
    while (Files.exists(folder.resolve("room-" + number))) {
      number++;
    }
    return folder.resolve("room-" + number);
  }

  static Path temporary(String prefix) {
    try {
      return Files.createTempDirectory(prefix);
    } catch (IOException e) {
      throw new Trouble.BadFile(
          System.getProperty("java.io.tmpdir", ""), "cannot hold a new folder: " + e.getMessage());
    }
  }
}
