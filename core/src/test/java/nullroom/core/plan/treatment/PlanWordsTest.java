package nullroom.core.plan.treatment;

import static nullroom.core.plan.treatment.PlanSamples.FREE;
import static nullroom.core.plan.treatment.PlanSamples.book;
import static nullroom.core.plan.treatment.PlanSamples.free;
import static nullroom.core.plan.treatment.PlanSamples.hand;
import static nullroom.core.plan.treatment.PlanSamples.piece;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import nullroom.core.Progress;
import nullroom.core.TestRooms;
import nullroom.core.acoustics.Bands;
import nullroom.core.book.AtHand;
import nullroom.core.book.TreatmentPiece;
import nullroom.core.predict.Statistics;
import nullroom.core.predict.TreatedReply;
import nullroom.core.room.Camera;
import nullroom.core.room.Finish;
import nullroom.core.room.Furniture;
import nullroom.core.room.Patch;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.Surface;
import nullroom.core.room.SurfaceTag;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is said of plans and their limits. */
class PlanWordsTest {
  private static TreatmentPiece weighing(TreatmentPiece.Hold hold, double kilograms) {
    return new TreatmentPiece(
        "thing",
        2,
        true,
        0,
        5,
        0.8,
        0.8,
        true,
        Finish.of("glass_fibre_50"),
        hold,
        Set.of(),
        OptionalDouble.of(kilograms),
        false);
  }

  private static List<String> cautions(TreatmentPiece.Hold hold) {
    AtHand hand = hand(List.of(weighing(hold, 4.5)), 0).withDrilling(true);
    return free(TestRooms.box(0.04), hand, 2).cautions();
  }

  @ParameterizedTest
  @DisplayName("each way to hold a thing has its own danger")
  @CsvSource({
    "STAND, sandbags, wires",
    "LEAN, fix what leans, wires",
    "LAY, trips, sandbags",
    "DRILL, wires and pipes, trips",
    "HOOK, carry 9 kg together, trips"
  })
  void cautions(TreatmentPiece.Hold hold, String said, String not) {
    List<String> all = cautions(hold);
    assertThat(all).anyMatch(c -> c.contains(said)).noneMatch(c -> c.contains(not));
    assertThat(all).last().asString().contains("local codes");
  }

  @Test
  @DisplayName(
      "overhead: several times its weight, and somebody at the ladder; nothing up, nothing said")
  void overhead() {
    TreatmentPiece cloud =
        new TreatmentPiece(
            "cloud",
            1,
            true,
            0,
            5,
            0.8,
            0.8,
            true,
            Finish.of("glass_fibre_50"),
            TreatmentPiece.Hold.HOOK,
            Set.of("ceiling"),
            OptionalDouble.of(3),
            false);
    assertThat(free(TestRooms.box(0.04), hand(List.of(cloud), 0).withLadder(true), 2).cautions())
        .anyMatch(c -> c.contains("several times its weight") && c.contains("ladder"));
    assertThat(free(TestRooms.box(0.04), hand(List.of(), 0), 2).cautions()).isEmpty();
  }

  @Test
  @DisplayName("limits are priced where they are in force and could stand in the way, and not else")
  void limits() {
    Room bare = TestRooms.box(0.05);
    TreatmentPiece panel =
        piece("panel", 2, 30, 0.6, 0.6, "glass_fibre_50", TreatmentPiece.Hold.DRILL);
    AtHand tight = hand(List.of(panel), 10).withMinutes(15);
    assertThat(Relaxed.all(bare, tight))
        .extracting(Relaxed::limit)
        .containsExactly(
            "spending no more than 10",
            "taking no more than 15 min",
            "drilling nothing",
            "leaving the ladder away",
            "hanging nothing higher than you reach");
    AtHand loose =
        tight.withoutBudget().withoutMinutes().withDrilling(true).withLadder(true).withReach(3);
    assertThat(Relaxed.all(bare, loose)).isEmpty();
    Room filmed =
        bare.withCamera(Optional.of(Camera.before(bare)))
            .tagged(Surface.wall(3), Optional.of(SurfaceTag.STAY_BARE))
            .tagged(Surface.wall(2), Optional.of(SurfaceTag.DARK_CLOTH));
    assertThat(Relaxed.all(filmed, loose))
        .extracting(Relaxed::limit)
        .containsExactly("keeping out of the picture", "keeping wall 3 bare, as it must stay bare");
    assertThat(Relaxed.all(filmed, loose.withInPicture(true))).hasSize(1);
  }

  @Test
  @DisplayName("what must be kept clear on a wall that is not there is said")
  void keptClearElsewhere() {
    Patch nowhere = Patch.rectangle("exit", Surface.wall(9), 0, 0, 1, 2, "door_solid");
    AtHand hand =
        hand(List.of(piece("duvet", 1, 0, 1.35, 2, "duvet_100", TreatmentPiece.Hold.STAND)), 0)
            .withKeepClear(List.of(new AtHand.KeepClear(nowhere)));
    TreatmentPlanner.Result found =
        TreatmentPlanner.plan(book(TestRooms.box(0.05)), hand, FREE, 2, Progress.NONE);
    assertThat(found.warnings()).anyMatch(w -> w.contains("“exit”") && w.contains("does not have"));
    assertThat(found.plans().getFirst().steps()).hasSize(1);
  }

  @Test
  @DisplayName(
      "furniture is not pushed before a door, onto other furniture, or where it carries something")
  void pushing() {
    Furniture sofa =
        new Furniture(
            "sofa", new Point(2.6, 2.6, 0), 1.4, 0.7, 0.8, 0, Finish.of("seats_medium_m2"));
    Furniture chest =
        new Furniture("chest", new Point(0, 2.6, 0), 0.8, 0.8, 0.8, 0, Finish.of("door_solid"));
    Room room =
        TestRooms.box(0.05)
            .plus(Patch.rectangle("door", Surface.wall(2), 0.1, 0, 0.8, 2, "door_hollow"))
            .withFurniture(List.of(sofa, chest));
    AtHand hand = hand(List.of(), 0).withMoves(true);
    List<FurnitureMove> moves = FurnitureMove.all(room, hand);
    assertThat(moves).isNotEmpty();
    for (FurnitureMove move : moves) {
      Furniture there =
          move.room().furniture().stream()
              .filter(f -> f.name().equals(move.name()))
              .findFirst()
              .orElseThrow();
      Furniture other = move.name().equals("sofa") ? chest : sofa;
      assertThat(other.holds(there.corner().plus(new Point(0.1, 0.1, 0.1), 1))).isFalse();
      assertThat(there.distanceTo(new Point(4.2, 0.5, 1)))
          .as("before the door")
          .isGreaterThan(0.89);
    }
  }

  @Test
  @DisplayName("times are never longer than the bound says when absorption is taken away somewhere")
  void mostSeconds() {
    Room room = TestRooms.box(0.3);
    TreatedReply reply = new TreatedReply(room, Statistics.of(room).seconds());
    double[] taken = {1, 1, 2, 2, 3, 3, 4, 4};
    double[] most = new double[8];
    double[] seconds = new double[8];
    TreatedReply.State now = reply.state();
    reply.mostSeconds(now, taken, most);
    for (int pair = 0; pair < 3; pair++) {
      TreatedReply.State less = reply.state();
      less.remove(new TreatedReply.Change(pair, Bands.of(taken), Bands.all(0)));
      reply.seconds(less, seconds);
      for (int b = 0; b < 8; b++) {
        assertThat(seconds[b]).isLessThanOrEqualTo(most[b] + 1e-12);
      }
    }
  }
}
