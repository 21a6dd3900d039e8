package nullroom.core.plan.mic;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import nullroom.core.TestRooms;
import nullroom.core.acoustics.Bands;
import nullroom.core.book.Shelf;
import nullroom.core.room.Aim;
import nullroom.core.room.Camera;
import nullroom.core.room.Finish;
import nullroom.core.room.Furniture;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a picture leaves to microphones, against the geometry of a lens by hand. */
class FrameReachTest {
  private static final double PHONE_MILLIMETRES = 26;

  /** The talker of the test room turned to a camera at lip height, so far before them. */
  private static Room filmed(double metres, double millimetres, double ratio) {
    Room room = TestRooms.box(0.2);
    Point lips = room.requireTalker().at();
    Point lens = lips.plus(new Point(metres, 0, 0), 1);
    return room.withCamera(
        Optional.of(new Camera(lens, Aim.along(lips.minus(lens)), millimetres, ratio)));
  }

  private static FrameReach of(Room room) {
    return FrameReach.of(room, Shelf.EMPTY).getFirst();
  }

  @ParameterizedTest(name = "{0}")
  @DisplayName("a phone at 1 m: nearest places beside and over the lips are half the picture")
  @CsvSource({"upright, 0.5625", "across, 1.7777778"})
  void phone(String way, double ratio) {
    FrameReach reach = of(filmed(1, PHONE_MILLIMETRES, ratio));
    double longer = 0.5 * 36 / PHONE_MILLIMETRES; // of the picture at 1 m, from its middle
    double shorter = longer * 9 / 16;
    assertThat(reach.upright()).isEqualTo("upright".equals(way));
    double beside = ratio < 1 ? shorter : longer;
    double above = ratio < 1 ? longer : shorter;
    assertThat(reach.left().orElseThrow()).isCloseTo(beside, within(0.011));
    assertThat(reach.right().orElseThrow()).isCloseTo(beside, within(0.011));
    assertThat(reach.above().orElseThrow()).isCloseTo(above, within(0.011));
    assertThat(reach.below().orElseThrow()).isCloseTo(above, within(0.011));
    assertThat(reach.widthMetres()).isCloseTo(2 * beside, within(1e-6));
    assertThat(reach.headroomMetres()).isCloseTo(above - FrameReach.CROWN_METRES, within(1e-6));
    assertThat(reach.lips()).isTrue();
  }

  @ParameterizedTest(name = "{0} mm at {1} m")
  @DisplayName(
      "25 cm before the lips a boom hangs where handbook geometry has it, 5 cm off the edge")
  @CsvSource({
    "26, 1.4, 1.09, 0.31, 0.26",
    "35, 1.9, 1.10, 0.31, 0.29",
    "50, 1.36, 0.55, 0.26, 0.25"
  })
  void boom(double millimetres, double metres, double height, double underEdge, double above) {
    Room room = TestRooms.box(0.2);
    Point lips = room.requireTalker().at();
    double lensUnderLips = height / 2 - underEdge; // the camera is held level
    Point lens = lips.plus(new Point(metres, 0, -lensUnderLips), 1);
    Camera camera = new Camera(lens, new Aim(180, 0), millimetres, Camera.WIDE);
    FrameReach reach = of(room.withCamera(Optional.of(camera)));
    assertThat(reach.heightMetres()).isCloseTo(height, within(0.006));
    Point edge = lips.plus(new Point(0.25, 0, above - 0.05), 1);
    assertThat(camera.frames(edge.plus(new Point(0, 0, -0.012), 1))).isTrue();
    assertThat(camera.frames(edge.plus(new Point(0, 0, 0.012), 1))).isFalse();
  }

  @Test
  @DisplayName("the shot is named by what it shows, and a tighter one lets a boom come nearer")
  void buys() {
    FrameReach reach = of(filmed(1.9, 35, Camera.WIDE));
    assertThat(reach.shot()).isEqualTo(Shelf.Shot.WAIST);
    double now = reach.nearest().orElseThrow();
    assertThat(reach.buys())
        .anyMatch(b -> b.what().contains("head and shoulders"))
        .anyMatch(b -> b.what().contains("headroom"))
        .allSatisfy(b -> {
          assertThat(b.nearest()).isLessThan(now);
          assertThat(b.gainDb()).isCloseTo(20 * Math.log10(now / b.nearest()), within(1e-9));
        });
  }

  @Test
  @DisplayName("a picture that misses the lips says so; without a camera there is no picture")
  void odd() {
    Room room = TestRooms.box(0.2);
    assertThat(FrameReach.of(room, Shelf.EMPTY)).isEmpty();
    Camera away = new Camera(new Point(3, 1.5, 1.2), new Aim(0, 0), 35, Camera.WIDE);
    FrameReach reach = of(room.withCamera(Optional.of(away)));
    assertThat(reach.lips()).isFalse();
    assertThat(reach.buys()).isEmpty();
    assertThat(reach.headroomMetres()).isNaN();
    assertThat(of(filmed(1.9, Camera.LONGEST_MILLIMETRES, Camera.WIDE)).buys())
        .as("no lens is longer")
        .noneMatch(b -> b.what().contains("half as long again"));
  }

  @Test
  @DisplayName("a boom between lamp and face throws its shadow on the face, one aside does not")
  void shadow() {
    Room room = filmed(1.9, 35, Camera.WIDE);
    Point head = room.requireTalker().at().plus(new Point(-0.09, 0, 0.05), 1);
    Furniture lamp =
        new Furniture(
            "Key lamp",
            new Point(2.15, 1.45, 2.0),
            0.1,
            0.1,
            0.1,
            0,
            new Finish.Stated(Bands.all(0.1), Bands.all(0.1)));
    Room lit = room.withFurniture(List.of(lamp));
    Point between = lamp.middle().plus(head.minus(lamp.middle()), 0.6);
    Room shaded =
        lit.withMicrophone(lit.requireMicrophone().movedTo(between, lit.requireTalker().at()));
    assertThat(LampShadow.of(shaded)).singleElement().asString().contains("on the face");
    Room aside =
        lit.withMicrophone(
            lit.requireMicrophone().movedTo(new Point(1.3, 2.4, 1.0), lit.requireTalker().at()));
    assertThat(LampShadow.of(aside)).isEmpty();
  }
}
