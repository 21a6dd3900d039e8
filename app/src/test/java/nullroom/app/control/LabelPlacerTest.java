package nullroom.app.control;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.offset;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import nullroom.app.control.LabelPlacer.Box;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class LabelPlacerTest {
  private static final Box PICTURE = new Box(0, 0, 600, 400);

  private static Box beside(LabelPlacer placer, double x, double y, double width) {
    return placer.beside(x, y, 8, width, 14, true).orElseThrow();
  }

  @Test
  @DisplayName("over the middle of a thing if that is free, else close to it, else nowhere")
  void over() {
    LabelPlacer placer = new LabelPlacer(600, 400);
    assertThat(placer.over(100, 100, 40, 14)).contains(new Box(80, 93, 40, 14));
    assertThat(placer.over(100, 100, 40, 14)).isPresent().isNotEqualTo(new Box(80, 93, 40, 14));
    placer.keep(new Box(0, 0, 600, 400));
    assertThat(placer.over(300, 300, 40, 14)).isEmpty();
  }

  @Test
  @DisplayName("alone a label stands right of what it names, at the right edge left of it")
  void alone() {
    assertThat(beside(new LabelPlacer(600, 400), 100, 100, 50).x()).isEqualTo(111);
    assertThat(beside(new LabelPlacer(600, 400), 590, 100, 50).x()).isEqualTo(529);
  }

  @Test
  @DisplayName("fifteen labels of things spread over a room lie over nothing and inside")
  void spread() {
    for (int seed = 0; seed < 20; seed++) {
      Random random = new Random(seed);
      LabelPlacer placer = new LabelPlacer(600, 400);
      List<double[]> things = new ArrayList<>();
      for (int i = 0; i < 15; i++) {
        double[] at = {40 + 130 * (i % 5) + 20 * random.nextDouble(), 50 + 130 * (i / 5)};
        things.add(at);
        placer.keep(new Box(at[0] - 8, at[1] - 8, 16, 16));
      }
      List<Box> labels = new ArrayList<>();
      for (double[] at : things) {
        labels.add(beside(placer, at[0], at[1], 60));
      }
      for (int i = 0; i < labels.size(); i++) {
        Box one = labels.get(i);
        assertThat(one.over(PICTURE)).isCloseTo(60 * 14, offset(1e-6));
        assertThat(labels.subList(0, i)).allMatch(other -> one.over(other) == 0);
        assertThat(things).allMatch(at -> one.over(new Box(at[0] - 8, at[1] - 8, 16, 16)) == 0);
      }
    }
  }

  @Test
  @DisplayName("of a heap each label still lies over no other")
  void heap() {
    LabelPlacer placer = new LabelPlacer(600, 400);
    List<Box> labels = new ArrayList<>();
    for (int i = 0; i < 6; i++) {
      labels.add(beside(placer, 300 + i, 200 + i, 70));
      Box last = labels.getLast();
      assertThat(labels.subList(0, i)).allMatch(other -> last.over(other) == 0);
    }
  }

  @Test
  @DisplayName("within a slanted area all four corners of a label lie in it, or it fits nowhere")
  void within() {
    LabelPlacer placer = new LabelPlacer(600, 400);
    Box area = new Box(100, 100, 100, 100); // a triangle, its right angle at the lower left
    Box found =
        placer
            .within((x, y) -> y - 100 > x - 100 && y < 200 && x > 100, area, 150, 150, 40, 14)
            .orElseThrow();
    assertThat(found.y() - 100).isGreaterThan(found.x() + found.width() - 100);
    assertThat(
            placer.within(
                (x, y) -> y - 100 > x - 100 && y < 200 && x > 100, area, 150, 150, 95, 14))
        .isEmpty();
  }
}
