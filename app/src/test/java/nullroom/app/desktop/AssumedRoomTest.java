package nullroom.app.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import javafx.css.PseudoClass;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Labeled;
import nullroom.app.Fx;
import nullroom.app.shell.Station;
import nullroom.core.plan.Verdict;
import nullroom.core.predict.Origin;
import nullroom.io.book.BookFolder;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A book whose room nobody described, in the window, and what to do first in it. */
class AssumedRoomTest {
  private static final PseudoClass ASSUMED = PseudoClass.getPseudoClass("assumed");

  @TempDir Path folder;
  private Composition window;
  private Scene scene;

  @BeforeEach
  void open() {
    Fx.start();
    window =
        Fx.on(() ->
            new Composition(
                new BookFolder(folder), Desktop.assumedBook(), Desktop::simulated, false));
    scene = Fx.on(() -> window.scene(1280, 800));
  }

  @AfterEach
  void close() {
    window.close();
  }

  private <N extends Node> N find(String id, Class<N> kind) {
    Fx.run(() -> {
      scene.getRoot().applyCss();
      scene.getRoot().layout();
    });
    return kind.cast(Fx.await(() -> scene.lookup("#" + id), n -> n != null));
  }

  private boolean says(String words) {
    return Fx.on(() ->
        scene.getRoot().lookupAll("*").stream()
            .anyMatch(n -> n instanceof Labeled l && words.equals(l.getText())));
  }

  @Test
  @DisplayName("the first step leads to the room, which is drawn as not yet described")
  void drawn() {
    Button first = find("first-room", Button.class);
    assertThat(first.getText()).isEqualTo("○ Say how large the room is");
    Fx.run(first::fire);
    assertThat(Fx.on(() -> window.shell().stationProperty().get())).isEqualTo(Station.ROOM);
    assertThat(find("answer", Label.class).getText())
        .isEqualTo(
            "Nobody said yet how large this room is: 4.00 m by 3.00 m by 2.40 m are assumed.");
    Node foldOut = Fx.on(() -> scene.lookup(".fold-out"));
    assertThat(foldOut.getPseudoClassStates()).contains(ASSUMED);
    assertThat(says("not described")).isTrue();
    assertThat(Fx.on(() -> window.session().verdicts().clear().verdict()))
        .isEqualTo(Verdict.CANNOT_TELL);

    Fx.run(find("is-described", Button.class)::fire);
    assertThat(Fx.on(() -> window.session().book().here().described())).isTrue();
    assertThat(foldOut.getPseudoClassStates()).doesNotContain(ASSUMED);
    assertThat(Fx.on(() -> window.session().heard().basis().decay().kind()))
        .isEqualTo(Origin.Kind.PREDICTED);
    assertThat(find("first-room", Button.class).getText()).startsWith("✓");
    assertThat(find("first-room", Button.class).isDisabled()).isTrue();
    Fx.run(() -> window.session().undo());
    assertThat(foldOut.getPseudoClassStates()).contains(ASSUMED);
  }

  @Test
  @DisplayName("once it is described, listened to and clapped in, there is nothing to do first")
  void gone() {
    assertThat(find("first-steps", Node.class).isVisible()).isTrue();
    Fx.run(() -> window.room().setDescribed());
    Fx.run(() -> window.listen().listen());
    Fx.until(window.work().runningProperty(), false);
    assertThat(find("first-steps", Node.class).isVisible()).isTrue();
    assertThat(find("first-ring", Button.class).getText()).startsWith("○");
    Fx.run(() -> window.ring().sweep().play());
    Fx.until(window.work().runningProperty(), false);
    assertThat(Fx.on(() -> window.session().book().decay())).isPresent();
    assertThat(Fx.on(() -> scene.lookup("#first-steps").isVisible())).isFalse();
  }
}
