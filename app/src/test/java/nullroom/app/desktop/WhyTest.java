package nullroom.app.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.text.Text;
import nullroom.app.Fx;
import nullroom.app.TestBooks;
import nullroom.app.shell.Station;
import nullroom.io.book.BookFolder;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Every station, rung and margin answers why, in the window's own place for it. */
class WhyTest {
  @TempDir Path folder;
  private Composition window;
  private Scene scene;

  @BeforeEach
  void open() {
    Fx.start();
    window =
        Fx.on(() ->
            new Composition(
                new BookFolder(folder), TestBooks.bedroom(), Desktop::simulated, false));
    scene = Fx.on(() -> window.scene(1280, 800));
    layOut();
  }

  @AfterEach
  void close() {
    window.close();
  }

  private void layOut() {
    Fx.run(() -> {
      scene.getRoot().applyCss();
      scene.getRoot().layout();
    });
  }

  private List<String> answered() {
    layOut();
    return Fx.on(this::shown);
  }

  private List<String> shown() {
    Node card = scene.lookup("#why");
    return card.isVisible()
        ? card.lookupAll(".why-line").stream().map(n -> ((Label) n).getText()).toList()
        : List.of();
  }

  private Text rung(String label) {
    return scene.getRoot().lookupAll(".rung-label").stream()
        .map(n -> (Text) n)
        .filter(t -> t.isVisible() && t.getText().equals(label))
        .findFirst()
        .orElseThrow();
  }

  private static KeyEvent key(KeyCode code, String typed) {
    return new KeyEvent(
        typed.isEmpty() ? KeyEvent.KEY_PRESSED : KeyEvent.KEY_TYPED,
        typed,
        typed,
        code,
        false,
        false,
        false,
        false);
  }

  @Test
  @DisplayName("each station's figure")
  void stations() {
    for (Station station : Station.values()) {
      Fx.run(() -> window.shell().stationProperty().set(station));
      layOut();
      Fx.run(() -> ((Button) scene.lookup("#ask-why")).fire());
      assertThat(answered()).as(station.label()).hasSizeGreaterThan(3);
    }
  }

  @Test
  @DisplayName(
      "each label of the ladder by Enter, with the very lines of core; Escape puts it away")
  void ladder() {
    for (String label : List.of("voice", "room noise", "converter")) {
      Text rung = Fx.on(() -> rung(label));
      assertThat(Fx.on(rung::isFocusTraversable)).isTrue();
      Fx.run(() -> rung.fireEvent(key(KeyCode.ENTER, "")));
      layOut();
      Fx.run(
          () -> // at once: tracing may refine both meanwhile
          assertThat(shown()).isEqualTo(window.session().ladder().whyOf(label).lines()));
    }
    Fx.run(() -> scene.lookup("#why").fireEvent(key(KeyCode.ESCAPE, "")));
    assertThat(Fx.on(() -> scene.lookup("#why").isVisible())).isFalse();
    assertThat(Fx.on(() -> scene.lookup("#try-move").getParent().isVisible())).isTrue();
  }

  @Test
  @DisplayName("the key ? asks for the weakest margin, and the answer follows the book")
  void keyAndFollows() {
    Fx.run(() -> window.shell().root().fireEvent(key(KeyCode.UNDEFINED, "?")));
    String weakest = Fx.on(() -> window.session().verdicts().weakest().name());
    List<String> before = answered();
    assertThat(before.getFirst()).startsWith(weakest + ": ");
    Text voice = Fx.on(() -> rung("voice"));
    Fx.run(voice::requestFocus);
    Fx.run(() ->
        window
            .session()
            .edit(
                "Bring it nearer",
                b ->
                    b.with(
                        b.room()
                            .withMicrophone(
                                b.room()
                                    .requireMicrophone()
                                    .atDistance(b.room().requireTalker().at(), 0.2)))));
    layOut();
    assertThat(Fx.on(scene::getFocusOwner))
        .as("the keyboard stays where it was while the ladder is drawn anew")
        .isSameAs(voice);
    assertThat(answered())
        .as("the same question, answered anew")
        .satisfies(now -> assertThat(now.getFirst()).startsWith(weakest + ": "))
        .isNotEqualTo(before);
    assertThat(Stream.of("from ", "give or take", "source: "))
        .allMatch(word -> before.stream().anyMatch(l -> l.startsWith(word)));
  }
}
