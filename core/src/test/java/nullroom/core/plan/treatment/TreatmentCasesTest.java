package nullroom.core.plan.treatment;

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
import java.util.Set;
import nullroom.core.Progress;
import nullroom.core.TestRooms;
import nullroom.core.acoustics.Bands;
import nullroom.core.book.AtHand;
import nullroom.core.book.TreatmentPiece;
import nullroom.core.predict.Statistics;
import nullroom.core.room.Aim;
import nullroom.core.room.Camera;
import nullroom.core.room.Ceiling;
import nullroom.core.room.Finish;
import nullroom.core.room.Furniture;
import nullroom.core.room.Outline;
import nullroom.core.room.Patch;
import nullroom.core.room.PlacedMicrophone;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.Surface;
import nullroom.core.room.SurfaceTag;
import nullroom.core.room.Talker;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Rooms that people have. */
class TreatmentCasesTest {
  private static final TreatmentPiece DUVET =
      piece("duvet", 3, 0, 1.35, 2.0, "duvet_100", TreatmentPiece.Hold.STAND);
  private static final TreatmentPiece STRIP =
      piece("strip", 4, 0, 0.6, 0.4, "glass_fibre_50", TreatmentPiece.Hold.HOOK);

  /** Hard, with one wall that takes pieces: the others are glass all over. */
  private static Room oneWall() {
    return oneWallOf(2);
  }

  private static Room oneWallOf(int free) {
    Room room = TestRooms.box(0.05);
    for (int wall = 1; wall <= 4; wall++) {
      if (wall == free) {
        continue;
      }
      double length = wall % 2 == 0 ? 3.4 : 4.2;
      room =
          room.plus(
              Patch.rectangle(
                  "window", Surface.wall(wall), 0, 0, length, 2.5, "glass_heavy_plate"));
    }
    return room;
  }

  @Test
  @DisplayName("the only useful wall bounces the lamp's light: never covered, its price told")
  void bounced() {
    Room room = oneWall().tagged(Surface.wall(2), Optional.of(SurfaceTag.BOUNCES_LIGHT));
    AtHand hand = hand(List.of(DUVET, STRIP), 0);
    TreatmentPlanner.Result found = TreatmentPlanner.plan(book(room), hand, FREE, 8, Progress.NONE);
    assertThat(found.plans().getFirst().steps()).isEmpty();
    LimitPrice dearest = found.limits().getFirst();
    assertThat(dearest.limit()).isEqualTo("keeping wall 2 bare, as it bounces light");
    TreatmentPlan without = free(oneWall(), hand, 8);
    assertThat(dearest.costsDb())
        .isCloseTo(found.before().offDb() - without.after().offDb(), within(Standing.SAME_DB));
    assertThat(dearest.costsDb()).isGreaterThan(1);
  }

  @Test
  @DisplayName("the only wall has a window and a door: pieces beside and over them")
  void beside() {
    Room room =
        oneWall()
            .plus(Patch.rectangle("door", Surface.wall(2), 0.1, 0, 0.9, 1.75, "door_hollow"))
            .plus(
                Patch.rectangle("window", Surface.wall(2), 1.7, 0.9, 1.2, 0.9, "glass_double_10"));
    TreatmentPlan plan = free(room, hand(List.of(STRIP), 0), 8);
    assertThat(plan.steps()).hasSize(4);
    List<Patch> patches = plan.steps().stream().map(s -> s.patch().orElseThrow()).toList();
    assertThat(patches).allMatch(p -> p.surface().equals(Surface.wall(2)));
    assertThat(patches).as("between or over").anyMatch(p -> p.corners().getFirst().x() >= 1.0);
    assertThat(plan.after().offDb()).isLessThan(free(room, hand(List.of(), 0), 8).after().offDb());
  }

