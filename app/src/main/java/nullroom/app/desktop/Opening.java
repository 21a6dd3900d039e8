package nullroom.app.desktop;

import java.io.Closeable;
import java.io.IOException;
import java.util.Optional;
import nullroom.core.Trouble;
import nullroom.core.book.RoomBook;
import nullroom.io.book.BookFolder;

/**
 * A book taken out of its folder.
 *
 * @param readOnly why it can only be read, in a sentence; empty where it can be changed
 * @param lock holds the folder for this window alone
 */
record Opening(BookFolder folder, RoomBook book, Optional<String> readOnly, Closeable lock) {
  /**
   * Opens a book; where it cannot be taken by this window alone, or a newer program wrote it, it is
   * open to be read.
   *
   * @param otherwise becomes the book of a folder that holds none
   * @throws Trouble where it cannot even be read
   */
  static Opening of(BookFolder folder, RoomBook otherwise) {
    if (folder.isNewer()) {
      return new Opening(
          folder,
          folder.loadToRead(),
          Optional.of(
              "A newer program wrote this book. It is open to be read only, as far as this one knows it, so that nothing in it is lost."),
          () -> {});
    }
    Closeable lock;
    try {
      lock = folder.lock();
    } catch (Trouble.BadFile taken) {
      if (!folder.exists()) {
        throw taken;
      }
      return new Opening(
          folder,
          folder.loadToRead(),
          Optional.of(taken.line() + ". Here it is open to be read only."),
          () -> {});
    }
    try {
      return new Opening(
          folder, folder.exists() ? folder.load() : otherwise, Optional.empty(), lock);
    } catch (Trouble e) {
      closed(folder, lock);
      throw e;
    }
  }

  /** Opens the save before the last in place of a damaged one. */
  static Opening restored(BookFolder folder) {
    Closeable lock = folder.lock();
    try {
      return new Opening(folder, folder.restore(), Optional.empty(), lock);
    } catch (Trouble e) {
      closed(folder, lock);
      throw e;
    }
  }

  /** Gives the folder back. */
  void close() {
    closed(folder, lock);
  }

  private static void closed(BookFolder folder, Closeable lock) {
    try {
      lock.close();
    } catch (IOException e) {
      throw new Trouble.BadFile(
          folder.path().toString(), "cannot be given back: " + e.getMessage());
    }
  }
}
