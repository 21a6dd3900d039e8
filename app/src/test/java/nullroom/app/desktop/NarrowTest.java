package nullroom.app.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.Labeled;
import javafx.scene.control.ScrollPane;
import javafx.scene.text.Text;
import nullroom.app.Fx;
import nullroom.app.dress.DressPage;
import nullroom.app.level.LevelPage;
import nullroom.app.listen.Page;
import nullroom.app.mic.MicPage;
import nullroom.app.ring.RingPage;
import nullroom.app.room.RoomPage;
import nullroom.app.shell.Station;
import nullroom.core.book.RoomBook;
import nullroom.io.book.BookFolder;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Every page of the demo in the smallest window: no button or caution is cut or out of sight. */
class NarrowTest {
  private static final int WIDTH = 1024;
  private static final int HEIGHT = 700;

  @TempDir Path folder;
  private Composition window;
  private Scene scene;

  @BeforeAll
  static void toolkit() {
    Fx.start();
  }

  @BeforeEach
  void open() {
    RoomBook book = DemoBook.create(folder);
    window = Fx.on(() -> new Composition(new BookFolder(folder), book, DemoBook::device, false));
    scene = Fx.on(() -> window.scene(WIDTH, HEIGHT));
    Fx.run(() -> Toolkit.show("narrow", scene));
  }

  @AfterEach
  void close() {
    Fx.run(() -> scene.getWindow().hide());
    window.close();
  }

  @Test
  void nothingThatIsPressedOrWarnsIsCut() {
    List<String> wrong = new ArrayList<>();
    for (Page page : Page.values()) {
      look(Station.LISTEN, () -> window.listen().pageProperty().set(page), page, wrong);
    }
    for (RingPage page : RingPage.values()) {
      look(Station.RING, () -> window.ring().pageProperty().set(page), page, wrong);
    }
    for (RoomPage page : RoomPage.values()) {
      look(Station.ROOM, () -> window.room().pageProperty().set(page), page, wrong);
    }
    for (DressPage page : DressPage.values()) {
      look(Station.DRESS, () -> window.dress().pageProperty().set(page), page, wrong);
    }
    for (MicPage page : MicPage.values()) {
      look(Station.MIC, () -> window.mic().pageProperty().set(page), page, wrong);
    }
    for (LevelPage page : LevelPage.values()) {
      look(Station.LEVEL, () -> window.level().pageProperty().set(page), page, wrong);
    }
    assertThat(wrong).isEmpty();
  }

  private void look(Station station, Runnable open, Object page, List<String> wrong) {
    Fx.run(() -> {
      window.shell().stationProperty().set(station);
      open.run();
    });
    Fx.run(() -> {
      scene.getRoot().applyCss();
      scene.getRoot().layout();
      for (Node node : scene.getRoot().lookupAll("*")) {
        if (node instanceof Labeled labeled && mustBeRead(labeled)) {
          String where = station + " " + page + ": “" + labeled.getText() + "” ";
          if (labeled.lookup(".text") instanceof Text shown
              && shown.getText().endsWith(labeled.getEllipsisString())
              && !labeled.getText().endsWith(labeled.getEllipsisString())) {
            wrong.add(where + "is cut to “" + shown.getText() + "”");
          }
          Bounds at = labeled.localToScene(labeled.getBoundsInLocal());
          if (!scrolls(labeled) && (at.getMaxX() > WIDTH + 1 || at.getMaxY() > HEIGHT + 1)) {
            wrong.add(where + "reaches to " + at.getMaxX() + ", " + at.getMaxY());
          }
        }
      }
    });
  }

  private static boolean mustBeRead(Labeled labeled) {
    boolean matters = labeled instanceof ButtonBase || labeled.getStyleClass().contains("caution");
    boolean seen = true;
    for (Node n = labeled; n != null; n = n.getParent()) {
      seen &= n.isVisible();
    }
    return matters && seen && !labeled.getText().isEmpty();
  }

  private static boolean scrolls(Node node) {
    for (Node n = node; n != null; n = n.getParent()) {
      if (n instanceof ScrollPane) {
        return true;
      }
    }
    return false;
  }
}
