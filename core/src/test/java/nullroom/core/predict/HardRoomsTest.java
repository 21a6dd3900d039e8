package nullroom.core.predict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.concurrent.CancellationException;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicLong;
import java.util.stream.Stream;
import nullroom.core.Decibels;
import nullroom.core.Progress;
import nullroom.core.TestRooms;
import nullroom.core.acoustics.Bands;
import nullroom.core.acoustics.Octave;
import nullroom.core.acoustics.Pattern;
import nullroom.core.room.Aim;
import nullroom.core.room.Ceiling;
import nullroom.core.room.Finish;
import nullroom.core.room.Outline;
import nullroom.core.room.PlacedMicrophone;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.Surface;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Rooms far from the usual: treated, steep, dead, very live, microphones at walls. */
class HardRoomsTest {
  /** What a second or so of two cores does, in trials of a facet (docs/benchmarks.md). */
  private static final double MOST_TRIALS = 500e6;

  private static Room clad(Room room, double scattering, double... absorption) {
    Room clad = room;
    for (Surface surface : room.surfaces()) {
      clad =
          clad.withFinish(surface, new Finish.Stated(Bands.of(absorption), Bands.all(scattering)));
    }
    return clad;
  }

  private static Room room(Outline outline, Ceiling ceiling, double scattering, double... a) {
    Room room = clad(TestRooms.of(Outline.box(4.2, 3.4), new Ceiling.Flat(2.5), 0.1), 0.1, a);
    Room small =
        room.withTalker(room.requireTalker().movedTo(new Point(0.5, 0.45, 1.0)))
            .withMicrophone(
                room.requireMicrophone()
                    .movedTo(new Point(0.8, 0.6, 1.05), new Point(0.5, 0.45, 1.0)));
    return clad(small.reshaped(outline, ceiling), scattering, a);
  }

  static Stream<Arguments> hard() {
    return Stream.of(
        Arguments.of(
            "booth, live bass, dead treble",
            room(
                Outline.box(1.2, 1.0),
                new Ceiling.Flat(2),
                0.1,
                0.01,
                0.01,
                0.1,
                0.6,
                0.9,
                0.95,
                0.98,
                0.98)),
        Arguments.of(
            "treated, under a steep gable",
            room(
                Outline.box(4.2, 3.6),
                new Ceiling.Gable(1.2, 3.1, true),
                0.1,
                0.05,
                0.06,
                0.12,
                0.5,
                0.85,
                0.9,
                0.92,
                0.95)),
        Arguments.of(
            "a large live hall",
            room(
                Outline.box(40, 30),
                new Ceiling.Flat(10),
                0.05,
                0.02,
                0.02,
                0.02,
                0.02,
                0.02,
                0.02,
                0.02,
                0.02)));
  }

  @ParameterizedTest(name = "{0}")
  @MethodSource("hard")
  @DisplayName(
      "tracing ends within its budget, progress only goes on, and the error reached is near what was asked")
  void endsInTime(String name, Room room) {
    AtomicLong steps = new AtomicLong();
    AtomicLong last = new AtomicLong();
    AtomicInteger back = new AtomicInteger();
    RoomResponse response =
        RoomResponse.of(
            room,
            1,
            (done, total) -> {
              steps.incrementAndGet();
              if (last.getAndAccumulate(done, Math::max) > done + total / 20) {
                back.incrementAndGet(); // threads may pass each other, no round may start anew
              }
              assertThat(done).isBetween(0L, total);
            });
    // each step stands for a million trials, but for the last of each batch
    assertThat(steps.get() - 6L * RayTracer.BATCHES)
        .as(name)
        .isLessThan((long) (MOST_TRIALS / 1e6));
    assertThat(back.get()).isZero();
    assertThat(response.standardErrorDb()).isBetween(0.01, 0.4);
    assertThat(RoomResponse.of(room, 1, Progress.NONE).lateEnergy())
        .isEqualTo(response.lateEnergy());
  }

