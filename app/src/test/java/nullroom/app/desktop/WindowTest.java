package nullroom.app.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.concurrent.Callable;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.stage.Stage;
import nullroom.app.Fx;
import nullroom.app.level.LevelPage;
import nullroom.app.listen.Page;
import nullroom.app.ring.RingPage;
import nullroom.app.room.RoomPage;
import nullroom.app.shell.Station;
import nullroom.app.shell.Units;
import nullroom.core.book.RoomBook;
import nullroom.core.room.FirstRoom;
import nullroom.io.book.BookFolder;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Drives the real window on the headless platform. */
class WindowTest {
  @TempDir Path folder;

  @BeforeAll
  static void startToolkit() {
    Fx.start();
  }

  private static <T> T onFx(Callable<T> call) {
    return Fx.on(call);
  }

  private static void waitForWork(Composition window) {
    Fx.until(window.work().runningProperty(), false);
  }

  private static Object fire(Scene scene, String id) {
    ((Button) scene.lookup("#" + id)).fire();
    return id;
  }

  @Test
  void dropClapsSeeTheTimeHangTheBlanketSeeTheLadderMoveUndoAndReopen() throws Exception {
    RoomBook made = DemoBook.create(folder.resolve("demo"));
    Path claps =
        Files.copy(
            new BookFolder(folder.resolve("demo")).sounds().file("simulated-sweep-1.wav"),
            folder.resolve("my sweep.wav"));
    RoomBook bare = new RoomBook("mine", made.goal(), made.room());
    BookFolder place = new BookFolder(folder.resolve("my book"));
    Composition window = onFx(() -> new Composition(place, bare, Desktop::simulated, false));
    Scene scene = onFx(() -> shown(window));

    onFx(() -> {
      window.open(Station.ROOM, claps);
      return 0;
    });
    waitForWork(window);
    waitForWork(window);
    assertThat(onFx(() -> window.shell().stationProperty().get())).isEqualTo(Station.RING);
    double mid =
        onFx(() ->
            window.session().book().decay().orElseThrow().report().tMidSeconds().orElseThrow());
    assertThat(mid).isEqualTo(made.decay().orElseThrow().report().tMidSeconds().orElseThrow());
    assertThat(Fx.await(() -> (Label) scene.lookup("#answer"), l -> l != null).getText())
        .contains(String.format("%.2f s", mid));

    onFx(() -> {
      window.room().trace().leave(); // what it finds would change the figures meanwhile
      return 0;
    });
    double before = onFx(() -> window.session().heardProperty().get().margins().clearDb());
    onFx(() -> {
      window.shell().stationProperty().set(Station.DRESS);
      scene.getRoot().applyCss();
      return fire(scene, "hang");
    });
    double after = onFx(() -> window.session().heardProperty().get().margins().clearDb());
    assertThat(after).isGreaterThan(before + 0.5);
    assertThat(onFx(() -> window.session().beforeProperty().get().margins().clearDb()))
        .isCloseTo(before, within(1e-9));

    onFx(() -> fire(scene, "undo"));
    assertThat(onFx(() -> window.session().heardProperty().get().margins().clearDb()))
        .isCloseTo(before, within(1e-9));
    onFx(() -> fire(scene, "redo"));
    RoomBook last = onFx(() -> window.session().book());
    window.close();
    assertThat(place.load()).isEqualTo(last);
    assertThat(last.room().patches()).anyMatch(p -> p.name().equals("blanket"));
  }

  @Test
  void aFileThatIsNoSoundIsSaidInPlaceAndNothingIsLost() throws Exception {
    RoomBook made = DemoBook.create(folder.resolve("demo2"));
    Composition window =
        onFx(() ->
            new Composition(
                new BookFolder(folder.resolve("demo2")), made, DemoBook::device, false));
    Scene scene = onFx(() -> shown(window));
    Path text = Files.writeString(folder.resolve("diary.wav"), "dear diary");
    onFx(() -> {
      window.open(Station.LISTEN, text);
      return 0;
    });
    waitForWork(window);
    assertThat(onFx(() -> ((Label) scene.lookup("#trouble")).getText()))
        .contains("diary.wav")
        .contains("no sound file that can be read");
    assertThat(onFx(() -> window.session().book())).isEqualTo(made);
    window.close();
  }

