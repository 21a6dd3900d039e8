package nullroom.core.room;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class SurfaceTest {
  @Test
  @DisplayName("keys of room files lead to surfaces and back")
  void keys() {
    for (Surface s : List.of(Surface.FLOOR, Surface.CEILING, Surface.wall(1), Surface.wall(37))) {
      assertThat(Surface.find(s.id())).contains(s);
    }
    assertThat(Surface.wall(2).label()).isEqualTo("wall 2");
    assertThat(Surface.FLOOR.spoken()).isEqualTo("the floor");
    assertThatThrownBy(() -> Surface.wall(0)).hasMessageContaining("count from 1");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {"", "moon", "walls", "wall", "wall0", "wall01", "wall-1", "wall99999", "Floor"})
  void noSurface(String id) {
    assertThat(Surface.find(id)).isEmpty();
  }

  @Test
  @DisplayName("a wall under the ridge has its corner there, wherever its corners are asked")
  void ridge() {
    Enclosure gable =
        new Enclosure(
            Outline.box(5, 4), new Ceiling.Gable(1.2, 3.1, true)); // ridge along x at y = 2
    Surface.Wall end = new Surface.Wall(2);
    List<Point> polygon = gable.polygon(end);
    assertThat(polygon).hasSize(5);
    assertThat(polygon.get(3).distanceTo(new Point(2, 3.1, 0))).isLessThan(1e-12);
    assertThat(gable.area(end)).isCloseTo(4 * (1.2 + 3.1) / 2, within(1e-12));
    assertThat(gable.corners(end).get(3).distanceTo(new Point(5, 2, 3.1))).isLessThan(1e-12);
    assertThat(gable.span(end, 1)[1]).isCloseTo(3.1, within(1e-12));
    for (Point p : polygon) {
      Point there = gable.unbounded(end, p);
      assertThat(gable.local(end, there).distanceTo(p)).isLessThan(1e-12);
      assertThat(there.z()).isLessThanOrEqualTo(gable.heightAt(there) + 1e-9);
    }
    assertThat(gable.on(end, 2, 3.05)).isPresent();
    assertThat(gable.on(end, 0.5, 2.5)).as("over the slope").isEmpty();
    assertThat(gable)
        .isEqualTo(new Enclosure(Outline.box(5, 4), new Ceiling.Gable(1.2, 3.1, true)))
        .isNotEqualTo(new Enclosure(Outline.box(5, 4), new Ceiling.Flat(3)));
  }
}
