package nullroom.core.room;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import nullroom.core.TestRooms;
import nullroom.core.Trouble;
import nullroom.core.acoustics.Bands;
import nullroom.core.predict.FirstArrivals;
import nullroom.core.predict.Statistics;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class FurnitureTest {
  private final Room room = TestRooms.box(0.1);
  private static final Finish HALF = new Finish.Stated(Bands.all(0.5), Bands.all(0.1));

  private static Furniture desk(double x, double y, double turn) {
    return new Furniture("desk", new Point(x, y, 0.72), 1.4, 0.7, 0.03, turn, HALF);
  }

  @Test
  @DisplayName("a desk under the line of sight reflects as its mirror image says")
  void reflects() {
    Room with = room.withFurniture(List.of(desk(0.8, 1.2, 0)));
    FirstArrivals.Arrival path =
        FirstArrivals.of(with).stream()
            .filter(a -> a.name().equals("desk"))
            .findFirst()
            .orElseThrow();
    Point t = with.requireTalker().at();
    Point m = with.requireMicrophone().at();
    double mirrored = new Point(t.x(), t.y(), 2 * 0.75 - t.z()).distanceTo(m);
    assertThat(path.extraMetres()).isCloseTo(mirrored - t.distanceTo(m), within(1e-12));
    assertThat(path.at().z()).isCloseTo(0.75, within(1e-12));
    assertThat(path.levelDb())
        .isCloseTo(20 * Math.log10(0.3 / mirrored) + 10 * Math.log10(0.5), within(1e-9));
    assertThat(FirstArrivals.of(room.withFurniture(List.of(desk(2.5, 1.2, 0)))))
        .as("a desk beside the mirrored ray")
        .noneMatch(a -> a.name().equals("desk"));
  }

  @Test
  @DisplayName("its faces take up sound; turning it changes nothing in that")
  void absorbs() {
    double area = 2 * 1.4 * 0.7 + 2 * (1.4 + 0.7) * 0.03;
    assertThat(desk(1, 1, 30).absorptionArea().get(3)).isCloseTo(area / 2, within(1e-12));
    Furniture shelf = new Furniture("shelf", new Point(1, 2, 0), 1, 0.3, 2, 0, HALF);
    assertThat(shelf.absorptionArea().get(0))
        .as("without the side it stands on")
        .isCloseTo((1 * 0.3 + 2 * 1.3 * 2) / 2, within(1e-12));
    Statistics bare = Statistics.of(room);
    Statistics with = Statistics.of(room.withFurniture(List.of(shelf)));
    assertThat(with.absorptionArea().get(3) - bare.absorptionArea().get(3))
        .isCloseTo(shelf.absorptionArea().get(3), within(1e-9));
    assertThat(shelf.plan().get(2)).isEqualTo(new Point(2, 2.3, 0));
    assertThat(desk(1, 1, 90).plan().get(1).y()).isCloseTo(2.4, within(1e-12));
  }

  private void refused(Furniture piece, String sentence) {
    assertThatThrownBy(() -> room.withFurniture(List.of(piece)))
        .isInstanceOf(Trouble.BadField.class)
        .hasMessageContaining(sentence);
  }

  @Test
  @DisplayName("what reaches out, does not fit or swallows the talker is refused in a sentence")
  void refusals() {
    refused(desk(3.5, 1, 0), "'desk' reaches out of the room");
    refused(new Furniture("mast", new Point(1, 2, 0), 0.1, 0.1, 3, 0, HALF), "under the ceiling");
    refused(
        new Furniture("wardrobe", new Point(1, 1.2, 0), 0.4, 0.6, 2, 0, HALF),
        "the talker is inside 'wardrobe'");
    refused(
        new Furniture("box", new Point(1.4, 1.4, 1), 0.2, 0.2, 0.4, 0, HALF),
        "the microphone is inside 'box'");
    for (double length : new double[] {0, -1, 200, Double.NaN}) {
      assertThatThrownBy(() -> new Furniture("bed", new Point(0, 0, 0), length, 1, 0.5, 0, HALF))
          .isInstanceOf(IllegalArgumentException.class)
          .hasMessageContaining("length of 'bed'");
    }
    assertThat(
            room.withFurniture(
                    List.of(new Furniture("bed", new Point(0, 0, 0), 2, 0.9, 0.5, 0, HALF)))
                .furniture())
        .as("pushed into a corner")
        .hasSize(1);
  }
}
