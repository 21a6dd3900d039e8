package nullroom.app.mic;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;

class ContourTest {
  private static final double[] MESH = IntStream.rangeClosed(-20, 20).mapToDouble(k -> k).toArray();

  private static double[][] cone() {
    double[][] field = new double[MESH.length][MESH.length];
    for (int j = 0; j < MESH.length; j++) {
      for (int i = 0; i < MESH.length; i++) {
        field[j][i] = Math.hypot(MESH[i], MESH[j]);
      }
    }
    return field;
  }

  @Test
  @DisplayName("of a cone a level is a circle: every piece lies on it, and together they go round")
  void circle() {
    List<double[]> pieces = Contour.of(MESH, MESH, cone(), 10.3);
    double length = 0;
    for (double[] p : pieces) {
      assertThat(Math.hypot(p[0], p[1])).isCloseTo(10.3, within(0.05));
      length += Math.hypot(p[2] - p[0], p[3] - p[1]);
    }
    assertThat(length).isCloseTo(2 * Math.PI * 10.3, within(0.2));
  }

  @Test
  @DisplayName("nothing is drawn where nothing is known, or where the level is not reached")
  void holes() {
    double[][] field = cone();
    assertThat(Contour.of(MESH, MESH, field, 99)).isEmpty();
    for (double[] row : field) {
      Arrays.fill(row, Double.NaN);
    }
    assertThat(Contour.of(MESH, MESH, field, 10.3)).isEmpty();
  }
}
