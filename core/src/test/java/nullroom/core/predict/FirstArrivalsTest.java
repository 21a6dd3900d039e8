package nullroom.core.predict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import nullroom.core.TestRooms;
import nullroom.core.room.Patch;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.Surface;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class FirstArrivalsTest {
  private final Room room = TestRooms.box(0.1);

  @Test
  @DisplayName("in a box, six paths of the closed form (Allen and Berkley 1979)")
  void closedForm() {
    Point t = room.requireTalker().at();
    Point m = room.requireMicrophone().at();
    Point size = room.size();
    Map<Optional<Surface>, Double> paths =
        FirstArrivals.of(room).stream()
            .collect(
                Collectors.toMap(
                    FirstArrivals.Arrival::surface, FirstArrivals.Arrival::extraMetres));
    assertThat(paths).hasSize(6);
    double direct = t.distanceTo(m);
    List<Double> expected =
        List.of(
            new Point(-t.x(), t.y(), t.z()).distanceTo(m) - direct,
            new Point(2 * size.x() - t.x(), t.y(), t.z()).distanceTo(m) - direct,
            new Point(t.x(), -t.y(), t.z()).distanceTo(m) - direct,
            new Point(t.x(), 2 * size.y() - t.y(), t.z()).distanceTo(m) - direct,
            new Point(t.x(), t.y(), -t.z()).distanceTo(m) - direct,
            new Point(t.x(), t.y(), 2 * size.z() - t.z()).distanceTo(m) - direct);
    for (double extra : expected) {
      assertThat(paths.values()).anyMatch(is -> Math.abs(is - extra) < 1e-9);
    }
    assertThat(paths.get(Optional.of(Surface.FLOOR)))
        .isCloseTo(new Point(t.x(), t.y(), -t.z()).distanceTo(m) - direct, within(1e-9));
    FirstArrivals.Arrival floor = byFloor(room);
    double path = floor.extraMetres() + direct;
    assertThat(floor.levelDb())
        .isCloseTo(20 * Math.log10(direct / path) + 10 * Math.log10(0.9), within(1e-9));
  }

  @Test
  @DisplayName("a piece where the path meets the surface gives it its name and its absorption")
  void pieces() {
    FirstArrivals.Arrival bare = byFloor(room);
    Point at = bare.at();
    Room carpeted =
        room.plus(
            Patch.rectangle(
                "rug", Surface.FLOOR, at.x() - 0.2, at.y() - 0.2, 0.4, 0.4, "carpet_thin_glued"));
    FirstArrivals.Arrival soft = byFloor(carpeted);
    assertThat(soft.name()).isEqualTo("rug");
    assertThat(soft.extraMetres()).isEqualTo(bare.extraMetres());
    assertThat(soft.levelDb()).isLessThan(bare.levelDb());
    assertThat(FirstArrivals.matching(List.of(bare), bare.extraMetres() + 0.05, 0.1)).hasSize(1);
    assertThat(FirstArrivals.matching(List.of(bare), bare.extraMetres() + 0.2, 0.1)).isEmpty();
  }

  private static FirstArrivals.Arrival byFloor(Room room) {
    return FirstArrivals.of(room).stream()
        .filter(a -> a.surface().equals(Optional.of(Surface.FLOOR)))
        .findFirst()
        .orElseThrow();
  }
}
