package nullroom.core.room;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import nullroom.core.TestRooms;
import nullroom.core.room.Ceiling.Flat;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SharedSpaceTest {
  private static Room lampAt(double x, double z, double boomZ) {
    Room room = TestRooms.box(0.2);
    Furniture lamp =
        new Furniture("lamp", new Point(x, 1.5, z), 0.3, 0.3, 0.3, 0, Finish.of("door_hollow"));
    Point lips = room.requireTalker().at();
    return room.withFurniture(List.of(lamp))
        .withMicrophone(room.requireMicrophone().movedTo(new Point(1.5, 1.6, boomZ), lips));
  }

  @ParameterizedTest
  @CsvSource({
    "1.8, 1.8, 1.9, true", // beside each other overhead
    "2.4, 1.8, 1.9, false", // far enough apart
    "1.8, 0.2, 1.0, false", // on the floor
    "1.8, 1.6, 1.2, false" // the microphone is not overhead
  })
  void nearOverhead(double x, double z, double boomZ, boolean said) {
    assertThat(SharedSpace.of(lampAt(x, z, boomZ)).isEmpty()).isEqualTo(!said);
  }

  @Test
  void theSentenceNamesBothAndTheHeat() {
    assertThat(SharedSpace.of(lampAt(1.8, 1.8, 1.9)))
        .singleElement()
        .asString()
        .contains("“microphone” comes within 30 cm of “lamp”", "hot");
  }

  @Test
  @DisplayName("a tag stays with its surface, and goes with it")
  void tags() {
    Room room = TestRooms.of(Outline.ell(4, 4), new Flat(2.5), 0.2);
    Room tagged =
        room.tagged(Surface.wall(1), Optional.of(SurfaceTag.BOUNCES_LIGHT))
            .tagged(Surface.wall(6), Optional.of(SurfaceTag.STAY_BARE));
    Room box = tagged.reshaped(Outline.box(4, 4), new Flat(2.5));
    assertThat(box.tagOf(Surface.wall(1))).contains(SurfaceTag.BOUNCES_LIGHT);
    assertThat(box.finishes().tags()).hasSize(1);
    assertThat(box.tagged(Surface.wall(1), Optional.empty()).finishes().tags()).isEmpty();
  }

  @Test
  void postureAndPictureAreToldByTheirFigures() {
    assertThat(Posture.of(1.25)).contains(Posture.SITTING);
    assertThat(Posture.of(1.6)).contains(Posture.STANDING);
    assertThat(Posture.of(0.5)).isEmpty();
    for (PictureShape shape : PictureShape.values()) {
      assertThat(PictureShape.of(shape.ratio())).contains(shape);
    }
    assertThat(PictureShape.of(2.39)).isEmpty();
  }
}
