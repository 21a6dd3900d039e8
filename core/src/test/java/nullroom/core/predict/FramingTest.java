package nullroom.core.predict;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import nullroom.core.TestRooms;
import nullroom.core.room.Aim;
import nullroom.core.room.Camera;
import nullroom.core.room.Finish;
import nullroom.core.room.Furniture;
import nullroom.core.room.Point;
import nullroom.core.room.Room;
import nullroom.core.room.Surface;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class FramingTest {
  /** Films along x from the middle of the wall behind it, at the far wall 4.1 m away. */
  private final Room room =
      TestRooms.box(0.2)
          .withCamera(
              Optional.of(new Camera(new Point(0.1, 1.7, 1.25), new Aim(0, 0), 52.5, Camera.WIDE)));

  private static Framing of(Room room) {
    return Framing.of(room).orElseThrow();
  }

  /**
   * Cells are a quarter of a metre wide, so that single lenses are off by up to a row at each edge.
   */
  @Test
  @DisplayName("of the far wall it sees the share that its angles give, of the one behind nothing")
  void share() {
    double off = 0;
    int lenses = 0;
    for (double focal = 40; focal < 100; focal += 0.5) {
      Camera camera = room.camera().orElseThrow().with(focal, Camera.WIDE);
      double width = 2 * 4.1 * Math.tan(Math.toRadians(camera.widthDegrees() / 2));
      double height = 2 * 4.1 * Math.tan(Math.toRadians(camera.heightDegrees() / 2));
      double expected = Math.min(width, 3.4) * Math.min(height, 2.5) / (3.4 * 2.5);
      double share = of(room.withCamera(Optional.of(camera))).share(room, Surface.wall(2));
      assertThat(share).isCloseTo(expected, within(0.15));
      off += share - expected;
      lenses++;
    }
    assertThat(off / lenses).isCloseTo(0, within(0.02));
    assertThat(of(room).share(room, Surface.wall(4))).isZero();
    assertThat(Framing.of(TestRooms.box(0.2))).isEmpty();
  }

  @Test
  @DisplayName("talker and microphone are in the picture; behind a wardrobe they are not")
  void hidden() {
    assertThat(of(room).talker()).isTrue();
    assertThat(of(room).microphone()).isTrue();
    Furniture wardrobe =
        new Furniture(
            "wardrobe", new Point(0.5, 1.0, 0), 0.3, 1.6, 2.2, 0, Finish.of("door_solid"));
    Furniture behind =
        new Furniture("shelf", new Point(3.6, 1.5, 0), 0.3, 0.3, 1, 0, Finish.of("door_solid"));
    Framing blocked = of(room.withFurniture(List.of(wardrobe, behind)));
    assertThat(blocked.talker()).isFalse();
    assertThat(blocked.microphone()).isFalse();
    assertThat(blocked.pieces()).containsExactly(true, false);
    assertThat(blocked.share(room, Surface.wall(2)))
        .isLessThan(0.5 * of(room).share(room, Surface.wall(2)));
  }

  @Test
  @DisplayName("a blanket in the middle of the far wall shows, one in its lower corner does not")
  void shows() {
    Framing framing = of(room);
    assertThat(framing.shows(Surface.wall(2), square(1.5, 1.0))).isTrue();
    assertThat(framing.shows(Surface.wall(2), square(0, 0))).isFalse();
  }

  private static List<Point> square(double u, double v) {
    return List.of(
        new Point(u, v, 0),
        new Point(u + 0.4, v, 0),
        new Point(u + 0.4, v + 0.4, 0),
        new Point(u, v + 0.4, 0));
  }
}
