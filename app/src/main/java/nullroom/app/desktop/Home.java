package nullroom.app.desktop;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;
import nullroom.core.Trouble;
import nullroom.io.book.BookFolder;

/**
 * Where the program keeps what is its own, and where a person keeps books.
 *
 * @param folder what is the program's own: the preferences, the demo's copy, what was rescued
 * @param documents the person's own documents, in which books have a folder
 */
record Home(Path folder, Path documents) {
  private static final String BOOKS = "Null Room";
  private static final String PUT_AWAY = "Put away";

  /** The places that this system keeps data and documents in. */
  static Home here() {
    String data = System.getenv("XDG_DATA_HOME");
    Path user = Path.of(System.getProperty("user.home", "."));
    return new Home(
        data != null && !data.isEmpty()
            ? Path.of(data, "nullroom")
            : user.resolve(".local").resolve("share").resolve("nullroom"),
        documents(user, System.getenv()));
  }

  /** The documents folder of a person; where there is none, the person's own folder. */
  static Path documents(Path user, Map<String, String> environment) {
    String named = environment.get("XDG_DOCUMENTS_DIR");
    return Stream.of(
            Optional.ofNullable(named).flatMap(Home::path),
            fromUserDirs(user),
            Optional.of(user.resolve("Documents")))
        .flatMap(Optional::stream)
        .filter(Files::isDirectory)
        .findFirst()
        .orElse(user);
  }

  /** As the desktop environment wrote it down: XDG_DOCUMENTS_DIR="$HOME/Dokumente". */
  private static Optional<Path> fromUserDirs(Path user) {
    Path file = user.resolve(".config").resolve("user-dirs.dirs");
    if (!Files.isRegularFile(file)) {
      return Optional.empty();
    }
    try {
      return Files.readAllLines(file).stream()
          .filter(line -> line.startsWith("XDG_DOCUMENTS_DIR="))
          .map(line -> line.substring(line.indexOf('=') + 1).replace("\"", ""))
          .flatMap(text -> path(text.replace("$HOME", user.toString())).stream())
          .findFirst();
    } catch (IOException e) { // then the usual name is tried
      return Optional.empty();
    }
  }

  private static Optional<Path> path(String text) {
    try {
      return Optional.of(Path.of(text));
    } catch (InvalidPathException e) {
      return Optional.empty();
    }
  }

  /** The preferences of this person. */
  PreferencesFile preferences() {
    return new PreferencesFile(folder.resolve("preferences.properties"));
  }

  /** Where books are kept where nothing else is settled. */
  Path books() {
    return documents.resolve(BOOKS);
  }

  /** The demo's own copy. */
  Path demo() {
    return folder.resolve("demo");
  }

  /** Books kept where the program kept them before it knew of a documents folder. */
  List<Path> oldBooks() {
    return booksIn(folder).stream().filter(b -> !b.equals(demo())).toList();
  }

  /** The folders in a folder that hold a book, by name. */
  static List<Path> booksIn(Path folder) {
    if (!Files.isDirectory(folder)) {
      return List.of();
    }
    try (Stream<Path> all = Files.list(folder)) {
      return all.filter(f -> new BookFolder(f).exists()).sorted().toList();
    } catch (IOException e) {
      throw new Trouble.BadFile(folder.toString(), "cannot be read: " + e.getMessage());
    }
  }

  /** Where books are kept whose own folder took nothing any more. */
  Path rescued() {
    return folder.resolve("rescued");
  }

  /** A folder for a new book of a name, where none is yet. */
  static Path fresh(Path books, String name) {
    String plain = name.replaceAll("[^\\p{L}\\p{N} _()-]", " ").strip();
    String stem = plain.isEmpty() ? "Room" : plain;
    Path free = books.resolve(stem);
    for (int number = 2; Files.exists(free); number++) {
      free = books.resolve(stem + " " + number);
    }
    return free;
  }

  /**
   * Puts a book away: out of the list, into a folder beside the others, nothing removed.
   *
   * @return where it is now
   * @throws Trouble.BadFile if that cannot be
   */
  static Path putAway(Path book) {
    Path away = book.toAbsolutePath().resolveSibling(PUT_AWAY);
    try {
      new BookFolder(book).lock().close(); // what another window has stays where it is
      Files.createDirectories(away);
      return Files.move(book, fresh(away, String.valueOf(book.getFileName())));
    } catch (IOException e) {
      throw new Trouble.BadFile(
          book.toString(),
          "cannot be moved to "
              + away
              + ": "
              + e.getClass().getSimpleName()
              + " "
              + e.getMessage());
    }
  }

  static Path temporary(String prefix) {
    try {
      return Files.createTempDirectory(prefix);
    } catch (IOException e) {
      throw new Trouble.BadFile(
          System.getProperty("java.io.tmpdir", ""), "cannot hold a new folder: " + e.getMessage());
    }
  }

  /** What stood in files of their own before there were preferences. */
  Map<String, String> before() {
    Map<String, String> texts = new TreeMap<>();
    Map.of("last-book", "book.0", "units", "units")
        .forEach((file, name) -> {
          if (Files.isRegularFile(folder.resolve(file))) {
            texts.put(name, line(folder.resolve(file)));
          }
        });
    return texts;
  }

  private static String line(Path file) {
    try {
      return Files.readString(file).strip();
    } catch (IOException e) {
      throw new Trouble.BadFile(file.toString(), "cannot be read: " + e.getMessage());
    }
  }
}
