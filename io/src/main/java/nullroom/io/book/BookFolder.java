package nullroom.io.book;

import java.io.Closeable;
import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.List;
import java.util.Optional;
import nullroom.core.Trouble;
import nullroom.core.book.RoomBook;
import nullroom.core.room.Room;
import nullroom.core.signal.Samples;
import nullroom.io.SafeFile;
import nullroom.io.audio.WavWriter;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * A room book on disk: {@code book.json}, the one before it as {@code book.previous.json}, and
 * {@code sound/*.wav}. Recordings are written once and never changed.
 */
public final class BookFolder {
  private static final String BOOK = "book.json";
  private static final String PREVIOUS = "book.previous.json";
  private static final String LOCK = ".lock";
  private static final String SOUND = "sound";
  private static final String SURVEY = "survey";
  private static final String NO_PLAIN_FILE =
      "is no plain file of the book (a link, a pipe, a device or a folder), and is not opened";

  /** No book comes near this; what is larger would only use up the memory. */
  private static final long LARGEST_BOOK_BYTES = 64L << 20;

  private final Path folder;

  /** Whether a book was there when it was looked at last. */
  private boolean known;

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

  private RoomBook read(Path file) {
    JsonNode node = json(plain(file));
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
  public Closeable lock() {
    try {
      Files.createDirectories(folder);
      FileChannel channel =
          FileChannel.open(
              folder.resolve(LOCK),
              StandardOpenOption.CREATE,
              StandardOpenOption.WRITE,
              LinkOption.NOFOLLOW_LINKS);
      if (!locked(channel)) {
        channel.close();
        throw new Trouble.BadFile(
            folder.toString(), "is open in another window; close it there, or go on there");
      }
      for (Path place : List.of(folder, folder.resolve(SOUND), folder.resolve(SURVEY))) {
        SafeFile.clear(place);
      }
      return channel;
    } catch (IOException e) {
      throw new Trouble.BadFile(folder.toString(), "cannot be locked: " + e.getMessage());
    }
  }

  private static boolean locked(FileChannel channel) throws IOException {
    try {
      return channel.tryLock() != null;
    } catch (OverlappingFileLockException e) { // by this very program
      return false;
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
   * @return a sentence where the book had gone from its folder meanwhile
   */
  public synchronized Optional<String> save(RoomBook book) {
    Path file = folder.resolve(BOOK);
    boolean gone = known && !exists();
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
      return gone
          ? Optional.of(
              folder
                  + " was gone: it was moved or deleted while it was open. The book is saved there anew, without its recordings.")
          : Optional.empty();
    } catch (IOException e) {
      throw new Trouble.BadFile(file.toString(), "cannot be saved: " + e.getMessage());
    }
  }

  /**
   * Keeps a recording under a name that is not taken yet.
   *
   * @param stem such as "claps"
   * @return its file name under sound/
   */
  public String keep(String stem, Samples recording) {
    String name = freeName(stem, ".wav");
    WavWriter.writeRecording(sound(name), recording);
    return name;
  }

  /**
   * Keeps an unchanged copy of a sound file under a name that is not taken yet.
   *
   * @return its file name under sound/
   */
  public String keepCopy(String stem, Path file) {
    String original = file.getFileName().toString();
    int dot = original.lastIndexOf('.');
    String name =
        freeName(stem, dot < 0 || original.length() - dot > 5 ? ".wav" : original.substring(dot));
    Path partial = sound("." + name + SafeFile.UNFINISHED);
    try {
      Files.copy(file, partial, java.nio.file.StandardCopyOption.REPLACE_EXISTING);
      Files.move(partial, sound(name), java.nio.file.StandardCopyOption.ATOMIC_MOVE);
    } catch (IOException e) {
      throw new Trouble.BadFile(
          file.toString(), "could not be copied into the book: " + e.getMessage());
    }
    return name;
  }

  /** Removes a sound that was kept in vain. */
  public void forget(String name) {
    try {
      Files.deleteIfExists(sound(name));
    } catch (IOException e) {
      throw new Trouble.BadFile(sound(name).toString(), "cannot be removed: " + e.getMessage());
    }
  }

  private String freeName(String stem, String ending) {
    try {
      Files.createDirectories(inside(SOUND));
    } catch (IOException e) {
      throw new Trouble.BadFile(folder.toString(), "cannot be written: " + e.getMessage());
    }
    int number = 1;
    while (Files.exists(sound(stem + "-" + number + ending))) {
      number++;
    }
    return stem + "-" + number + ending;
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

  /**
   * Path of a kept recording.
   *
   * @throws Trouble.BadFile where that leads out of the book, or is no plain file
   */
  public Path sound(String name) {
    return plain(inside(SOUND).resolve(name));
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
  private Path plain(Path file) {
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