  @Test
  @DisplayName("one throw over two stands: behind the camera, and its sabins add by hand")
  void oneThrow() {
    Room bare = TestRooms.box(0.08);
    Camera camera = Camera.before(bare).with(28, Camera.WIDE);
    Room room = bare.withCamera(Optional.of(camera));
    TreatmentPiece cloth = piece("throw", 1, 0, 1.3, 1.7, "blanket_100", TreatmentPiece.Hold.STAND);
    TreatmentPlan plan = free(room, hand(List.of(cloth), 0), 1);
    Patch patch = plan.steps().getFirst().patch().orElseThrow();
    for (Point corner : patch.corners()) {
      assertThat(camera.frames(room.enclosure().unbounded(patch.surface(), corner))).isFalse();
    }
    TreatmentPiece nothing = finished(cloth, room.finishOf(patch.surface()));
    TreatmentPiece all = finished(cloth, new Finish.Stated(Bands.all(1), Bands.all(0.1)));
    double transparent = free(room, hand(List.of(nothing), 0), 1).after().margins().clearDb();
    double opaque = free(room, hand(List.of(all), 0), 1).after().margins().clearDb();
    assertThat(plan.after().margins().clearDb()).isBetween(transparent, opaque);
    double gain = plan.traced().margins().clearDb() - traced(room);
    assertThat(plan.steps().getFirst().addsClearDb())
        .as("quick against traced")
        .isCloseTo(gain, within(0.5));
  }

  private static double traced(Room room) {
    return free(room, hand(List.of(), 0), 1).traced().margins().clearDb();
  }

  private static TreatmentPiece finished(TreatmentPiece p, Finish finish) {
    return new TreatmentPiece(
        p.name(),
        1,
        true,
        0,
        10,
        p.widthMetres(),
        p.heightMetres(),
        false,
        finish,
        p.hold(),
        Set.of());
  }

  @Test
  @DisplayName("soft cloth everywhere: one thick panel beats four thin ones, and the bass is told")
  void thickBeatsThin() {
    Room room = TestRooms.box(0.05);
    for (int wall = 1; wall <= 4; wall++) {
      room = room.withFinish(Surface.wall(wall), Finish.of("curtain_medium_draped"));
    }
    TreatmentPiece thick =
        piece("thick", 1, 60, 1.2, 1.2, "fibre_calc_100_gap_100", TreatmentPiece.Hold.HOOK);
    TreatmentPiece thin = piece("thin", 4, 15, 1.2, 0.6, "curtain_light", TreatmentPiece.Hold.HOOK);
    AtHand both = hand(List.of(thick, thin), 60);
    TreatmentPlan plan = free(room, both, 4);
    assertThat(plan.steps()).extracting(TreatmentPlan.Step::name).containsExactly("thick");
    assertThat(plan.notes())
        .anyMatch(
            n -> n.matches("The bass stays: .* at 125 Hz against .* at 4 kHz.*about .* m².*"));
    double needed = Statistics.areaFor(room, 0.4) - Statistics.areaFor(room, 1.0);
    assertThat(needed).isCloseTo(0.161 * room.volume() * (1 / 0.4 - 1), within(0.05));
  }

  @Test
  @DisplayName("a soft thing over a softer one makes nothing livelier")
  void softer() {
    Room room = TestRooms.box(0.6);
    TreatmentPiece rug = piece("rug", 1, 0, 1.6, 1.2, "rug_on_wood", TreatmentPiece.Hold.LAY);
    TreatmentPlanner.Result found =
        TreatmentPlanner.plan(book(room), hand(List.of(rug), 0), FREE, 3, Progress.NONE);
    assertThat(found.plans().getFirst().steps()).isEmpty();
    assertThat(found.plans().getFirst().notes()).anyMatch(n -> n.contains("boxy"));
    assertThat(found.warnings()).anyMatch(w -> w.contains("takes more of the voice"));
    assertThat(found.limits()).isEmpty();
  }

