package nullroom.core.room;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import nullroom.core.TestRooms;
import nullroom.core.Trouble;
import nullroom.core.room.Ceiling.Flat;
import nullroom.core.room.Ride.Part;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

/** Microphones on desks and stands. */
class OnFurnitureTest {
  private static final RoomItem DESK = new RoomItem(RoomItem.Kind.FURNITURE, 0);
  private static final Point ON_DESK = new Point(2, 1.6, 0.98);

  private static Room room(Part part) {
    Room room = TestRooms.box(0.2);
    Furniture desk =
        new Furniture("desk", new Point(1.6, 1.2, 0.7), 1.2, 0.7, 0.03, 0, Finish.of("door_solid"));
    PlacedMicrophone m = room.requireMicrophone().movedTo(ON_DESK, room.requireTalker().at());
    Room furnished = room.withFurniture(List.of(desk)).withMicrophone(m);
    return furnished.with(
        furnished.setUp().riding(SetUp.MICROPHONE, Optional.of(new Ride("desk", part))));
  }

  private static Member<PlacedMicrophone> microphone(Room room) {
    return room.setUp().microphones().getFirst();
  }

  private static void near(Point is, double x, double y, double z) {
    assertThat(is.distanceTo(new Point(x, y, z))).as(is.toString()).isLessThan(1e-9);
  }

  @Test
  @DisplayName("what rides on a desk is moved and turned with it, about the desk's corner")
  void follows() {
    Room room = room(Part.TOP);
    assertThat(microphone(room).it().at()).as("stays where it was put").isEqualTo(ON_DESK);
    Room moved = DESK.moved(room, new Point(2.1, 1.4, 0.7));
    near(microphone(moved).it().at(), 2.5, 1.8, 0.98);
    Room turned = DESK.turned(moved, 90);
    near(microphone(turned).it().at(), 2.1 - 0.4, 1.4 + 0.4, 0.98);
  }

  @Test
  @DisplayName("dragged off it is put down; without the desk it stands by itself")
  void putDown() {
    RoomItem item = new RoomItem(RoomItem.Kind.MICROPHONE, 0);
    Room along = item.moved(room(Part.TOP), new Point(2.6, 1.4, 0.98));
    assertThat(microphone(along).ride()).isPresent();
    assertThat(microphone(item.moved(along, new Point(3.9, 3.0, 1.2))).ride()).isEmpty();
    assertThat(microphone(DESK.without(along)).ride()).isEmpty();
    assertThat(microphone(along.withFurniture(List.of())).ride()).isEmpty();
    SetUp more = along.setUp().withTalkers(along.setUp().talkers());
    assertThat(more.microphones().getFirst().ride()).as("others may come and go").isPresent();
  }

  @Test
  @DisplayName("in another shape it rides on as long as the desk is there")
  void reshaped() {
    Room wider = room(Part.TOP).reshaped(Outline.box(5, 4), new Flat(2.4));
    assertThat(microphone(wider).ride()).isPresent();
    Room narrow = room(Part.TOP).reshaped(Outline.box(2, 2), new Flat(2.4));
    assertThat(narrow.furniture()).isEmpty();
    assertThat(microphone(narrow).ride()).isEmpty();
    Room elsewhere = FirstRoom.empty("hall", 4, 3, 2.4).withSetUpOf(room(Part.TOP));
    assertThat(microphone(elsewhere).ride()).isEmpty();
  }

  @Test
  void aDeskHasNoChest() {
    assertThatThrownBy(() -> room(Part.CHEST))
        .isInstanceOf(Trouble.BadField.class)
        .hasMessageContaining("on its top");
  }
}
