package nullroom.core.predict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import nullroom.core.Progress;
import nullroom.core.TestRooms;
import nullroom.core.acoustics.Bands;
import nullroom.core.room.Finish;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.Surface;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class ReturnMapTest {
  private final Room room = TestRooms.box(0.2);

  @Test
  @DisplayName("a soft surface sends back less, a hard one the same as before or less")
  void soft() {
    Room carpeted =
        room.withFinish(Surface.FLOOR, new Finish.Stated(Bands.all(0.8), Bands.all(0.1)));
    ReturnMap bare = ReturnMap.of(room, 1, Progress.NONE);
    ReturnMap soft = ReturnMap.of(carpeted, 1, Progress.NONE);
    assertThat(soft.total(Surface.FLOOR, true)).isLessThan(0.35 * bare.total(Surface.FLOOR, true));
    assertThat(soft.total(Surface.CEILING, false)).isLessThan(bare.total(Surface.CEILING, false));
    assertThat(bare.surfaces().keySet()).containsExactlyInAnyOrderElementsOf(room.surfaces());
  }

  @Test
  @DisplayName(
      "early sound comes most from what is near both: the floor under a low pair, by its cell")
  void near() {
    Point low = new Point(1.2, 1.5, 0.3);
    Room near =
        room.withTalker(room.requireTalker().movedTo(low))
            .withMicrophone(room.requireMicrophone().movedTo(new Point(1.6, 1.5, 0.3), low));
    ReturnMap map = ReturnMap.of(near, 2, Progress.NONE);
    for (Surface other : near.surfaces()) {
      assertThat(map.total(Surface.FLOOR, true)).isGreaterThanOrEqualTo(map.total(other, true));
    }
    SurfaceGrid floor = java.util.Objects.requireNonNull(SurfaceGrid.of(near).get(Surface.FLOOR));
    double[] early = java.util.Objects.requireNonNull(map.surfaces().get(Surface.FLOOR)).early();
    int most = 0;
    for (int k = 0; k < early.length; k++) {
      most = early[k] > early[most] ? k : most;
    }
    double u = floor.u(most) + 0.5 * SurfaceGrid.CELL_METRES;
    double v = floor.v(most) + 0.5 * SurfaceGrid.CELL_METRES;
    assertThat(u).isCloseTo(1.4, within(0.45));
    assertThat(v).isCloseTo(1.5, within(0.3));
  }

  @Test
  @DisplayName("with everything a perfect diffuser the map adds up to the response's reply")
  void addsUp() {
    Room diffuse = room;
    for (Surface surface : room.surfaces()) {
      diffuse = diffuse.withFinish(surface, new Finish.Stated(Bands.all(0.2), Bands.all(1)));
    }
    ReturnMap map = ReturnMap.of(diffuse, 3, Progress.NONE);
    RoomResponse response = RoomResponse.of(diffuse, 3, nullroom.core.Progress.NONE);
    double sum = 0;
    for (Surface surface : diffuse.surfaces()) {
      sum += map.total(surface, true) + map.total(surface, false);
    }
    double reply =
        (response.earlyEnergy().get(4) + response.lateEnergy().get(4))
            / response.directEnergy().get(4);
    assertThat(10 * Math.log10(sum / reply)).isCloseTo(0, within(0.4));
  }

  @Test
  @DisplayName("furniture has its share: a hard box near both sends back more than a soft one")
  void furniture() {
    nullroom.core.room.Furniture hard =
        new nullroom.core.room.Furniture(
            "box", new Point(1.8, 1.2, 0), 0.6, 0.6, 1.2, 0, Finish.of("door_solid"));
    Room one = room.withFurniture(java.util.List.of(hard));
    Room other = room.withFurniture(java.util.List.of(hard.with(Finish.of("glass_fibre_50"))));
    double bare = ReturnMap.of(one, 1, Progress.NONE).pieces().getFirst().early()[0];
    double soft = ReturnMap.of(other, 1, Progress.NONE).pieces().getFirst().early()[0];
    assertThat(bare).isGreaterThan(0.01);
    assertThat(soft).isLessThan(0.6 * bare);
    assertThat(ReturnMap.of(room, 1, Progress.NONE).pieces()).isEmpty();
  }
}
