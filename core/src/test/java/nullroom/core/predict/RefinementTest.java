package nullroom.core.predict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import nullroom.core.Progress;
import nullroom.core.TestRooms;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Pattern;
import nullroom.core.room.Ceiling;
import nullroom.core.room.Finish;
import nullroom.core.room.Furniture;
import nullroom.core.room.Outline;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.RoomItem;
import nullroom.core.room.Surface;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class RefinementTest {
  private final Room room =
      TestRooms.with(TestRooms.box(0.15), Pattern.CARDIOID)
          .withFinish(Surface.FLOOR, new Finish.Stated(Bands.all(0.5), Bands.all(0.1)));
  private final Bands seconds = Statistics.of(room).seconds();
  private final RoomResponse traced = RoomResponse.of(room, 1, Progress.NONE);

  /** Voice bands of the early energy, rooms hard and soft, near and far, against the tracer. */
  @Test
  @DisplayName("first order and statistics together come nearer to the tracer than statistics")
  void quick() {
    double better = 0;
    double worse = 0;
    for (double absorption : new double[] {0.08, 0.2, 0.4}) {
      for (double metres : new double[] {0.3, 1, 2}) {
        Room box = TestRooms.box(absorption);
        Point lips = box.requireTalker().at();
        Room near = RoomItem.MICROPHONE.moved(box, lips.plus(new Point(metres, 0.1, 0.1), 1));
        Room ell = near.reshaped(Outline.ell(5, 4), new Ceiling.Flat(2.5));
        for (Room one : List.of(near, ell)) {
          Bands t = Statistics.of(one).seconds();
          Bands truth = ReflectedSound.of(RoomResponse.of(one, 1, Progress.NONE)).earlyDb();
          better += squares(ReflectedSound.quick(one, t).earlyDb(), truth);
          worse += squares(ReflectedSound.diffuse(one, t).earlyDb(), truth);
        }
      }
    }
    assertThat(Math.sqrt(better / 18)).isLessThan(0.4);
    assertThat(better).isLessThan(worse);
  }

  private static double squares(Bands a, Bands b) {
    double sum = 0;
    for (int k = 2; k < 7; k++) {
      sum += Math.pow(a.get(k) - b.get(k), 2) / 5;
    }
    return sum;
  }

  @Test
  @DisplayName("for the room that was traced the corrected answer is the traced one")
  void exact() {
    Refinement refinement = Refinement.of(room, traced, seconds);
    ReflectedSound corrected = refinement.of(room, seconds, ReflectedSound.quick(room, seconds));
    ReflectedSound truth = ReflectedSound.of(traced);
    for (int b = 0; b < 8; b++) {
      assertThat(corrected.earlyDb().get(b)).isCloseTo(truth.earlyDb().get(b), within(1e-9));
      assertThat(corrected.lateDb().get(b)).isCloseTo(truth.lateDb().get(b), within(1e-9));
    }
    assertThat(refinement.holds(room)).isTrue();
    assertThat(Refinement.alike(room, room.withNoise(Bands.all(30))))
        .as("noise is no matter")
        .isTrue();
    assertThat(Refinement.alike(room, RoomItem.TALKER.turned(room, 90))).isFalse();
    assertThat(refinement.holds(RoomItem.TALKER.moved(room, new Point(1, 1, 1)))).isTrue();
    assertThat(refinement.holds(room.stretched(1.2, 1, 1))).isFalse();
  }

  @Test
  @DisplayName("moved by 30 cm the corrected answer stays nearer to the tracer than the quick one")
  void carried() {
    Room moved = RoomItem.MICROPHONE.moved(room, new Point(1.8, 1.6, 1.2));
    Bands t = Statistics.of(moved).seconds();
    ReflectedSound quick = ReflectedSound.quick(moved, t);
    ReflectedSound corrected = Refinement.of(room, traced, seconds).of(moved, t, quick);
    ReflectedSound truth = ReflectedSound.of(RoomResponse.of(moved, 1, Progress.NONE));
    assertThat(squares(corrected.lateDb(), truth.lateDb()))
        .isLessThan(0.3 * squares(quick.lateDb(), truth.lateDb()));
  }

  @Test
  @DisplayName("half the time as measured: less comes late, by the tracer's own course")
  void measured() {
    Bands half = seconds.map(t -> t / 2);
    ReflectedSound corrected =
        Refinement.of(room, traced, half).of(room, half, ReflectedSound.quick(room, half));
    assertThat(corrected.lateDb().get(4)).isLessThan(ReflectedSound.of(traced).lateDb().get(4) - 4);
  }

  @Test
  @DisplayName("what stands before the microphone silences the direct sound at once")
  void blocked() {
    Furniture board =
        new Furniture("board", new Point(1.35, 1.0, 0.6), 0.02, 1, 1, 0, Finish.of("door_solid"));
    Room hidden = room.withFurniture(List.of(board));
    assertThat(ReflectedSound.quick(hidden, seconds).directBlocked()).isTrue();
    assertThat(Heard.of(hidden).margins().clearDb())
        .isLessThan(Heard.of(room).margins().clearDb() - 3);
  }
}
