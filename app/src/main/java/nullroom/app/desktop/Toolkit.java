package nullroom.app.desktop;

import atlantafx.base.theme.PrimerLight;
import java.util.Locale;
import java.util.concurrent.Callable;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.beans.value.ObservableValue;
import javafx.geometry.Rectangle2D;
import javafx.scene.Scene;
import javafx.stage.Screen;
import javafx.stage.Stage;
import javafx.util.Subscription;
import nullroom.core.Trouble;

/** The window toolkit: with a display or without, and its one thread. */
final class Toolkit {
  private static final double LEAST_WIDTH = 1024;
  private static final double LEAST_HEIGHT = 700;

  private Toolkit() {}

  static boolean hasDisplay() {
    return !System.getProperty("os.name", "").toLowerCase(Locale.ROOT).contains("linux")
        || isSet("DISPLAY")
        || isSet("WAYLAND_DISPLAY");
  }

  private static boolean isSet(String variable) {
    String value = System.getenv(variable);
    return value != null && !value.isEmpty();
  }

  static void needDisplay() {
    if (!hasDisplay()) {
      throw new Trouble.BadField(
          "",
          "there is no display; try “nullroom --demo”, “nullroom tour DIR” or “nullroom --help”");
    }
  }

  /** Before {@link #start}: draw to memory. */
  static void goHeadless() {
    System.setProperty("java.awt.headless", "true");
    System.setProperty("glass.platform", "Headless");
    System.setProperty("prism.order", "sw");
  }

  static void start() {
    try {
      Platform.startup(() -> Platform.setImplicitExit(false));
    } catch (IllegalStateException e) {
      // already running, as in tests: the toolkit can start only once
    } catch (UnsupportedOperationException e) {
      throw new Trouble.BadField(
          "",
          "the window's libraries are missing ("
              + e.getMessage()
              + "); on Linux install GTK 3, such as the package libgtk-3-0");
    }
  }

  /** Shows a scene in a new window. On the FX thread. */
  static Stage show(String title, Scene scene) {
    Application.setUserAgentStylesheet(new PrimerLight().getUserAgentStylesheet());
    Stage stage = new Stage();
    stage.setTitle(title);
    stage.setScene(scene);
    show(stage);
    return stage;
  }

  /** Shows a window that has its scene. On the FX thread. */
  static void show(Stage stage) {
    Application.setUserAgentStylesheet(new PrimerLight().getUserAgentStylesheet());
    stage.show();
  }

  /** Makes a window, its frame counted, as large as wanted but no larger than the screen. */
  static void fit(Stage stage, double width, double height) {
    Rectangle2D screen = Screen.getPrimary().getVisualBounds();
    stage.setMinWidth(Math.min(LEAST_WIDTH, screen.getWidth()));
    stage.setMinHeight(Math.min(LEAST_HEIGHT, screen.getHeight()));
    stage.setWidth(Math.min(width, screen.getWidth()));
    stage.setHeight(Math.min(height, screen.getHeight()));
    stage.setX(screen.getMinX() + (screen.getWidth() - stage.getWidth()) / 2);
    stage.setY(screen.getMinY() + (screen.getHeight() - stage.getHeight()) / 2);
  }

  /** Runs on the FX thread and waits. */
  static <T> T onFx(Callable<T> call) {
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
    } catch (CompletionException e) {
      if (e.getCause() instanceof Trouble trouble) {
        throw trouble;
      }
      throw e;
    }
  }

  /** Runs on the FX thread and waits. */
  static void onFx(Runnable action) {
    onFx(() -> {
      action.run();
      return true;
    });
  }

  /** Waits until something is so, but no longer than told; what follows from it has run then. */
  static void waitUntil(ObservableValue<Boolean> so, long mostSeconds) {
    CountDownLatch reached = new CountDownLatch(1);
    Subscription watching =
        onFx(() ->
            so.subscribe(now -> {
              if (now) {
                reached.countDown();
              }
            }));
    try {
      if (reached.await(mostSeconds, TimeUnit.SECONDS)) {
        onFx(() -> {});
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
    onFx(watching::unsubscribe);
  }
}
