package nullroom.core.predict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import nullroom.core.TestRooms;
import nullroom.core.room.Ceiling;
import nullroom.core.room.Outline;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.Surface;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class ParallelPairTest {
  @Test
  @DisplayName(
      "a box has three pairs; an echo between two walls comes back after twice their distance")
  void box() {
    Room room = TestRooms.box(0.1);
    List<ParallelPair> pairs = ParallelPair.of(room);
    assertThat(pairs).hasSize(3);
    assertThat(pairs).extracting(ParallelPair::metres).anyMatch(d -> Math.abs(d - 3.4) < 1e-9);
    ParallelPair found = ParallelPair.fluttering(room, 6.85).orElseThrow();
    assertThat(found.one()).isEqualTo(Surface.wall(1));
    assertThat(found.other()).isEqualTo(Surface.wall(3));
    assertThat(ParallelPair.fluttering(room, 8.4).orElseThrow().metres())
        .isCloseTo(4.2, within(1e-9));
    assertThat(ParallelPair.fluttering(room, 5.8)).as("no pair is 2.9 m apart").isEmpty();
    assertThat(ParallelPair.fluttering(room, 2.5).orElseThrow().one())
        .as("midway between floor and ceiling it comes twice as often")
        .isEqualTo(Surface.FLOOR);
  }

  @Test
  @DisplayName(
      "splayed walls and sloped ceilings make no pair, nor do walls that pass each other by")
  void none() {
    Room splayed =
        TestRooms.of(
            new Outline(
                List.of(
                    new Point(0, 0, 0),
                    new Point(4, 0.5, 0),
                    new Point(4, 3.2, 0),
                    new Point(0, 3.6, 0))),
            new Ceiling.LeanTo(1.6, 2.6, 4),
            0.1);
    assertThat(ParallelPair.of(splayed)).hasSize(1);
    assertThat(ParallelPair.of(splayed).getFirst().metres()).isCloseTo(4, within(1e-9));
    Room ell =
        TestRooms.of(
            new Outline(
                List.of(
                    new Point(0, 0, 0),
                    new Point(5, 0, 0),
                    new Point(5, 2, 0),
                    new Point(2.2, 2, 0),
                    new Point(2.2, 4.5, 0),
                    new Point(0, 4.5, 0))),
            new Ceiling.Flat(2.4),
            0.1);
    List<ParallelPair> pairs = ParallelPair.of(ell);
    assertThat(pairs)
        .noneMatch(p -> p.one().equals(Surface.wall(3)) && p.other().equals(Surface.wall(5)));
    assertThat(pairs)
        .anyMatch(p ->
            p.one().equals(Surface.wall(1))
                && p.other().equals(Surface.wall(3))
                && Math.abs(p.metres() - 2) < 1e-9);
    assertThat(pairs)
        .anyMatch(p -> p.one().equals(Surface.wall(4)) && p.other().equals(Surface.wall(6)));
  }
}
