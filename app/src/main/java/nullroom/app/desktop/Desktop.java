package nullroom.app.desktop;

import java.io.Closeable;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.CountDownLatch;
import javafx.application.Platform;
import javafx.stage.Stage;
import nullroom.app.shell.Station;
import nullroom.core.Trouble;
import nullroom.core.book.Goal;
import nullroom.core.book.Hearing;
import nullroom.core.book.RoomBook;
import nullroom.core.room.FirstRoom;
import nullroom.core.room.Room;
import nullroom.io.book.BookFolder;
import nullroom.io.device.AudioDevice;
import nullroom.io.device.SimulatedDevice;
import org.jspecify.annotations.Nullable;

/** Starts the desktop, in a window where there is a display. */
public final class Desktop {
  private static final int WIDTH = 1280;
  private static final int HEIGHT = 800;
  private static final long SEED = 1;

  private final Home home = Home.here();
  private final CountDownLatch closed = new CountDownLatch(1);
  private @Nullable Composition window;

  /** Held for as long as the window has its book; ends with the program at the latest. */
  private @Nullable Closeable lock;

  private Desktop() {}

  /** Opens the book opened last, or asks how to begin. */
  public static int lastBook() {
    Toolkit.needDisplay();
    Desktop desktop = new Desktop();
    Optional<Path> last = desktop.home.last();
    String notice = "";
    if (last.isPresent()) {
      BookFolder place = new BookFolder(last.get());
      try {
        return open(place, place.lock(), false);
      } catch (Trouble.BadFile e) {
        notice = e.line();
      }
    }
    Toolkit.start();
    String said = notice;
    desktop.run(() -> desktop.ask(said));
    return 0;
  }

  /** Opens a book; a folder without one becomes one, with a plain room to start from. */
  public static int open(Path folder, boolean restore) {
    Toolkit.needDisplay();
    BookFolder place = new BookFolder(folder);
    return open(place, place.lock(), restore);
  }

  private static int open(BookFolder place, Closeable lock, boolean restore) {
    CompletableFuture<Void> toolkit = CompletableFuture.runAsync(Toolkit::start);
    RoomBook book =
        restore ? place.restore() : place.exists() ? place.load() : newBook(FirstRoom.room());
    try {
      toolkit.join();
    } catch (CompletionException e) {
      if (e.getCause() instanceof Trouble trouble) {
        throw trouble;
      }
      throw e;
    }
    Desktop desktop = new Desktop();
    desktop.lock = lock;
    desktop.run(() -> {
      Composition own = desktop.composeOwn(place, book);
      return Toolkit.show(title(book), own.scene(WIDTH, HEIGHT));
    });
    return 0;
  }

  /** Opens a fresh copy of the demo, or runs it in text and pictures where there is no display. */
  public static int demo() {
    if (Toolkit.hasDisplay()) {
      Toolkit.start();
      Desktop desktop = new Desktop();
      desktop.run(() -> {
        Stage stage =
            Toolkit.show(
                "Null Room",
                Look.scene(
                    Start.preparing(
                        "Recording its quiet, a sweep and claps, then measuring them …"),
                    WIDTH,
                    HEIGHT));
        desktop.begin(stage, new Start.Choice.Demo());
        return stage;
      });
      return 0;
    }
    Path folder = Home.temporary("nullroom-demo-");
    RoomBook book = DemoBook.create(folder);
    DemoText.of(book).forEach(System.out::println);
    Path pictures = Home.temporary("nullroom-pictures-");
    Tour.draw(pictures, WIDTH, HEIGHT);
    System.out.println("pictures of every main view: " + pictures);
    return 0;
  }

  private static String title(RoomBook book) {
    return "Null Room: " + book.name();
  }

  /** A book about a room in which nothing was measured yet. */
  public static RoomBook newBook(Room room) {
    return new RoomBook(room.name(), Goal.SPOKEN_ON_CAMERA, room);
  }

  /** The simulated device in a book's room exactly as it is described. */
  static AudioDevice simulated(RoomBook book) {
    return SimulatedDevice.in(book.room(), Hearing.quick(book.room()).heard(), SEED);
  }

  private Stage ask(String notice) {
    Stage[] stage = new Stage[1];
    Start start = new Start(notice, choice -> begin(stage[0], choice));
    stage[0] = Toolkit.show("Null Room", Look.scene(start.node(), WIDTH, HEIGHT));
    return stage[0];
  }

  private void begin(Stage stage, Start.Choice choice) {
    switch (choice) {
      case Start.Choice.Demo demo -> Thread.ofVirtual().start(() -> makeDemo(stage));
      case Start.Choice.NewRoom(double length, double width, double height) ->
          openOwn(
              stage,
              new BookFolder(home.fresh()),
              newBook(FirstRoom.room().stretched(length / 4, width / 3, height / 2.4)));
      case Start.Choice.Recording(Path file) ->
          openOwn(stage, new BookFolder(home.fresh()), newBook(FirstRoom.room()))
              .open(Station.ROOM, file);
    }
  }

  private void makeDemo(Stage stage) {
    try {
      Path folder = Home.temporary("nullroom-demo-");
      RoomBook book = DemoBook.create(folder);
      Platform.runLater(() -> {
        Composition loft = new Composition(new BookFolder(folder), book, DemoBook::device, false);
        window = loft;
        stage.setScene(loft.scene(WIDTH, HEIGHT));
        stage.setTitle(title(book));
      });
    } catch (Trouble e) {
      Platform.runLater(() -> stage.setScene(Look.scene(Start.preparing(e.line()), WIDTH, HEIGHT)));
    }
  }

  private Composition openOwn(Stage stage, BookFolder folder, RoomBook book) {
    lock = folder.lock();
    Composition own = composeOwn(folder, book);
    stage.setScene(own.scene(WIDTH, HEIGHT));
    stage.setTitle(title(book));
    return own;
  }

  private Composition composeOwn(BookFolder folder, RoomBook book) {
    Composition own = new Composition(folder, book, Desktop::simulated, true);
    window = own;
    own.unitsProperty().set(home.units());
    own.unitsProperty()
        .subscribe((before, now) -> own.work().attempt(() -> home.remember(now), () -> {}));
    try {
      home.remember(folder.path());
    } catch (Trouble e) {
      own.work().warn(e.line());
    }
    return own;
  }

  /** Shows a window and waits until it is closed. */
  private void run(Callable<Stage> open) {
    Toolkit.onFx(() -> {
      Stage stage = open.call();
      Toolkit.fit(stage, WIDTH, HEIGHT);
      stage.setOnHidden(e -> closed.countDown());
      return stage;
    });
    try {
      closed.await();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
    Composition last = Toolkit.onFx(() -> Optional.ofNullable(window)).orElse(null);
    if (last != null) {
      last.close();
    }
    try {
      if (lock != null) {
        lock.close();
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
