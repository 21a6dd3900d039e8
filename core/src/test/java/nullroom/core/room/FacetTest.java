package nullroom.core.room;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.stream.Collectors;
import nullroom.core.TestRooms;
import nullroom.core.acoustics.Bands;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class FacetTest {
  static List<Room> rooms() {
    Outline ell =
        new Outline(
            List.of(
                new Point(0, 0, 0),
                new Point(5, 0, 0),
                new Point(5, 2, 0),
                new Point(2.2, 2, 0),
                new Point(2.2, 4.5, 0),
                new Point(0, 4.5, 0)));
    return List.of(
        TestRooms.box(0.1),
        TestRooms.of(ell, new Ceiling.Flat(2.4), 0.1),
        TestRooms.of(Outline.box(4.2, 3.4), new Ceiling.LeanTo(1.3, 2.6, 1), 0.1),
        TestRooms.of(Outline.box(4.2, 3.6), new Ceiling.Gable(1.6, 3.1, true), 0.1),
        TestRooms.of(Outline.box(4.2, 3.6), new Ceiling.Gable(1.6, 3.1, false), 0.1));
  }

  @ParameterizedTest
  @MethodSource("rooms")
  @DisplayName(
      "facets have the areas of the surfaces they belong to, and close the room (divergence theorem)")
  void close(Room room) {
    List<Facet> facets = Facet.of(room);
    var areas =
        facets.stream()
            .collect(Collectors.groupingBy(Facet::name, Collectors.summingDouble(Facet::area)));
    Point sum = new Point(0, 0, 0);
    double volume = 0;
    for (Facet facet : facets) {
      sum = sum.plus(facet.normal(), facet.area());
      volume -= facet.corners().getFirst().dot(facet.normal()) * facet.area() / 3;
      for (Point corner : facet.corners()) {
        assertThat(corner.minus(facet.corners().getFirst()).dot(facet.normal()))
            .as("%s is plane", facet.name())
            .isCloseTo(0, within(1e-9));
      }
      assertThat(facet.normal().length()).isCloseTo(1, within(1e-12));
    }
    for (Surface surface : room.surfaces()) {
      assertThat(areas.get(surface.id()))
          .as(surface.id())
          .isCloseTo(room.areaOf(surface), within(2e-3));
    }
    assertThat(sum.length()).as("closed").isLessThan(1e-9);
    assertThat(volume).isCloseTo(room.volume(), within(1e-9));
  }

  @Test
  @DisplayName("a patch lies on its facet and counts in its mean; furniture adds its own facets")
  void patchesAndFurniture() {
    Finish hard = new Finish.Stated(Bands.all(0.02), Bands.all(0.1));
    Room room =
        TestRooms.box(0.1)
            .plus(Patch.rectangle("rug", Surface.FLOOR, 1, 1, 2, 1.5, "rug_on_wood"))
            .plus(Patch.rectangle("window", Surface.wall(2), 0.5, 0.9, 1.2, 1.2, "glass_double_10"))
            .withFurniture(
                List.of(new Furniture("box", new Point(3, 2.5, 0), 0.5, 0.5, 1, 0, hard)));
    List<Facet> facets = Facet.of(room);
    Facet floor = facets.getFirst();
    double rug = 3 / floor.area();
    assertThat(floor.patches()).hasSize(1);
    assertThat(floor.meanAbsorption().get(4)).isCloseTo(0.1 * (1 - rug) + 0.26 * rug, within(1e-9));
    Facet wall2 = facets.stream().filter(f -> f.name().equals("wall2")).findFirst().orElseThrow();
    for (Point corner : wall2.patches().getFirst().corners()) {
      assertThat(corner.x()).as("wall 2 is where x is greatest").isCloseTo(4.2, within(1e-9));
      assertThat(corner.z()).isBetween(0.9, 2.1);
    }
    assertThat(facets.stream().filter(f -> f.name().equals("box"))).hasSize(5);
    assertThat(facets.stream().filter(f -> f.name().equals("box")).mapToDouble(Facet::area).sum())
        .isCloseTo(0.25 + 4 * 0.5, within(1e-9));
  }
}
