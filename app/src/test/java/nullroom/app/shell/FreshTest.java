package nullroom.app.shell;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.concurrent.Executors;
import nullroom.app.DeskTest;
import nullroom.app.Fx;
import nullroom.core.Trouble;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class FreshTest extends DeskTest {
  private final Executor background = Executors.newSingleThreadExecutor();

  @Test
  @DisplayName("worked out once for the same inputs; of several asked at once the newest counts")
  void newest() {
    Fresh<Integer> fresh = Fx.on(() -> new Fresh<Integer>(background, 50, desk));
    List<Integer> made = new ArrayList<>();
    Fx.run(() -> {
      for (int k = 1; k <= 3; k++) {
        int input = k;
        fresh.ask(
            input,
            progress -> {
              made.add(input);
              return 10 * input;
            });
      }
      fresh.ask(3, progress -> 99);
    });
    Fx.until(fresh.valueProperty(), Optional.of(30));
    assertThat(made).containsExactly(3);
    assertThat(Fx.on(() -> fresh.of(3))).contains(30);
    assertThat(Fx.on(() -> fresh.of(2))).isEmpty();
  }

  @Test
  @DisplayName("what cannot be is said in a sentence, and what was there before is no longer shown")
  void trouble() {
    Fresh<Integer> fresh = Fx.on(() -> new Fresh<Integer>(background, 0, desk));
    Fx.run(() -> fresh.ask("a", progress -> 1));
    Fx.until(fresh.valueProperty(), Optional.of(1));
    Fx.run(() ->
        fresh.ask(
            "b",
            progress -> {
              throw new Trouble.BadField("side", "is too long");
            }));
    Fx.until(fresh.troubleProperty(), "side: is too long");
    assertThat(Fx.on(() -> fresh.valueProperty().get())).isEmpty();
    Fx.run(() -> fresh.ask("c", progress -> 2));
    Fx.until(fresh.valueProperty(), Optional.of(2));
    assertThat(Fx.on(() -> fresh.troubleProperty().get())).isEmpty();
  }
}
