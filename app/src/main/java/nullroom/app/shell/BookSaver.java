package nullroom.app.shell;

import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import nullroom.core.Trouble;
import nullroom.core.book.RoomBook;
import nullroom.io.book.BookFolder;

/** Writes each new state of a book into its folder, in order, and knows when that failed. */
public final class BookSaver {
  private final Optional<String> readOnly;
  private final Executor executor;
  private final Consumer<String> onTrouble;
  private volatile BookFolder folder;
  private volatile boolean unsaved;

  BookSaver(
      BookFolder folder, Optional<String> readOnly, Executor executor, Consumer<String> onTrouble) {
    this.folder = folder;
    this.readOnly = readOnly;
    this.executor = executor;
    this.onTrouble = onTrouble;
  }

  BookFolder folder() {
    return folder;
  }

  Optional<String> readOnly() {
    return readOnly;
  }

  /** Whether nothing may be changed; that is said, then. */
  boolean refuses() {
    readOnly.ifPresent(onTrouble);
    return readOnly.isPresent();
  }

  /** Whether the newest state is nowhere but in this window. */
  public boolean isUnsaved() {
    return unsaved || folder.sounds().isWaiting();
  }

  /**
   * Keeps the book in another folder from now on, with all recordings that can still be read. Free
   * to be called on another thread.
   *
   * @param target holds no book yet
   * @param now the newest state
   * @throws Trouble.BadFile if that cannot be
   */
  public void keepElsewhere(Path target, RoomBook now) {
    folder = folder.copyTo(target, now);
    unsaved = false;
  }

  /** Saves a state, off the thread that asks for it. */
  public void save(RoomBook now) {
    if (readOnly.isPresent()) {
      return;
    }
    executor.execute(() -> {
      try {
        folder.save(now);
        unsaved = false;
      } catch (Trouble e) {
        unsaved = true;
        onTrouble.accept(e.line());
      }
    });
  }
}
