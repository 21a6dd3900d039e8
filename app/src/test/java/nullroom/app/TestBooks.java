package nullroom.app;

import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Executor;
import nullroom.app.desktop.Desktop;
import nullroom.app.shell.BookSession;
import nullroom.app.shell.Inputs;
import nullroom.app.shell.Live;
import nullroom.app.shell.StationContext;
import nullroom.app.shell.Work;
import nullroom.core.book.RoomBook;
import nullroom.core.predict.Heard;
import nullroom.core.room.FirstRoom;
import nullroom.io.book.BookFolder;
import nullroom.io.device.SimulatedDevice;

/**
 * Books and desks to test the stations with; saving and work happen at once, on the calling thread.
 */
public final class TestBooks {
  private static final Clock CLOCK =
      Clock.fixed(Instant.parse("2026-05-04T18:30:20Z"), ZoneOffset.UTC);

  /** Streams come so many times faster than in life. */
  private static final double FAST = 200;

  /** Work as in life, on threads of their own; whoever asks for it waits until it is done. */
  public static final Executor WORKERS =
      work -> {
        try {
          Thread.ofVirtual().start(work).join();
        } catch (InterruptedException e) {
          throw new AssertionError(e);
        }
      };

  private TestBooks() {}

  /** A bare plastered bedroom, a small condenser half a metre from the lips. */
  public static RoomBook bedroom() {
    return Desktop.newBook(FirstRoom.room());
  }

  /** A session that saves at once and throws what goes wrong into a list. */
  public static BookSession session(Path folder, RoomBook book, List<String> troubles) {
    return new BookSession(new BookFolder(folder), book, Runnable::run, troubles::add);
  }

  /** A desk on that book in a folder; needs the toolkit. */
  public static StationContext desk(Path folder, RoomBook book) {
    BookSession session = session(folder, book, new ArrayList<>());
    return new StationContext(
        session,
        new Work(WORKERS),
        new Inputs(
            () -> new SimulatedDevice(Heard.of(session.book().room()), 343.2, 3).atSpeed(FAST)),
        new Live(),
        CLOCK);
  }
}
