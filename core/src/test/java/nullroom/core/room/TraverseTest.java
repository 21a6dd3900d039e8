package nullroom.core.room;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import nullroom.core.Trouble;
import nullroom.core.room.Traverse.Wall;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class TraverseTest {
  @Test
  @DisplayName("walls and angles of a box, an L and a trapezium give their corners again")
  void roundTrip() {
    Outline trapezium =
        new Outline(
            List.of(
                new Point(0, 0, 0),
                new Point(4, 0, 0),
                new Point(3, 2.5, 0),
                new Point(0.5, 2.5, 0)));
    for (Outline outline : List.of(Outline.box(4.2, 3.1), Outline.ell(5, 4), trapezium)) {
      List<Wall> walls = Traverse.walls(outline);
      Traverse again = Traverse.of(walls);
      assertThat(again.missMetres()).isLessThan(1e-9);
      for (int i = 0; i < outline.corners().size(); i++) {
        assertThat(again.outline().corners().get(i).distanceTo(outline.corners().get(i)))
            .isLessThan(1e-9);
      }
      // the angles inside a polygon add up to (n - 2) 180 degrees (Euclid)
      assertThat(walls.stream().mapToDouble(Wall::insideDegrees).sum())
          .isCloseTo((walls.size() - 2) * 180.0, within(1e-9));
    }
  }

  @Test
  @DisplayName("two centimetres missing are shared out along the walls")
  void shared() {
    Traverse t =
        Traverse.of(List.of(new Wall(4, 90), new Wall(3, 90), new Wall(3.98, 90), new Wall(3, 90)));
    assertThat(t.missMetres()).isCloseTo(0.02, within(1e-9));
    List<Point> corners = t.outline().corners();
    double around = 4 + 3 + 3.98 + 3;
    // by hand: the last wall ends 2 cm to the right of the start; each corner moves left in
    // proportion to the way walked
    assertThat(corners.get(1).x()).isCloseTo(4 - 0.02 * 4 / around, within(1e-9));
    assertThat(corners.get(2).x()).isCloseTo(4 - 0.02 * 7 / around, within(1e-9));
    assertThat(corners.get(3).x()).isCloseTo(0.02 - 0.02 * 10.98 / around, within(1e-9));
  }

  @Test
  @DisplayName("walls that do not meet are refused with the gap, a wall without length too")
  void refused() {
    assertThatThrownBy(() ->
            Traverse.of(
                List.of(new Wall(4, 90), new Wall(3, 90), new Wall(3, 90), new Wall(3, 90))))
        .hasMessageContaining("ends 1.00 m from");
    assertThatThrownBy(() -> Traverse.of(List.of(new Wall(4, 90), new Wall(0, 90))))
        .isInstanceOfSatisfying(
            Trouble.BadField.class, t -> assertThat(t.line()).contains("wall 2"));
  }
}