  @Test
  @DisplayName(
      "coloured pieces stay behind the lamp, and the ceiling leaves lamp and boom their space")
  void light() {
    Room bare = TestRooms.box(0.05);
    Point talker = bare.requireTalker().at();
    Furniture lamp =
        new Furniture("lamp", new Point(3.4, 1.6, 2.0), 0.3, 0.3, 0.3, 0, Finish.of("door_hollow"));
    Room room = bare.withFurniture(List.of(lamp));
    TreatmentPiece red =
        new TreatmentPiece(
            "red throw",
            2,
            true,
            0,
            5,
            1,
            1,
            true,
            Finish.of("blanket_100"),
            TreatmentPiece.Hold.STAND,
            Set.of(),
            OptionalDouble.of(1),
            true);
    TreatmentPiece cloud =
        piece("cloud", 12, 0, 0.6, 0.6, "glass_fibre_50", TreatmentPiece.Hold.HOOK);
    List<Patch> patches =
        free(room, hand(List.of(red, cloud), 0).withLadder(true), 12).steps().stream()
            .map(s -> s.patch().orElseThrow())
            .toList();
    assertThat(patches).extracting(Patch::surface).contains(Surface.CEILING);
    for (Patch patch : patches) {
      for (Point corner : patch.corners()) {
        Point at = room.enclosure().unbounded(patch.surface(), corner);
        if (patch.name().equals("red throw")) {
          double ahead =
              (at.x() - 3.55) * (talker.x() - 3.55) + (at.y() - 1.75) * (talker.y() - 1.75);
          assertThat(ahead).isLessThanOrEqualTo(1e-9);
        } else if (patch.surface().equals(Surface.CEILING)) {
          assertThat(lamp.plan()).allMatch(c -> Math.hypot(c.x() - at.x(), c.y() - at.y()) >= 0.3);
        }
      }
    }
  }

  @Test
  @DisplayName("furniture is pushed only where that may be and brings more; its place is free")
  void pushed() {
    Room bare = TestRooms.box(0.04);
    Point talker = bare.requireTalker().at();
    Furniture shelf =
        new Furniture(
            "bookshelf", new Point(1.27, 0.6, 0), 0.16, 2.0, 1.9, 0, Finish.of("bookshelf_full"));
    Room room = bare.withFurniture(List.of(shelf));
    AtHand still = hand(List.of(), 0);
    List<FurnitureMove> moves = FurnitureMove.all(room, still.withMoves(true));
    assertThat(FurnitureMove.all(room, still)).isEmpty();
    for (FurnitureMove m : moves) {
      Furniture there = m.room().furniture().getFirst();
      assertThat(there.distanceTo(new Point(talker.x(), talker.y(), 1))).isGreaterThan(0.49);
    }
    TreatmentPlan stays = free(room, still, 3);
    TreatmentPlan plan = free(room, still.withMoves(true), 3);
    assertThat(plan.after().offDb()).isLessThanOrEqualTo(stays.after().offDb());
    List<TreatmentPlan.Step> pushed =
        new ArrayList<>(plan.steps().stream().filter(s -> s.pushedTo().isPresent()).toList());
    assertThat(pushed)
        .singleElement()
        .satisfies(s -> {
          assertThat(s.name()).isEqualTo("bookshelf");
          assertThat(plan.room().furniture().getFirst().corner())
              .isEqualTo(s.pushedTo().orElseThrow());
        });
    assertThat(plan.boundInWords(stays.after())).contains("not worked out");
  }

  @ParameterizedTest
  @CsvSource({"2, VOICE", "4, MICROPHONE"})
  @DisplayName(
      "common practice: where the only hard wall is before the voice, or behind it where the microphone looks, that school is right")
  void schools(int wall, TreatmentSchool school) {
    Room soft = TestRooms.box(0.18);
    Finish hard = new Finish.Stated(Bands.all(0.02), Bands.all(0.05));
    Room room = soft.withFinish(Surface.wall(wall), hard);
    Talker talker = room.requireTalker().turnedTo(0);
    PlacedMicrophone microphone = room.requireMicrophone();
    Room facing = room.withPeople(talker, microphone.placed(microphone.at(), new Aim(180, 0)));
    List<TreatmentPlan> plans =
        TreatmentPlanner.plan(
                book(facing), hand(List.of(DUVET), 0), PlanSamples.ALL, 1, Progress.NONE)
            .plans();
    TreatmentPlan free = plans.getFirst();
    TreatmentPlan schooled =
        plans.stream().filter(p -> p.school() == school).findFirst().orElseThrow();
    assertThat(free.steps().getFirst().patch().orElseThrow().surface())
        .isEqualTo(Surface.wall(wall));
    assertThat(schooled.after().offDb()).isCloseTo(free.after().offDb(), within(Standing.SAME_DB));
  }

