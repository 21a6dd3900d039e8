package nullroom.core.predict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import nullroom.core.TestRooms;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Octave;
import nullroom.core.room.Finish;
import nullroom.core.room.Patch;
import nullroom.core.room.Room;
import nullroom.core.room.Surface;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class TuningTest {
  private final Room room =
      TestRooms.box(0.1)
          .withFinish(Surface.FLOOR, new Finish.Stated(Bands.all(0.3), Bands.all(0.1)))
          .withFinish(Surface.wall(2), new Finish.Stated(Bands.all(0.03), Bands.all(0.1)));

  private static List<OptionalDouble> times(Room room) {
    Bands t = Statistics.of(room).seconds();
    return IntStream.range(0, Octave.COUNT).mapToObj(b -> OptionalDouble.of(t.get(b))).toList();
  }

  @Test
  @DisplayName("a room that rings as its description says needs no change and blames nothing")
  void nothingToTune() {
    Tuning tuning = Tuning.of(room, times(room));
    tuning
        .change()
        .values()
        .forEach(f -> {
          for (int b = 0; b < Octave.COUNT; b++) {
            assertThat(f.get(b)).isCloseTo(1, within(1e-6));
          }
        });
    assertThat(tuning.blame()).isEmpty();
  }

  @Test
  @DisplayName(
      "times a quarter longer are met exactly; what absorbs most is changed most, within bounds")
  void longer() {
    Bands described = Statistics.of(room).seconds();
    List<OptionalDouble> measured =
        IntStream.range(0, Octave.COUNT)
            .mapToObj(b -> OptionalDouble.of(1.25 * described.get(b)))
            .toList();
    Tuning tuning = Tuning.of(room, measured);
    for (int b = 0; b < Octave.COUNT; b++) {
      assertThat(tuning.tunedSeconds().get(b))
          .isCloseTo(1.25 * described.get(b), within(0.002 * described.get(b)));
      assertThat(tuning.missingArea().get(b)).isCloseTo(0, within(1e-3));
    }
    assertThat(tuning.changeOf(Surface.FLOOR).get(3))
        .isBetween(1 / Tuning.MOST, tuning.changeOf(Surface.wall(2)).get(3));
    Room again = room;
    for (var entry : tuning.absorption().entrySet()) {
      again = again.withFinish(entry.getKey(), new Finish.Stated(entry.getValue(), Bands.all(0.1)));
    }
    assertThat(Statistics.of(again).seconds().get(4))
        .isCloseTo(1.25 * described.get(4), within(0.01 * described.get(4)));
  }

  @Test
  @DisplayName(
      "a left out carpet is looked for in the treble, an open door everywhere, a rug that is not there is too much")
  void blame() {
    Room bare = TestRooms.box(0.04);
    Room carpeted = bare.withFinish(Surface.FLOOR, Finish.of("carpet_indoor_outdoor"));
    assertThat(Tuning.of(bare, times(carpeted)).blame().orElseThrow())
        .contains("would ring for", "were measured", "carpet");
    Room open = bare.plus(Patch.rectangle("door", Surface.wall(1), 1, 0, 1.6, 2.1, "opening_free"));
    assertThat(Tuning.of(bare, times(open)).blame().orElseThrow()).contains("door stand open");
    assertThat(Tuning.of(open, times(bare)).blame().orElseThrow()).contains("too much");
  }

  @Test
  @DisplayName(
      "octaves without a time keep their coefficients; beyond the bounds area is left missing")
  void bounds() {
    Bands described = Statistics.of(room).seconds();
    List<OptionalDouble> measured =
        IntStream.range(0, Octave.COUNT)
            .mapToObj(b -> b == 0 ? OptionalDouble.empty() : OptionalDouble.of(0.1))
            .toList();
    Tuning tuning = Tuning.of(room, measured);
    assertThat(tuning.changeOf(Surface.FLOOR).get(0)).isEqualTo(1);
    assertThat(tuning.tunedSeconds().get(0)).isCloseTo(described.get(0), within(1e-9));
    for (Bands factor : tuning.change().values()) {
      for (int b = 1; b < Octave.COUNT; b++) {
        assertThat(factor.get(b)).isBetween(1 / Tuning.MOST, Tuning.MOST);
      }
    }
    assertThat(tuning.missingArea().get(3)).isGreaterThan(5);
  }
}
