package nullroom.io;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;

/** Writes files so that a crash at any moment leaves the old or the new one whole, never a half. */
public final class SafeFile {
  /** What files end in that are not written to their end yet; their names begin with a dot. */
  public static final String UNFINISHED = ".new";

  private SafeFile() {}

  /** Removes what writes that were cut off left in a folder. */
  public static void clear(Path folder) throws IOException {
    if (!Files.isDirectory(folder, LinkOption.NOFOLLOW_LINKS)) {
      return;
    }
    try (DirectoryStream<Path> left = Files.newDirectoryStream(folder, ".*" + UNFINISHED)) {
      for (Path file : left) {
        if (Files.isRegularFile(file, LinkOption.NOFOLLOW_LINKS)) {
          Files.deleteIfExists(file);
        }
      }
    }
  }

  /** Writes beside the file, forces it to disk, and renames it into place. */
  public static void write(Path file, byte[] content) throws IOException {
    Path folder = file.toAbsolutePath().getParent();
    if (folder == null || !Files.isDirectory(folder)) {
      throw new IOException("there is no folder " + folder);
    }
    Path fresh = Files.createTempFile(folder, "." + file.getFileName(), UNFINISHED);
    try {
      try (FileChannel channel = FileChannel.open(fresh, StandardOpenOption.WRITE)) {
        ByteBuffer bytes = ByteBuffer.wrap(content);
        while (bytes.hasRemaining()) {
          channel.write(bytes);
        }
        channel.force(true);
      }
      Files.move(fresh, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
    } finally {
      Files.deleteIfExists(fresh);
    }
  }

  /** As {@link #write}, and keeps what was there before under {@code previous}. */
  public static void writeKeeping(Path file, Path previous, byte[] content) throws IOException {
    if (Files.exists(file)) {
      write(previous, Files.readAllBytes(file));
    }
    write(file, content);
  }
}
