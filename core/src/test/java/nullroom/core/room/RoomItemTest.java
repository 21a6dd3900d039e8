package nullroom.core.room;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import nullroom.core.TestRooms;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Bands;
import nullroom.core.room.RoomItem.Kind;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class RoomItemTest {
  private static final RoomItem BLANKET = new RoomItem(Kind.PATCH, 0);
  private static final RoomItem SHELF = new RoomItem(Kind.FURNITURE, 0);
  private static final RoomItem FAN = new RoomItem(Kind.SOURCE, 0);

  /** 4.2 by 3.4 by 2.5 m with one thing of each kind. */
  private final Room room =
      TestRooms.box(0.2)
          .withPatches(
              List.of(Patch.rectangle("blanket", Surface.wall(1), 1, 0.4, 1.4, 1.6, "blanket_100")))
          .withFurniture(
              List.of(
                  new Furniture(
                      "shelf", new Point(3, 2, 0), 0.8, 0.3, 1.9, 0, Finish.of("door_solid"))))
          .withNoise(
              Bands.all(20), List.of(new NoiseSource("fan", new Point(2, 3, 1), Bands.all(10))))
          .withCamera(
              Optional.of(new Camera(new Point(3, 1.5, 1.2), new Aim(180, 0), 35, Camera.WIDE)));

  @Test
  @DisplayName("everything is found, named, moved and can go but talker and microphone")
  void all() {
    List<RoomItem> all = RoomItem.of(room);
    assertThat(all)
        .extracting(t -> t.name(room))
        .containsExactly("blanket", "shelf", "fan", "camera", "talker", "microphone");
    for (RoomItem thing : all) {
      Point to = thing.at(room).plus(new Point(0.1, -0.1, 0), 1);
      Room there = thing.moved(room, to);
      assertThat(thing.at(there).distanceTo(to)).as("%s", thing).isLessThan(1e-9);
      boolean stays = thing.equals(RoomItem.TALKER) || thing.equals(RoomItem.MICROPHONE);
      assertThat(RoomItem.of(thing.without(room))).hasSize(stays ? 6 : 5);
    }
  }

  @Test
  @DisplayName("microphone and camera follow the lips")
  void follow() {
    Room there = RoomItem.TALKER.moved(room, new Point(1, 2.5, 1.6));
    Point lips = there.requireTalker().at();
    PlacedMicrophone microphone = there.requireMicrophone();
    Camera camera = there.camera().orElseThrow();
    assertThat(microphone.aim().angleTo(lips.minus(microphone.at()))).isLessThan(1e-3);
    assertThat(camera.aim().angleTo(lips.minus(camera.at()))).isLessThan(1e-3);
    assertThat(camera.at()).isEqualTo(room.camera().orElseThrow().at());
  }

  @Test
  @DisplayName("what is dragged goes to edges, the height of the voice, or steps of five")
  void snaps() {
    assertThat(BLANKET.snapped(room, new Point(0.04, 0.03, 0))).isEqualTo(new Point(0, 0, 0));
    Point top = BLANKET.snapped(room, new Point(2.77, 0.86, 0));
    assertThat(top.x()).isCloseTo(4.2 - 1.4, within(1e-9));
    assertThat(top.y()).isCloseTo(2.5 - 1.6, within(1e-9));
    Point voice = BLANKET.snapped(room, new Point(1.38, 0.42, 0));
    assertThat(voice.x()).as("middle of the wall").isCloseTo(1.4, within(1e-9));
    assertThat(voice.y()).as("around 1.2 m").isCloseTo(0.4, within(1e-9));
    assertThat(BLANKET.snapped(room, new Point(0.52, 0.61, 0)).x()).isCloseTo(0.5, within(1e-9));
    Point wall = SHELF.snapped(room, new Point(3.35, 3.05, 0));
    assertThat(wall.x()).isCloseTo(3.4, within(1e-9));
    assertThat(wall.y()).isCloseTo(3.1, within(1e-9));
    Point free = RoomItem.TALKER.snapped(room, new Point(1.03, 1.48, 1.33));
    Room tall = RoomItem.TALKER.moved(room, new Point(1, 1, 1.234));
    assertThat(RoomItem.TALKER.snapped(tall, new Point(1.03, 1, 1.234)).z()).isEqualTo(1.234);
    assertThat(free.distanceTo(new Point(1.05, 1.5, 1.35))).isLessThan(1e-9);
  }

  @Test
  @DisplayName("turned by whole five degrees; furniture too, and a source not at all")
  void turns() {
    assertThat(RoomItem.TALKER.turned(room, 43).requireTalker().aim().azimuthDegrees())
        .isEqualTo(45);
    assertThat(RoomItem.CAMERA.turned(room, -92).camera().orElseThrow().aim().azimuthDegrees())
        .isEqualTo(-90);
    assertThat(RoomItem.MICROPHONE.turned(room, 91).requireMicrophone().aim().azimuthDegrees())
        .isEqualTo(90);
    assertThat(SHELF.turned(room, 91).furniture().getFirst().azimuthDegrees()).isEqualTo(90);
    assertThat(FAN.turned(room, 90)).isEqualTo(room);
    assertThat(FAN.aim(room)).isEmpty();
    assertThat(RoomItem.CAMERA.aim(room)).isPresent();
  }

  @Test
  @DisplayName("off its surface, out of the room, or into the shelf: refused, with the name")
  void refused() {
    assertThatThrownBy(() -> BLANKET.moved(room, new Point(3, 0, 0)))
        .isInstanceOfSatisfying(
            Trouble.class, t -> assertThat(t.line()).contains("blanket", "wall 1"));
    assertThatThrownBy(() -> SHELF.moved(room, new Point(4, 2, 0)))
        .hasMessageContaining("reaches out");
    assertThatThrownBy(() -> FAN.moved(room, new Point(9, 2, 0)))
        .hasMessageContaining("outside the room");
    assertThatThrownBy(() -> RoomItem.TALKER.moved(room, new Point(3.4, 2.1, 1)))
        .hasMessageContaining("inside 'shelf'");
  }

  @Test
  @DisplayName("only what has another state switches")
  void switches() {
    assertThat(BLANKET.switches(room)).isFalse();
    assertThat(BLANKET.switched(room)).isEqualTo(room);
    Patch curtain =
        new Patch(
            "window",
            Surface.wall(2),
            Patch.rectangle("window", Surface.wall(2), 1, 1, 1, 1, "glass_double_10").corners(),
            Finish.of("glass_double_10"),
            Optional.of(new Alternative("bare", "curtain drawn", Finish.of("blanket_100"))));
    Room curtained = room.plus(curtain);
    RoomItem window = new RoomItem(Kind.PATCH, 1);
    assertThat(window.switches(curtained)).isTrue();
    assertThat(window.name(window.switched(curtained))).isEqualTo("window, curtain drawn");
    assertThat(window.switched(window.switched(curtained))).isEqualTo(curtained);
  }
}
