package nullroom.core.room;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import nullroom.core.TestRooms;
import nullroom.core.acoustics.Bands;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class ReshapingTest {
  private final Room room =
      TestRooms.box(0.2)
          .withPatches(
              List.of(
                  Patch.rectangle("near", Surface.wall(1), 0, 0, 1, 1, "door_solid"),
                  Patch.rectangle("far", Surface.wall(1), 3, 0, 1, 1, "door_solid")))
          .withFurniture(
              List.of(
                  new Furniture("near", new Point(0, 0, 0), 1, 1, 1, 0, Finish.of("door_solid")),
                  new Furniture("far", new Point(3, 2.2, 0), 1, 1, 1, 0, Finish.of("door_solid"))))
          .withNoise(
              Bands.all(20),
              List.of(
                  new NoiseSource("far", new Point(4, 3, 1), Bands.all(10)),
                  new NoiseSource("near", new Point(0.5, 1.2, 1.1), Bands.all(10))))
          .withCamera(
              Optional.of(new Camera(new Point(4, 1.5, 1.2), new Aim(180, 0), 35, Camera.WIDE)));

  @Test
  @DisplayName("what no longer fits goes, what fits stays, and people move in")
  void smaller() {
    Room small = room.reshaped(Outline.box(2, 2), new Ceiling.Flat(2.2));
    assertThat(small.patches()).extracting(Patch::name).containsExactly("near");
    assertThat(small.furniture()).extracting(Furniture::name).containsExactly("near");
    assertThat(small.sources()).extracting(NoiseSource::name).containsExactly("near");
    assertThat(small.requireTalker()).isEqualTo(room.requireTalker());
    assertThat(small.holds(small.camera().orElseThrow().at())).isTrue();
    assertThat(small.finishOf(Surface.wall(4))).isEqualTo(room.finishOf(Surface.wall(4)));
  }

  @Test
  @DisplayName("a talker outside moves to where there is room, the microphone points at the lips")
  void moved() {
    Outline away =
        new Outline(
            List.of(
                new Point(2, 2, 0),
                new Point(4.2, 2, 0),
                new Point(4.2, 3.4, 0),
                new Point(2, 3.4, 0)));
    Room there = room.reshaped(away, new Ceiling.Flat(2.5));
    Point lips = there.requireTalker().at();
    assertThat(there.holds(lips)).isTrue();
    PlacedMicrophone microphone = there.requireMicrophone();
    assertThat(microphone.at().distanceTo(lips)).isCloseTo(0.3, within(1e-9));
    assertThat(microphone.aim().angleTo(lips.minus(microphone.at()))).isCloseTo(0, within(1e-4));
  }

  @Test
  @DisplayName("more walls take the finish of the first; the same shape changes nothing")
  void same() {
    Room ell = room.reshaped(Outline.ell(4.2, 3.4), new Ceiling.Flat(2.5));
    assertThat(ell.outline().corners()).hasSize(6);
    assertThat(ell.finishOf(Surface.wall(6))).isEqualTo(room.finishOf(Surface.wall(1)));
    assertThat(ell.volume()).isCloseTo(0.75 * room.volume(), within(1e-9));
    Room again = room.reshaped(room.outline(), room.ceiling());
    assertThat(again.patches()).isEqualTo(room.patches());
    assertThat(again.furniture()).isEqualTo(room.furniture());
    assertThat(again.camera()).isEqualTo(room.camera());
    assertThat(again.sources()).isEqualTo(room.sources());
  }

  @Test
  @DisplayName("a door opens and shuts again, in its patch and in a wardrobe")
  void turned() {
    Patch door =
        new Patch(
            "door",
            Surface.wall(1),
            Patch.rectangle("door", Surface.wall(1), 0, 0, 0.9, 2, "door_solid").corners(),
            Finish.of("door_solid"),
            Optional.of(new Alternative("shut", "open", Finish.of("opening_free"))));
    assertThat(door.label()).isEqualTo("door, shut");
    assertThat(door.turned().label()).isEqualTo("door, open");
    assertThat(door.turned().finish()).isEqualTo(Finish.of("opening_free"));
    assertThat(door.turned().turned()).isEqualTo(door);
    assertThat(door.turned().movedBy(1, 0).turned().label()).isEqualTo("door, shut");
    Furniture plain = room.furniture().getFirst();
    assertThat(plain.turned()).isEqualTo(plain);
    Furniture wardrobe =
        new Furniture(
            "wardrobe",
            new Point(0, 0, 0),
            1,
            0.6,
            2,
            0,
            Finish.of("door_hollow"),
            Optional.of(new Alternative("shut", "open", Finish.of("glass_fibre_50"))));
    assertThat(wardrobe.turned().finish()).isEqualTo(Finish.of("glass_fibre_50"));
    assertThat(wardrobe.movedTo(new Point(1, 1, 0)).turned().turned().label())
        .isEqualTo("wardrobe, shut");
  }
}
