package nullroom.app.shell;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.layout.VBox;
import nullroom.app.Fx;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

/** The one place for messages. */
class MessagePlaceTest {
  private final ObjectProperty<Station> station = new SimpleObjectProperty<>(Station.LISTEN);
  private Work work;
  private Scene scene;
  private Node below;

  @BeforeAll
  static void toolkit() {
    Fx.start();
  }

  @BeforeEach
  void show() {
    work = new Work(Runnable::run);
    below = new Button("below");
    scene = Fx.show(Fx.on(() -> new VBox(new MessagePlace(work, station), below)), 500, 300);
  }

  private double y() {
    return Fx.on(() -> {
      scene.getRoot().applyCss();
      scene.getRoot().layout();
      return below.localToScene(below.getBoundsInLocal()).getMinY();
    });
  }

  private boolean isShown() {
    return Fx.on(() -> scene.lookup("#trouble").getParent().isVisible());
  }

  @Test
  @DisplayName("nothing moves when a message comes, is long, or goes")
  void still() {
    double before = y();
    Fx.run(() -> work.warn("A long sentence that goes on and on. ".repeat(12)));
    assertThat(y()).isEqualTo(before);
    assertThat(isShown()).isTrue();
    Fx.run(() -> ((Button) scene.lookup("#put-away")).fire());
    assertThat(isShown()).isFalse();
    assertThat(y()).isEqualTo(before);
  }

  @Test
  @DisplayName("a message stays where it belongs: at the station where it was said")
  void belongs() {
    Fx.run(() -> work.say("Kept."));
    Fx.run(() -> station.set(Station.ROOM));
    assertThat(isShown()).isFalse();
    Fx.run(() -> station.set(Station.LISTEN));
    assertThat(isShown()).isTrue();
  }

  @Test
  @DisplayName("success and fault differ in word and mark; a written file is said with its folder")
  void kinds() {
    Path file = Path.of("some", "room.json").toAbsolutePath();
    Fx.run(() -> work.wrote(file));
    assertThat(work.troubleProperty().get())
        .isEqualTo("Written: room.json, in " + file.getParent() + ".");
    assertThat(Fx.on(() -> scene.lookup("#show-written").isVisible())).isTrue();
    assertThat(Fx.on(() -> scene.lookup("#trouble").getParent().getStyleClass())).contains("news");
    Fx.run(() -> work.warn("It cannot be."));
    assertThat(Fx.on(() -> scene.lookup("#show-written").isVisible())).isFalse();
    assertThat(Fx.on(() -> scene.lookup("#trouble").getParent().getStyleClass()))
        .contains("trouble");
    assertThat(FolderShow.order("Windows 11", file)).first().isEqualTo("explorer");
    assertThat(FolderShow.order("Mac OS X", file)).first().isEqualTo("open");
    assertThat(FolderShow.order("Linux", file)).first().isEqualTo("xdg-open");
  }
}
