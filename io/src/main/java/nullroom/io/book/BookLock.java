package nullroom.io.book;

import java.io.Closeable;
import java.io.IOException;
import java.net.InetAddress;
import java.net.UnknownHostException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.channels.OverlappingFileLockException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.LocalDateTime;
import java.time.temporal.ChronoUnit;
import nullroom.core.Trouble;

/**
 * A book taken by one window alone. The system gives the lock back when the program ends, however
 * it ends, so none is ever left behind. Who has it stands in the file for whoever comes second.
 */
public final class BookLock implements Closeable {
  private static final String FILE = ".lock";

  /** What is locked lies far behind the words, so that they can be read meanwhile. */
  private static final long BEHIND = 1L << 32;

  private static final int LONGEST_WORDS = 300;

  private final FileChannel channel;

  private BookLock(FileChannel channel) {
    this.channel = channel;
  }

  /**
   * Takes the book in a folder, which is there.
   *
   * @throws Trouble.BadFile if another window has it, saying which
   */
  static BookLock take(Path folder) throws IOException {
    FileChannel channel =
        FileChannel.open(
            folder.resolve(FILE),
            StandardOpenOption.CREATE,
            StandardOpenOption.WRITE,
            LinkOption.NOFOLLOW_LINKS);
    if (!locked(channel)) {
      channel.close();
      throw new Trouble.BadFile(
          folder.toString(),
          "is open in another window" + holder(folder) + "; close it there, or go on there");
    }
    channel.truncate(0);
    channel.write(ByteBuffer.wrap(self().getBytes(StandardCharsets.UTF_8)), 0);
    return new BookLock(channel);
  }

  private static boolean locked(FileChannel channel) throws IOException {
    try {
      return channel.tryLock(BEHIND, 1, false) != null;
    } catch (OverlappingFileLockException e) { // by this very program
      return false;
    }
  }

  private static String self() {
    return "process %d of %s on %s since %s"
        .formatted(
            ProcessHandle.current().pid(),
            System.getProperty("user.name", "somebody"),
            host(),
            LocalDateTime.now().truncatedTo(ChronoUnit.MINUTES).toString().replace('T', ' '));
  }

  private static String host() {
    try {
      return InetAddress.getLocalHost().getHostName();
    } catch (UnknownHostException e) { // a computer without a name is still this one
      return "this computer";
    }
  }

  /** Who has a book, in brackets; empty where that cannot be read. */
  private static String holder(Path folder) {
    try {
      String words = Files.readString(folder.resolve(FILE)).strip();
      return words.isEmpty() || words.length() > LONGEST_WORDS ? "" : " (" + words + ")";
    } catch (IOException e) { // whoever has it may just be writing
      return "";
    }
  }

  @Override
  public void close() throws IOException {
    channel.close();
  }
}
