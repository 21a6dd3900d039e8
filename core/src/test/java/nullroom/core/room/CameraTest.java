package nullroom.core.room;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import nullroom.core.TestRooms;
import nullroom.core.Trouble;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class CameraTest {
  private static final Camera AHEAD =
      new Camera(new Point(0.5, 1.5, 1.2), new Aim(0, 0), 50, Camera.WIDE);

  /** Angles of view as lens tables give them, 2 atan(36 / 2f) and its part by 16:9 or 3:2. */
  @ParameterizedTest
  @CsvSource({
    "13, 16, 9, 108.3, 75.8",
    "24, 16, 9, 73.7, 45.7",
    "28, 16, 9, 65.5, 39.8",
    "35, 16, 9, 54.4, 32.3",
    "50, 3, 2, 39.6, 27.0",
    "24, 3, 2, 73.7, 53.1"
  })
  void lens(double focal, double width, double height, double wide, double high) {
    Camera camera = AHEAD.with(focal, width / height);
    assertThat(camera.widthDegrees()).isCloseTo(wide, within(0.05));
    assertThat(camera.heightDegrees()).isCloseTo(high, within(0.05));
    Camera upright = AHEAD.with(focal, height / width);
    assertThat(upright.heightDegrees()).isCloseTo(wide, within(0.05));
    assertThat(upright.widthDegrees()).isCloseTo(high, within(0.05));
  }

  @Test
  @DisplayName("the picture ends where its angle does, and nothing behind the lens is in it")
  void edges() {
    double half = Math.tan(Math.toRadians(AHEAD.widthDegrees() / 2));
    assertThat(AHEAD.frames(new Point(2.5, 1.5 + 2 * half - 0.001, 1.2))).isTrue();
    assertThat(AHEAD.frames(new Point(2.5, 1.5 + 2 * half + 0.001, 1.2))).isFalse();
    double up = Math.tan(Math.toRadians(AHEAD.heightDegrees() / 2));
    assertThat(AHEAD.frames(new Point(2.5, 1.5, 1.2 + 2 * up - 0.001))).isTrue();
    assertThat(AHEAD.frames(new Point(2.5, 1.5, 1.2 - 2 * up - 0.001))).isFalse();
    assertThat(AHEAD.frames(new Point(0.1, 1.5, 1.2))).isFalse();
  }

  @Test
  @DisplayName("tilted up by 30 degrees its middle climbs by tan 30")
  void tilted() {
    Camera tilted = AHEAD.movedTo(AHEAD.at(), new Point(1.5, 2.5, 1.2 + Math.sqrt(2 / 3.0)));
    assertThat(tilted.aim().elevationDegrees()).isCloseTo(30, within(1e-9));
    assertThat(tilted.frames(new Point(1.5, 2.5, 1.2 + Math.sqrt(2 / 3.0)))).isTrue();
    assertThat(tilted.frames(new Point(2.5, 1.5, 1.2))).isFalse();
  }

  @Test
  @DisplayName("no lens of 3 mm, and no camera outside the room")
  void refused() {
    assertThatThrownBy(() -> AHEAD.with(3, 1.5)).hasMessageContaining("focal length");
    assertThatThrownBy(() -> AHEAD.with(50, 0)).hasMessageContaining("width over its height");
    Room room = TestRooms.box(0.2);
    Camera outside = AHEAD.movedBy(new Point(-1, 0, 0));
    assertThatThrownBy(() -> room.withCamera(Optional.of(outside)))
        .isInstanceOfSatisfying(
            Trouble.BadField.class,
            t -> assertThat(t.line()).contains("camera.at").contains("outside the room"));
  }
}
