package nullroom.core.measure;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class BlocksTest {
  @ParameterizedTest(name = "pieces of {0}, hop {1}")
  @DisplayName("blocks are the same in whatever pieces the samples come")
  @CsvSource({"1, 4", "3, 4", "4, 2", "7, 2", "50, 1"})
  void pieces(int piece, int hop) {
    double[] x = IntStream.range(0, 50).asDoubleStream().toArray();
    List<double[]> blocks = new ArrayList<>();
    Blocks cut = new Blocks(4, hop, block -> blocks.add(block.clone()));
    for (int from = 0; from < x.length; from += piece) {
      double[] some = Arrays.copyOfRange(x, from, from + piece);
      cut.add(some, Math.min(piece, x.length - from));
    }
    assertThat(blocks).hasSize((50 - 4) / hop + 1);
    for (int b = 0; b < blocks.size(); b++) {
      assertThat(blocks.get(b)).isEqualTo(Arrays.copyOfRange(x, b * hop, b * hop + 4));
    }
  }
}
