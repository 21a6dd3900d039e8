package nullroom.app.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import javafx.scene.robot.Robot;
import nullroom.app.Fx;
import nullroom.app.shell.Station;
import nullroom.core.book.RoomBook;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

/** The work of every station with the keys of a robot alone. */
class NoMouseTest extends OnEveryPage {
  /** More stops than any page has. */
  private static final int STOPS = 150;

  private void press(KeyCode... keys) {
    Fx.run(() -> {
      Robot robot = new Robot();
      for (KeyCode key : keys) {
        robot.keyPress(key);
      }
      for (int i = keys.length - 1; i >= 0; i--) {
        robot.keyRelease(keys[i]);
      }
    });
    Fx.run(() -> {});
  }

  private void station(Station station) {
    press(KeyCode.CONTROL, KeyCode.valueOf("DIGIT" + (station.ordinal() + 1)));
    Fx.await(() -> demo.composition.shell().stationProperty().get(), s -> s == station);
    Fx.run(demo::layOut);
  }

  private void tabTo(String id) {
    Fx.await(() -> demo.scene().lookup("#" + id), n -> n != null && !n.isDisabled());
    for (int i = 0; i < STOPS; i++) {
      Node owner = Fx.on(() -> demo.scene().getFocusOwner());
      if (owner != null && id.equals(owner.getId())) {
        return;
      }
      press(KeyCode.TAB);
    }
    throw new AssertionError("Tab does not reach " + id);
  }

  private RoomBook book() {
    return Fx.on(() -> demo.composition.session().book());
  }

  private String lastStep() {
    return Fx.on(() -> demo.composition.session().undoNameProperty().get());
  }

  private void done() {
    Fx.until(demo.composition.work().runningProperty(), false);
  }

  @Test
  @DisplayName("listen, ring, move in the room, hang, come nearer, set the gain")
  void work() {
    station(Station.LISTEN);
    tabTo("listen");
    press(KeyCode.SPACE);
    done();
    assertThat(lastStep()).isEqualTo("Measure the noise");
    station(Station.RING);
    tabTo("sweep");
    press(KeyCode.SPACE);
    done();
    assertThat(lastStep()).isEqualTo("Measure the decay");
    station(Station.ROOM);
    Point before = book().room().requireTalker().at();
    tabTo("handle-talker");
    press(KeyCode.LEFT);
    assertThat(book().room().requireTalker().at().x()).isCloseTo(before.x() - 0.05, within(1e-9));
    station(Station.DRESS);
    int pieces = book().room().patches().size();
    tabTo("hang");
    press(KeyCode.SPACE);
    assertThat(book().room().patches()).hasSize(pieces + 1);
    station(Station.MIC);
    tabTo("field-distance");
    press(KeyCode.CONTROL, KeyCode.A);
    press(KeyCode.DIGIT3);
    press(KeyCode.DIGIT0);
    press(KeyCode.ENTER);
    Room near = book().room();
    assertThat(near.requireMicrophone().at().distanceTo(near.requireTalker().at()))
        .isCloseTo(0.3, within(1e-6));
    station(Station.LEVEL);
    tabTo("set-gain");
    press(KeyCode.SPACE);
    assertThat(lastStep()).isEqualTo("Turn the gain");
    press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(lastStep()).isNotEqualTo("Turn the gain");
  }
}
