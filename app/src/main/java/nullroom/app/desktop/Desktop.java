package nullroom.app.desktop;

import atlantafx.base.theme.PrimerLight;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Callable;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.image.WritableImage;
import javafx.stage.Stage;
import javax.imageio.ImageIO;
import nullroom.app.shell.Station;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Octave;
import nullroom.core.plan.Adviser;
import nullroom.core.plan.Move;
import nullroom.core.predict.Goal;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Margins;
import nullroom.io.book.BookFolder;
import nullroom.io.book.RoomBook;

/**
 * Starts the desktop: in a window where there is a display, in text and pictures where there is
 * none.
 */
public final class Desktop {
  private static final int WIDTH = 1280;
  private static final int HEIGHT = 800;

  private Desktop() {}

  private static boolean hasDisplay() {
    return !System.getProperty("os.name", "").toLowerCase(Locale.ROOT).contains("linux")
        || System.getenv("DISPLAY") != null && !System.getenv("DISPLAY").isEmpty()
        || System.getenv("WAYLAND_DISPLAY") != null && !System.getenv("WAYLAND_DISPLAY").isEmpty();
  }

  private static void needDisplay() {
    if (!hasDisplay()) {
      throw new Trouble.BadField(
          "",
          "there is no display; try “nullroom --demo”, “nullroom tour DIR” or “nullroom --help”");
    }
  }

  private static void goHeadless() {
    System.setProperty("java.awt.headless", "true");
    System.setProperty("glass.platform", "Headless");
    System.setProperty("prism.order", "sw");
  }

  /** Where books are kept when none is named. */
  private static Path home() {
    String data = System.getenv("XDG_DATA_HOME");
    return data != null && !data.isEmpty()
        ? Path.of(data, "nullroom")
        : Path.of(System.getProperty("user.home", "."), ".local", "share", "nullroom");
  }

  /** Opens the book opened last, or a first room to start with. */
  public static int lastBook() {
    needDisplay();
    Path pointer = home().resolve("last-book");
    try {
      if (Files.exists(pointer)) {
        Path last = Path.of(Files.readString(pointer).strip());
        if (new BookFolder(last).exists()) {
          return open(last, false);
        }
      }
    } catch (IOException e) {
      throw new Trouble.BadFile(pointer.toString(), "cannot be read: " + e.getMessage());
    }
    return open(home().resolve("first-room"), false);
  }

  /** Opens a book; a folder without one becomes one, with a plain room to start from. */
  public static int open(Path folder, boolean restore) {
    needDisplay();
    BookFolder place = new BookFolder(folder);
    RoomBook book = restore ? place.restore() : place.exists() ? place.load() : firstBook();
    remember(place.path());
    show(place, book);
    return 0;
  }

  private static RoomBook firstBook() {
    return new RoomBook(
        "My room",
        Goal.SPOKEN_ON_CAMERA,
        FirstRoom.room(),
        java.util.Optional.empty(),
        java.util.Optional.empty());
  }

  private static void remember(Path book) {
    try {
      Files.createDirectories(home());
      Files.writeString(home().resolve("last-book"), book.toString());
    } catch (IOException e) {
      System.err.println(
          "nullroom: cannot remember this book for the next start: " + e.getMessage());
    }
  }

  /** Opens a fresh copy of the demo, or runs it in text and pictures where there is no display. */
  public static int demo() {
    Path folder = temporary("nullroom-demo-");
    RoomBook book = DemoBook.create(folder);
    if (hasDisplay()) {
      show(new BookFolder(folder), book);
      return 0;
    }
    say(book);
    Path pictures = temporary("nullroom-pictures-");
    tour(pictures, WIDTH, HEIGHT);
    System.out.println("pictures of every main view: " + pictures);
    return 0;
  }

