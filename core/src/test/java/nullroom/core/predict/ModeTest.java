package nullroom.core.predict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import nullroom.core.TestRooms;
import nullroom.core.acoustics.Bands;
import nullroom.core.room.Ceiling;
import nullroom.core.room.Outline;
import nullroom.core.room.Point;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class ModeTest {
  @Test
  @DisplayName("the nearest mode is named within a twelfth; a sloped ceiling counts as its mean")
  void nearest() {
    var box = TestRooms.of(Outline.box(4.2, 3.4), new Ceiling.Flat(1.95), 0.1);
    var loft = TestRooms.of(Outline.box(4.2, 3.4), new Ceiling.LeanTo(1.3, 2.6, 1), 0.1);
    List<Mode> modes = Mode.of(box, 200);
    assertThat(Mode.about(loft, 200))
        .usingRecursiveComparison()
        .withComparatorForType((a, b) -> Math.abs(a - b) < 1e-6 ? 0 : 1, Double.class)
        .isEqualTo(modes);
    assertThat(Mode.of(loft, 200)).isEmpty();
    double first = 0.5 * box.air().speedOfSound() / 4.2;
    Mode found = Mode.nearest(modes, first + 2).orElseThrow();
    assertThat(found.frequencyHz()).isCloseTo(first, within(1e-9));
    assertThat(found.kind()).isEqualTo("axial");
    assertThat(Mode.nearest(modes, 30)).isEmpty();
    var ell =
        new Outline(
            List.of(
                new Point(0, 0, 0),
                new Point(4, 0, 0),
                new Point(4, 2, 0),
                new Point(2, 2, 0),
                new Point(2, 4, 0),
                new Point(0, 4, 0)));
    assertThat(Mode.about(TestRooms.of(ell, new Ceiling.Flat(2.4), 0.1), 200)).isEmpty();
  }

  @Test
  @DisplayName(
      "shape along the room: full in corners, half power an eighth of the way, a node in the middle of (1,0,0)")
  void shape() {
    Mode first = new Mode(41, 1, 0, 0);
    Point low = new Point(0, 0, 0);
    Point size = new Point(4, 3, 2.5);
    assertThat(first.levelDb(new Point(0, 3, 0), low, size)).isCloseTo(0, within(1e-9));
    assertThat(first.levelDb(new Point(1, 1, 1), low, size)).isCloseTo(-3.01, within(0.01));
    assertThat(first.levelDb(new Point(2, 1, 1), low, size)).isEqualTo(-40);
    assertThat(new Mode(130, 1, 1, 1).levelDb(new Point(1, 0.75, 0), low, size))
        .isCloseTo(-6.02, within(0.01));
  }

  @Test
  @DisplayName("least source distance: 1.08 m for 40 m3 and 0.4 s (ISO 3382-1, worked by hand)")
  void leastDistance() {
    Statistics statistics =
        new Statistics(
            40,
            70,
            Bands.all(10),
            java.util.Map.of(Statistics.Formula.EYRING, Bands.all(0.4)),
            Bands.all(0),
            "");
    assertThat(statistics.leastSourceDistance(343.2)).isCloseTo(1.08, within(0.01));
  }
}
