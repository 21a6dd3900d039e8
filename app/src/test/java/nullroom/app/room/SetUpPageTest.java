package nullroom.app.room;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.RadioButton;
import javafx.scene.layout.StackPane;
import nullroom.app.DeskTest;
import nullroom.app.Fx;
import nullroom.app.TestBooks;
import nullroom.core.Trouble;
import nullroom.core.room.Movement;
import nullroom.core.room.Point;
import nullroom.core.room.Ride;
import nullroom.core.room.RoomItem;
import nullroom.core.room.RoomItem.Kind;
import nullroom.core.room.SetUp;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class SetUpPageTest extends DeskTest {
  private RoomModel room;
  private Scene scene;

  @BeforeEach
  void open() {
    room = Fx.on(() -> new RoomModel(desk, TestBooks.WORKERS));
    scene =
        Fx.on(() -> {
          Scene made = new Scene(new StackPane(new SetUpPage(room, desk).node()), 760, 640);
          made.getRoot().applyCss();
          made.getRoot().layout();
          return made;
        });
  }

  private void press(String id) {
    Button button = Fx.find(scene, id, Button.class);
    Fx.run(button::fire);
  }

  private SetUp setUp() {
    return Fx.on(() -> room.setUp().setUp());
  }

  @Test
  @DisplayName("one more of each is named, stands free and has its row; undo takes it away again")
  void oneMore() {
    int cameras = setUp().cameras().size();
    for (String kind : new String[] {"talker", "microphone", "camera", "loudspeaker"}) {
      press("one-more-" + kind);
    }
    SetUp s = setUp();
    assertThat(s.talkers()).extracting(m -> m.name()).containsExactly("talker", "talker 2");
    assertThat(s.microphones()).hasSize(2);
    assertThat(s.cameras()).hasSize(cameras + 1);
    assertThat(s.loudspeakers()).hasSize(1);
    assertThat(Fx.find(scene, "effort-talker-2", ComboBox.class)).isNotNull();
    assertThat(desk.session().folder().load()).isEqualTo(desk.session().book());
    Fx.run(() -> desk.session().undo());
    assertThat(setUp().loudspeakers()).isEmpty();
  }

  @Test
  @DisplayName("clipped on it goes where its talker goes; the ladder follows who is judged")
  void rides() {
    press("one-more-microphone");
    RoomItem second = new RoomItem(Kind.MICROPHONE, 1);
    Ride chest = new Ride("talker", Ride.Part.CHEST);
    assertThat(Fx.on(() -> room.setUp().rides(second))).contains(Optional.of(chest));
    Fx.run(() -> room.setUp().ride(second, Optional.of(chest)));
    Point before = setUp().microphones().get(1).it().at();
    Point lips = setUp().talker().orElseThrow().at();
    assertThat(before.distanceTo(lips)).isBetween(0.15, 0.35);
    Fx.run(() -> room.move(RoomItem.TALKER, lips.x() + 0.2, lips.y()));
    assertThat(setUp().microphones().get(1).it().at().x())
        .isCloseTo(before.x() + 0.2, within(1e-9));
    double first = Fx.on(() -> desk.session().heard().distanceMetres());
    RadioButton judge = Fx.find(scene, "judge-microphone-2", RadioButton.class);
    Fx.run(judge::fire);
    assertThat(Fx.on(() -> desk.session().heard().distanceMetres())).isLessThan(first);
    assertThat(Fx.find(scene, "judge-microphone-2", RadioButton.class).isSelected()).isTrue();
  }

  @Test
  @DisplayName(
      "called otherwise it keeps its riders; a name of another is refused and nothing changes")
  void names() {
    press("one-more-microphone");
    Fx.run(() -> {
      room.setUp()
          .ride(new RoomItem(Kind.MICROPHONE, 1), Optional.of(new Ride("talker", Ride.Part.HEAD)));
      room.setUp().rename(RoomItem.TALKER, "Ada");
    });
    assertThat(setUp().microphones().get(1).ride()).contains(new Ride("Ada", Ride.Part.HEAD));
    SetUp before = setUp();
    assertThatThrownBy(() -> room.setUp().rename(RoomItem.TALKER, "microphone"))
        .isInstanceOf(Trouble.BadField.class)
        .hasMessageContaining("already");
    assertThat(setUp()).isEqualTo(before);
  }

  @Test
  @DisplayName("leaning, loudness and the level of a backing are taken over")
  void settings() {
    press("one-more-loudspeaker");
    RoomItem backing = new RoomItem(Kind.LOUDSPEAKER, 0);
    double quiet = Fx.on(() -> desk.session().verdicts().quiet().db());
    Fx.run(() -> {
      room.setUp().level(backing, 75);
      room.setUp().movement(RoomItem.TALKER, new Movement(0.15, 30));
    });
    assertThat(Fx.on(() -> room.setUp().level(backing))).isCloseTo(75, within(1e-6));
    assertThat(Fx.on(() -> desk.session().verdicts().quiet().db())).isLessThan(quiet - 8);
    assertThat(setUp().talker().orElseThrow().movement().turnDegrees()).isEqualTo(30);
  }

  @Test
  @DisplayName("what stands in the room is placed by numbers, at its height, and not outside")
  void placed() {
    Point before = setUp().talker().orElseThrow().at();
    Fx.run(() -> room.setUp().place(RoomItem.TALKER, before.x() + 0.1, before.y() - 0.2));
    assertThat(setUp().talker().orElseThrow().at())
        .isEqualTo(new Point(before.x() + 0.1, before.y() - 0.2, before.z()));
    SetUp now = setUp();
    assertThatThrownBy(() -> room.setUp().place(RoomItem.TALKER, 99, 1))
        .isInstanceOf(Trouble.class);
    assertThat(setUp()).isEqualTo(now);
  }

  @Test
  @DisplayName("two cannot ride on each other: refused, and nothing changes")
  void circle() {
    press("one-more-microphone");
    RoomItem first = RoomItem.MICROPHONE;
    RoomItem second = new RoomItem(Kind.MICROPHONE, 1);
    Fx.run(() -> room.setUp().ride(second, Optional.of(new Ride("microphone", Ride.Part.TOP))));
    SetUp before = setUp();
    assertThatThrownBy(
            () -> room.setUp().ride(first, Optional.of(new Ride("microphone 2", Ride.Part.TOP))))
        .isInstanceOf(Trouble.BadField.class)
        .hasMessageContaining("circle");
    assertThat(setUp()).isEqualTo(before);
  }
}
