package nullroom.io.book;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import nullroom.core.Trouble;
import nullroom.core.signal.Samples;
import nullroom.io.SafeFile;
import nullroom.io.audio.SoundFile;
import nullroom.io.audio.WavWriter;

/**
 * The recordings of a book as files: listed, put aside and brought back. Nothing is ever removed
 * here; what is deleted lies in a folder of its own until somebody empties that.
 */
public final class KeptSounds {
  private static final String DELETED = "deleted";

  /**
   * One recording.
   *
   * @param name its file name
   * @param bytes of the file
   * @param changed when it was written
   * @param seconds its length; empty where it cannot be read
   * @param deleted whether it was put aside
   */
  public record Sound(
      String name, long bytes, Instant changed, OptionalDouble seconds, boolean deleted) {}

  private final BookFolder book;

  /** Where sounds wait that the book's folder did not take; made when it is needed. */
  private final Path spare =
      Path.of(
          System.getProperty("java.io.tmpdir", "."),
          "nullroom-sounds-" + ProcessHandle.current().pid() + "-" + System.identityHashCode(this));

  /** Those of a book. */
  KeptSounds(BookFolder book) {
    this.book = book;
  }

  /** Where sounds wait that the book's folder did not take; perhaps not there. */
  Path spare() {
    return spare;
  }

  /** Whether a file is one of these already, which then needs no copy. */
  public boolean isKept(Path file) {
    return book.soundFolder().equals(file.toAbsolutePath().normalize().getParent());
  }

  /** Whether some wait elsewhere, since the folder did not take them. */
  public boolean isWaiting() {
    return Files.isDirectory(spare);
  }

  /**
   * Keeps a recording under a name that is not taken yet. What is heard is not heard again: where
   * the book's folder does not take it, it waits elsewhere for the book to be kept there.
   *
   * @param stem such as "claps"
   * @return its file name under sound/
   */
  public String keep(String stem, Samples recording) {
    try {
      return write(folder(), stem, recording);
    } catch (Trouble.BadFile e) {
      return write(made(spare), stem, recording);
    }
  }

  private static String write(Path place, String stem, Samples recording) {
    String name = freeName(place, stem, ".wav");
    WavWriter.writeRecording(place.resolve(name), recording);
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
        freeName(
            folder(),
            stem,
            dot < 0 || original.length() - dot > 5 ? ".wav" : original.substring(dot));
    Path partial = file("." + name + SafeFile.UNFINISHED);
    try {
      Files.copy(file, partial, StandardCopyOption.REPLACE_EXISTING);
      Files.move(partial, file(name), StandardCopyOption.ATOMIC_MOVE);
    } catch (IOException e) {
      throw new Trouble.BadFile(
          file.toString(), "could not be copied into the book: " + e.getMessage());
    }
    return name;
  }

  /** Removes a sound that was kept in vain. */
  public void forget(String name) {
    try {
      Files.deleteIfExists(file(name));
    } catch (IOException e) {
      throw new Trouble.BadFile(file(name).toString(), "cannot be removed: " + e.getMessage());
    }
  }

  /**
   * Path of a kept recording.
   *
   * @throws Trouble.BadFile where that leads out of the book, or is no plain file
   */
  public Path file(String name) {
    Path waiting = spare.resolve(name).normalize();
    if (waiting.startsWith(spare) && Files.isRegularFile(waiting, LinkOption.NOFOLLOW_LINKS)) {
      return waiting;
    }
    return book.plain(book.soundFolder().resolve(name));
  }

  private Path folder() {
    return made(book.soundFolder());
  }

  private static Path made(Path folder) {
    try {
      Files.createDirectories(folder);
    } catch (IOException e) {
      throw new Trouble.BadFile(folder.toString(), "cannot be written: " + e.getMessage());
    }
    return folder;
  }

  private static String freeName(Path place, String stem, String ending) {
    int number = 1;
    while (Files.exists(place.resolve(stem + "-" + number + ending), LinkOption.NOFOLLOW_LINKS)) {
      number++;
    }
    return stem + "-" + number + ending;
  }

  /**
   * All of them, the newest first; reads the head of each file.
   *
   * @throws Trouble.BadFile where the folder cannot be read
   */
  public List<Sound> list() {
    List<Sound> all = new ArrayList<>(in(book.soundFolder(), false));
    all.addAll(in(spare, false));
    all.addAll(in(deleted(), true));
    all.sort(Comparator.comparing(Sound::changed).reversed().thenComparing(Sound::name));
    return List.copyOf(all);
  }

  private static List<Sound> in(Path folder, boolean deleted) {
    if (!Files.isDirectory(folder, LinkOption.NOFOLLOW_LINKS)) {
      return List.of();
    }
    try (Stream<Path> files = Files.list(folder)) {
      List<Sound> found = new ArrayList<>();
      for (Path file : files.toList()) {
        if (Files.isRegularFile(file, LinkOption.NOFOLLOW_LINKS)
            && !String.valueOf(file.getFileName()).startsWith(".")) {
          found.add(
              new Sound(
                  String.valueOf(file.getFileName()),
                  Files.size(file),
                  Files.getLastModifiedTime(file).toInstant(),
                  seconds(file),
                  deleted));
        }
      }
      return found;
    } catch (IOException e) {
      throw new Trouble.BadFile(folder.toString(), "cannot be read: " + e.getMessage());
    }
  }

  private static OptionalDouble seconds(Path file) {
    try (SoundFile sound = SoundFile.open(file)) {
      return sound.seconds();
    } catch (Trouble e) { // listed all the same, so that it can be seen and removed
      return OptionalDouble.empty();
    }
  }

  private Path deleted() {
    return book.path().resolve(DELETED);
  }

  /** Path of a recording that was put aside. */
  public Path aside(String name) {
    return book.plain(deleted().resolve(name));
  }

  /** Puts a recording aside; its figures stay in the book. */
  public void delete(String name) {
    move(file(name), aside(name), "deleted");
  }

  /** Brings a recording back that was put aside. */
  public void bringBack(String name) {
    move(aside(name), file(name), "brought back");
  }

  private static void move(Path from, Path to, String how) {
    try {
      Files.createDirectories(to.getParent());
      if (Files.exists(to, LinkOption.NOFOLLOW_LINKS)) {
        throw new Trouble.BadFile(
            to.toString(), "is there already, so " + from.getFileName() + " cannot be " + how);
      }
      Files.move(from, to, StandardCopyOption.ATOMIC_MOVE);
    } catch (IOException e) {
      throw new Trouble.BadFile(from.toString(), "cannot be " + how + ": " + e.getMessage());
    }
  }
}
