package nullroom.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.concurrent.Callable;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.LockSupport;
import java.util.function.Predicate;
import javafx.application.Platform;
import javafx.beans.value.ObservableValue;
import javafx.event.EventType;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.Scene;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.StackPane;
import javafx.stage.Stage;

/** The toolkit without a display, started once for all tests. */
public final class Fx {
  private static final int PATIENCE_SECONDS = 60;
  private static final long POLL_NANOS = 20_000_000;
  private static final int MOST_POLLS = 3000;

  private Fx() {}

  public static synchronized void start() {
    CountDownLatch started = new CountDownLatch(1);
    try {
      Platform.startup(started::countDown);
    } catch (IllegalStateException e) {
      started.countDown(); // by a test before this one
    }
    await(started);
    Platform.setImplicitExit(false);
  }

  public static <T> T on(Callable<T> call) {
    CompletableFuture<T> result = new CompletableFuture<>();
    Platform.runLater(() -> {
      try {
        result.complete(call.call());
      } catch (Exception | AssertionError e) {
        result.completeExceptionally(e);
      }
    });
    return result.orTimeout(PATIENCE_SECONDS, TimeUnit.SECONDS).join();
  }

  public static void run(Runnable action) {
    on(() -> {
      action.run();
      return true;
    });
  }

  /** Waits until a value on the FX thread is as wanted. */
  public static <T> void until(ObservableValue<T> value, T wanted) {
    CountDownLatch reached = new CountDownLatch(1);
    run(() ->
        value.subscribe(now -> {
          if (wanted.equals(now)) {
            reached.countDown();
          }
        }));
    await(reached);
    run(() -> {}); // what came with it has run
  }

  /** Asks on the FX thread, again and again, until the answer is as wanted. */
  public static <T> T await(Callable<T> ask, Predicate<T> wanted) {
    T now = on(ask);
    for (int polls = 0; !wanted.test(now); polls++) {
      assertThat(polls).as("asked in vain: %s", now).isLessThan(MOST_POLLS);
      LockSupport.parkNanos(POLL_NANOS);
      now = on(ask);
    }
    return now;
  }

  private static void await(CountDownLatch latch) {
    try {
      assertThat(latch.await(PATIENCE_SECONDS, TimeUnit.SECONDS)).isTrue();
    } catch (InterruptedException e) {
      throw new AssertionError(e);
    }
  }

  /** Shows a node in a window of its own, laid out. */
  public static Scene show(Parent node, double width, double height) {
    return on(() -> {
      Scene scene = new Scene(new StackPane(node), width, height);
      Stage stage = new Stage();
      stage.setScene(scene);
      stage.show();
      scene.getRoot().applyCss();
      scene.getRoot().layout();
      return scene;
    });
  }

  /** A node of a scene by its id, once everything there is laid out. */
  public static <T extends Node> T find(Scene scene, String id, Class<T> kind) {
    return on(() -> {
      scene.getRoot().applyCss();
      scene.getRoot().layout();
      return kind.cast(scene.lookup("#" + id));
    });
  }

  /** A click of the first button on a node. */
  public static void click(Node node) {
    mouse(node, MouseEvent.MOUSE_CLICKED);
  }

  /** An event of the first button at the corner of a node. */
  public static void mouse(Node node, EventType<MouseEvent> type) {
    node.fireEvent(
        new MouseEvent(
            type,
            0,
            0,
            0,
            0,
            MouseButton.PRIMARY,
            1,
            false,
            false,
            false,
            false,
            true,
            false,
            false,
            true,
            false,
            true,
            null));
  }
}
