package nullroom.core.plan.treatment;

import static nullroom.core.plan.treatment.PlanSamples.free;
import static nullroom.core.plan.treatment.PlanSamples.hand;
import static nullroom.core.plan.treatment.PlanSamples.piece;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Locale;
import java.util.Set;
import nullroom.core.TestRooms;
import nullroom.core.acoustics.Bands;
import nullroom.core.book.TreatmentPiece;
import nullroom.core.room.Aim;
import nullroom.core.room.Finish;
import nullroom.core.room.Patch;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.Surface;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

/** Where pieces are said to go, and which of places that are alike is taken. */
class WhereaboutsTest {
  private static String metres(double metres) {
    return String.format(Locale.ROOT, "%.2f m", metres);
  }

  @Test
  @DisplayName(
      "on a wall from the corner with the wall before it: that corner is there in the room, too")
  void corner() {
    Room room = TestRooms.box(0.1);
    for (int wall = 1; wall <= 4; wall++) {
      int before = wall == 1 ? 4 : wall - 1;
      assertThat(
              Whereabouts.of(
                  room, Surface.wall(wall), new Point(0.5, 0.2, 0), WhereaboutsTest::metres))
          .isEqualTo("0.50 m from the corner with wall " + before + ", 0.20 m up");
      Point here = room.enclosure().unbounded(Surface.wall(wall), new Point(0, 0, 0));
      double length = room.enclosure().length(new Surface.Wall(before));
      Point there = room.enclosure().unbounded(Surface.wall(before), new Point(length, 0, 0));
      assertThat(here.distanceTo(there)).isCloseTo(0, within(1e-9));
    }
  }

  @Test
  @DisplayName("a piece from its lower left corner, whichever way its corners run")
  void fromLowerLeft() {
    Room room = TestRooms.box(0.1);
    Patch patch =
        new Patch(
            "duvet",
            Surface.wall(2),
            List.of(
                new Point(2, 2, 0), new Point(1, 2, 0), new Point(1, 0.5, 0), new Point(2, 0.5, 0)),
            Finish.of("duvet_100"));
    assertThat(Whereabouts.of(room, patch, WhereaboutsTest::metres))
        .isEqualTo("1.00 m from the corner with wall 1, 0.50 m up");
    assertThat(Whereabouts.of(room, Surface.FLOOR, new Point(1, 2, 0), WhereaboutsTest::metres))
        .contains("1.00 m along and 2.00 m across");
  }

  @Test
  @DisplayName("what is near to voice and microphone returns more, behind their backs least")
  void returns() {
    Room bare = TestRooms.box(0.1);
    Point at = bare.requireMicrophone().at();
    Room room =
        bare.withTalker(bare.requireTalker().turnedTo(0))
            .withMicrophone(bare.requireMicrophone().placed(at, new Aim(180, 0)));
    Returns returns = new Returns(room);
    double near = returns.of(on(1, 1.0));
    double far = returns.of(on(1, 3.4));
    assertThat(near).isGreaterThan(2 * far).isPositive();
    assertThat(returns.of(on(3, 4.2 - 1.6))).as("further wall").isLessThan(near);
  }

  private static Patch on(int wall, double from) {
    return Patch.rectangle("tile", Surface.wall(wall), from, 1.0, 0.4, 0.4, "foam_calc_50");
  }

  @Test
  @DisplayName(
      "of places that change the same the one that returns most is taken, at ear height and near")
  void settled() {
    Room room = TestRooms.box(0.1);
    TreatmentPiece tile =
        new TreatmentPiece(
            "tile",
            1,
            true,
            0,
            5,
            0.3,
            0.3,
            false,
            new Finish.Stated(Bands.all(0.9), Bands.all(0.1)),
            TreatmentPiece.Hold.HOOK,
            Set.of("wall1"));
    Patch patch = free(room, hand(List.of(tile), 0), 1).steps().getFirst().patch().orElseThrow();
    Returns returns = new Returns(room);
    Patch corner =
        new Patch(
            "tile",
            Surface.wall(1),
            List.of(
                new Point(3.9, 0, 0),
                new Point(4.2, 0, 0),
                new Point(4.2, 0.3, 0),
                new Point(3.9, 0.3, 0)),
            tile.finish());
    assertThat(returns.of(patch)).isGreaterThan(5 * returns.of(corner));
    assertThat(piece("x", 1, 0, 1, 1, "duvet_100", TreatmentPiece.Hold.STAND).trace())
        .isEqualTo("comes down without a trace");
  }
}