  @Test
  @DisplayName("common practice: where the floor is the only hard surface, furnishings come first")
  void furnishings() {
    Room room =
        TestRooms.box(0.18)
            .withFinish(Surface.FLOOR, new Finish.Stated(Bands.all(0.02), Bands.all(0.05)));
    TreatmentPiece rug = piece("rug", 1, 0, 2.4, 1.6, "carpet_heavy_pad", TreatmentPiece.Hold.LAY);
    TreatmentPlan plan = free(room, hand(List.of(DUVET, rug), 0), 4);
    assertThat(plan.steps().getFirst().name()).isEqualTo("rug");
  }

  @Test
  @DisplayName(
      "a small room, a rug and twelve foam tiles: schools with prices, the rug's little, the boom that stays")
  void booth() {
    Room room = TestRooms.of(Outline.box(2.9, 2.4), new Ceiling.Flat(2.4), 0.06);
    for (Surface surface : List.of(Surface.FLOOR, Surface.CEILING)) {
      room = room.withFinish(surface, Finish.of("plaster_on_brick"));
    }
    TreatmentPiece rug = piece("rug", 1, 0, 0.8, 0.6, "rug_on_wood", TreatmentPiece.Hold.LAY);
    TreatmentPiece tile = piece("tile", 12, 9, 0.5, 0.5, "foam_calc_25", TreatmentPiece.Hold.HOOK);
    TreatmentPlanner.Result found =
        TreatmentPlanner.plan(
            book(room), hand(List.of(rug, tile), 120), PlanSamples.ALL, 12, Progress.NONE);
    assertThat(found.plans()).hasSize(5);
    for (TreatmentPlan plan : found.plans()) {
      double tiles = plan.steps().stream().filter(s -> s.name().equals("tile")).count();
      assertThat(plan.price()).isEqualTo(9 * tiles).isBetween(9.0, 120.0);
    }
    TreatmentPlan free = found.plans().getFirst();
    assertThat(free.notes())
        .anyMatch(n -> n.startsWith("The rug alone moves Clear by 0."))
        .anyMatch(n -> n.startsWith("The bass stays: "));
    TreatmentPlanner.Result again =
        TreatmentPlanner.plan(
            book(room), hand(List.of(rug, tile), 120), PlanSamples.ALL, 12, Progress.NONE);
    assertThat(again).as("same book, same plan").isEqualTo(found);
  }

  @Test
  @DisplayName("nothing goes between a wardrobe and its wall, over it and beside it things do")
  void wardrobe() {
    Furniture wardrobe =
        new Furniture("wardrobe", new Point(0.5, 0, 0), 1.2, 0.6, 1.6, 0, Finish.of("door_hollow"));
    Room room = oneWallOf(1).withFurniture(List.of(wardrobe));
    TreatmentPlan plan = free(room, hand(List.of(STRIP), 0), 4);
    assertThat(plan.steps()).isNotEmpty();
    for (TreatmentPlan.Step step : plan.steps()) {
      Patch patch = step.patch().orElseThrow();
      double left = patch.corners().getFirst().x();
      assertThat(left + 0.6 <= 0.51 || left >= 1.69 || patch.corners().getFirst().y() >= 1.59)
          .isTrue();
    }
    Room away = room.withFurniture(List.of(wardrobe.movedTo(new Point(0.5, 1.9, 0))));
    assertThat(free(away, hand(List.of(DUVET), 0), 4).steps()).isNotEmpty();
  }
}