  @Test
  void everyPageOfRingAndRoomIsDrawnInTheWindow() throws Exception {
    RoomBook made = DemoBook.create(folder.resolve("demo3"));
    Composition window =
        onFx(() ->
            new Composition(
                new BookFolder(folder.resolve("demo3")), made, DemoBook::device, false));
    Scene scene = onFx(() -> shown(window));
    for (RingPage page : RingPage.values()) {
      drawn(window, scene, Station.RING, page.name());
    }
    assertThat(onFx(() -> ((Label) scene.lookup("#clap-now")).getText()))
        .contains("Nothing sudden");
    drawn(window, scene, Station.RING, "ORIGIN");
    onFx(() -> fire(scene, "arrival-2"));
    assertThat(onFx(() -> window.ring().chosenProperty().get())).isPresent();
    for (RoomPage page : RoomPage.values()) {
      drawn(window, scene, Station.ROOM, page.name());
    }
    for (LevelPage page : LevelPage.values()) {
      drawn(window, scene, Station.LEVEL, page.name());
    }
    drawn(window, scene, Station.LEVEL, "TAKE");
    onFx(() -> fire(scene, "take-record"));
    waitForWork(window);
    assertThat(onFx(() -> window.level().take().takeProperty().get())).isPresent();
    drawn(window, scene, Station.ROOM, "FURNITURE");
    onFx(() -> fire(scene, "put-piece"));
    assertThat(onFx(() -> window.session().book().room().furniture())).hasSize(2);
    drawn(window, scene, Station.ROOM, "SHAPE");
    onFx(() -> fire(scene, "template-alcove"));
    onFx(() -> fire(scene, "shape"));
    assertThat(onFx(() -> window.session().book().room().outline().corners())).hasSize(8);
    onFx(() -> {
      window.shell().commands().find("in feet").getFirst().getValue().action().run();
      return 0;
    });
    assertThat(onFx(() -> window.unitsProperty().get())).isEqualTo(Units.FEET);
    RoomBook last = onFx(() -> window.session().book());
    window.close();
    assertThat(new BookFolder(folder.resolve("demo3")).load()).isEqualTo(last);
  }

  private static void drawn(Composition window, Scene scene, Station station, String page) {
    onFx(() -> {
      window.shell().stationProperty().set(station);
      scene.getRoot().applyCss();
      ((ToggleButton) scene.lookup("#page-" + page.toLowerCase(Locale.ROOT))).fire();
      scene.getRoot().applyCss();
      scene.getRoot().layout();
      return page;
    });
    assertThat(onFx(() -> scene.getRoot().getLayoutBounds().getHeight()))
        .as("%s fits its window", page)
        .isLessThanOrEqualTo(scene.getHeight());
  }

  @Test
  void everyPageOfListenWorksInTheWindow() throws Exception {
    RoomBook bare = Desktop.newBook(FirstRoom.room());
    BookFolder place = new BookFolder(folder.resolve("pages"));
    Composition window = onFx(() -> new Composition(place, bare, Desktop::simulated, false));
    Scene scene = onFx(() -> shown(window));
    for (Page page : Page.values()) {
      onFx(() -> {
        ((ToggleButton) scene.lookup("#page-" + page.name().toLowerCase(Locale.ROOT))).fire();
        scene.getRoot().applyCss();
        scene.getRoot().layout();
        return page;
      });
      assertThat(onFx(() -> window.listen().pageProperty().get())).isEqualTo(page);
    }
    page(window, scene, Page.CULPRITS);
    onFx(() -> fire(scene, "usual-fridge"));
    page(window, scene, Page.CULPRITS);
    onFx(() -> fire(scene, "on-fridge"));
    waitForWork(window);
    onFx(() -> fire(scene, "hear-off-fridge"));
    waitForWork(window);
    assertThat(onFx(() -> window.session().book().listening().suspects().getFirst().pair()))
        .isPresent();
    onFx(() -> {
      ((CheckBox) scene.lookup("#off-fridge")).fire();
      return 0;
    });
    assertThat(onFx(() -> window.session().book().listening().suspects().getFirst().owed()))
        .isTrue();
    page(window, scene, Page.SPOTS);
    onFx(() -> fire(scene, "spot"));
    assertThat(onFx(() -> ((Label) scene.lookup("#trouble")).getText())).contains("name the place");
    onFx(() -> {
      ((TextField) scene.lookup("#spot-name")).setText("corner");
      return fire(scene, "spot");
    });
    waitForWork(window);
    assertThat(onFx(() -> window.session().book().listening().spots())).hasSize(1);
    page(window, scene, Page.CALIBRATION);
    onFx(() -> fire(scene, "scale-none"));
    assertThat(onFx(() -> window.session().book().listening().calibration().method().id()))
        .isEqualTo("none");
    page(window, scene, Page.LIVE);
    onFx(() -> fire(scene, "live"));
    assertThat(onFx(() -> ((Button) scene.lookup("#live")).getText())).isEqualTo("Stop the meter");
    onFx(() -> fire(scene, "live"));
    page(window, scene, Page.NIGHT);
    assertThat(onFx(() -> scene.lookup("#resume").isVisible())).isFalse();
    window.close();
    assertThat(place.load()).isEqualTo(onFx(() -> window.session().book()));
  }

  private static void page(Composition window, Scene scene, Page page) {
    onFx(() -> {
      window.listen().pageProperty().set(page);
      scene.getRoot().applyCss();
      scene.getRoot().layout();
      return page;
    });
  }

  private static Scene shown(Composition window) {
    Stage stage = new Stage();
    Scene scene = window.scene(1280, 800);
    stage.setScene(scene);
    stage.show();
    return scene;
  }
}
