package nullroom.app.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import javafx.scene.Scene;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import nullroom.app.Fx;
import nullroom.app.TestBooks;
import nullroom.core.acoustics.VocalEffort;
import nullroom.core.book.RoomBook;
import nullroom.core.room.Member;
import nullroom.core.room.Movement;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.Talker;
import nullroom.io.book.BookFolder;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The choice of voice and microphone above the ladder, and the lines below it. */
class PairChoiceTest {
  @TempDir Path folder;
  private Composition window;
  private Scene scene;

  @BeforeEach
  void open() {
    Fx.start();
    RoomBook book = TestBooks.bedroom();
    window = Fx.on(() -> new Composition(new BookFolder(folder), book, Desktop::simulated, false));
    scene = Fx.on(() -> window.scene(1280, 800));
    Fx.run(() -> {
      scene.getRoot().applyCss(); // what scrolls has its content once it has its skin
      scene.getRoot().layout();
    });
  }

  @AfterEach
  void close() {
    window.close();
  }

  private void bringGuest() {
    Fx.run(() ->
        window
            .session()
            .edit(
                "Bring a guest",
                b -> {
                  Room room = b.room();
                  Talker host = room.requireTalker().with(new Movement(0.1, 40));
                  Talker guest =
                      host.movedTo(host.at().plus(new Point(0, 0.6, 0), 1))
                          .with(VocalEffort.RELAXED);
                  List<Member<Talker>> both =
                      new ArrayList<>(
                          List.of(new Member<>("host", host), new Member<>("guest", guest)));
                  return b.with(room.with(room.setUp().withTalkers(both)));
                }));
  }

  @SuppressWarnings("unchecked")
  private ComboBox<String> choice() {
    return (ComboBox<String>) scene.lookup("#judged-voice");
  }

  private void untilSaid(String id, String words) {
    Label label = Fx.on(() -> (Label) scene.lookup(id));
    Fx.until(label.textProperty().map(text -> text.startsWith(words)), true);
  }

  @Test
  @DisplayName("alone there is nothing to choose; with a guest the ladder is of whom one chooses")
  void chooses() {
    assertThat(Fx.on(() -> choice().getParent().getParent().isVisible())).isFalse();
    bringGuest();
    assertThat(Fx.on(() -> choice().getParent().getParent().isVisible())).isTrue();
    assertThat(Fx.on(() -> choice().getItems())).containsExactly("host", "guest");
    double host = Fx.on(() -> window.session().verdicts().quiet().db());
    untilSaid("#worse", "Worse off is guest");
    untilSaid("#moving", "Leaning and turning, at worst: Quiet");
    Fx.run(() -> {
      scene.getRoot().applyCss(); // a choice tells of its own once it has its skin
      scene.getRoot().layout();
      choice().setValue("guest");
    });
    assertThat(Fx.on(() -> window.session().book().room().setUp().voice().orElseThrow().name()))
        .isEqualTo("guest");
    assertThat(Fx.on(() -> window.session().verdicts().quiet().db())).isLessThan(host);
    Fx.run(() -> window.session().undo());
    assertThat(Fx.on(() -> choice().getValue())).isEqualTo("host");
  }
}
