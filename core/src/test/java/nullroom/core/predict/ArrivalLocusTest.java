package nullroom.core.predict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import nullroom.core.TestRooms;
import nullroom.core.room.Ceiling;
import nullroom.core.room.Outline;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.Surface;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class ArrivalLocusTest {
  private static final Room BOX = TestRooms.box(0.1);
  private static final Room LOFT =
      TestRooms.of(Outline.box(4.2, 3.4), new Ceiling.LeanTo(1.3, 2.6, 1), 0.1);

  private static double extra(Room room, Point by) {
    Point talker = room.requireTalker().at();
    Point microphone = room.requireMicrophone().at();
    return talker.distanceTo(by) + by.distanceTo(microphone) - talker.distanceTo(microphone);
  }

  @Test
  @DisplayName("every point of the lines is as far from both foci together as the path is long")
  void lengths() {
    int pieces = 0;
    for (Room room : List.of(BOX, LOFT)) {
      for (Surface surface : room.surfaces()) {
        for (ArrivalLocus.Piece piece : ArrivalLocus.on(room, surface, 2.6)) {
          Point on = room.enclosure().on(surface, piece.from().x(), piece.from().y()).orElseThrow();
          assertThat(extra(room, on)).as(surface.id()).isCloseTo(2.6, within(0.003));
          assertThat(piece.from().distanceTo(piece.to())).isLessThan(0.06);
          pieces++;
        }
      }
    }
    assertThat(pieces).isGreaterThan(300);
    List<ArrivalLocus.Piece> plan = ArrivalLocus.at(BOX, 1.2, 1);
    assertThat(plan).isNotEmpty();
    for (ArrivalLocus.Piece p : plan) {
      assertThat(extra(BOX, new Point(p.to().x(), p.to().y(), 1.2))).isCloseTo(1, within(0.003));
    }
  }

  @Test
  @DisplayName("just beyond the mirrored path of a surface a ring opens on it, around its point")
  void touchesAtTheMirrorPoint() {
    for (Room room : List.of(BOX, LOFT)) {
      for (FirstArrivals.Arrival path : FirstArrivals.of(room)) {
        assertThat(ArrivalLocus.on(room, path.surface().orElseThrow(), path.extraMetres() - 0.01))
            .as("shorter than the shortest way by %s", path.surface())
            .isEmpty();
        assertThat(ArrivalLocus.on(room, path.surface().orElseThrow(), path.extraMetres() + 0.05))
            .as(path.name())
            .isNotEmpty()
            .allMatch(p ->
                room.enclosure()
                        .on(path.surface().orElseThrow(), p.from().x(), p.from().y())
                        .orElseThrow()
                        .distanceTo(path.at())
                    < 1);
      }
    }
  }

  @Test
  @DisplayName("a slope's mirrored path is the shortest one by any of its points (Fermat)")
  void slope() {
    FirstArrivals.Arrival path =
        FirstArrivals.of(LOFT).stream()
            .filter(a -> a.surface().equals(Optional.of(Surface.CEILING)))
            .findFirst()
            .orElseThrow();
    double least = Double.POSITIVE_INFINITY;
    for (double u = 0.001; u < 4.2; u += 0.01) {
      for (double v = 0.001; v < 3.4; v += 0.01) {
        least =
            Math.min(least, extra(LOFT, LOFT.enclosure().on(Surface.CEILING, u, v).orElseThrow()));
      }
    }
    assertThat(path.extraMetres()).isCloseTo(least, within(0.0005));
  }
}
