package nullroom.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import nullroom.core.TestRooms;
import nullroom.core.book.Goal;
import nullroom.core.book.Hearing;
import nullroom.core.book.RoomBook;
import nullroom.core.book.Spot;
import nullroom.core.predict.Origin;
import nullroom.core.room.Ceiling;
import nullroom.core.room.Outline;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class ComparedTest {
  private static final Room ROOM = TestRooms.box(0.15).named("bedroom");

  private static Room near() {
    return ROOM.withMicrophone(
        ROOM.requireMicrophone().atDistance(ROOM.requireTalker().at(), 0.15));
  }

  private static RoomBook book(Room room, Spot... spots) {
    return new RoomBook("b", Goal.SPOKEN_ON_CAMERA, room).withSpots(List.of(spots));
  }

  @Test
  @DisplayName("a place as it stands and its spots, each as the ladder would be there")
  void rows() {
    Spot close = Spot.of("close", near());
    List<Compared> rows = Compared.of(book(ROOM, close), Optional.empty());
    assertThat(rows).extracting(Compared::spot).containsExactly("", "close");
    assertThat(rows).extracting(Compared::here).containsExactly(true, false);
    Verdicts there = rows.getLast().ladder().orElseThrow().verdicts();
    assertThat(there)
        .isEqualTo(
            Verdicts.of(Hearing.quick(book(near())).heard(), Goal.SPOKEN_ON_CAMERA.targets()));
    assertThat(rows.getLast().overDb()).isGreaterThan(rows.getFirst().overDb());
    assertThat(rows.getFirst().origins())
        .extracting(Origin::kind)
        .containsExactly(Origin.Kind.ASSUMED, Origin.Kind.PREDICTED);
  }

  @Test
  @DisplayName("where one is at a spot, the place has no row of its own beside it")
  void atASpot() {
    List<Compared> rows =
        Compared.of(book(ROOM, Spot.of("here", ROOM), Spot.of("close", near())), Optional.empty());
    assertThat(rows).extracting(Compared::spot).containsExactly("here", "close");
    assertThat(rows.getFirst().here()).isTrue();
  }

  @Test
  @DisplayName("a spot that no longer fits has no ladder, and stands last")
  void noRoom() {
    Room far =
        ROOM.withMicrophone(
            ROOM.requireMicrophone().movedTo(new Point(3.9, 3, 1.2), ROOM.requireTalker().at()));
    Spot gone = Spot.of("far end", far);
    Room small = ROOM.reshaped(Outline.box(3, 2.5), new Ceiling.Flat(2.5));
    List<Compared> rows = Compared.of(book(small, gone), Optional.empty());
    assertThat(rows.getLast().ladder()).isEmpty();
    assertThat(rows.getLast().origins()).isEmpty();
    assertThat(rows.getLast().overDb()).isEqualTo(Double.NEGATIVE_INFINITY);
  }
}
