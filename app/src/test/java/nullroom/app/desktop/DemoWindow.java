package nullroom.app.desktop;

import java.nio.file.Path;
import java.util.List;
import javafx.scene.Group;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.stage.Stage;
import nullroom.app.Fx;
import nullroom.app.shell.Command;
import nullroom.app.words.SpokenScene;
import nullroom.core.book.RoomBook;
import nullroom.io.book.BookFolder;

/** The demo in a window, with every page of it, for tests that walk through them all. */
final class DemoWindow implements AutoCloseable {
  final Composition composition;
  private Stage stage;
  private final Zoomed zoomed;

  DemoWindow(Path folder) {
    Fx.start();
    RoomBook book = DemoBook.create(folder);
    composition =
        Fx.on(() -> new Composition(new BookFolder(folder), book, DemoBook::device, false));
    zoomed = Fx.on(() -> new Zoomed(composition.shell().root()));
    Fx.run(() -> SpokenScene.follow(zoomed));
    stage = Fx.on(() -> Toolkit.show("demo", Look.scene(zoomed, 1280, 800)));
  }

  Scene scene() {
    return stage.getScene();
  }

  /** Every station and every page of it. */
  List<Command> pages() {
    return Fx.on(() ->
        composition.shell().commands().all().values().stream()
            .filter(c -> c.group().compareTo(nullroom.app.shell.Group.BOOKS) < 0)
            .toList());
  }

  /** Shows a page, laid out. */
  void go(Command page) {
    Fx.run(page.action());
    Fx.run(() -> {});
    Fx.run(this::layOut);
  }

  void layOut() {
    scene().getRoot().applyCss();
    scene().getRoot().layout();
  }

  /** Makes the window's content so large, and its text. */
  void size(int width, int height, int percent) {
    Fx.run(() -> {
      stage.hide();
      scene().setRoot(new Group());
      zoomed.zoom(percent / 100.0);
      stage = Toolkit.show("demo", Look.scene(zoomed, width, height));
    });
    Fx.run(this::layOut);
  }

  static boolean isSeen(Node node) {
    for (Node n = node; n != null; n = n.getParent()) {
      if (!n.isVisible()) {
        return false;
      }
    }
    return true;
  }

  @Override
  public void close() {
    Fx.run(stage::hide);
    composition.close();
  }
}
