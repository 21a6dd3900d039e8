package nullroom.app.desktop;

import java.nio.file.Path;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.CountDownLatch;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.animation.PauseTransition;
import javafx.stage.Stage;
import javafx.util.Duration;
import nullroom.app.shell.Preferences;
import nullroom.app.words.Language;
import nullroom.core.Trouble;
import nullroom.core.book.Goal;
import nullroom.core.book.Hearing;
import nullroom.core.book.RoomBook;
import nullroom.core.room.FirstRoom;
import nullroom.core.room.PlacedMicrophone;
import nullroom.core.room.Room;
import nullroom.io.book.BookFolder;
import nullroom.io.device.AudioDevice;
import nullroom.io.device.SimulatedDevice;

/** Starts the desktop, in a window where there is a display. */
public final class Desktop {
  static final int WIDTH = 1280;
  static final int HEIGHT = 800;
  private static final Duration SOON = Duration.seconds(1);
  private static final long SEED = 1;

  private final Home home = Home.here();
  private final CountDownLatch closed = new CountDownLatch(1);

  private final Preferences preferences = new Preferences(Locale.getDefault());

  /** What was wrong with the preferences, in a sentence; empty where nothing was. */
  private final String damage = home.preferences().read(preferences, home.before());

  private Desktop() {}

  /** Opens the book opened last, or asks how to begin. */
  public static int lastBook() {
    Toolkit.needDisplay();
    Desktop desktop = new Desktop();
    Optional<BookFolder> last =
        desktop.preferences.recent().stream()
            .findFirst()
            .map(BookFolder::new)
            .filter(BookFolder::exists);
    return desktop.run(last.map(book -> () -> Opening.of(book, any())), last);
  }

  /** Opens a book; a folder without one becomes one, with a plain room to start from. */
  public static int open(Path folder, boolean restore) {
    Toolkit.needDisplay();
    Desktop desktop = new Desktop();
    BookFolder place = new BookFolder(folder);
    Opening opening = restore ? Opening.restored(place) : Opening.of(place, any());
    return desktop.run(Optional.of(() -> opening), Optional.empty());
  }

  private static RoomBook any() {
    return assumedBook();
  }

  /** A book about a room that nobody described: it is taken to be an ordinary one. */
  static RoomBook assumedBook() {
    RoomBook book = newBook(FirstRoom.room());
    return book.with(book.here().described(false));
  }

  /** Opens a fresh copy of the demo, or runs it in text and pictures where there is no display. */
  public static int demo() {
    if (Toolkit.hasDisplay()) {
      Desktop desktop = new Desktop();
      return desktop.run(desktop.damage, BookDesk::demo);
    }
    Path folder = Home.temporary("nullroom-demo-");
    RoomBook book = DemoBook.create(folder);
    DemoText.of(book).forEach(System.out::println);
    Path pictures = Home.temporary("nullroom-pictures-");
    Tour.draw(pictures, WIDTH, HEIGHT);
    System.out.println("pictures of every main view: " + pictures);
    return 0;
  }

  static String title(RoomBook book) {
    return "Null Room: " + book.name();
  }

  /** A book about a room in which nothing was measured yet. */
  public static RoomBook newBook(Room room) {
    return new RoomBook(room.name(), Goal.SPOKEN_ON_CAMERA, room);
  }

  /** A book of what somebody said at the start; what was left open is taken to be usual. */
  static RoomBook begun(Start.Way.NewRoom said) {
    double[] factors = new double[3];
    for (int axis = 0; axis < factors.length; axis++) {
      double usual = FirstRoom.METRES.get(axis);
      factors[axis] = said.metres().get(axis).orElse(usual) / usual;
    }
    Room room = FirstRoom.room().stretched(factors[0], factors[1], factors[2]);
    PlacedMicrophone microphone = room.requireMicrophone();
    Room with =
        said.device()
            .map(type -> room.withMicrophone(microphone.with(type.on(microphone.capture()))))
            .orElse(room);
    RoomBook book = newBook(with).named(said.name()).with(said.goal());
    return book.with(book.here().described(said.metres().stream().allMatch(Optional::isPresent)));
  }

  /** The simulated device in a book's room exactly as it is described. */
  static AudioDevice simulated(RoomBook book) {
    return SimulatedDevice.in(book.room(), Hearing.quick(book.room()).heard(), SEED);
  }

  /** Opens a book while the toolkit starts; what is wrong with it is said where one begins. */
  private int run(Optional<Supplier<Opening>> book, Optional<BookFolder> offered) {
    Language.speak(preferences.languageProperty().get());
    CompletableFuture<Void> toolkit = CompletableFuture.runAsync(Toolkit::start);
    String notice = damage;
    Optional<Opening> opening = Optional.empty();
    Optional<Path> damaged = Optional.empty();
    try {
      opening = book.map(Supplier::get);
    } catch (Trouble e) {
      notice = e.line();
      damaged = offered.filter(BookFolder::hasReadablePrevious).map(BookFolder::path);
    }
    try {
      toolkit.join();
    } catch (CompletionException e) {
      if (e.getCause() instanceof Trouble trouble) {
        throw trouble;
      }
      throw e;
    }
    Optional<Opening> opened = opening;
    Optional<Path> whole = damaged;
    return run(notice, desk -> opened.ifPresentOrElse(desk::show, () -> desk.begin("", whole)));
  }

  /** Keeps what was settled at once, so that not even a crash forgets it. */
  private void keep(BookDesk desk) {
    try {
      home.preferences().write(preferences);
    } catch (Trouble e) {
      desk.window().ifPresent(w -> w.work().warn(e.line()));
    }
  }

  /** Shows a window, begins in it, and waits until it is closed. */
  private int run(String notice, Consumer<BookDesk> begin) {
    Toolkit.start();
    BookDesk desk =
        Toolkit.onFx(() -> {
          Look look = new Look(preferences);
          Stage stage = new Stage();
          Toolkit.fit(stage, WIDTH, HEIGHT);
          BookDesk made = new BookDesk(stage, home, preferences, look);
          stage.setOnHiding(e -> made.remember());
          stage.setOnCloseRequest(e -> made.remember());
          stage.setOnHidden(e -> closed.countDown());
          PauseTransition soon = new PauseTransition(SOON);
          soon.setOnFinished(e -> keep(made));
          preferences.follow(soon::playFromStart);
          made.say(notice);
          begin.accept(made);
          Toolkit.show(stage);
          look.restore(stage, WIDTH, HEIGHT); // now that the system has put its frame around it
          return made;
        });
    try {
      closed.await();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
    desk.close();
    home.preferences().write(preferences);
    return 0;
  }
}
