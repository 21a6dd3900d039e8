package nullroom.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import nullroom.core.Progress;
import nullroom.core.TestRooms;
import nullroom.core.book.Goal;
import nullroom.core.book.Staging;
import nullroom.core.predict.Heard;
import nullroom.core.predict.Margins;
import nullroom.core.room.Aim;
import nullroom.core.room.Camera;
import nullroom.core.room.Ceiling;
import nullroom.core.room.Outline;
import nullroom.core.room.Patch;
import nullroom.core.room.PlacedMicrophone;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.Surface;
import nullroom.core.room.SurfaceTag;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class AdviserTest {
  private static final Margins TARGETS = Goal.SPOKEN_CLOSE.targets();
  private final Room room = TestRooms.box(0.06);

  private List<Move> moves(Room from) {
    return Adviser.moves(from, TARGETS, Staging.USUAL, Heard::of, Progress.NONE);
  }

  @Test
  void everyMoveBuysWhatItSays() {
    Heard now = Heard.of(room);
    Margins.Kind weakest = now.margins().weakest(TARGETS);
    assertThat(moves(room)).isNotEmpty();
    for (Move move : moves(room)) {
      Heard then = Heard.of(move.room());
      assertThat(move.margins()).isEqualTo(then.margins());
      assertThat(move.gainDb())
          .isCloseTo(then.margins().get(weakest) - now.margins().get(weakest), within(1e-9))
          .isGreaterThanOrEqualTo(Adviser.LEAST_GAIN_DB);
      assertThat(move.cost()).isNotNegative();
      assertThat(move.minutes()).isPositive();
    }
  }

  @Test
  void aNearerMicrophoneCostsNothingAndComesBeforeADuvet() {
    Room far =
        room.withMicrophone(
            room.requireMicrophone().movedTo(new Point(2.2, 1.5, 1.2), room.requireTalker().at()));
    List<Move> moves = moves(far);
    assertThat(moves.getFirst().name()).contains("Bring the microphone to 50 cm");
    assertThat(moves.stream().map(Move::name)).anyMatch(name -> name.startsWith("Hang a duvet"));
  }

  @Test
  void aMicrophoneIsNotAskedIntoTheMouth() {
    Room near =
        room.withMicrophone(
            room.requireMicrophone().movedTo(new Point(1.35, 1.5, 1.2), room.requireTalker().at()));
    assertThat(moves(near)).noneMatch(m -> m.name().startsWith("Bring"));
  }

  @Test
  @DisplayName("a microphone is not sent into the picture; where it is in it already it may stay")
  void notIntoThePicture() {
    Point lips = room.requireTalker().at();
    Point eye = lips.plus(new Point(0, 1.2, 0), 1); // films the face from the side, from close by
    Camera camera = new Camera(eye, Aim.along(lips.minus(eye)), 60, Camera.WIDE);
    Room filmed =
        room.withMicrophone(room.requireMicrophone().movedTo(new Point(2.6, 1.5, 1.2), lips))
            .withCamera(Optional.of(camera));
    assertThat(camera.frames(filmed.requireMicrophone().at())).isFalse();
    List<Move> nearer = moves(filmed).stream().filter(m -> m.station().equals("mic")).toList();
    assertThat(nearer).isNotEmpty();
    for (Move move : nearer) {
      assertThat(camera.frames(move.room().requireMicrophone().at())).isFalse();
    }
    Room seen =
        filmed.withMicrophone(
            filmed.requireMicrophone().movedTo(lips.plus(new Point(0.35, 0, 0), 1), lips));
    assertThat(camera.frames(seen.requireMicrophone().at())).isTrue();
    assertThat(moves(seen)).anyMatch(m -> m.station().equals("mic"));
  }

  @Test
  @DisplayName("the search can be cancelled")
  void cancelled() {
    assertThatThrownBy(() ->
            Adviser.moves(
                room,
                TARGETS,
                Staging.USUAL,
                Heard::of,
                (done, total) -> {
                  throw new CancellationException();
                }))
        .isInstanceOf(CancellationException.class);
  }

  @Test
  void tooMuchGainIsTakenBack() {
    PlacedMicrophone m = room.requireMicrophone();
    Room hot = room.withMicrophone(m.with(m.capture().withGainDb(70)));
    assertThat(Heard.of(hot).margins().weakest(TARGETS)).isEqualTo(Margins.Kind.SAFE);
    Move best = moves(hot).getFirst();
    assertThat(best.name()).startsWith("Set the gain to");
    Heard after = Heard.of(best.room());
    assertThat(after.margins().safeDb()).isBetween(TARGETS.safeDb(), TARGETS.safeDb() + 1);
  }

  @Test
  void theRightGainStaysWithinTheInput() {
    PlacedMicrophone m = room.requireMicrophone();
    for (double gain : new double[] {0, 20, 40, 60}) {
      Heard heard = Heard.of(room.withMicrophone(m.with(m.capture().withGainDb(gain))));
      assertThat(Staging.USUAL.rightGainDb(heard, TARGETS))
          .isEqualTo(Staging.USUAL.rightGainDb(Heard.of(room), TARGETS))
          .isBetween(0.0, Staging.HIGHEST_GAIN_DB);
    }
    assertThat(Staging.USUAL.rightGainDb(Heard.of(room), new Margins(0, 0, -200)))
        .isEqualTo(Staging.HIGHEST_GAIN_DB);
    assertThat(Staging.USUAL.rightGainDb(Heard.of(room), new Margins(0, 0, 200))).isZero();
  }

  @ParameterizedTest
  @EnumSource(Hanging.class)
  void piecesFitTheirSurfaceAndHangBesideEachOther(Hanging hanging) {
    for (Surface surface : room.surfaces()) {
      var patch = hanging.patchOn(room, surface);
      assertThat(patch.isPresent())
          .isEqualTo(surface.equals(Surface.FLOOR) == (hanging == Hanging.RUG));
      patch.ifPresent(p -> {
        Room hung = room.plus(p); // refused were it larger than its surface
        hanging.patchOn(hung, surface).ifPresent(hung::plus); // refused did it lie on the first
        assertThat(p.area()).isLessThanOrEqualTo(room.areaOf(surface));
      });
    }
    assertThat(hanging.label()).isNotBlank();
  }

  @Test
  @DisplayName("beside a door and over a low window there is a place; on what must stay bare none")
  void besideAndOver() {
    Surface wall = Surface.wall(1);
    Room door = room.plus(Patch.rectangle("door", wall, 1.6, 0, 0.9, 2.0, "door_solid"));
    Patch beside = Hanging.DUVET.patchOn(door, wall).orElseThrow();
    assertThat(beside.height()).isEqualTo(2.0);
    assertThat(door.hasPlaceFor(beside)).isTrue();
    Room band = room.plus(Patch.rectangle("window", wall, 0.05, 0.8, 4.1, 0.8, "glass_double_10"));
    Patch over = Hanging.BLANKET.patchOn(band, wall).orElseThrow();
    assertThat(over.corners()).allMatch(c -> c.y() >= 1.6);
    assertThat(band.hasPlaceFor(over)).isTrue();
    for (SurfaceTag tag : SurfaceTag.values()) {
      assertThat(Hanging.BLANKET.patchOn(room.tagged(wall, Optional.of(tag)), wall).isPresent())
          .isEqualTo(tag.mayBeCovered());
    }
  }

  @Test
  void aLowWallGetsACutPieceAndACupboardNone() {
    Room low = TestRooms.of(Outline.box(4.2, 3.4), new Ceiling.LeanTo(1.3, 2.6, 1), 0.1);
    Patch piece = Hanging.DUVET.patchOn(low, Surface.wall(1)).orElseThrow();
    double top = piece.corners().stream().mapToDouble(Point::y).max().orElseThrow();
    assertThat(top).isLessThan(1.3);
    assertThat(Surface.wall(3).spoken()).isEqualTo("wall 3");
    assertThat(Surface.CEILING.spoken()).isEqualTo("the ceiling");
  }
}
