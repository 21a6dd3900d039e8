package nullroom.core.plan.treatment;

import static nullroom.core.plan.treatment.PlanSamples.ALL;
import static nullroom.core.plan.treatment.PlanSamples.FREE;
import static nullroom.core.plan.treatment.PlanSamples.book;
import static nullroom.core.plan.treatment.PlanSamples.free;
import static nullroom.core.plan.treatment.PlanSamples.hand;
import static nullroom.core.plan.treatment.PlanSamples.piece;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import nullroom.core.Progress;
import nullroom.core.TestRooms;
import nullroom.core.acoustics.Bands;
import nullroom.core.book.AtHand;
import nullroom.core.book.Goal;
import nullroom.core.book.Hearing;
import nullroom.core.book.RoomBook;
import nullroom.core.book.TreatmentPiece;
import nullroom.core.predict.Heard;
import nullroom.core.predict.TreatedReply;
import nullroom.core.room.Alternative;
import nullroom.core.room.Camera;
import nullroom.core.room.Ceiling;
import nullroom.core.room.Finish;
import nullroom.core.room.Outline;
import nullroom.core.room.Patch;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.Surface;
import nullroom.core.room.SurfaceTag;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class TreatmentPlannerTest {
  /** All sets of places, each worked out by the quick answer itself. */
  private static double exhaustive(Room room, AtHand hand, int most) {
    RoomBook book = book(room);
    Hearing hearing = Hearing.quick(book);
    TreatedReply reply = new TreatedReply(room, hearing.decaySeconds(room));
    List<Placement> places = Places.of(room, hand, reply).placements();
    double[] least = {Double.POSITIVE_INFINITY};
    sets(room, hand, places, 0, new ArrayList<>(), most, hearing, least);
    return least[0];
  }

  private static void sets(
      Room room,
      AtHand hand,
      List<Placement> places,
      int first,
      List<Placement> chosen,
      int most,
      Hearing hearing,
      double[] least) {
    Heard heard = hearing.heard(room);
    double[] seconds = hearing.decaySeconds(room).toArray();
    least[0] =
        Math.min(
            least[0], Standing.offDb(Goal.SPOKEN_ON_CAMERA, heard.margins().clearDb(), seconds));
    for (int i = first; i < places.size() && chosen.size() < most; i++) {
      Placement p = places.get(i);
      long used = chosen.stream().filter(c -> c.kind() == p.kind()).count();
      int count = p.kind() < hand.pieces().size() ? hand.pieces().get(p.kind()).count() : 1;
      double spent = chosen.stream().mapToDouble(Placement::price).sum() + p.price();
      if (used < count
          && spent <= hand.budget().orElseThrow()
          && chosen.stream().noneMatch(p::against)) {
        chosen.add(p);
        sets(p.in(room), hand, places, i + 1, chosen, most, hearing, least);
        chosen.removeLast();
      }
    }
  }

  @ParameterizedTest
  @ValueSource(doubles = {0.06, 0.15})
  @DisplayName("small cases: as near to the goal as the best of all sets, and proved")
  void exhaustive(double absorption) {
    Room room = TestRooms.box(absorption);
    AtHand hand =
        hand(
            List.of(
                piece("mattress", 1, 0, 2.0, 1.9, "mattress_150", TreatmentPiece.Hold.LEAN),
                piece(
                    "panel", 1, 40, 2.4, 2.0, "fibre_calc_100_gap_100", TreatmentPiece.Hold.STAND)),
            50);
    TreatmentPlan plan = free(room, hand, 2);
    double least = exhaustive(room, hand, 2);
    assertThat(plan.after().offDb()).isCloseTo(least, within(Standing.SAME_DB));
    assertThat(plan.boundOffDb()).isCloseTo(least, within(1e-6));
    assertThat(plan.proved()).isTrue();
  }

  @Test
  @DisplayName(
      "what is told is what the room with the pieces gives, and the free plan is not beaten")
  void told() {
    Room room =
        TestRooms.box(0.05)
            .plus(
                Patch.rectangle("window", Surface.wall(1), 1, 0.9, 1.2, 1.2, "glass_double_10")
                    .or(new Alternative("bare", "drawn", Finish.of("curtain_heavy_draped"))));
    TreatmentPlanner.Result found =
        TreatmentPlanner.plan(book(room), AtHand.USUAL, ALL, 4, Progress.NONE);
    assertThat(found.plans()).hasSize(5);
    TreatmentPlan free = found.plans().getFirst();
    assertThat(free.school()).isEqualTo(TreatmentSchool.FREE);
    for (TreatmentPlan plan : found.plans()) {
      Heard heard = Hearing.quick(book(plan.room())).heard();
      assertThat(plan.after().margins().clearDb())
          .isCloseTo(heard.margins().clearDb(), within(1e-9));
      assertThat(plan.after().offDb()).isLessThanOrEqualTo(found.before().offDb() + 1e-9);
      assertThat(free.after().offDb())
          .as(plan.school().id())
          .isLessThanOrEqualTo(plan.after().offDb() + Standing.SAME_DB);
      assertThat(plan.boundOffDb()).isLessThanOrEqualTo(plan.after().offDb() + 1e-9);
      double adds = plan.steps().stream().mapToDouble(TreatmentPlan.Step::addsClearDb).sum();
      assertThat(found.before().margins().clearDb() + adds)
          .isCloseTo(plan.after().margins().clearDb(), within(1e-9));
    }
    TreatmentPlanner.Result again =
        TreatmentPlanner.plan(book(room), AtHand.USUAL, ALL, 4, Progress.NONE);
    assertThat(again).isEqualTo(found);
  }

  @Test
  @DisplayName("limits: nothing filmed, covered, kept clear, drilled, beyond reach or too dear")
  void limits() {
    Room bare = TestRooms.box(0.05);
    Camera camera = Camera.before(bare).with(24, Camera.WIDE);
    Room room =
        bare.withCamera(Optional.of(camera))
            .tagged(Surface.wall(1), Optional.of(SurfaceTag.BOUNCES_LIGHT));
    Patch clear = Patch.rectangle("door swings", Surface.wall(3), 0, 0, 2, 2.5, "door_solid");
    AtHand hand =
        new AtHand(
            List.of(
                piece("duvet", 6, 0, 1.35, 2.0, "duvet_100", TreatmentPiece.Hold.STAND),
                piece("tall", 1, 0, 1, 2.4, "duvet_100", TreatmentPiece.Hold.STAND),
                piece("panel", 3, 30, 1.2, 0.6, "fibre_calc_100_gap_0", TreatmentPiece.Hold.HOOK),
                piece("cloud", 1, 0, 1.2, 0.6, "fibre_calc_100_gap_0", TreatmentPiece.Hold.DRILL)),
            OptionalDouble.of(60),
            OptionalDouble.of(45),
            false,
            false,
            2.2,
            false,
            List.of(new AtHand.KeepClear(clear)),
            true,
            false);
    TreatmentPlanner.Result found = TreatmentPlanner.plan(book(room), hand, ALL, 12, Progress.NONE);
    assertThat(found.warnings())
        .anyMatch(w -> w.contains("“cloud” would have to be drilled"))
        .anyMatch(w -> w.contains("“tall” is larger than"));
    for (TreatmentPlan plan : found.plans()) {
      assertThat(plan.price()).isLessThanOrEqualTo(60);
      assertThat(plan.minutes()).isLessThanOrEqualTo(45);
      for (TreatmentPlan.Step step : plan.steps()) {
        Patch patch = step.patch().orElseThrow();
        assertThat(patch.surface()).isNotEqualTo(Surface.wall(1)).isNotEqualTo(Surface.CEILING);
        assertThat(patch.corners()).allMatch(c -> c.y() <= 2.2 + 1e-9);
        assertThat(patch.overlaps(clear)).isFalse();
        for (double u = 0; u <= 1; u += 0.05) {
          Point foot = patch.corners().getFirst();
          Point at = new Point(foot.x() + u * patch.width(), foot.y() + u * patch.height(), 0);
          assertThat(camera.frames(room.enclosure().unbounded(patch.surface(), at))).isFalse();
        }
      }
    }
  }

  @ParameterizedTest
  @ValueSource(booleans = {true, false})
  @DisplayName("under two slopes a piece lies on one of them, as large along it as it is")
  void slopes(boolean ridgeAlongX) {
    Room gable = TestRooms.of(Outline.box(5, 4), new Ceiling.Gable(1.4, 3.2, ridgeAlongX), 0.05);
    AtHand hand =
        new AtHand(
            List.of(
                piece("panel", 4, 0, 1.2, 0.6, "fibre_calc_100_gap_0", TreatmentPiece.Hold.HOOK)),
            OptionalDouble.empty(),
            OptionalDouble.empty(),
            false,
            true,
            0.5,
            true,
            List.of(),
            true,
            false);
    TreatmentPlan plan = free(gable, hand, 4);
    assertThat(plan.steps()).hasSize(4);
    for (TreatmentPlan.Step step : plan.steps()) {
      Patch patch = step.patch().orElseThrow();
      assertThat(patch.surface()).isEqualTo(Surface.CEILING);
      assertThat(gable.areaOf(patch)).isCloseTo(1.2 * 0.6, within(1e-6));
    }
  }

  @Test
  @DisplayName("a room that is as the goal wants it needs nothing more")
  void done() {
    Room dead = TestRooms.box(0.45);
    TreatmentPiece duvet = piece("duvet", 3, 0, 1.35, 2.0, "duvet_100", TreatmentPiece.Hold.STAND);
    TreatmentPlan plan = free(dead, hand(List.of(duvet), 0), 12);
    assertThat(plan.steps()).isEmpty();
    assertThat(plan.notes()).anyMatch(n -> n.contains("drier than"));
    TreatmentPlan good = free(TestRooms.box(0.3), hand(List.of(duvet), 0), 12);
    assertThat(good.steps()).isEmpty();
    assertThat(good.notes()).contains("Hang nothing more: the room is as the goal wants it.");
  }

  @Test
  @DisplayName("nothing owned and no money: what turning buys, or nothing, said")
  void nothingAtHand() {
    Room room = TestRooms.box(0.05);
    TreatmentPlanner.Result none =
        TreatmentPlanner.plan(book(room), hand(List.of(), 0), FREE, 12, Progress.NONE);
    assertThat(none.plans().getFirst().steps()).isEmpty();
    assertThat(none.warnings()).anyMatch(w -> w.contains("Nothing is at hand"));
    Room curtained =
        room.plus(
            Patch.rectangle("curtain", Surface.wall(1), 0.5, 0.1, 3, 2.2, "glass_double_10")
                .or(new Alternative("open", "drawn", Finish.of("curtain_heavy_draped"))));
    TreatmentPlan plan = free(curtained, hand(List.of(), 0), 12);
    assertThat(plan.steps())
        .singleElement()
        .satisfies(s -> {
          assertThat(s.name()).isEqualTo("curtain");
          assertThat(s.to()).isEqualTo("drawn");
          assertThat(s.minutes()).isEqualTo(1);
        });
  }

  @Test
  @DisplayName("added area by hand: a duvet of 2.7 m2 shortens Eyring's time by its sabins")
  void byHand() {
    Room room = TestRooms.box(0.1);
    AtHand hand =
        hand(List.of(piece("duvet", 1, 0, 1.35, 2.0, "duvet_100", TreatmentPiece.Hold.STAND)), 0);
    TreatmentPlan plan = free(room, hand, 1);
    Bands then = plan.after().decaySeconds();
    double surface = 2 * (4.2 * 3.4 + 4.2 * 2.5 + 3.4 * 2.5);
    double volume = 4.2 * 3.4 * 2.5;
    double alpha = Finish.of("duvet_100").absorption().get(4);
    double mean = 0.1 + 2.7 * (alpha - 0.1) / surface;
    double air = 4 * volume * room.air().energyAttenuation().get(4);
    double k = 24 * Math.log(10) / room.air().speedOfSound();
    double eyring = k * volume / (-surface * Math.log(1 - mean) + air);
    assertThat(then.get(4)).isBetween(eyring - 1e-9, 1.1 * eyring);
  }
}
