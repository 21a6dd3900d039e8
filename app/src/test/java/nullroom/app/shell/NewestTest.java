package nullroom.app.shell;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import javafx.beans.property.SimpleObjectProperty;
import nullroom.app.Fx;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class NewestTest {
  private final ExecutorService executor = Executors.newVirtualThreadPerTaskExecutor();
  private final SimpleObjectProperty<String> answer = new SimpleObjectProperty<>("");
  private final List<String> troubles = new ArrayList<>();
  private final Newest newest = new Newest(executor, troubles::add);

  @BeforeAll
  static void toolkit() {
    Fx.start();
  }

  @AfterEach
  void end() {
    executor.shutdownNow();
  }

  @Test
  @DisplayName("of a burst of requests, as a drag makes them, the last alone is worked on")
  void lastOfABurst() {
    List<Integer> worked = new ArrayList<>();
    Fx.run(() -> {
      for (int i = 0; i < 20; i++) {
        int mine = i;
        newest.ask(request -> {
          synchronized (worked) {
            worked.add(mine);
          }
          request.tell(() -> answer.set("answer " + mine));
        });
      }
    });
    Fx.until(answer, "answer 19");
    assertThat(worked).containsExactly(19);
    assertThat(troubles).isEmpty();
  }

  @Test
  @DisplayName("work that a newer request has overtaken is cancelled at its next step, and unheard")
  void overtaken() throws Exception {
    CountDownLatch begun = new CountDownLatch(1);
    CountDownLatch overtaken = new CountDownLatch(1);
    CountDownLatch cancelled = new CountDownLatch(1);
    newest.ask(request -> {
      begun.countDown();
      try {
        overtaken.await();
        request.tell(() -> answer.set("stale"));
        request.step(1, 2);
      } catch (CancellationException e) {
        cancelled.countDown();
        throw e;
      } catch (InterruptedException e) {
        throw new AssertionError(e);
      }
    });
    assertThat(begun.await(30, TimeUnit.SECONDS)).isTrue();
    newest.ask(request -> request.tell(() -> answer.set("new")));
    overtaken.countDown();
    assertThat(cancelled.await(30, TimeUnit.SECONDS)).isTrue();
    Fx.until(answer, "new");
    assertThat(troubles).isEmpty();
  }

  @Test
  @DisplayName("what goes wrong is said, and nothing is said any more once nobody wants to know")
  void troubleAndCancel() {
    SimpleObjectProperty<Boolean> said = new SimpleObjectProperty<>(false);
    Newest loud = new Newest(executor, sentence -> said.set(sentence.contains("boom")));
    loud.ask(request -> {
      throw new IllegalStateException("boom");
    });
    Fx.until(said, true);
    newest.ask(request -> request.tell(() -> answer.set("too late")));
    newest.cancel();
    newest.ask(request -> request.tell(() -> answer.set("after")));
    Fx.until(answer, "after");
  }
}