  private static Path temporary(String prefix) {
    try {
      return Files.createTempDirectory(prefix);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static void say(RoomBook book) {
    Heard heard = book.heard();
    Margins targets = book.goal().targets();
    System.out.printf(
        Locale.ROOT, "%s, %s%n", book.name(), book.goal().label().toLowerCase(Locale.ROOT));
    book.noise()
        .ifPresent(n ->
            System.out.printf(
                Locale.ROOT, "noise   %.0f dBA, NC-%d (measured)%n", n.laeqDbSpl(), n.nc()));
    book.decay()
        .flatMap(d -> d.report().tMidSeconds().stream().boxed().findFirst())
        .ifPresent(t ->
            System.out.printf(Locale.ROOT, "decay   %.2f s at mid frequencies (measured)%n", t));
    System.out.printf(
        Locale.ROOT,
        "voice   %.0f dBA at the microphone, %.0f cm away%n",
        Octave.aWeightedSum(heard.directDbSpl()),
        heard.distanceMetres() * 100);
    for (Margins.Kind kind : Margins.Kind.values()) {
      System.out.printf(
          Locale.ROOT,
          "%-7s %.0f dB, target %.0f: %s%n",
          kind.name().toLowerCase(Locale.ROOT),
          heard.margins().get(kind),
          targets.get(kind),
          heard.margins().mark(targets, kind).name().toLowerCase(Locale.ROOT));
    }
    System.out.println("next moves:");
    List<Move> moves = Adviser.moves(book.room(), targets, book::heard);
    for (Move move : moves.subList(0, Math.min(3, moves.size()))) {
      System.out.printf(
          Locale.ROOT,
          "  %s: %+.1f dB on %s, cost %d, %d minutes%n",
          move.name(),
          move.gainDb(),
          heard.margins().weakest(targets).name().toLowerCase(Locale.ROOT),
          move.cost(),
          move.minutes());
    }
  }

  /** Renders every main view of the demo book; returns the pictures. */
  public static List<Path> tour(Path folder, int width, int height) {
    goHeadless();
    try {
      Files.createDirectories(folder);
    } catch (IOException e) {
      throw new Trouble.BadFile(folder.toString(), "cannot be made: " + e.getMessage());
    }
    Path copy = temporary("nullroom-demo-");
    RoomBook book = DemoBook.create(copy);
    start();
    Composition window = onFx(() -> new Composition(new BookFolder(copy), book));
    List<Path> pictures = new ArrayList<>();
    Stage stage = onFx(() -> stage(window, width, height));
    for (Station station : Station.values()) {
      onFx(() -> select(window, station));
      settle();
      WritableImage image = onFx(() -> stage.getScene().snapshot(null));
      Path file =
          folder.resolve(
              (station.ordinal() + 1) + "-" + station.label().toLowerCase(Locale.ROOT) + ".png");
      write(image, file);
      pictures.add(file);
    }
    onFx(() -> close(stage));
    window.close();
    return pictures;
  }

  private static Station select(Composition window, Station station) {
    window.shell().stationProperty().set(station);
    return station;
  }

  /**
   * Lets what was asked of other threads come back: two rounds through the FX thread around a
   * layout.
   */
  private static void settle() {
    for (int i = 0; i < 3; i++) {
      onFx(() -> 0);
      java.util.concurrent.locks.LockSupport.parkNanos(60_000_000L);
    }
  }

  private static boolean close(Stage stage) {
    stage.close();
    return true;
  }

  private static void write(WritableImage image, Path file) {
    int w = (int) image.getWidth();
    int h = (int) image.getHeight();
    int[] pixels = new int[w * h];
    image
        .getPixelReader()
        .getPixels(0, 0, w, h, javafx.scene.image.PixelFormat.getIntArgbInstance(), pixels, 0, w);
    BufferedImage picture = new BufferedImage(w, h, BufferedImage.TYPE_INT_RGB);
    picture.setRGB(0, 0, w, h, pixels, 0, w);
    try {
      ImageIO.write(picture, "png", file.toFile());
    } catch (IOException e) {
      throw new Trouble.BadFile(file.toString(), "cannot be written: " + e.getMessage());
    }
  }

  private static void start() {
    try {
      Platform.startup(() -> Platform.setImplicitExit(false));
    } catch (IllegalStateException e) {
      // already running, as in tests: the toolkit can start only once
    }
  }

  private static Stage stage(Composition window, int width, int height) {
    Application.setUserAgentStylesheet(new PrimerLight().getUserAgentStylesheet());
    Stage stage = new Stage();
    Scene scene = window.scene(width, height);
    stage.setTitle("Null Room: " + window.session().book().name());
    stage.setScene(scene);
    stage.show();
    return stage;
  }

  private static void show(BookFolder folder, RoomBook book) {
    start();
    CountDownLatch closed = new CountDownLatch(1);
    Composition window = onFx(() -> new Composition(folder, book));
    onFx(() -> {
      Stage stage = stage(window, WIDTH, HEIGHT);
      stage.setMinWidth(1024);
      stage.setMinHeight(700);
      stage.setOnHidden(e -> closed.countDown());
      return stage;
    });
    try {
      closed.await();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
    window.close();
  }

  /** Shows the window once, paints it and leaves: what the start-up cache is trained with. */
  public static int trainStart() {
    goHeadless();
    tour(temporary("nullroom-train-"), WIDTH, HEIGHT);
    return 0;
  }

  private static <T> T onFx(Callable<T> call) {
    CompletableFuture<T> result = new CompletableFuture<>();
    Platform.runLater(() -> {
      try {
        result.complete(call.call());
      } catch (Exception e) {
        result.completeExceptionally(e);
      }
    });
    try {
      return result.join();
    } catch (java.util.concurrent.CompletionException e) {
      if (e.getCause() instanceof Trouble trouble) {
        throw trouble;
      }
      throw e;
    }
  }
}
