package nullroom.core.room;

import static org.assertj.core.api.Assertions.assertThat;

import nullroom.core.TestRooms;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SidesTest {
  @ParameterizedTest(name = "looking to {0} degrees, wall {1} is {2}")
  @CsvSource({
    "0, 2, ahead of you", "0, 4, behind you", "0, 3, to your left", "0, 1, to your right",
    "180, 2, behind you", "90, 3, ahead of you", "90, 2, to your right", "30, 2, ahead of you",
    "-90, 2, to your left", "150, 4, ahead of you"
  })
  void named(double azimuth, int wall, String side) {
    Room room = TestRooms.box(0.1);
    Room turned = room.withTalker(room.requireTalker().turnedTo(azimuth));
    assertThat(Sides.named(turned, Surface.wall(wall))).isEqualTo("wall " + wall + " " + side);
    assertThat(Sides.named(turned, Surface.FLOOR)).isEqualTo("floor");
    assertThat(Sides.named(turned, Surface.CEILING)).isEqualTo("ceiling");
  }
}
