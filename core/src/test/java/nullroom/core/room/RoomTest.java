package nullroom.core.room;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nullroom.core.TestRooms;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Bands;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class RoomTest {
  /** An L: 4 by 3 m less a corner of 2 by 1 m. */
  private static final Outline L_SHAPE =
      new Outline(
          List.of(
              new Point(0, 0, 0),
              new Point(4, 0, 0),
              new Point(4, 2, 0),
              new Point(2, 2, 0),
              new Point(2, 3, 0),
              new Point(0, 3, 0)));

  @Test
  void aBoxByTape() {
    Room box = TestRooms.box(0.2);
    assertThat(box.volume()).isCloseTo(4.2 * 3.4 * 2.5, within(1e-9));
    assertThat(box.isBox()).isTrue();
    assertThat(box.areaOf(Surface.wall(1))).isCloseTo(4.2 * 2.5, within(1e-9));
    assertThat(box.areaOf(Surface.wall(2))).isCloseTo(3.4 * 2.5, within(1e-9));
    assertThat(box.areaOf(Surface.CEILING)).isCloseTo(4.2 * 3.4, within(1e-9));
    assertThat(box.surfaces())
        .extracting(Surface::id)
        .containsExactly("floor", "ceiling", "wall1", "wall2", "wall3", "wall4");
    assertThat(box.size()).isEqualTo(new Point(4.2, 3.4, 2.5));
    assertThat(box.faces().stream().mapToDouble(Face::areaSquareMetres).sum())
        .isCloseTo(2 * (4.2 * 3.4 + 4.2 * 2.5 + 3.4 * 2.5), within(1e-9));
  }

  @Test
  void anLShapeByTape() {
    Room room = TestRooms.of(L_SHAPE, new Ceiling.Flat(2.4), 0.1);
    assertThat(L_SHAPE.area()).isCloseTo(10, within(1e-9));
    assertThat(room.volume()).isCloseTo(24, within(1e-9));
    assertThat(room.isBox()).isFalse();
    double walls = 0;
    for (int k = 1; k <= 6; k++) {
      walls += room.areaOf(Surface.wall(k));
    }
    assertThat(walls).isCloseTo(14 * 2.4, within(1e-9));
    assertThat(L_SHAPE.contains(new Point(3, 2.5, 0))).isFalse();
    assertThat(L_SHAPE.contains(new Point(1, 2.5, 0))).isTrue();
    Point centre = Outline.centre(L_SHAPE.corners());
    assertThat(centre.x()).isCloseTo((12 * 2 - 2 * 3) / 10.0, within(1e-9));
    assertThat(centre.y()).isCloseTo((12 * 1.5 - 2 * 2.5) / 10.0, within(1e-9));
  }

  @Test
  void aLeanToByTape() {
    Room room = TestRooms.of(Outline.box(4, 3), new Ceiling.LeanTo(1.2, 2.7, 1), 0.1);
    assertThat(room.volume()).isCloseTo(4 * 3 * 1.95, within(1e-9));
    assertThat(room.areaOf(Surface.wall(1))).isCloseTo(4 * 1.2, within(1e-9));
    assertThat(room.areaOf(Surface.wall(3))).isCloseTo(4 * 2.7, within(1e-9));
    assertThat(room.areaOf(Surface.wall(2))).isCloseTo(3 * 1.95, within(1e-9));
    assertThat(room.areaOf(Surface.CEILING)).isCloseTo(4 * Math.hypot(3, 1.5), within(1e-9));
    assertThat(room.heightAt(new Point(2, 1.5, 0))).isCloseTo(1.95, within(1e-9));
    assertThat(room.size().z()).isCloseTo(2.7, within(1e-9));
  }

  @ParameterizedTest
  @CsvSource({"true", "false"})
  void aGableByTape(boolean alongX) {
    Room room = TestRooms.of(Outline.box(4, 4), new Ceiling.Gable(1.4, 3.0, alongX), 0.1);
    assertThat(room.volume()).isCloseTo(16 * 2.2, within(1e-9));
    assertThat(room.areaOf(Surface.CEILING)).isCloseTo(2 * 4 * Math.hypot(2, 1.6), within(1e-9));
    Surface knee = alongX ? Surface.wall(1) : Surface.wall(2);
    Surface end = alongX ? Surface.wall(2) : Surface.wall(1);
    assertThat(room.areaOf(knee)).isCloseTo(4 * 1.4, within(1e-9));
    assertThat(room.areaOf(end)).isCloseTo(4 * 2.2, within(1e-6));
    assertThat(room.size().z()).isEqualTo(3.0);
    assertThat(room.heightAt(new Point(2, 2, 0))).isCloseTo(3.0, within(1e-9));
  }

  @Test
  void aPatchTakesTheSurfacesPlace() {
    Room room =
        TestRooms.box(0.2).plus(Patch.rectangle("rug", Surface.FLOOR, 1, 1, 2, 1.5, "rug_on_wood"));
    List<Face> floor =
        room.faces().stream().filter(f -> f.surface().equals(Surface.FLOOR)).toList();
    assertThat(floor).hasSize(2);
    assertThat(floor.stream().mapToDouble(Face::areaSquareMetres).sum())
        .isCloseTo(4.2 * 3.4, within(1e-9));
    assertThat(room.withPatches(List.of())).isEqualTo(TestRooms.box(0.2));
  }

  @Test
  void copiesChangeOneThing() {
    Room room = TestRooms.box(0.2);
    Talker louder = room.requireTalker().movedTo(new Point(1, 1, 1));
    assertThat(room.withTalker(louder).requireTalker().at()).isEqualTo(new Point(1, 1, 1));
    assertThat(room.withTalker(louder).requireMicrophone()).isEqualTo(room.requireMicrophone());
    assertThat(room.withNoise(Bands.all(30)).noiseDbSpl()).contains(Bands.all(30));
    Room soft = room.withFinish(Surface.wall(2), Finish.of("blanket_100"));
    assertThat(soft.finishOf(Surface.wall(2))).isEqualTo(Finish.of("blanket_100"));
    assertThat(soft.finishOf(Surface.wall(1))).isEqualTo(room.finishOf(Surface.wall(1)));
  }

  @Test
  void stretchingKeepsTheKindOfCeilingAndTheShareOfTheWay() {
    Room room = TestRooms.of(Outline.box(4, 3), new Ceiling.LeanTo(1.2, 2.4, 1), 0.1);
    Room bigger = room.stretched(2, 1, 1.5);
    assertThat(bigger.size().x()).isCloseTo(8, within(1e-9));
    assertThat(bigger.size().z()).isCloseTo(3.6, within(1e-9));
    assertThat(bigger.ceiling()).isInstanceOf(Ceiling.LeanTo.class);
    assertThat(bigger.requireTalker().at().x()).isCloseTo(2.4, within(1e-9));
    assertThat(bigger.requireTalker().at().z()).isCloseTo(1.2, within(1e-9));
    assertThat(bigger.requireMicrophone().aim()).isEqualTo(room.requireMicrophone().aim());
    assertThatThrownBy(() -> room.stretched(1, 1, 0.2))
        .isInstanceOf(Trouble.BadField.class)
        .hasMessageContaining("lowMetres");
    assertThatThrownBy(() -> room.stretched(1000, 1, 1)).isInstanceOf(Trouble.BadField.class);
  }

  @Test
  void whatCannotBeIsRefusedWithItsPlace() {
    Room room = TestRooms.box(0.2);
    refused(() -> room.withTalker(room.requireTalker().movedTo(new Point(9, 1, 1))), "talker.at");
    refused(
        () -> room.withTalker(room.requireTalker().movedTo(room.requireMicrophone().at())),
        "microphone.at");
    refused(() -> room.withFinish(Surface.wall(7), Finish.of("tile_marble")), "surfaces.wall7");
    refused(
        () -> room.plus(Patch.rectangle("carpet", Surface.FLOOR, 0, 0, 5, 4, "rug_on_wood")),
        "patches");
    refused(
        () -> room.plus(Patch.rectangle("rug", Surface.wall(9), 0, 0, 1, 1, "rug_on_wood")),
        "patches[0].surface");
    refused(
        () ->
            Room.empty(
                "bare",
                Outline.box(3, 3),
                new Ceiling.Flat(2.4),
                new Finishes(Map.of(), Optional.empty())),
        "surfaces.floor");
  }

  private static void refused(
      org.assertj.core.api.ThrowableAssert.ThrowingCallable make, String place) {
    assertThatThrownBy(make)
        .isInstanceOfSatisfying(
            Trouble.class, trouble -> assertThat(trouble.place()).contains(place));
  }

  @Test
  @DisplayName(
      "outlines that are no floor: crossing, clockwise, a spike, too small, in millimetres")
  void badOutlines() {
    for (double[][] corners :
        new double[][][] {
          {{0, 0}, {4, 3}, {4, 0}, {0, 3}},
          {{0, 0}, {0, 3}, {4, 3}, {4, 0}},
          {{0, 0}, {0, 0}, {4, 3}},
          {{0, 0}, {0.2, 0}, {0.2, 0.2}},
          {{0, 0}, {4200, 0}, {4200, 3000}},
          {{0, 0}, {4, 0}}
        }) {
      List<Point> points = Arrays.stream(corners).map(c -> new Point(c[0], c[1], 0)).toList();
      assertThatThrownBy(() -> new Outline(points)).isInstanceOf(IllegalArgumentException.class);
    }
  }

  @ParameterizedTest
  @CsvSource({"0,0,1,0,0", "90,0,0,1,0", "180,0,-1,0,0", "0,90,0,0,1", "45,0,0.7071,0.7071,0"})
  void aimsAreAzimuthFromXAndElevationUp(
      double azimuth, double elevation, double x, double y, double z) {
    Aim aim = new Aim(azimuth, elevation);
    Point d = aim.direction();
    assertThat(d.x()).isCloseTo(x, within(1e-4));
    assertThat(d.y()).isCloseTo(y, within(1e-4));
    assertThat(d.z()).isCloseTo(z, within(1e-4));
    assertThat(aim.angleTo(d)).isCloseTo(0, within(1e-4));
    assertThat(aim.angleTo(new Point(-d.x(), -d.y(), -d.z()))).isCloseTo(180, within(1e-4));
    assertThat(Aim.along(d).angleTo(d)).isCloseTo(0, within(1e-4));
  }

  private static Outline outline(String corners) {
    return new Outline(
        Arrays.stream(corners.split(";"))
            .map(c -> c.trim().split(" "))
            .map(c -> new Point(Double.parseDouble(c[0]), Double.parseDouble(c[1]), 0))
            .toList());
  }

  @ParameterizedTest(name = "{0}")
  @DisplayName("outlines that touch themselves, spikes and folds are refused with both walls")
  @CsvSource({
    "0 0; 2 0; 4 0; 4 3; 2 0; 0 3, wall1 | wall4", // two halves that meet in a corner
    "0 0; 4 0; 4 3; 2 0.0005; 0 3, wall1 | wall3",
    "0 0; 4 0; 6 0; 4 0; 4 3; 0 3, wall3 | wall2", // a spike
    "0 0; 4 0; 4 3; 2 3; 3 3; 0 3, wall4 | wall3", // a fold
    "0 0; 4 0; 4 3; 2 3; 2 -1; 1 -1; 1 3; 0 3, wall1 | wall4"
  })
  void outlinesThatTouchThemselves(String corners, String walls) {
    for (String wall : walls.split("\\|")) {
      assertThatThrownBy(() -> outline(corners))
          .isInstanceOf(IllegalArgumentException.class)
          .hasMessageContaining(wall.trim());
    }
    assertThat(outline("0 0; 2 0; 4 0; 4 3; 2 1; 0 3").area()).as("a notch is none").isPositive();
  }

  @Test
  @DisplayName("a piece on a slope of 63 degrees has the slope's area: 6.9 m2 in plan are 15.4")
  void piecesOnSlopes() {
    Room steep =
        TestRooms.of(
            Outline.box(4, 3), new Ceiling.LeanTo(0.5, 0.5 + 3 * Math.tan(1.1045), 1), 0.1);
    Patch piece = Patch.rectangle("mats", Surface.CEILING, 0.35, 0.4, 3.0, 2.3, "tile_marble");
    double slope = 6.9 / Math.cos(1.1045);
    assertThat(piece.area()).isCloseTo(6.9, within(1e-9));
    assertThat(steep.areaOf(piece)).isCloseTo(slope, within(1e-6));
    assertThat(
            steep.plus(piece).faces().stream()
                .filter(f -> f.surface().equals(Surface.CEILING))
                .mapToDouble(Face::areaSquareMetres))
        .hasSize(2)
        .first()
        .satisfies(a -> assertThat(a).isCloseTo(slope, within(1e-6)));
    Room gable = TestRooms.of(Outline.box(4, 4), new Ceiling.Gable(1, 3, true), 0.1);
    Patch over =
        Patch.rectangle("cloth", Surface.CEILING, 1, 1, 2, 2, "tile_marble"); // over the ridge
    assertThat(gable.areaOf(over)).isCloseTo(4 * Math.sqrt(2), within(1e-6));
  }

  @Test
  @DisplayName("pieces beyond their surface or on each other are refused, both named")
  void piecesThatCannotLieThere() {
    Room room = TestRooms.of(L_SHAPE, new Ceiling.Gable(1.4, 2.6, true), 0.1);
    Patch rug = Patch.rectangle("rug", Surface.FLOOR, 0.2, 0.2, 1.5, 1, "tile_marble");
    assertThat(room.plus(rug).hasPlaceFor(rug)).isFalse();
    refusedPiece(
        room, Patch.rectangle("mat", Surface.FLOOR, 1.5, 1.5, 1, 1, "tile_marble"), "mat", "floor");
    refusedPiece(
        room, Patch.rectangle("mat", Surface.FLOOR, 3, 0.5, 2, 1, "tile_marble"), "mat", "floor");
    refusedPiece(
        room,
        Patch.rectangle("cloth", Surface.wall(1), 0.5, 1, 1, 0.6, "tile_marble"),
        "cloth",
        "wall1");
    refusedPiece(
        room.plus(rug),
        Patch.rectangle("mat", Surface.FLOOR, 1, 1, 1, 1, "tile_marble"),
        "mat",
        "rug");
    refusedPiece(
        room.plus(rug),
        Patch.rectangle("mat", Surface.FLOOR, 0.5, 0.5, 0.2, 0.2, "tile_marble"),
        "mat",
        "rug");
    Patch beside = Patch.rectangle("mat", Surface.FLOOR, 1.7, 0.2, 1, 1, "tile_marble");
    assertThat(room.plus(rug).plus(beside).patches()).hasSize(2);
    assertThat(room.carries(Patch.rectangle("sheet", Surface.wall(2), 0, 0, 2, 1.4, "tile_marble")))
        .isTrue();
  }

  private static void refusedPiece(Room room, Patch patch, String... named) {
    assertThatThrownBy(() -> room.plus(patch))
        .isInstanceOf(Trouble.BadField.class)
        .hasMessageContainingAll(named);
    assertThat(room.hasPlaceFor(patch)).isFalse();
  }
}
