package nullroom.io.book;

import static java.nio.file.StandardCopyOption.REPLACE_EXISTING;

import java.io.IOException;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import nullroom.core.Trouble;
import nullroom.core.book.RoomBook;
import nullroom.core.room.Room;
import nullroom.io.SafeFile;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * A room book on disk: {@code book.json}, the one before it as {@code book.previous.json}, and
 * {@code sound/*.wav}. Recordings are written once and never changed.
 */
public final class BookFolder {
  private static final String BOOK = "book.json";
  private static final String PREVIOUS = "book.previous.json";
  private static final String SOUND = "sound";
  private static final String SURVEY = "survey";
  private static final String NO_PLAIN_FILE =
      "is no plain file of the book (a link, a pipe, a device or a folder), and is not opened";

  /** No book comes near this; what is larger would only use up the memory. */
  private static final long LARGEST_BOOK_BYTES = 64L << 20;

  /** A disk with less room than this has none for a recording. */
  private static final long LEAST_ROOM_BYTES = 4L << 20;

  private static final String GONE =
      "%s is gone: it was moved or deleted, or its disk was pulled out. Nothing is lost yet: put it back, or keep the book elsewhere.";

  private final Path folder;

  private final KeptSounds sounds = new KeptSounds(this);

  /** Whether a book was there when it was looked at last. */
  private volatile boolean known;

  /** The book in a folder, which need not exist yet. */
  public BookFolder(Path folder) {
    this.folder = folder.toAbsolutePath().normalize();
  }

  /** Where it is. */
  public Path path() {
    return folder;
  }

  /** Whether a book is there. */
  public boolean exists() {
    return Files.exists(folder.resolve(BOOK));
  }

  /**
   * Whether the save before the last is there and whole, to be offered when the last is damaged.
   */
  public boolean hasReadablePrevious() {
    try {
      read(folder.resolve(PREVIOUS));
      return true;
    } catch (Trouble e) {
      return false;
    }
  }

  /**
   * Loads the book.
   *
   * @throws Trouble naming file and place, and the last good save where there is one
   */
  public RoomBook load() {
    Path file = folder.resolve(BOOK);
    try {
      RoomBook book = read(file);
      known = true;
      return book;
    } catch (Trouble.BadFile e) {
      if (Files.exists(file) && hasReadablePrevious()) {
        throw new Trouble.BadFile(
            file.toString(),
            e.getMessage()
                + ". The save before it, "
                + PREVIOUS
                + ", is whole: copy it over "
                + BOOK
                + " or open it with “restore”");
      }
      throw e;
    }
  }

  /**
   * Puts the save before the last in the place of a damaged one, which is kept as
   * book.damaged.json.
   */
  public RoomBook restore() {
    Path file = folder.resolve(BOOK);
    RoomBook previous = read(folder.resolve(PREVIOUS));
    try {
      if (Files.exists(file)) {
        SafeFile.write(folder.resolve("book.damaged.json"), Files.readAllBytes(file));
      }
      SafeFile.write(file, Files.readAllBytes(folder.resolve(PREVIOUS)));
      return previous;
    } catch (IOException e) {
      throw new Trouble.BadFile(file.toString(), "cannot be restored: " + e.getMessage());
    }
  }

  /**
   * Loads a book to be read only, also one that a newer program wrote: of that, what this one
   * knows.
   *
   * @throws Trouble naming file and place
   */
  public RoomBook loadToRead() {
    Path file = folder.resolve(BOOK);
    return read(file, BookJson.asKnown(json(plain(file))));
  }

  /** Whether a newer program wrote the book. */
  public boolean isNewer() {
    return exists() && BookJson.isNewer(json(plain(folder.resolve(BOOK))));
  }

  private RoomBook read(Path file) {
    return read(file, json(plain(file)));
  }

  private static RoomBook read(Path file, JsonNode node) {
    try {
      return BookJson.read(node);
    } catch (Trouble.BadField e) {
      throw new Trouble.BadFile(file.toString(), e.place() + " " + e.getMessage());
    }
  }

  /**
   * Takes a book for one window alone, until it is given back or the program ends, and clears away
   * what saves that were cut off left lying about.
   *
   * @throws Trouble.BadFile if another window has it
   */
  public BookLock lock() {
    try {
      Files.createDirectories(folder);
      BookLock lock = BookLock.take(folder);
      for (Path place : List.of(folder, folder.resolve(SOUND), folder.resolve(SURVEY))) {
        SafeFile.clear(place);
      }
      return lock;
    } catch (IOException e) {
      throw new Trouble.BadFile(folder.toString(), "cannot be locked: " + e.getMessage());
    }
  }

  /**
   * What is wrong with the folder now, in a sentence; empty where a book can be kept in it. Looks
   * only, and writes nothing.
   */
  public Optional<String> condition() {
    if (known && !exists()) {
      return Optional.of(GONE.formatted(folder));
    }
    if (!Files.isWritable(folder)) {
      return Optional.of(folder + " is read-only now; nothing more can be saved in it.");
    }
    try {
      return Files.getFileStore(folder).getUsableSpace() < LEAST_ROOM_BYTES
          ? Optional.of("The disk of " + folder + " is full; nothing more can be saved on it.")
          : Optional.empty();
    } catch (IOException e) {
      return Optional.of(folder + " cannot be reached now: " + e.getMessage() + ".");
    }
  }

  /**
   * Keeps the book in another folder from now on, with all sounds and surveys that can still be
   * read.
   *
   * @param target holds no book yet; made where it is not there
   * @return the book there
   * @throws Trouble.BadFile if it cannot be written, or holds a book
   */
  public synchronized BookFolder copyTo(Path target, RoomBook book) {
    BookFolder copy = new BookFolder(target);
    if (copy.exists()) {
      throw new Trouble.BadFile(target.toString(), "holds a book already; choose another folder");
    }
    try {
      for (Path from : List.of(folder.resolve(SOUND), folder.resolve(SURVEY), sounds.spare())) {
        Path to = copy.folder.resolve(from.equals(folder.resolve(SURVEY)) ? SURVEY : SOUND);
        Files.createDirectories(to);
        if (Files.isDirectory(from, LinkOption.NOFOLLOW_LINKS)) {
          copyFiles(from, to);
        }
      }
    } catch (IOException e) {
      throw new Trouble.BadFile(target.toString(), "cannot be written: " + e.getMessage());
    }
    copy.save(book);
    return copy;
  }

  private static void copyFiles(Path from, Path to) throws IOException {
    try (DirectoryStream<Path> files = Files.newDirectoryStream(from)) {
      for (Path file : files) {
        if (Files.isRegularFile(file, LinkOption.NOFOLLOW_LINKS)
            && !String.valueOf(file.getFileName()).startsWith(".")) {
          Files.copy(
              file, to.resolve(file.getFileName()), LinkOption.NOFOLLOW_LINKS, REPLACE_EXISTING);
        }
      }
    }
  }

  private static JsonNode json(Path file) {
    if (Files.exists(file, LinkOption.NOFOLLOW_LINKS) && !Files.isRegularFile(file)) {
      throw new Trouble.BadFile(file.toString(), NO_PLAIN_FILE);
    }
    try {
      if (Files.size(file) > LARGEST_BOOK_BYTES) {
        throw new Trouble.BadFile(file.toString(), "is larger than any book: over 64 MB");
      }
      return BookJson.parse(Files.readAllBytes(file), s -> new Trouble.BadFile(file.toString(), s));
    } catch (java.nio.file.NoSuchFileException e) {
      throw new Trouble.BadFile(file.toString(), "does not exist");
    } catch (IOException e) {
      throw new Trouble.BadFile(file.toString(), "cannot be read: " + e.getMessage());
    }
  }

  /**
   * Saves the book; the save before it is kept. Does nothing where nothing changed.
   *
   * @throws Trouble.BadFile where that cannot be, or where the folder went away while the book was
   *     open: another of its name is not made without its recordings
   */
  public synchronized void save(RoomBook book) {
    Path file = folder.resolve(BOOK);
    if (known && !exists()) {
      throw new Trouble.BadFile("", GONE.formatted(folder));
    }
    try {
      Files.createDirectories(inside(SOUND));
      byte[] text =
          JsonMapper.shared()
              .writerWithDefaultPrettyPrinter()
              .writeValueAsBytes(BookJson.write(book));
      if (!Files.exists(file) || !java.util.Arrays.equals(Files.readAllBytes(file), text)) {
        SafeFile.writeKeeping(file, folder.resolve(PREVIOUS), text);
      }
      known = true;
    } catch (IOException e) {
      throw new Trouble.BadFile(file.toString(), "cannot be saved: " + e.getMessage());
    }
  }

  /** Its recordings. */
  public KeptSounds sounds() {
    return sounds;
  }

  /**
   * Path of a survey's seconds; its folder is there.
   *
   * @throws Trouble.BadFile where that leads out of the book, or is no plain file
   */
  public Path survey(String name) {
    Path surveys = inside(SURVEY);
    try {
      Files.createDirectories(surveys);
    } catch (IOException e) {
      throw new Trouble.BadFile(surveys.toString(), "cannot be written: " + e.getMessage());
    }
    return plain(surveys.resolve(name));
  }

  /** A survey file name that is not taken yet. */
  public String freshSurvey(String stem) {
    int number = 1;
    while (Files.exists(survey(stem + "-" + number + ".csv"))) {
      number++;
    }
    return stem + "-" + number + ".csv";
  }

  /** The folder of its recordings. */
  Path soundFolder() {
    return inside(SOUND);
  }

  /** A folder of the book, which must not lead out of it. */
  private Path inside(String name) {
    Path within = folder.resolve(name);
    if (Files.exists(within, LinkOption.NOFOLLOW_LINKS)
        && !Files.isDirectory(within, LinkOption.NOFOLLOW_LINKS)) {
      throw new Trouble.BadFile(
          within.toString(), "is no folder of the book (a link?), and nothing in it is opened");
    }
    return within;
  }

  /** A file of the book, which need not be there, but must not lead out of it. */
  Path plain(Path file) {
    boolean named = folder.resolve(file).normalize().equals(file);
    if (!named
        || Files.exists(file, LinkOption.NOFOLLOW_LINKS)
            && !Files.isRegularFile(file, LinkOption.NOFOLLOW_LINKS)) {
      throw new Trouble.BadFile(file.toString(), NO_PLAIN_FILE);
    }
    return file;
  }

  /** A room as it stands in a file of its own. */
  public static JsonNode tree(Room room) {
    return RoomJson.write(room);
  }

  /**
   * Writes a room as a file of its own.
   *
   * @throws Trouble.BadFile if it cannot be written
   */
  public static void writeRoom(Room room, Path file) {
    try {
      Files.writeString(file, RoomJson.write(room).toPrettyString());
    } catch (IOException e) {
      throw new Trouble.BadFile(file.toString(), "cannot be written: " + e.getMessage());
    }
  }

  /**
   * Reads the room of a book folder, a book.json or a hand-written room file.
   *
   * @throws Trouble naming file and place
   */
  public static Room readRoom(Path path) {
    return readBook(path).room();
  }

  /** Reads a book folder, a book.json, or a room file as a book without measurements. */
  public static RoomBook readBook(Path path) {
    if (Files.isDirectory(path)) {
      return new BookFolder(path).load();
    }
    JsonNode node = json(path);
    try {
      if (node.has("schemaVersion")) {
        return BookJson.read(node);
      }
      Room room = RoomJson.read(node);
      return new RoomBook(room.name(), nullroom.core.book.Goal.SPOKEN_ON_CAMERA, room);
    } catch (Trouble.BadField e) {
      throw new Trouble.BadFile(path.toString(), e.line());
    }
  }
}
