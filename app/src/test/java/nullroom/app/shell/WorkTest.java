package nullroom.app.shell;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import nullroom.app.Fx;
import nullroom.core.Trouble;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

class WorkTest {
  private final ExecutorService executor = Executors.newSingleThreadExecutor();
  private final Work work = new Work(executor);
  private final List<String> done = new ArrayList<>();

  @BeforeAll
  static void toolkit() {
    Fx.start();
  }

  @AfterEach
  void stop() {
    executor.shutdownNow();
  }

  @Test
  void aResultComesBackOnTheFxThread() {
    Fx.run(() ->
        work.start(
            "Counting",
            progress -> {
              progress.step(1, 2);
              return javafx.application.Platform.isFxApplicationThread() ? "wrong thread" : "two";
            },
            result ->
                done.add(
                    result
                        + (javafx.application.Platform.isFxApplicationThread() ? "" : " lost"))));
    Fx.until(work.runningProperty(), false);
    assertThat(done).containsExactly("two");
    assertThat(Fx.on(() -> work.fractionProperty().get())).isEqualTo(0.5);
    assertThat(Fx.on(() -> work.whatProperty().get())).isEqualTo("Counting");
  }

  @Test
  void troubleIsSaidInOneSentenceAndForgottenAtTheNextSuccess() {
    Fx.run(() ->
        work.start(
            "Reading",
            progress -> {
              throw new Trouble.BadFile("a.wav", "is empty");
            },
            result -> done.add("never")));
    Fx.until(work.runningProperty(), false);
    assertThat(Fx.on(() -> work.troubleProperty().get())).isEqualTo("a.wav: is empty");
    Fx.run(() -> work.start("Again", progress -> "fine", done::add));
    Fx.until(work.runningProperty(), false);
    assertThat(Fx.on(() -> work.troubleProperty().get())).isEmpty();
    assertThat(done).containsExactly("fine");
  }

  @Test
  void troubleWhileTheResultIsTakenIsSaidToo() {
    Fx.run(() ->
        work.start(
            "Placing",
            progress -> 1,
            result -> {
              throw new Trouble.BadField("microphone.at", "lies outside the room");
            }));
    Fx.until(work.runningProperty(), false);
    assertThat(Fx.on(() -> work.troubleProperty().get())).contains("outside the room");
  }

  @Test
  void oneAtATimeAndItCanBeStopped() {
    CountDownLatch mayGo = new CountDownLatch(1);
    Fx.run(() ->
        work.start(
            "Long",
            progress -> {
              try {
                mayGo.await();
              } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
              }
              progress.step(1, 10);
              return "not stopped";
            },
            done::add));
    Fx.run(() -> work.start("Second", progress -> "second", done::add));
    assertThat(Fx.on(() -> work.whatProperty().get())).isEqualTo("Long");
    assertThat(Fx.on(() -> work.troubleProperty().get()))
        .as("the second is refused aloud")
        .contains("Long");
    work.cancel();
    mayGo.countDown();
    Fx.until(work.runningProperty(), false);
    assertThat(done).isEmpty();
    assertThat(Fx.on(() -> work.troubleProperty().get())).contains("Stopped");
  }

  @Test
  void anErrorIsSaidAndTheNextTaskRunsAllTheSame() {
    Fx.run(() ->
        work.start(
            "Tracing",
            progress -> {
              throw new StackOverflowError("deep");
            },
            never -> done.add("never")));
    Fx.until(work.runningProperty(), false);
    assertThat(Fx.on(() -> work.troubleProperty().get())).isNotBlank();
    assertThat(Fx.on(() -> work.faultProperty().get())).isTrue();
    Fx.run(() -> work.start("Again", progress -> "fine", done::add));
    Fx.until(work.runningProperty(), false);
    assertThat(done).containsExactly("fine");
    Fx.run(() -> work.say("Written: a.wav"));
    assertThat(Fx.on(() -> work.faultProperty().get())).as("news are no faults").isFalse();
    Fx.run(() -> work.warn("a.wav cannot be written"));
    assertThat(Fx.on(() -> work.faultProperty().get())).isTrue();
  }
}