  @Test
  @DisplayName("cancelled within a batch: hardly another step is taken")
  void cancel() {
    Room room = (Room) hard().toList().getLast().get()[1];
    AtomicInteger after = new AtomicInteger();
    assertThatThrownBy(() ->
            RoomResponse.of(
                room,
                1,
                (done, total) -> {
                  if (after.incrementAndGet() > 0) {
                    throw new CancellationException();
                  }
                }))
        .isInstanceOf(CancellationException.class);
    assertThat(after.get()).as("one a batch at most").isLessThanOrEqualTo(RayTracer.BATCHES);
  }

  @Test
  @DisplayName(
      "the late level of a diffuse field is the same at a wall, in a corner and amid the room (energies; Kuttruff, Room Acoustics)")
  void nearSurfaces() {
    Room even = clad(TestRooms.box(0.1), 0.5, 0.1, 0.1, 0.1, 0.1, 0.1, 0.1, 0.1, 0.1);
    Point lips = new Point(2.9, 2.2, 1.3);
    Room live = even.withTalker(even.requireTalker().movedTo(lips));
    for (Point at :
        List.of(
            new Point(1.6, 1.3, 1.0),
            new Point(0.02, 1.6, 1.2),
            new Point(0.05, 0.05, 1.3),
            new Point(0.02, 0.02, 0.02))) {
      Room there = live.withMicrophone(live.requireMicrophone().movedTo(at, lips));
      Bands late = ReflectedSound.of(RoomResponse.of(there, 4, Progress.NONE)).lateDb();
      Bands field = ReflectedSound.diffuse(there, Statistics.of(there).seconds()).lateDb();
      for (int b = 2; b < 7; b++) {
        assertThat(late.get(b)).as("%s, octave %d", at, b).isCloseTo(field.get(b), within(0.9));
      }
    }
  }

  @Test
  @DisplayName("what one wall scatters comes through the pattern from where that wall is")
  void scatteredThroughThePattern() {
    Room dead = clad(TestRooms.box(1), 0.1, 1, 1, 1, 1, 1, 1, 1, 1);
    Room one =
        TestRooms.with(dead, Pattern.CARDIOID)
            .withFinish(Surface.wall(2), new Finish.Stated(Bands.all(0), Bands.all(1)));
    double[] energy = new double[2];
    for (int turn = 0; turn < 2; turn++) { // wall2 stands at the far end of x
      var microphone = one.requireMicrophone();
      Room turned =
          one.withMicrophone(
              new PlacedMicrophone(
                  microphone.at(), new Aim(180.0 * turn, 0), microphone.capture()));
      energy[turn] = Arrays.stream(RoomResponse.of(turned, 2, Progress.NONE).rays()[4]).sum();
    }
    assertThat(Decibels.ofEnergy(energy[0] / energy[1])).isGreaterThan(8);
  }

  @Test
  @DisplayName("where nothing comes back there is no late level, no clarity and no time")
  void nothingLate() {
    for (double absorption : new double[] {0.9, 1}) {
      double[] a = new double[Octave.COUNT];
      Arrays.fill(a, absorption);
      Room dead = clad(TestRooms.box(0.1), 0.1, a);
      RoomResponse response = RoomResponse.of(dead, 1, Progress.NONE);
      Heard heard = Heard.of(dead, Statistics.of(dead).seconds(), ReflectedSound.of(response));
      assertThat(response.hasLate()).isFalse();
      assertThat(heard.hasLate()).isFalse();
      for (int b = 0; b < Octave.COUNT; b++) {
        assertThat(heard.hasLate(b)).isFalse();
        assertThat(heard.hasReply(b)).isEqualTo(absorption < 1);
        assertThat(heard.c50Db().get(b)).isEqualTo(Heard.MOST_SEEN_DB);
        assertThat(response.t20Seconds(b)).isEmpty();
      }
    }
    assertThat(Heard.of(TestRooms.box(0.2)).hasLate()).isTrue();
  }
}
