package nullroom.core.plan.mic;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import nullroom.core.Progress;
import nullroom.core.TestRooms;
import nullroom.core.Trouble;
import nullroom.core.acoustics.MicrophoneType;
import nullroom.core.acoustics.Mount;
import nullroom.core.acoustics.Pattern;
import nullroom.core.book.Goal;
import nullroom.core.book.Kit;
import nullroom.core.book.KitField;
import nullroom.core.book.RoomBook;
import nullroom.core.book.Shelf;
import nullroom.core.room.Aim;
import nullroom.core.room.Camera;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

/** What to spend money on, and what to say where nothing has a place. */
class ShoppingTest {
  private static RoomBook book(double absorption, double away, double millimetres) {
    Room room = TestRooms.box(absorption);
    Point lips = room.requireTalker().at();
    Point lens = lips.plus(new Point(away, 0, 0), 1);
    Camera camera = new Camera(lens, Aim.along(lips.minus(lens)), millimetres, Camera.WIDE);
    return new RoomBook("shop", Goal.SPOKEN_ON_CAMERA, room.withCamera(Optional.of(camera)));
  }

  @Test
  @DisplayName(
      "each school keeps to the money, its steps add up, and none ends worse than it began")
  void schools() {
    RoomBook book = book(0.15, 1.9, 35);
    Shelf phone =
        Shelf.EMPTY.with(
            List.of(Kit.of(MicrophoneType.find("phone_builtin").orElseThrow(), "phone")));
    for (Shopping s : Shopping.of(book, phone, 200, Progress.NONE)) {
      double spent = s.buys().stream().mapToDouble(Shopping.Buy::price).sum();
      assertThat(spent + s.left()).as(s.school().label()).isCloseTo(200, within(1e-9));
      assertThat(s.left()).isGreaterThanOrEqualTo(0);
      double before = Double.POSITIVE_INFINITY;
      for (Shopping.Buy b : s.buys()) {
        assertThat(b.shortDb()).isLessThanOrEqualTo(before);
        before = b.shortDb();
      }
      assertThat(s.verdict()).isNotBlank();
    }
  }

  @Test
  @DisplayName("light first buys a lamp before all; what money cannot pay is not bought")
  void light() {
    RoomBook book = book(0.15, 1.9, 35);
    List<Shopping> rich = Shopping.of(book, Shelf.EMPTY, 500, Progress.NONE);
    assertThat(rich.get(1).buys().getFirst().what()).contains("light");
    List<Shopping> poor = Shopping.of(book, Shelf.EMPTY, 0, Progress.NONE);
    assertThat(poor).allSatisfy(s -> assertThat(s.left()).isZero());
    assertThat(poor.get(0).shortDb()).isGreaterThanOrEqualTo(rich.get(0).shortDb());
    assertThatThrownBy(() -> Shopping.of(book, Shelf.EMPTY, -1, Progress.NONE))
        .isInstanceOf(Trouble.BadField.class);
  }

  @Test
  @DisplayName("where no place is left, which limit to give up is said, and what that takes")
  void nowhere() {
    RoomBook wide = book(0.2, 2.5, 12);
    Kit boom =
        Kit.of(MicrophoneType.find("boom_shotgun").orElseThrow(), "shotgun")
            .with(KitField.PLACES, Optional.of("boom"));
    MicPlanner.Result found =
        MicPlanner.rank(wide, Shelf.EMPTY.with(List.of(boom)).withReach(0, 0), Progress.NONE);
    assertThat(found.ranking()).isEmpty();
    assertThat(found.warnings())
        .singleElement()
        .asString()
        .contains("finds no place")
        .containsPattern("A boom of \\d\\.\\d m would bring it to \\d+ cm \\(about \\d+\\)");
  }

  @Test
  @DisplayName("the same microphone by its other mounts and patterns, each named by what differs")
  void otherwise() {
    RoomBook book = book(0.15, 1.9, 35);
    List<MicPlanner.Ranked> all = MicPlanner.otherwise(book, Shelf.EMPTY, "Camera short shotgun");
    assertThat(all).extracting(MicPlanner.Ranked::mount).contains(Mount.BOOM, Mount.CAMERA);
    double boom = byMount(all, Mount.BOOM);
    double camera = byMount(all, Mount.CAMERA);
    assertThat(boom).as("off the camera and on a boom").isLessThanOrEqualTo(camera);
    assertThat(MicPlanner.otherwise(book, Shelf.EMPTY, "Small condenser, cardioid"))
        .extracting(r -> r.heard().capture().pattern())
        .contains(Pattern.CARDIOID, Pattern.HYPERCARDIOID, Pattern.OMNI, Pattern.FIGURE_EIGHT);
  }

  private static double byMount(List<MicPlanner.Ranked> all, Mount mount) {
    return all.stream().filter(r -> r.mount() == mount).findFirst().orElseThrow().shortDb();
  }

  @Test
  @DisplayName("a pattern that its class is not made with is told, and ranked all the same")
  void oddPattern() {
    Kit odd =
        Kit.of(MicrophoneType.find("ribbon").orElseThrow(), "ribbon")
            .with(KitField.PATTERN, Optional.of("omni"));
    MicPlanner.Result found =
        MicPlanner.rank(book(0.15, 1.9, 35), Shelf.EMPTY.with(List.of(odd)), Progress.NONE);
    assertThat(found.warnings()).anyMatch(w -> w.contains("are not made as omni"));
    assertThat(found.ranking()).hasSize(1);
    assertThat(found.ranking().getFirst().chain().why())
        .anyMatch(w -> w.contains("Nobody stated its self-noise"));
  }
}
